import type { KindId } from './dictionary.js';

/**
 * What may lie with a part, or be sold with it, and saves buying it: what is asked of one on the bench. Shells are
 * chosen anew whatever lies there. *Common practice, no source.*
 */
export const MAY_COME_WITH: Readonly<Partial<Record<KindId, readonly KindId[]>>> = {
  piston: ['pin', 'rings'],
  crank: ['rollingBearing', 'flywheel'],
  head: ['valve', 'valveSpring', 'cam', 'lifter'],
  cam: ['lifter'],
  liner: ['piston', 'pin', 'rings'],
  frontCover: ['seal'],
};
