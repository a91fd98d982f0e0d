import { block } from '../../dictionary/kinds/block.js';
import { head } from '../../dictionary/kinds/head.js';
import { headGasket } from '../../dictionary/kinds/headGasket.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { interval, middle, minus, plus, scaled, type Interval } from '../../quantity/interval.js';
import { band, sentence, value, type Sentence } from '../../quantity/sentence.js';
import { clearanceVolume, compressionRatio, sweptVolume } from '../../stack/index.js';
import { bandOf, deck as figures, limitOf, type FigureOfThumb } from '../../thumb/index.js';
import { lookOf, valueOf, type Assembly } from '../assembly.js';
import type { JointCheck, Joint } from '../check.js';
import { isOption, missing, offer, work, type Outcome } from '../outcome.js';
import { millHead } from '../operations/faces.js';
import { usually, within, type Known, type Requirement } from '../shapes/within.js';
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

/** The ratio of these parts; undefined while something that makes it is not known. */
export function ratioMade(assembly: Assembly): Interval | undefined {
  const sizes: Record<string, Interval> = {};
  for (const [name, parameter] of Object.entries(RATIO_OF)) {
    const found = valueOf(assembly, parameter)?.interval;
    if (!found) return undefined;
    sizes[name] = found;
  }
  const crown = crownOf(assembly);
  return crown && ratioOf(sizes as Known<typeof RATIO_OF>, crown);
}

function usualRatio(assembly: Assembly): FigureOfThumb {
  if (lookOf(assembly, head.features.plug) === 'injector') return figures.ratioDiesel;
  return lookOf(assembly, head.features.injection) === 'present' ? figures.ratioDirect : figures.ratioPetrol;
}

/** The rating of an engine, with what goes for it either way. */
function aboutRated({ rated, rules }: Assembly): Interval | undefined {
  return rated?.ratio && plus(rated.ratio, bandOf(figures.ratioRated, rules));
}

/** What an engine is rated at is right for it, whatever is usual. */
function orRated(usual: Requirement, assembly: Assembly): Requirement {
  const about = aboutRated(assembly);
  return about
    ? { ...usual, band: { low: Math.min(usual.band.low, about.low), high: Math.max(usual.band.high, about.high) } }
    : usual;
}

/** The ratio that is usual for the fuel, or what the engine is rated at; nothing while the fuel is not known. */
export function ratioWanted(assembly: Assembly): Requirement | undefined {
  const { plug, injection } = head.features;
  const unknown =
    lookOf(assembly, plug) === undefined ||
    (lookOf(assembly, plug) !== 'injector' && lookOf(assembly, injection) === undefined);
  return unknown ? undefined : orRated(usually(usualRatio(assembly))(assembly), assembly);
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
      head.features.injection.id,
      ratedRatio.id,
      ratedChamber.id,
      head.parameters.height.id,
      head.parameters['height.least'].id,
      head.features.chamberForm.id,
    ],
    unless: (assembly) => {
      if (!crownOf(assembly)) return missing([bowl], 'ratio');
      const { plug, injection } = head.features;
      const fuel = lookOf(assembly, plug) === 'injector' ? [plug] : [plug, injection];
      const unseen = fuel.filter((each) => lookOf(assembly, each) === undefined);
      return unseen.length > 0 ? missing(unseen, 'ratio') : undefined;
    },
    found: (sizes, assembly) => ratioOf(sizes, crownOf(assembly) ?? interval(0)),
    required: (assembly) => orRated(usually(usualRatio(assembly))(assembly), assembly),
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

/** How the ratio of the parts lies to what the engine is rated at. */
function againstRating(found: Interval, assembly: Assembly): Pick<Outcome, 'because' | 'caution'> | undefined {
  const { rated } = assembly;
  const about = aboutRated(assembly);
  if (!rated?.ratio || !about) return undefined;
  const is = sentence` The ${rated.engine} is rated at ${band(rated.ratio, 'ratio')}`;
  if (found.low > about.high)
    return {
      because: sentence`${is}: this is more.`,
      caution:
        'A ratio above the rating knocks on the fuel and timing the engine was set for: go by the fuel there is, set the ignition anew, and listen.',
    };
  return { because: found.high < about.low ? sentence`${is}: this is less, and it will be weaker.` : sentence`${is}.` };
}

/**
 * What the engine is rated at, and what a piston is sold by: that had its ratio with somebody's chamber, and here it
 * makes another.
 */
const withRating: JointCheck = {
  ...ratio,
  judge: (assembly) => {
    const finding = ratio.judge(assembly);
    if (!finding.found) return finding;
    const told = againstRating(finding.found, assembly);
    const caution = [finding.caution ?? [], told?.caution ?? []].flat().join(' ');
    return {
      ...finding,
      because: sentence`${finding.because}${told?.because ?? ''}${soldAs(assembly)}`,
      ...(caution === '' ? {} : { caution }),
    };
  },
};

/** The ratio that pistons are sold as, and with what chamber; nothing where neither is known. */
function soldAs(assembly: Assembly): Sentence | '' {
  const [rated, with_, here] = [ratedRatio, ratedChamber, chamber].map((each) => valueOf(assembly, each)?.interval);
  if (!rated || !with_ || !here) return '';
  return sentence` The pistons are sold as ${band(rated, 'ratio')}, reckoned with a chamber of ${value(middle(with_), 'volume')}; this head has ${value(middle(here), 'volume')}.`;
}

/** Everything that makes the ratio. */
export const compression: Joint = {
  id: 'compression',
  name: 'Compression',
  kinds: ['block', 'crank', 'rod', 'piston', 'headGasket', 'head'],
  checks: [withRating],
};
