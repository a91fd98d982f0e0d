import type { Parameter } from '../dictionary/definition.js';
import { head } from '../dictionary/kinds/head.js';
import { valve } from '../dictionary/kinds/valve.js';
import { valveSpring } from '../dictionary/kinds/valveSpring.js';
import { around, middle, minus, shifted } from '../quantity/interval.js';
import { band, sentence, value } from '../quantity/sentence.js';
import { limitOf, valveGear } from '../thumb/index.js';
import { lookOf, machined } from './assembly.js';
import { ALWAYS_MENDED, MENDED, type Check, type Joint } from './check.js';
import { missing, work } from './finding.js';
import { samePattern } from './shapes/same.js';
import { sameSize } from './shapes/sizes.js';
import { before, noLess, usually, within } from './shapes/within.js';

const { 'guide.bore': guide, 'valve.intake': intake, 'valve.exhaust': exhaust, 'spring.installedHeight': installed } = head.parameters;
const { 'stem.diameter': stem, 'head.diameter': size } = valve.parameters;

/** The valve of the head that this one is to be, by its duty. */
const seatOf = (duty: string): Parameter => (duty === 'intake' ? intake : exhaust);

const headSize: Check = {
  id: 'valveHead',
  name: 'Size of the valve head',
  reads: [valve.features.duty.id, size.id, intake.id, exhaust.id],
  verdicts: MENDED,
  judge: (assembly) => {
    const duty = lookOf(assembly, valve.features.duty);
    if (duty === undefined) return missing([valve.features.duty], 'count');
    return headSizeAs(seatOf(duty)).judge(assembly);
  },
};

const headSizeAs = (seat: Parameter): Check =>
  sameSize({
    id: 'valveHead',
    name: 'Size of the valve head',
    of: size,
    as: seat,
    play: valveGear.valveHead,
    mend: (assembly, { found, required }) => {
      const by = middle(found) - middle(required);
      return assembly.parts.head && by > 0 && by <= limitOf(valveGear.seatRecut, assembly.rules)
        ? [
            work({
              steps: ['cutSeats'],
              says: sentence`Recut the seats ${value(by)} larger, where the casting and the neighbouring valve leave room.`,
              parts: [machined(assembly.parts.head, seat, found)],
            }),
          ]
        : [];
    },
  });

export const valveInHead: Joint = {
  id: 'valveInHead',
  name: 'Valves in the head',
  kinds: ['head', 'valve'],
  checks: [
    within({
      id: 'stem',
      name: 'Stem in its guide',
      of: { hole: guide, thick: stem },
      found: ({ hole, thick }) => minus(hole, thick),
      required: usually(valveGear.stem),
      subject: 'The play of the stem',
      tooLittle: 'it does not enter the guide or would stick',
      tooMuch: 'it wobbles, and the seat is beaten out',
      mend: (assembly, { required, sizes: { hole, thick } }) => {
        const { rules } = assembly;
        const to = around(middle(thick) + limitOf(valveGear.guideAim, rules), limitOf(valveGear.guideWithin, rules));
        const by = middle(to) - middle(hole);
        if (!assembly.parts.head || Math.abs(by) > limitOf(valveGear.guideChanged, rules)) return [];
        return [
          work({
            steps: [by > 0 ? 'reamGuides' : 'bushGuides'],
            says: sentence`${by > 0 ? 'Ream' : 'Line'} the guides to ${band(to)}.`,
            found: minus(to, thick),
            required,
            parts: [machined(assembly.parts.head, guide, to)],
          }),
        ];
      },
    }),
    headSize,
  ],
};

/** A valve in place of another: seat, spring and rocker stay. */
export const valveInPlace: Joint = {
  id: 'valveInPlace',
  name: 'In place of the valve',
  kinds: ['valve'],
  inPlaceOf: 'valve',
  checks: [
    sameSize({
      id: 'valveLength',
      name: 'Length',
      of: valve.parameters.length,
      play: valveGear.valveLength,
      mend: (assembly, { found, required }) =>
        Math.abs(middle(found) - middle(required)) > limitOf(valveGear.valveLengthMade, assembly.rules)
          ? []
          : found.low > required.high
            ? [
                work({
                  steps: ['shimSprings'],
                  says: sentence`Shim the springs by ${band(minus(found, required))} and set the rockers anew, or take shorter pushrods.`,
                }),
              ]
            : [work({ steps: ['pushrods'], says: ['Cap the stems, or take longer pushrods, and check the installed height of the springs.'] })],
    }),
    samePattern({
      id: 'keepersKept',
      verdicts: ALWAYS_MENDED,
      name: 'Keepers',
      of: valve.interfaces.keepers,
      as: valve.interfaces.keepers,
      asOf: 'replaced',
      mend: (_assembly, { mine }) => [work({ steps: ['takeAlong'], says: [`Take retainers and keepers for ${mine}.`] })],
    }),
  ],
};

export const springInHead: Joint = {
  id: 'springInHead',
  name: 'Springs in the head',
  kinds: ['head', 'valveSpring'],
  checks: [
    within({
      id: 'installedHeight',
      name: 'Installed height',
      of: { room: installed, wanted: valveSpring.parameters.installedHeight },
      found: ({ room, wanted }) => minus(room, wanted),
      required: usually(valveGear.springHeight),
      subject: 'The height over that it is rated for',
      tooLittle: 'the spring is squeezed and may bind',
      tooMuch: 'it is slack and lets the valve float',
      mend: (assembly, { found, sizes: { room } }) => {
        const { rules } = assembly;
        const part = assembly.parts.head;
        if (!part) return [];
        const by = middle(found);
        const then = [machined(part, installed, shifted(room, -by))];
        if (by > 0)
          return by <= limitOf(valveGear.springShimmed, rules)
            ? [work({ steps: ['shimSprings'], says: sentence`Shim the springs by ${value(by)}.`, parts: then })]
            : [];
        return -by <= limitOf(valveGear.springSeatCut, rules)
          ? [work({ steps: ['cutSpringSeats'], says: sentence`Cut the spring seats ${value(-by)} deeper, where there is no water under them.`, parts: then })]
          : [];
      },
      caution: 'The speed a spring is trusted to is somebody’s experience, not a guarantee. Compressed springs fly: guard the eyes.',
    }),
  ],
};

/** A spring in place of another: what it bears and where it sits stays. */
export const springInPlace: Joint = {
  id: 'springInPlace',
  name: 'In place of the spring',
  kinds: ['valveSpring'],
  inPlaceOf: 'valveSpring',
  checks: [
    within({
      id: 'trustedSpeed',
      name: 'Speed it is trusted to',
      quantity: 'speed',
      of: { mine: valveSpring.parameters.trustedSpeed, was: before(valveSpring.parameters.trustedSpeed) },
      found: ({ mine, was }) => minus(mine, was),
      required: noLess(valveGear.springSpeed),
      fits: ({ sizes: { mine } }) => sentence`It is trusted to ${band(mine, 'speed')}, no less than the old one.`,
      subject: 'What it is trusted to over the old one',
      tooLittle: 'the valves would float before the engine is at its speed',
      tooMuch: 'there is more than enough',
      caution: 'The speed a spring is trusted to is somebody’s experience, not a guarantee.',
    }),
    sameSize({
      id: 'springSeat',
      name: 'Outside of the spring',
      of: valveSpring.parameters.outside,
      play: valveGear.springOutside,
      mend: (assembly, { found, required }) =>
        found.low > required.high && middle(found) - middle(required) < limitOf(valveGear.springSeatWidened, assembly.rules)
          ? [work({ steps: ['cutSpringSeats'], says: sentence`Cut the spring seats wider, to ${band(found)}, where there is no water beside them.` })]
          : [],
    }),
  ],
};

export const springOnValve: Joint = {
  id: 'springOnValve',
  name: 'Springs and keepers',
  kinds: ['valve', 'valveSpring'],
  checks: [
    samePattern({
      id: 'keepers',
      verdicts: ALWAYS_MENDED,
      name: 'Keepers and retainer',
      of: valveSpring.interfaces.keepers,
      as: valve.interfaces.keepers,
      mend: (_assembly, { theirs }) => [work({ steps: ['takeAlong'], says: [`Take retainers for this spring with the keepers of the valve (${theirs}).`] })],
    }),
  ],
};
