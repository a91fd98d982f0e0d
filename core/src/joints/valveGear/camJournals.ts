import type { Parameter } from '../../dictionary/definition.js';
import { block } from '../../dictionary/kinds/block.js';
import { head } from '../../dictionary/kinds/head.js';
import { minus, scaled, type Interval } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { limitOf, valveGear } from '../../thumb/index.js';
import { lookOf, type Assembly } from '../assembly.js';
import type { JointCheck } from '../check.js';
import { work } from '../outcome.js';
import { usually, within } from '../shapes/within.js';

/** Whether what a bore leaves over a journal is for a bush. */
const isForBush = ({ low }: Interval, { rules }: Assembly): boolean => low > limitOf(valveGear.camBushedFrom, rules);

export const camJournal = (id: string, name: string, bore: Parameter, journal: Parameter): JointCheck =>
  within({
    id,
    name,
    of: { hole: bore, size: journal },
    found: ({ hole, size }) => minus(hole, size),
    required: (assembly, { hole, size }) =>
      usually(isForBush(minus(hole, size), assembly) ? valveGear.camBush : valveGear.camBare)(assembly),
    fits: ({ found }, assembly) =>
      isForBush(found, assembly)
        ? sentence`There is ${band(found)} for the bush.`
        : sentence`The journal runs with ${band(found)}.`,
    subject: 'The bore over the journal',
    tooLittle: 'the cam does not go in',
    tooMuch: 'the cam is loose in this bore',
    mend: (assembly, { found }) =>
      isForBush(found, assembly) && found.high < limitOf(valveGear.camBushWidest, assembly.rules)
        ? [
            work({
              steps: ['camBushes'],
              says: sentence`Press in bushes with ${band(scaled(found, 0.5))} of wall, and line ream them.`,
            }),
          ]
        : [],
  });

/** The counts that tell where a cam runs. */
export const CAM_BEARINGS: readonly string[] = [block.features.camBearings.id, head.features.camBearings.id];

/**
 * Whether the cam runs in the block or in the head, which no engine has in both. Undefined where what is at hand does
 * not tell: it is then asked of that.
 */
export const valveGearIn =
  (place: 'block' | 'head') =>
  (assembly: Assembly): boolean | undefined => {
    const [below, above] = [lookOf(assembly, block.features.camBearings), lookOf(assembly, head.features.camBearings)];
    const isKnown = below !== undefined && above !== undefined;
    const [inBlock, inHead] = [below, above].map((count) => count !== undefined && count !== '0');
    const isHere = place === 'head' ? inHead === true || below === '0' : isKnown ? above === '0' : inBlock;
    return isHere || isKnown ? isHere : undefined;
  };
