import type { Build } from '../build/index';
import { KNOWING_LOOKUP, LOOKUP, SPECIMENS } from './demo';
import type { PlanGround } from '../planner/problem';

/** The demo as plans are made over it, for specs. */
export const GROUND: PlanGround = {
  ...KNOWING_LOOKUP,
  ofKind: (kind) => LOOKUP.partsOfKind(kind),
  shelf: SPECIMENS.filter(({ job }) => job === undefined),
};

/** A build that starts from an engine of the demo. */
export const build = (variant: string, ...places: Build['places']): Build => ({
  id: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11',
  name: variant,
  variant,
  places,
  sizes: [],
});
