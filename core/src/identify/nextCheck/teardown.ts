import { REACHES, type Reach } from '../../dictionary/definition.js';

/**
 * Minutes from one state of teardown to the next. *Common practice, no source*: an engine out on a stand, nothing
 * seized.
 */
const MINUTES: Readonly<Record<Reach, number>> = {
  outside: 0,
  headOff: 45,
  panOff: 25,
  rotatingPartsOut: 90,
  onTheBench: 15,
};

export const REACH_SAYS: Readonly<Record<Reach, string>> = {
  outside: 'assembled, seen from outside',
  headOff: 'head off',
  panOff: 'pan off',
  rotatingPartsOut: 'rotating parts out',
  onTheBench: 'on the bench',
};

/** Minutes of dismantling before a thing that needs `needed` can be got at, in the present state. */
export function dismantling(state: Reach, needed: Reach): number {
  const [from, to] = [REACHES.indexOf(state), REACHES.indexOf(needed)];
  return REACHES.slice(from + 1, Math.max(from, to) + 1).reduce((sum, each) => sum + MINUTES[each], 0);
}
