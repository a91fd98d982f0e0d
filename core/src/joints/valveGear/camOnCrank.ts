import { cam } from '../../dictionary/kinds/cam.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { sayLook } from '../../dictionary/dictionary.js';
import { counted } from '../../quantity/phrase.js';
import { lookOf, type Assembly } from '../assembly.js';
import { NO_WORK_HELPS, type Joint } from '../check.js';
import { said, seeing, type Outcome } from '../outcome.js';

/**
 * Firing orders that throws allow, as cylinders are numbered from the front. *Common practice, no source.* A cross
 * serves both ways of numbering the banks of a V8.
 */
const FIRES: Readonly<Record<string, readonly string[]>> = {
  single: ['1'],
  together: ['1-2'],
  opposed: ['1-2'],
  plane: ['1-3-4-2', '1-2-4-3'],
  cross: ['1-8-4-3-6-5-7-2', '1-3-7-2-6-5-4-8'],
  pairs: ['1-5-3-6-2-4'],
};

const { crankpins, rodsPerPin } = crank.features;

/** The order that throws allow, or the throws that allow an order. */
function firing(id: string, assembly: Assembly): readonly string[] | undefined {
  const [order, throws] = [lookOf(assembly, cam.features.firingOrder), lookOf(assembly, crank.features.throws)];
  if (id === cam.features.firingOrder.id) return throws === undefined ? undefined : FIRES[throws];
  if (id !== crank.features.throws.id || order === undefined) return undefined;
  return Object.keys(FIRES).filter((each) => FIRES[each]?.includes(order));
}

/** A cam for another number of cylinders than the crankpins serve is refused, however they lie. */
function firesOthers(assembly: Assembly): Outcome | undefined {
  const order = lookOf(assembly, cam.features.firingOrder);
  const [pins, each] = [lookOf(assembly, crankpins), lookOf(assembly, rodsPerPin)];
  if (order === undefined || pins === undefined || each === undefined) return undefined;
  const [fired, served] = [order.split('-').length, Number(pins) * Number(each)];
  return fired === served
    ? undefined
    : said('doesNotFit', [
        `The cam fires ${counted(fired, 'cylinder')}, ${order}; the crank serves ${counted(served, 'cylinder')}.`,
      ]);
}

/** A cam opens the valves in the order in which the throws of the crank bring the pistons up. */
export const camOnCrank: Joint = {
  id: 'camOnCrank',
  name: 'Cam and throws',
  kinds: ['cam', 'crank'],
  checks: [
    {
      id: 'firingByThrows',
      name: 'Firing order',
      reads: [cam.features.firingOrder.id, crank.features.throws.id, crankpins.id, rodsPerPin.id],
      verdicts: NO_WORK_HELPS,
      implies: firing,
      judge: (assembly) =>
        firesOthers(assembly) ??
        seeing(assembly, [cam.features.firingOrder, crank.features.throws], (order, throws) => {
          const lie = sayLook(crank.features.throws, throws);
          return (FIRES[throws] ?? []).includes(order)
            ? said('fits', [`The throws lie ${lie}, which fires ${sayLook(cam.features.firingOrder, order)}.`])
            : said('doesNotFit', [
                `The throws lie ${lie} and do not come up in the order ${sayLook(cam.features.firingOrder, order)}: the valves would open at the wrong pistons.`,
              ]);
        }),
    },
    {
      id: 'camTurning',
      name: 'Direction of turning',
      reads: [cam.features.rotation.id, cam.features.drive.id, crank.features.rotation.id],
      verdicts: NO_WORK_HELPS,
      judge: (assembly) =>
        seeing(
          assembly,
          [cam.features.drive, cam.features.rotation, crank.features.rotation],
          (drive, turns, crankTurns) =>
            drive === 'gear'
              ? said('fits', ['Driven by gears: an idler between them turns the cam either way.'], { arises: false })
              : turns === crankTurns
                ? said('fits', [`Both turn ${sayLook(cam.features.rotation, turns)}.`])
                : said('doesNotFit', [
                    `A ${sayLook(cam.features.drive, drive)} turns the cam with the crank, ${sayLook(crank.features.rotation, crankTurns)}: this one is ground to turn ${sayLook(cam.features.rotation, turns)}.`,
                  ]),
        ),
    },
  ],
};
