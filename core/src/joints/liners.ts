import { block } from '../dictionary/kinds/block.js';
import { liner } from '../dictionary/kinds/liner.js';
import { around, interval, middle, minus } from '../quantity/interval.js';
import { band, sentence, value } from '../quantity/sentence.js';
import { lookOf, machined, valueOf } from './assembly.js';
import { ALWAYS_MENDED, TOLD, type Check, type Joint } from './check.js';
import { said, seeing, work } from './finding.js';
import { sameCount, sameLook } from './shapes/same.js';
import { NONE, specified, usually, within, type Usual } from './shapes/within.js';

const { 'outside.upper': upper, 'outside.lower': lower, 'flange.height': flange, protrusion } = liner.parameters;
const { 'liner.seat': seat, 'liner.lowerSeat': lowerSeat, 'liner.counterbore': recess } = block.parameters;

const sort: Check = {
  id: 'linerSort',
  name: 'Wet or dry',
  reads: [liner.features.type.id, block.features.cylinderWall.id],
  verdicts: TOLD,
  judge: (assembly) =>
    seeing(assembly, [liner.features.type, block.features.cylinderWall], (type, wall) => {
      if (wall === `${type}Liner`) return said('fits', [`A ${type} liner where ${type} liners belong.`]);
      return said('doesNotFit', [
        wall === 'parent' ? 'The cylinders are bored in the block: there is no place for a liner.' : `A ${type} liner in a block made for the other sort.`,
      ]);
    }),
};

/** Fit of a wet liner in its seats: it slides in by hand and is sealed by rings. *Common practice, no source.* */
const SEAT_FIT = interval(0.02, 0.14);

/** Most that a seat is bored larger. *Common practice, no source.* */
const MOST_SEAT = 0.8;

/** What a wet liner stands proud: most makers ask for this, some for more or less. *Common practice, no source.* */
const PROUD: Usual = { band: interval(0.05, 0.12), leeway: interval(0.01, 0.18) };

/** Thickest pack of shims under a flange. *Common practice, no source.* */
const MOST_SHIMMED = 0.4;

/** The shim goes by the liner: one is cut for its kind, and the other kind would crush or fret. */
const shimKind = sameLook({
  id: 'shimKind',
  name: 'Shim it is cut for',
  of: liner.features.shim,
  as: block.features.linerShim,
  verdicts: ALWAYS_MENDED,
  both: ({ mine }) => [mine === 'none' ? 'No shims under the flanges.' : `Both with ${mine} shims.`],
  agree: ({ mine }) => (mine === 'none' ? undefined : [`The liners are cut for ${mine} shims: take those, whatever kind the block had.`]),
  otherwise: ({ theirs }) => [`The block has ${theirs} shims under its liners, and these are not cut for any.`],
  mend: (assembly, { theirs }) => {
    const part = assembly.parts.liner;
    if (!part) return [];
    const cut = { ...part, looks: { ...part.looks, [liner.features.shim.id]: { option: theirs, source: 'machined' as const } } };
    return [work({ steps: ['cutLiners'], says: [`Cut the flanges of the liners to match ${theirs} shims.`], parts: [cut] })];
  },
});

/** Block and liner. */
export const liners: Joint = {
  id: 'liners',
  name: 'Liners in the block',
  kinds: ['block', 'liner'],
  checks: [
    sort,
    sameCount({ id: 'sealRings', name: 'Seal rings', of: liner.features.ringGrooves, as: block.features.linerRings }),
    shimKind,
    within({
      id: 'upperSeat',
      name: 'Upper seat',
      of: [seat, upper],
      found: ([hole = NONE, outside = NONE]) => minus(hole, outside),
      required: usually(SEAT_FIT, 'A wet liner slides into its seat by hand with a few hundredths.'),
      subject: 'The play in the upper seat',
      tooLittle: 'the liner does not go in',
      tooMuch: 'it is loose and frets',
      mend: (assembly, { found, required, values: [hole = NONE, outside = NONE] }) => {
        const part = assembly.parts.block;
        const to = around(middle(outside) + middle(required), 0.015);
        if (!part || found.low > 0 || middle(to) - middle(hole) > MOST_SEAT) return [];
        return [
          work({
            steps: ['cutCounterbore'],
            name: 'Bore the liner seats',
            says: sentence`Bore the seats out to ${band(to)} for the oversize liner.`,
            parts: [machined(part, seat, to)],
          }),
        ];
      },
    }),
    within({
      id: 'lowerSeat',
      name: 'Lower seat',
      of: [lowerSeat, lower],
      found: ([hole = NONE, outside = NONE]) => minus(hole, outside),
      required: usually(SEAT_FIT, 'The seal rings bridge a few hundredths, no more.'),
      subject: 'The play in the lower seat',
      tooLittle: 'the liner does not go in',
      tooMuch: 'the seal rings do not reach, and coolant gets into the oil',
    }),
    within({
      id: 'protrusion',
      name: 'Standing proud',
      of: [flange, recess],
      also: [protrusion.id],
      found: ([height = NONE, depth = NONE]) => minus(height, depth),
      required: specified(protrusion, () => PROUD, 'a wet liner stands a little proud of the deck.'),
      fits: ({ found }) => sentence`The flange stands ${band(found)} proud of the deck.`,
      subject: 'What the flange stands proud',
      tooLittle: 'the gasket would not seal it',
      tooMuch: 'the flange would be crushed',
      mend: (assembly, { found, required }) => {
        const part = assembly.parts.liner;
        const lacking = middle(required) - middle(found);
        if (!part || found.high >= required.low || lacking > MOST_SHIMMED) return [];
        const kind = lookOf(assembly, liner.features.shim);
        const now = valueOf(assembly, flange)?.interval ?? NONE;
        return [
          work({
            steps: ['shimLiners'],
            says: sentence`Put ${value(lacking)} of ${kind === 'brass' ? 'brass' : 'steel'} shim under the flanges${kind && kind !== 'none' ? ', the kind they are cut for' : ''}.`,
            parts: [machined(part, flange, around(middle(now) + lacking, (now.high - now.low) / 2))],
          }),
        ];
      },
    }),
  ],
};
