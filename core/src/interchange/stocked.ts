import type { KindId } from '../dictionary/dictionary.js';

/** Kinds that are chosen freely to join others. */
export const STOCKED: readonly KindId[] = ['mainShell', 'rodShell', 'rollingBearing', 'liner'];

/** Kinds of which a new one goes in where the old one does not do. */
export const CHOSEN_ANEW: readonly KindId[] = [
  'rings',
  'headGasket',
  'seal',
  'thrustWasher',
  'pin',
  'valve',
  'valveSpring',
];
