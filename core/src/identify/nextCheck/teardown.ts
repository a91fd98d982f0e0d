import type { Reach } from '../../dictionary/definition.js';

/**
 * What has to be off before, and the minutes of the step itself. Head, pan, flywheel and front come off each by
 * itself; crank, rods and pistons come out when all are. *Common practice, no source*: an engine out on a stand,
 * nothing seized.
 */
const STEPS: Readonly<Record<Reach, { readonly after: readonly Reach[]; readonly minutes: number }>> = {
  outside: { after: [], minutes: 0 },
  flywheelOff: { after: [], minutes: 20 },
  frontOff: { after: [], minutes: 25 },
  panOff: { after: [], minutes: 25 },
  headOff: { after: [], minutes: 45 },
  headAndPanOff: { after: ['headOff', 'panOff'], minutes: 0 },
  rotatingPartsOut: { after: ['headAndPanOff', 'flywheelOff', 'frontOff'], minutes: 45 },
  onTheBench: { after: ['rotatingPartsOut'], minutes: 15 },
};

export const REACH_SAYS: Readonly<Record<Reach, string>> = {
  outside: 'assembled, seen from outside',
  flywheelOff: 'flywheel off',
  frontOff: 'pulley and front cover off',
  panOff: 'pan off',
  headOff: 'head off',
  headAndPanOff: 'head and pan off',
  rotatingPartsOut: 'rotating parts out',
  onTheBench: 'on the bench',
};

/** All steps that are done in a state, those before them included. */
export function stepsTo(...states: readonly Reach[]): ReadonlySet<Reach> {
  const done = new Set<Reach>();
  const add = (state: Reach) => {
    if (done.has(state)) return;
    done.add(state);
    STEPS[state].after.forEach(add);
  };
  states.forEach(add);
  return done;
}

/** Minutes of dismantling before a thing that needs `needed` can be got at, when these steps are done. */
export function dismantling(done: ReadonlySet<Reach>, needed: Reach): number {
  let minutes = 0;
  for (const step of stepsTo(needed)) if (!done.has(step)) minutes += STEPS[step].minutes;
  return minutes;
}
