import { block } from '../../dictionary/kinds/block.js';
import { liner } from '../../dictionary/kinds/liner.js';
import { around, middle, minus, width } from '../../quantity/interval.js';
import { band, sentence, value } from '../../quantity/sentence.js';
import { cylinders, limitOf } from '../../thumb/index.js';
import { lookOf, machined } from '../assembly.js';
import { WORK_ALWAYS_HELPS, NO_WORK_HELPS, type JointCheck, type Joint } from '../check.js';
import { said, seeing, work } from '../outcome.js';
import { sameCount, sameLook } from '../shapes/same.js';
import { specified, usually, within } from '../shapes/within.js';

const { 'outside.upper': upper, 'outside.lower': lower, 'flange.height': flange, protrusion } = liner.parameters;

const { 'liner.seat': seat, 'liner.lowerSeat': lowerSeat, 'liner.counterbore': recess } = block.parameters;

const sort: JointCheck = {
  id: 'linerSort',
  name: 'Wet or dry',
  reads: [liner.features.type.id, block.features.cylinderWall.id],
  verdicts: NO_WORK_HELPS,
  judge: (assembly) =>
    seeing(assembly, [liner.features.type, block.features.cylinderWall], (type, wall) => {
      if (wall === `${type}Liner`) return said('fits', [`A ${type} liner where ${type} liners belong.`]);
      return said('doesNotFit', [
        wall === 'parent'
          ? 'The cylinders are bored in the block: there is no place for a liner.'
          : `A ${type} liner in a block made for the other sort.`,
      ]);
    }),
};

/** The shim goes by the liner: one is cut for its kind, and the other kind would crush or fret. */
const shimKind = sameLook({
  id: 'shimKind',
  name: 'Shim it is cut for',
  of: liner.features.shim,
  as: block.features.linerShim,
  verdicts: WORK_ALWAYS_HELPS,
  both: ({ mine }) => [mine === 'none' ? 'No shims under the flanges.' : `Both with ${mine} shims.`],
  agree: ({ mine }) =>
    mine === 'none' ? undefined : [`The liners are cut for ${mine} shims: take those, whatever kind the block had.`],
  otherwise: ({ theirs }) => [`The block has ${theirs} shims under its liners, and these are not cut for any.`],
  mend: (assembly, { theirs }) => {
    const part = assembly.parts.liner;
    if (!part) return [];
    const cut = {
      ...part,
      looks: { ...part.looks, [liner.features.shim.id]: { option: theirs, source: 'machined' as const } },
    };
    return [
      work({ steps: ['cutLiners'], says: [`Cut the flanges of the liners to match ${theirs} shims.`], parts: [cut] }),
    ];
  },
});

/**
 * A liner seats in the block wet or dry: which, where it seats and seals, and how far it stands proud under the gasket.
 */
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
      of: { hole: seat, outside: upper },
      found: ({ hole, outside }) => minus(hole, outside),
      required: usually(cylinders.linerSeat),
      subject: 'The play in the upper seat',
      tooLittle: 'the liner does not go in',
      tooMuch: 'it is loose and frets',
      mend: (assembly, { found, required, sizes: { hole, outside } }) => {
        const part = assembly.parts.block;
        const to = around(middle(outside) + middle(required), limitOf(cylinders.linerSeatWithin, assembly.rules));
        if (!part || found.low > 0 || middle(to) - middle(hole) > limitOf(cylinders.linerSeatBored, assembly.rules))
          return [];
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
      of: { hole: lowerSeat, outside: lower },
      found: ({ hole, outside }) => minus(hole, outside),
      required: usually(cylinders.linerSeat),
      subject: 'The play in the lower seat',
      tooLittle: 'the liner does not go in',
      tooMuch: 'the seal rings do not reach, and coolant gets into the oil',
    }),
    within({
      id: 'protrusion',
      name: 'Standing proud',
      of: { height: flange, depth: recess },
      also: [protrusion.id],
      found: ({ height, depth }) => minus(height, depth),
      required: (assembly) => specified(assembly, protrusion, cylinders.linerProud),
      fits: ({ found }) => sentence`The flange stands ${band(found)} proud of the deck.`,
      subject: 'What the flange stands proud',
      tooLittle: 'the gasket would not seal it',
      tooMuch: 'the flange would be crushed',
      mend: (assembly, { found, required, sizes: { height } }) => {
        const part = assembly.parts.liner;
        const lacking = middle(required) - middle(found);
        if (!part || found.high >= required.low || lacking > limitOf(cylinders.linerShimmed, assembly.rules)) return [];
        const kind = lookOf(assembly, liner.features.shim);
        return [
          work({
            steps: ['shimLiners'],
            says: sentence`Put ${value(lacking)} of ${kind === 'brass' ? 'brass' : 'steel'} shim under the flanges${kind && kind !== 'none' ? ', the kind they are cut for' : ''}.`,
            parts: [machined(part, flange, around(middle(height) + lacking, width(height) / 2))],
          }),
        ];
      },
    }),
  ],
};
