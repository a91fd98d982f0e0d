import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { head } from '../dictionary/kinds/head.js';
import { headGasket } from '../dictionary/kinds/headGasket.js';
import { piston } from '../dictionary/kinds/piston.js';
import { interval, middle, minus, plus, scaled, type Interval } from '../quantity/interval.js';
import { band, sentence, value } from '../quantity/sentence.js';
import { clearanceVolume, compressionRatio, sweptVolume } from '../stack/index.js';
import { deck as figures, limitOf } from '../thumb/index.js';
import { lookOf, valueOf, type Assembly } from './assembly.js';
import type { Check, Joint } from './check.js';
import { crownBelowDeck, STACK } from './crownHeight.js';
import { isOption, missing, offer, work, type Offer } from './finding.js';
import { deckBlock, millHead } from './operations/faces.js';
import { offsetGrind } from './operations/journals.js';
import { machineCrown } from './operations/pistons.js';
import { noLess, usually, within, type Known } from './shapes/within.js';

const { 'crown.volume': bowl, 'crown.dome': dome, ratio: ratedRatio, 'ratio.chamber': ratedChamber } = piston.parameters;
const { thickness, bore: gasketBore } = headGasket.parameters;
const { 'chamber.volume': chamber } = head.parameters;

/** The same put right by the stroke: crankpins ground off centre, to the next undersize that has the metal for it. */
function strokeWork(assembly: Assembly, off: number): readonly Offer[] {
  const part = assembly.parts.crank;
  const pin = crank.parameters['crankpin.diameter'];
  // The crown moves by half of what the stroke changes.
  const undersize = (part?.service[pin.id] ?? []).map((step) => -step).find((step) => step >= 2 * Math.abs(off));
  return offer(part && undersize !== undefined ? offsetGrind(part, undersize, -2 * off, assembly.rules) : undefined, (ground) =>
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
      ? offer(pistonPart && machineCrown(pistonPart, off, assembly.rules), (lower) =>
          work({ steps: ['machineCrown'], says: sentence`Turn ${value(off)} off the crowns.`, parts: [lower] }),
        )
      : offer(blockPart && deckBlock(blockPart, -off, assembly.rules), (lower) =>
          work({ steps: ['deck'], says: sentence`Deck the block by ${value(-off)}.`, parts: [lower] }),
        );
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
      found: crownBelowDeck,
      required: usually(figures.crown),
      fits: ({ found }) =>
        found.high < 0
          ? sentence`At top dead centre the crown stands ${band({ low: -found.high, high: -found.low })} proud of the deck.`
          : sentence`At top dead centre the crown is ${band(found)} below the deck.`,
      subject: 'The crown below the deck',
      tooLittle: 'the piston stands too far out and meets the head',
      tooMuch: 'the piston stays too far down, and squish and ratio are lost',
      mend: (assembly, { found, required }) => {
        const inside = limitOf(figures.crownInside, assembly.rules);
        return heightWork(assembly, found, found.high < required.low ? required.low + inside : required.high - inside);
      },
    }),
  ],
};

/** The same under a gasket: the squish. */
export const squish: Joint = {
  id: 'squish',
  name: 'Squish',
  kinds: ['block', 'crank', 'rod', 'piston', 'headGasket'],
  checks: [
    within({
      id: 'squish',
      name: 'Room over the crown',
      of: { ...STACK, gasket: thickness },
      also: [crank.parameters['crankpin.diameter'].id, block.parameters['deckHeight.least'].id],
      found: (sizes) => plus(crownBelowDeck(sizes), sizes.gasket),
      required: noLess(figures.squish),
      subject: 'The room over the crown',
      tooLittle: 'the piston would touch the head when it runs',
      tooMuch: 'there is more than enough',
      mend: (assembly, { found, required }) => {
        const lacking = required.low - found.low;
        return [
          ...heightWork(assembly, found, middle(found) + lacking),
          ...(lacking < limitOf(figures.gasketThicker, assembly.rules)
            ? [work({ steps: ['thickGasket'], says: sentence`Take a head gasket that is ${value(lacking)} thicker.` })]
            : []),
        ];
      },
    }),
  ],
};

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
    found: (sizes, assembly) => ratioOf(sizes, crownOf(assembly) ?? interval(0)),
    required: (assembly) => usually(lookOf(assembly, head.features.plug) === 'injector' ? figures.ratioDiesel : figures.ratioPetrol)(assembly),
    fits: ({ found }) => sentence`These parts make ${band(found, 'ratio')}.`,
    subject: 'The ratio of these parts',
    tooLittle: 'it starts badly and is weak',
    tooMuch: 'it knocks, or breaks',
    mend: (assembly, { found, required, sizes }) => {
      const part = assembly.parts.head;
      if (!part || found.high >= required.low) return [];
      const by = limitOf(figures.milled, assembly.rules);
      return offer(millHead(part, by, middle(sizes.bore), assembly.rules), (milled) => {
        const then = ratioOf({ ...sizes, chamber: milled.values[chamber.id]?.interval ?? sizes.chamber }, crownOf(assembly) ?? interval(0));
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
