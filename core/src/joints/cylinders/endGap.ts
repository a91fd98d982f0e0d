import type { Parameter } from '../../dictionary/definition.js';
import { rings } from '../../dictionary/kinds/rings.js';
import { minus, plus, scaled } from '../../quantity/interval.js';
import { band, sentence } from '../../quantity/sentence.js';
import { bandOf, cite, cylinders, limitOf } from '../../thumb/index.js';
import type { JointCheck } from '../check.js';
import { work } from '../outcome.js';
import { bandOfSize, within } from '../shapes/within.js';

export const endGap = (bore: Parameter): JointCheck =>
  within({
    id: 'endGap',
    name: 'End gap',
    of: { hole: bore, madeFor: rings.parameters.bore, gap: rings.parameters['top.gap'] },
    // A ring in a larger bore opens by pi times the difference.
    found: ({ hole, madeFor, gap }) => plus(gap, scaled(minus(hole, madeFor), Math.PI)),
    required: ({ rules }, { hole }) => ({
      band: bandOfSize(bandOf(cylinders.endGap, rules), hole),
      ruleOfThumb: () => cite(cylinders.endGap, rules),
    }),
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
