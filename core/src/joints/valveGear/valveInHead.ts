import type { Parameter } from '../../dictionary/definition.js';
import { head } from '../../dictionary/kinds/head.js';
import { valve } from '../../dictionary/kinds/valve.js';
import { around, middle, minus } from '../../quantity/interval.js';
import { band, sentence, value } from '../../quantity/sentence.js';
import { limitOf, valveGear } from '../../thumb/index.js';
import { lookOf, machined } from '../assembly.js';
import { WORK_MAY_HELP, type JointCheck, type Joint } from '../check.js';
import { missing, work } from '../outcome.js';
import { sameSize } from '../shapes/sizes.js';
import { specified, within } from '../shapes/within.js';

const { 'guide.bore': guide, 'valve.intake': intake, 'valve.exhaust': exhaust } = head.parameters;

const { 'stem.diameter': stem, 'stem.clearance': specifiedPlay, 'head.diameter': size } = valve.parameters;

/** The valve of the head that this one is to be, by its duty. */
const seatOf = (duty: string): Parameter => (duty === 'intake' ? intake : exhaust);

const headSize: JointCheck = {
  id: 'valveHead',
  name: 'Size of the valve head',
  reads: [valve.features.duty.id, size.id, intake.id, exhaust.id],
  verdicts: WORK_MAY_HELP,
  implies: (id, assembly) => {
    const duty = lookOf(assembly, valve.features.duty);
    return duty === undefined ? undefined : headSizeAs(seatOf(duty)).implies?.(id, assembly);
  },
  judge: (assembly) => {
    const duty = lookOf(assembly, valve.features.duty);
    if (duty === undefined) return missing([valve.features.duty], 'count');
    return headSizeAs(seatOf(duty)).judge(assembly);
  },
};

const headSizeAs = (seat: Parameter): JointCheck =>
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

/** A valve runs in its guide and closes on its seat: both may be cut larger, neither smaller without a new one. */
export const valveInHead: Joint = {
  id: 'valveInHead',
  name: 'Valves in the head',
  kinds: ['head', 'valve'],
  checks: [
    within({
      id: 'stem',
      name: 'Stem in its guide',
      of: { hole: guide, thick: stem },
      also: [valve.features.duty.id, specifiedPlay.id],
      unless: (assembly) =>
        lookOf(assembly, valve.features.duty) === undefined ? missing([valve.features.duty], 'count') : undefined,
      found: ({ hole, thick }) => minus(hole, thick),
      required: (assembly) =>
        specified(
          assembly,
          specifiedPlay,
          lookOf(assembly, valve.features.duty) === 'exhaust' ? valveGear.stemExhaust : valveGear.stemIntake,
        ),
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
