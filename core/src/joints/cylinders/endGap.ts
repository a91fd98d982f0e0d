import type { Parameter } from '../../dictionary/definition.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { rings } from '../../dictionary/kinds/rings.js';
import { minus, plus, scaled } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { cylinders, limitOf, type FigureOfThumb } from '../../thumb/index.js';
import { lookOf, type Assembly } from '../assembly.js';
import type { JointCheck } from '../check.js';
import { work } from '../outcome.js';
import { specified, within } from '../shapes/within.js';

const specifiedGap = rings.parameters['top.gapSpecified'];

/** A bowl in the crown is that of a diesel. */
function figureFor(assembly: Assembly): FigureOfThumb {
  const crown = lookOf(assembly, piston.features.crown);
  if (crown === undefined) return cylinders.endGapEither;
  return crown === 'bowl' || crown === 'reentrant' ? cylinders.endGapHot : cylinders.endGap;
}

export const endGap = (bore: Parameter): JointCheck =>
  within({
    id: 'endGap',
    name: 'End gap',
    of: { hole: bore, madeFor: rings.parameters.bore, gap: rings.parameters['top.gap'] },
    // A ring in a larger bore opens by pi times the difference.
    found: ({ hole, madeFor, gap }) => plus(gap, scaled(minus(hole, madeFor), Math.PI)),
    also: [specifiedGap.id, piston.features.crown.id],
    required: (assembly, { hole }) => specified(assembly, specifiedGap, figureFor(assembly), hole),
    subject: 'The end gap',
    tooLittle: 'the ends would butt and the ring break',
    tooMuch: 'it leaks',
    mend: (assembly, { found, required }) =>
      found.high < required.low && found.high > -limitOf(cylinders.endGapFiled, assembly.rules)
        ? [
            work({
              steps: ['fileRings'],
              says: sentence`File the ends until the gap is ${band(required)}, each ring in its own bore.`,
              found: required,
              required,
            }),
          ]
        : [],
  });
