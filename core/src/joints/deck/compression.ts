import { block } from '../../dictionary/kinds/block.js';
import { head } from '../../dictionary/kinds/head.js';
import { headGasket } from '../../dictionary/kinds/headGasket.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { interval, middle, minus, scaled, type Interval } from '../../quantity/interval.js';
import { band, sentence, value } from '../../quantity/sentence.js';
import { clearanceVolume, compressionRatio, sweptVolume } from '../../stack/index.js';
import { deck as figures, limitOf } from '../../thumb/index.js';
import { lookOf, valueOf, type Assembly } from '../assembly.js';
import type { JointCheck, Joint } from '../check.js';
import { isOption, missing, offer, work } from '../outcome.js';
import { millHead } from '../operations/faces.js';
import { usually, within, type Known } from '../shapes/within.js';
import { crownBelowDeck, STACK } from './crownHeight.js';

const {
  'crown.volume': bowl,
  'crown.dome': dome,
  ratio: ratedRatio,
  'ratio.chamber': ratedChamber,
} = piston.parameters;

const { thickness, bore: gasketBore } = headGasket.parameters;

const { 'chamber.volume': chamber } = head.parameters;

/** What the crown takes from the room over the piston: bowl and pockets less dome. Undefined while neither is known. */
function crownOf(assembly: Assembly): Interval | undefined {
  const [hollow, raised] = [valueOf(assembly, bowl)?.interval, valueOf(assembly, dome)?.interval];
  if (hollow) return raised ? minus(hollow, raised) : hollow;
  return raised && scaled(raised, -1);
}

const RATIO_OF = { ...STACK, gasketThickness: thickness, gasketBore, bore: block.parameters.bore, chamber } as const;

/** No room at all over the piston: no fuel runs on that. */
const NO_ROOM = interval(99);

/** Swept and clearance volume as these parts make them. */
function ratioOf(sizes: Known<typeof RATIO_OF>, crown: Interval): Interval {
  const over = clearanceVolume({ ...sizes, deckClearance: crownBelowDeck(sizes), crown });
  return over.low <= 0 ? NO_ROOM : compressionRatio(sweptVolume(sizes.bore, sizes.stroke), over);
}

const ratio: JointCheck = {
  ...within({
    id: 'ratio',
    name: 'Compression ratio',
    quantity: 'ratio',
    of: RATIO_OF,
    also: [
      bowl.id,
      dome.id,
      head.features.plug.id,
      ratedRatio.id,
      ratedChamber.id,
      head.parameters.height.id,
      head.parameters['height.least'].id,
      head.features.chamberForm.id,
    ],
    unless: (assembly) => {
      if (!crownOf(assembly)) return missing([bowl], 'ratio');
      return lookOf(assembly, head.features.plug) === undefined ? missing([head.features.plug], 'ratio') : undefined;
    },
    found: (sizes, assembly) => ratioOf(sizes, crownOf(assembly) ?? interval(0)),
    required: (assembly) =>
      usually(lookOf(assembly, head.features.plug) === 'injector' ? figures.ratioDiesel : figures.ratioPetrol)(
        assembly,
      ),
    fits: ({ found }) => sentence`These parts make ${band(found, 'ratio')}.`,
    subject: 'The ratio of these parts',
    tooLittle: 'it starts badly and is weak',
    tooMuch: 'it knocks, or breaks',
    mend: (assembly, { found, required, sizes }) => {
      const part = assembly.parts.head;
      if (!part || found.high >= required.low) return [];
      const by = limitOf(figures.milled, assembly.rules);
      return offer(millHead(part, by, middle(sizes.bore), assembly.rules), (milled) => {
        const then = ratioOf(
          { ...sizes, chamber: milled.values[chamber.id]?.interval ?? sizes.chamber },
          crownOf(assembly) ?? interval(0),
        );
        return work({
          steps: ['millHead'],
          says: sentence`Mill ${value(by)} off the head: ${band(then, 'ratio')}.`,
          found: then,
          required,
          parts: [milled],
        });
      }).filter((each) => !isOption(each) || (each.found?.high ?? 0) >= required.low);
    },
  }),
};

/** A piston sold by its ratio had it with somebody's chamber: what is made of that here. */
const withRating: JointCheck = {
  ...ratio,
  judge: (assembly) => {
    const finding = ratio.judge(assembly);
    const [rated, with_, here] = [
      valueOf(assembly, ratedRatio),
      valueOf(assembly, ratedChamber),
      valueOf(assembly, chamber),
    ];
    if (!finding.found || !rated || !with_ || !here) return finding;
    return {
      ...finding,
      because: sentence`${finding.because} The pistons are sold as ${band(rated.interval, 'ratio')}, reckoned with a chamber of ${value(middle(with_.interval), 'volume')}; this head has ${value(middle(here.interval), 'volume')}.`,
    };
  },
};

/** Everything that makes the ratio. */
export const compression: Joint = {
  id: 'compression',
  name: 'Compression',
  kinds: ['block', 'crank', 'rod', 'piston', 'headGasket', 'head'],
  checks: [withRating],
};
