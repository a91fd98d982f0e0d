import { block } from '../../dictionary/kinds/block.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { head } from '../../dictionary/kinds/head.js';
import { headGasket } from '../../dictionary/kinds/headGasket.js';
import { liner } from '../../dictionary/kinds/liner.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { rod } from '../../dictionary/kinds/rod.js';
import { engineVariant, running } from '../../dictionary/index.js';
import { ratioWanted, type Assembly } from '../../joints/index.js';
import { noLess, usually, type Requirement } from '../../joints/shapes/within.js';
import { fall } from '../../motion/index.js';
import { deck, type FigureOfThumb } from '../../thumb/index.js';
import type { BuildEngine } from '../engine.js';
import { figure, first, from, orElse, over, size, type Input } from './figure.js';

const COMMON = 'Common practice';
const DISC = 'Volume of a disc';

export const bore = first(size(liner.parameters.bore), size(block.parameters.bore));
export const stroke = size(crank.parameters.stroke);
export const length = size(rod.parameters.length);
export const offset = orElse(size(piston.parameters['pin.offset']), 0, 'The pin is taken to be in the middle.');

/** (pi / 4) d^2 h, in cubic centimetres from millimetres. */
const disc = (diameter: number, height: number): number => ((Math.PI / 4) * diameter * diameter * height) / 1000;

export const swept = figure({
  id: 'swept',
  name: 'Swept volume',
  says: 'What one piston sweeps.',
  subject: 'ratio',
  quantity: 'volume',
  per: 'cylinder',
  of: { bore, stroke },
  formula: 'pi / 4 * bore^2 * stroke / 1000',
  source: DISC,
  compute: (of) => disc(of.bore, of.stroke),
});

const displacement = figure({
  id: 'displacement',
  name: 'Displacement',
  says: 'What all pistons sweep together.',
  subject: 'ratio',
  quantity: 'volume',
  per: 'engine',
  of: { all: over('sum', swept) },
  formula: 'all',
  source: DISC,
  compute: ({ all }) => all,
});

export const belowDeck = figure({
  id: 'belowDeck',
  name: 'Deck clearance',
  says: 'How far the flat of the piston stays below the deck at top dead centre; negative where it stands proud.',
  subject: 'ratio',
  quantity: 'length',
  per: 'cylinder',
  of: {
    deck: size(block.parameters.deckHeight),
    stroke,
    rod: length,
    height: size(piston.parameters.compressionHeight),
  },
  formula: 'deck - stroke / 2 - rod - height',
  source: COMMON,
  compute: (of) => of.deck - of.stroke / 2 - of.rod - of.height,
  holds: usually(deck.crown),
  tooLittle: 'the crown comes near the head, or into it',
  tooMuch: 'the charge hides over the crown, and it knocks',
});

const gasket = size(headGasket.parameters.thickness);

const squishHeight = figure({
  id: 'squish',
  name: 'Squish',
  says: 'Room between the flat of the piston and the head at top dead centre.',
  subject: 'ratio',
  quantity: 'length',
  per: 'cylinder',
  of: { below: from(belowDeck), gasket },
  formula: 'below + gasket',
  source: COMMON,
  compute: (of) => of.below + of.gasket,
  holds: noLess(deck.squish),
  tooLittle: 'the piston strikes the head when the rod stretches and the crown rocks',
});

const gasketVolume = figure({
  id: 'gasketVolume',
  name: 'Volume in the gasket',
  says: 'What the hole of the head gasket holds.',
  subject: 'ratio',
  quantity: 'volume',
  per: 'cylinder',
  of: { hole: size(headGasket.parameters.bore), gasket },
  formula: 'pi / 4 * hole^2 * gasket / 1000',
  source: DISC,
  compute: (of) => disc(of.hole, of.gasket),
});

const deckVolume = figure({
  id: 'deckVolume',
  name: 'Volume up to the deck',
  says: 'What stands over the flat of the piston up to the deck; negative where it stands proud.',
  subject: 'ratio',
  quantity: 'volume',
  per: 'cylinder',
  of: { bore, below: from(belowDeck) },
  formula: 'pi / 4 * bore^2 * below / 1000',
  source: DISC,
  compute: (of) => disc(of.bore, of.below),
});

const crownSold = figure({
  id: 'crownSold',
  name: 'Crown, from the ratio it is sold by',
  says: 'What the crown must hold if the piston makes the ratio it is sold by, with the chamber that was reckoned with and the rest as here.',
  subject: 'ratio',
  quantity: 'volume',
  per: 'cylinder',
  of: {
    swept: from(swept),
    sold: size(piston.parameters.ratio),
    chamber: size(piston.parameters['ratio.chamber']),
    gasket: from(gasketVolume),
    deck: from(deckVolume),
  },
  formula: 'swept / (sold - 1) - chamber - gasket - deck',
  source: 'Definition of the ratio, solved for the crown',
  compute: (of) => of.swept / (of.sold - 1) - of.chamber - of.gasket - of.deck,
});

/** A dome is told net of what is hollow in it: then there is no bowl beside it. */
const noBowl: Input = {
  reads: 'told',
  name: 'No bowl beside the dome',
  quantity: 'volume',
  needs: [],
  tell: (engine, spot) => (engine.size(piston.parameters['crown.dome'], spot) ? 0 : undefined),
};

const clearanceVolume = figure({
  id: 'clearance',
  name: 'Clearance volume',
  says: 'All that is left over the piston at top dead centre.',
  subject: 'ratio',
  quantity: 'volume',
  per: 'cylinder',
  of: {
    chamber: size(head.parameters['chamber.volume']),
    gasket: from(gasketVolume),
    deck: from(deckVolume),
    bowl: first(size(piston.parameters['crown.volume']), noBowl, from(crownSold)),
    dome: orElse(size(piston.parameters['crown.dome']), 0, 'No dome is on record.'),
  },
  formula: 'chamber + gasket + deck + bowl - dome',
  source: COMMON,
  compute: (of) => of.chamber + of.gasket + of.deck + of.bowl - of.dome,
});

/** What is usual on a fuel that somebody has named. */
const ON_FUEL: Readonly<Record<string, FigureOfThumb>> = {
  ordinary: deck.ratioOrdinary,
  premium: deck.ratioPetrol,
  racing: deck.ratioRacing,
  gas: deck.ratioGas,
  diesel: deck.ratioDiesel,
};

/** By the fuel that is named; else what the engine is rated at, or what its plugs and injection are for. */
function ratioHeld(assembly: Assembly, engine: BuildEngine): Requirement | undefined {
  const fuel = engine.look(running.features.fuel.id);
  const usual = fuel === undefined ? undefined : ON_FUEL[fuel];
  return usual ? usually(usual)(assembly) : ratioWanted(assembly);
}

const ratio = figure({
  id: 'ratio',
  name: 'Compression ratio',
  says: 'Swept and clearance volume together, over the clearance volume.',
  subject: 'ratio',
  quantity: 'ratio',
  per: 'cylinder',
  of: { swept: from(swept), clearance: from(clearanceVolume) },
  formula: '(swept + clearance) / clearance',
  source: 'Heywood, Internal Combustion Engine Fundamentals, 2.2',
  compute: (of) => (of.swept + of.clearance) / of.clearance,
  holds: ratioHeld,
  tooLittle: 'it starts badly and is weak',
  tooMuch: 'it knocks, or breaks',
  caution: 'A ratio above the rating knocks on the fuel and timing the engine was set for.',
});

const ratioSpread = figure({
  id: 'ratioSpread',
  name: 'Ratio from cylinder to cylinder',
  says: 'Difference between the cylinder with the highest ratio and the one with the lowest.',
  subject: 'ratio',
  quantity: 'ratio',
  per: 'engine',
  of: { spread: over('spread', ratio) },
  formula: 'spread',
  source: COMMON,
  compute: ({ spread }) => spread,
});

const effectiveRatio = figure({
  id: 'effectiveRatio',
  name: 'Effective ratio',
  says: 'Ratio from the moment at which the intake valve closes.',
  subject: 'ratio',
  quantity: 'ratio',
  per: 'cylinder',
  of: {
    bore,
    stroke,
    rod: length,
    offset,
    closes: size(running.parameters.inletCloses),
    clearance: from(clearanceVolume),
  },
  formula: '1 + pi / 4 * bore^2 * fall(stroke, rod, offset, 180 + closes) / 1000 / clearance',
  source: 'Taylor, The Internal-Combustion Engine in Theory and Practice',
  arises: (engine) => engine.look(engineVariant.features.cycle.id) !== 'two',
  compute: (of) => 1 + disc(of.bore, fall(of, 180 + of.closes)) / of.clearance,
});

export const RATIO = [
  displacement,
  swept,
  belowDeck,
  squishHeight,
  gasketVolume,
  deckVolume,
  crownSold,
  clearanceVolume,
  ratio,
  ratioSpread,
  effectiveRatio,
];
