import { piston } from '../dictionary/kinds/piston.js';
import { rod } from '../dictionary/kinds/rod.js';
import type { Feature, Parameter } from '../dictionary/definition.js';
import { minus } from '../quantity/interval.js';
import { sentence, band } from '../quantity/sentence.js';
import { weightAllowed } from '../shop/houseRules.js';
import type { QuantityKind } from '../quantity/unit.js';
import { cite, cylinders, limitOf, rods, type FigureOfThumb } from '../thumb/index.js';
import type { Check, Joint } from './check.js';
import { sameLook } from './shapes/same.js';
import { before, usually, within } from './shapes/within.js';

const alike = (id: string, name: string, of: Parameter, by: FigureOfThumb, otherwise: string): Check =>
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

/** Weight of one against the others. What is over can be taken off, so that it is work and no refusal. */
const weight = (id: string, of: Parameter): Check =>
  within({
    id,
    name: 'Weight',
    quantity: MASS,
    of: { mine: of, theirs: before(of) },
    found: ({ mine, theirs }) => minus(mine, theirs),
    // Makers allow for their own castings: the set is weighed, and the house rule says how far it may differ.
    required: ({ rules }) => {
      const by = weightAllowed(rules) + limitOf(rods.castings, rules);
      return { band: { low: -by, high: by }, ruleOfThumb: sentence`By the house rule about weight: weigh the set. ${cite(rods.castings, rules)}` };
    },
    subject: 'The difference in weight',
    tooLittle: 'the engine would shake',
    tooMuch: 'the engine would shake',
  });

const same = (id: string, name: string, of: Feature, otherwise: string): Check =>
  sameLook({ id, name, of, as: of, asOf: 'replaced', otherwise: () => [otherwise] });

/** One piston among the others of an engine: mixed types are refused. */
export const pistonAmongOthers: Joint = {
  id: 'pistonAmongOthers',
  name: 'Among the other pistons',
  kinds: ['piston'],
  inPlaceOf: 'piston',
  checks: [
    alike('sameRatio', 'Ratio', piston.parameters.ratio, cylinders.sameRatio, 'mixed ratios in one engine are refused'),
    alike('sameHeight', 'Compression height', piston.parameters.compressionHeight, cylinders.sameHeight, 'one cylinder would have another ratio'),
    alike('sameBore', 'Bore', piston.parameters.bore, cylinders.sameBore, 'it is another bore'),
    alike('samePin', 'Pin', piston.parameters['pin.diameter'], cylinders.samePin, 'it takes another pin'),
    same('sameCrown', 'Crown', piston.features.crown, 'Another crown burns otherwise: all pistons of one engine are of one type.'),
    weight('pistonWeight', piston.parameters.mass),
  ],
};

/** One rod among the others of an engine. */
export const rodAmongOthers: Joint = {
  id: 'rodAmongOthers',
  name: 'Among the other rods',
  kinds: ['rod'],
  inPlaceOf: 'rod',
  checks: [
    alike('sameLength', 'Length', rod.parameters.length, rods.sameLength, 'one piston would come elsewhere'),
    alike('sameBigEnd', 'Big end', rod.parameters['bigEnd.bore'], rods.sameBigEnd, 'it takes other shells'),
    alike('sameSmallEnd', 'Small end', rod.parameters['smallEnd.bore'], rods.sameSmallEnd, 'it takes another pin'),
    same('sameCaps', 'Caps', rod.features.capSplit, 'Fractured and machined caps take different shells: they are not mixed.'),
    same('sameLocation', 'Located at', rod.features.located, 'The others are located at the other end.'),
    weight('rodWeight', rod.parameters.mass),
  ],
};
