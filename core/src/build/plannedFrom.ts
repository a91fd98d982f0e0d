import type { Part } from '../catalogue/part.js';
import type { OperationId } from '../joints/operations/operations.js';
import { isDone } from '../joints/operations/operation.js';
import type { PlannedWork } from './build.js';
import { operationOf, PLANNED_WORK, plannedFor, worked, type WorkAround } from './work.js';

/** What is planned to a thousandth of the inside unit: finer nobody sets a machine. */
const FINENESS = 1000;

/**
 * Work that was done on a part, as a build would plan it.
 *
 * @param steps what was done, in order
 * @param after the part as it then is
 * @returns what a build can plan of it, and the steps that it cannot, or that its amounts leave nothing to do for
 */
export function plannedFrom(
  part: Part,
  steps: readonly OperationId[],
  after: Part,
  round: WorkAround,
): { readonly work: readonly PlannedWork[]; readonly besides: readonly OperationId[] } {
  const work: PlannedWork[] = [];
  const besides: OperationId[] = [];
  let now = part;
  for (const step of steps) {
    const id = plannedFor(part.kind).find((each) => operationOf(each) === step);
    const by = id && PLANNED_WORK[id].amount(now, after);
    const whole = by === undefined ? 0 : Math.round(by * FINENESS) / FINENESS;
    const done = id && whole > 0 ? worked(now, id, whole, round) : undefined;
    if (!id || !done || !isDone(done)) {
      besides.push(step);
      continue;
    }
    now = done.part;
    work.push({ operation: id, by: { value: whole, unit: 'mm' } });
  }
  return { work, besides };
}
