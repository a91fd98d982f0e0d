import type { KindId } from './dictionary.js';

/** What may lie with a part, or be sold with it: what is asked of one on the bench. *Common practice, no source.* */
export const MAY_COME_WITH: Readonly<Partial<Record<KindId, readonly KindId[]>>> = {
  piston: ['pin', 'rings'],
  rod: ['rodShell', 'fastener'],
  crank: ['rollingBearing', 'flywheel'],
  head: ['valve', 'valveSpring', 'cam', 'lifter'],
  cam: ['lifter'],
  liner: ['piston', 'pin', 'rings'],
  frontCover: ['seal'],
};
