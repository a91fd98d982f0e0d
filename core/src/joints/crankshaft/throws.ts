import { block } from '../../dictionary/kinds/block.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { counted } from '../../quantity/phrase.js';
import { lookOf, type Assembly } from '../assembly.js';
import { NO_WORK_HELPS, type Joint } from '../check.js';
import { said, seeing } from '../outcome.js';

const SERVING = [crank.features.crankpins, crank.features.rodsPerPin, block.features.cylinders] as const;

/** One of the three counts from the other two, where it comes to a whole number. */
function counts(id: string, assembly: Assembly): readonly string[] | undefined {
  const [pins, each, cylinders] = SERVING.map((feature) => {
    const seen = feature.id === id ? undefined : lookOf(assembly, feature);
    return seen === undefined ? undefined : Number(seen);
  });
  const count =
    pins !== undefined && each !== undefined
      ? pins * each
      : cylinders !== undefined
        ? cylinders / (pins ?? each ?? NaN)
        : NaN;
  return Number.isInteger(count) ? [String(count)] : undefined;
}

/** Every cylinder has a rod, and every rod its place on a crankpin. */
export const throws: Joint = {
  id: 'throws',
  name: 'Throws and cylinders',
  kinds: ['block', 'crank'],
  checks: [
    {
      id: 'cylindersServed',
      name: 'Cylinders served',
      reads: SERVING.map(({ id }) => id),
      verdicts: NO_WORK_HELPS,
      implies: counts,
      judge: (assembly) =>
        seeing(assembly, SERVING, (pins, each, cylinders) => {
          const rods = Number(pins) * Number(each);
          const says = `${counted(Number(pins), 'crankpin')} with ${counted(Number(each), 'rod')} each`;
          return rods === Number(cylinders)
            ? said('fits', [`${says} for ${counted(rods, 'cylinder')}.`])
            : said('doesNotFit', [
                `${says} serve ${counted(rods, 'cylinder')}; the block has ${cylinders}: it is the crank of another engine.`,
              ]);
        }),
    },
  ],
};
