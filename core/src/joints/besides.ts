import { piston } from '../dictionary/kinds/piston.js';
import { rod } from '../dictionary/kinds/rod.js';
import type { Feature, Parameter } from '../dictionary/definition.js';
import { minus } from '../quantity/interval.js';
import { sentence, band } from '../quantity/sentence.js';
import { weightAllowed } from '../shop/houseRules.js';
import type { QuantityKind } from '../quantity/unit.js';
import type { Check, Joint } from './check.js';
import { sameLook } from './shapes/same.js';
import { NONE, within } from './shapes/within.js';

const alike = (id: string, name: string, of: Parameter, by: number, otherwise: string): Check =>
  within({
    id,
    name,
    quantity: of.quantity,
    of: [of, { parameter: of, where: 'replaced' }],
    found: ([mine = NONE, theirs = NONE]) => minus(mine, theirs),
    required: () => ({ band: { low: -by, high: by }, ruleOfThumb: 'All of one engine are alike. Common practice.' }),
    fits: ({ values: [mine = NONE] }) => sentence`${name} as the others: ${band(mine, of.quantity)}.`,
    subject: 'The difference from the others',
    tooLittle: otherwise,
    tooMuch: otherwise,
  });

const MASS: QuantityKind = 'mass';

/** How far castings of one pattern differ, grams, both together. *Common practice, no source.* */
const CASTINGS = 12;

/** Weight of one against the others. What is over can be taken off, so that it is work and no refusal. */
const weight = (id: string, of: Parameter): Check =>
  within({
    id,
    name: 'Weight',
    quantity: MASS,
    of: [of, { parameter: of, where: 'replaced' }],
    found: ([mine = NONE, theirs = NONE]) => minus(mine, theirs),
    // Makers allow for their own castings: the set is weighed, and the house rule says how far it may differ.
    required: (assembly) => ({
      band: { low: -weightAllowed(assembly.rules) - CASTINGS, high: weightAllowed(assembly.rules) + CASTINGS },
      ruleOfThumb: 'By the house rule about weight, over the tolerance of the catalogue: weigh the set.',
    }),
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
    alike('sameRatio', 'Ratio', piston.parameters.ratio, 0.12, 'mixed ratios in one engine are refused'),
    alike('sameHeight', 'Compression height', piston.parameters.compressionHeight, 0.25, 'one cylinder would have another ratio'),
    alike('sameBore', 'Bore', piston.parameters.bore, 0.12, 'it is another bore'),
    alike('samePin', 'Pin', piston.parameters['pin.diameter'], 0.03, 'it takes another pin'),
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
    alike('sameLength', 'Length', rod.parameters.length, 0.2, 'one piston would come elsewhere'),
    alike('sameBigEnd', 'Big end', rod.parameters['bigEnd.bore'], 0.05, 'it takes other shells'),
    alike('sameSmallEnd', 'Small end', rod.parameters['smallEnd.bore'], 0.05, 'it takes another pin'),
    same('sameCaps', 'Caps', rod.features.capSplit, 'Fractured and machined caps take different shells: they are not mixed.'),
    same('sameLocation', 'Located at', rod.features.located, 'The others are located at the other end.'),
    weight('rodWeight', rod.parameters.mass),
  ],
};
