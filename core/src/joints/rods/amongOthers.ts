import type { Feature, Parameter } from '../../dictionary/definition.js';
import { minus } from '../../quantity/interval.js';
import { sentence, band } from '../../quantity/sentence.js';
import type { QuantityKind } from '../../quantity/unit.js';
import { weightAllowed } from '../../shop/houseRules.js';
import { cite, limitOf, rods, type FigureOfThumb } from '../../thumb/index.js';
import { valueOf } from '../assembly.js';
import type { JointCheck } from '../check.js';
import { sameLook } from '../shapes/same.js';
import { before, usually, within } from '../shapes/within.js';

export const alike = (id: string, name: string, of: Parameter, by: FigureOfThumb, otherwise: string): JointCheck =>
  within({
    id,
    name,
    quantity: of.quantity,
    of: { mine: of, theirs: before(of) },
    found: ({ mine, theirs }) => minus(mine, theirs),
    required: usually(by),
    fits: ({ sizes: { mine } }) => sentence`${name} as the others: ${band(mine, of.quantity)}.`,
    subject: 'The difference from the others',
    tooLittle: otherwise,
    tooMuch: otherwise,
  });

const MASS: QuantityKind = 'mass';
const WHERE = ['parts', 'replaced'] as const;

/** Weight of one against the others. What is over can be taken off, so that it is work and no refusal. */
export const weight = (id: string, of: Parameter): JointCheck =>
  within({
    id,
    name: 'Weight',
    quantity: MASS,
    of: { mine: of, theirs: before(of) },
    found: ({ mine, theirs }) => minus(mine, theirs),
    // Makers allow for their own castings, which are weighed before they go in. Of two that were weighed the scales
    // have said all there is to say.
    required: (assembly) => {
      const { rules } = assembly;
      const isWeighed = WHERE.every((where) => valueOf(assembly, of, where)?.source === 'measured');
      const by = weightAllowed(rules) + (isWeighed ? 0 : limitOf(rods.castings, rules));
      return {
        band: { low: -by, high: by },
        ruleOfThumb: () =>
          isWeighed
            ? ['By the house rule about weight.']
            : sentence`By the house rule about weight: weigh the set. ${cite(rods.castings, rules)}`,
      };
    },
    subject: 'The difference in weight',
    tooLittle: 'the engine would shake',
    tooMuch: 'the engine would shake',
  });

export const same = (id: string, name: string, of: Feature, otherwise: string): JointCheck =>
  sameLook({ id, name, of, as: of, asOf: 'replaced', otherwise: () => [otherwise] });
