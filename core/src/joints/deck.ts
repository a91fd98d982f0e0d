import { clearanceVolume, compressionRatio, deckClearance, sweptVolume } from '../build/index.js';
import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { head } from '../dictionary/kinds/head.js';
import { headGasket } from '../dictionary/kinds/headGasket.js';
import { piston } from '../dictionary/kinds/piston.js';
import { rod } from '../dictionary/kinds/rod.js';
import { interval, middle, minus, plus, scaled, type Interval } from '../quantity/interval.js';
import { band, sentence, value } from '../quantity/sentence.js';
import { lookOf, valueOf, type Assembly } from './assembly.js';
import type { Check, Joint } from './check.js';
import { isOption, missing, offer, work, type Offer } from './finding.js';
import { deckBlock, millHead } from './operations/faces.js';
import { offsetGrind } from './operations/journals.js';
import { machineCrown } from './operations/pistons.js';
import { NONE, noLess, usually, within } from './shapes/within.js';

const { deckHeight, bore } = block.parameters;
const { stroke } = crank.parameters;
const { length } = rod.parameters;
const { compressionHeight, 'crown.volume': bowl, 'crown.dome': dome, ratio: ratedRatio, 'ratio.chamber': ratedChamber } = piston.parameters;
const { thickness, bore: gasketBore } = headGasket.parameters;
const { 'chamber.volume': chamber } = head.parameters;

const STACK = [deckHeight, stroke, length, compressionHeight] as const;
const clearanceOf = ([deck = NONE, throws = NONE, rodLength = NONE, height = NONE]: readonly Interval[]): Interval =>
  deckClearance(deck, throws, rodLength, height);

/** How far a crown may stand proud of the deck, and below it, before something is plainly amiss. *Common practice, no source.* */
const CROWN_AT_DECK = interval(-0.9, 2);

/** The same put right by the stroke: crankpins ground off centre, to the next undersize that has the metal for it. */
function strokeWork(assembly: Assembly, off: number): readonly Offer[] {
  const part = assembly.parts.crank;
  const pin = crank.parameters['crankpin.diameter'];
  // The crown moves by half of what the stroke changes.
  const undersize = (part?.service[pin.id] ?? []).map((step) => -step).find((step) => step >= 2 * Math.abs(off));
  return offer(part && undersize !== undefined ? offsetGrind(part, undersize, -2 * off) : undefined, (ground) =>
    work({
      steps: ['offsetGrind'],
      says: sentence`Grind the crankpins ${value(undersize ?? 0)} undersize and off centre, for ${value(2 * Math.abs(off))} ${off < 0 ? 'more' : 'less'} of stroke.`,
      parts: [ground],
    }),
  );
}

/** Where the crown comes to, against the deck: too high is decked crowns, too low is a deck that is too tall. */
function heightWork(assembly: Assembly, found: Interval, wanted: number): readonly Offer[] {
  const off = wanted - middle(found);
  const [pistonPart, blockPart] = [assembly.parts.piston, assembly.parts.block];
  const byMetal =
    off > 0
      ? offer(pistonPart && machineCrown(pistonPart, off), (lower) =>
          work({ steps: ['machineCrown'], says: sentence`Turn ${value(off)} off the crowns.`, parts: [lower] }),
        )
      : offer(blockPart && deckBlock(blockPart, -off), (lower) => work({ steps: ['deck'], says: sentence`Deck the block by ${value(-off)}.`, parts: [lower] }));
  return [...byMetal, ...strokeWork(assembly, off)];
}

/** Block, crank, rod and piston: where the crown comes to. */
export const deck: Joint = {
  id: 'deck',
  name: 'Piston height',
  kinds: ['block', 'crank', 'rod', 'piston'],
  checks: [
    within({
      id: 'deckClearance',
      name: 'Crown against the deck',
      of: STACK,
      also: [crank.parameters['crankpin.diameter'].id, block.parameters['deckHeight.least'].id],
      found: clearanceOf,
      required: usually(CROWN_AT_DECK, 'A crown comes to within a millimetre or two of the deck; pre-assemble without rings and turn it by hand.'),
      fits: ({ found }) =>
        found.high < 0
          ? sentence`At top dead centre the crown stands ${band({ low: -found.high, high: -found.low })} proud of the deck.`
          : sentence`At top dead centre the crown is ${band(found)} below the deck.`,
      subject: 'The crown below the deck',
      tooLittle: 'the piston stands too far out and meets the head',
      tooMuch: 'the piston stays too far down, and squish and ratio are lost',
      mend: (assembly, { found, required }) => heightWork(assembly, found, found.high < required.low ? required.low + 0.1 : required.high - 0.1),
    }),
  ],
};

/** Least room between crown and head at top dead centre. *Common practice, no source*: forty thou with steel rods. */
const LEAST_SQUISH = 0.9;

/** The same under a gasket: the squish. */
export const squish: Joint = {
  id: 'squish',
  name: 'Squish',
  kinds: ['block', 'crank', 'rod', 'piston', 'headGasket'],
  checks: [
    within({
      id: 'squish',
      name: 'Room over the crown',
      of: [...STACK, thickness],
      also: [crank.parameters['crankpin.diameter'].id, block.parameters['deckHeight.least'].id],
      found: (values) => plus(clearanceOf(values), values[4] ?? NONE),
      required: noLess(LEAST_SQUISH, 'Rods stretch and pistons rock: about 0.9 mm, more in a large or fast engine.'),
      subject: 'The room over the crown',
      tooLittle: 'the piston would touch the head when it runs',
      tooMuch: 'there is more than enough',
      mend: (assembly, { found, required }) => {
        const lacking = required.low - found.low;
        return [
          ...heightWork(assembly, found, middle(found) + lacking),
          ...(lacking < 0.8 ? [work({ steps: ['thickGasket'], says: sentence`Take a head gasket that is ${value(lacking)} thicker.` })] : []),
        ];
      },
    }),
  ],
};

/** Ratios that run on pump fuel, and those at which a diesel starts. *Common practice, no source.* */
const USUAL_RATIO = { petrol: interval(5.5, 11.6), diesel: interval(13.5, 22) } as const;

/** What the crown takes from the room over the piston: bowl and pockets less dome. Undefined while neither is known. */
function crownOf(assembly: Assembly): Interval | undefined {
  const [hollow, raised] = [valueOf(assembly, bowl)?.interval, valueOf(assembly, dome)?.interval];
  if (hollow) return raised ? minus(hollow, raised) : hollow;
  return raised && scaled(raised, -1);
}

const RATIO_OF = [...STACK, thickness, gasketBore, bore, chamber] as const;

/** Swept and clearance volume as these parts make them. */
function ratioOf(values: readonly Interval[], crown: Interval): Interval {
  const [, throws = NONE, , , gasketThickness = NONE, gasket = NONE, hole = NONE, room = NONE] = values;
  const over = clearanceVolume({ chamber: room, gasketBore: gasket, gasketThickness, bore: hole, deckClearance: clearanceOf(values), crown });
  return over.low <= 0 ? { low: 99, high: 99 } : compressionRatio(sweptVolume(hole, throws), over);
}

const ratio: Check = {
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
    found: (values, assembly) => ratioOf(values, crownOf(assembly) ?? NONE),
    required: (assembly) => ({
      band: USUAL_RATIO[lookOf(assembly, head.features.plug) === 'injector' ? 'diesel' : 'petrol'],
      ruleOfThumb: 'What usually runs on the fuel at hand; the rating of the engine rules. Common practice.',
    }),
    fits: ({ found }) => sentence`These parts make ${band(found, 'ratio')}.`,
    subject: 'The ratio of these parts',
    tooLittle: 'it starts badly and is weak',
    tooMuch: 'it knocks, or breaks',
    mend: (assembly, { found, required, values }) => {
      const part = assembly.parts.head;
      if (!part || found.high >= required.low) return [];
      const hole = middle(values[6] ?? NONE);
      const by = 0.25;
      return offer(millHead(part, by, hole), (milled) => {
        const then = ratioOf([...values.slice(0, 7), milled.values[chamber.id]?.interval ?? NONE], crownOf(assembly) ?? NONE);
        return work({ steps: ['millHead'], says: sentence`Mill ${value(by)} off the head: ${band(then, 'ratio')}.`, found: then, required, parts: [milled] });
      }).filter((each) => !isOption(each) || (each.found?.high ?? 0) >= required.low);
    },
  }),
};

/** A piston sold by its ratio had it with somebody's chamber: what is made of that here. */
const withRating: Check = {
  ...ratio,
  judge: (assembly) => {
    const finding = ratio.judge(assembly);
    const [rated, with_, here] = [valueOf(assembly, ratedRatio), valueOf(assembly, ratedChamber), valueOf(assembly, chamber)];
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
