import type { Pattern } from '../catalogue/pattern';
import { sizeFrom } from '../catalogue/size';
import { crank } from '../dictionary/kinds/crank';
import type { Parameter } from '../dictionary/definition';
import { parameterOf } from '../dictionary/dictionary';
import { INSTRUMENTS } from '../quantity/instrument';
import type { Understood } from '../readings/reading';
import { CATALOGUE } from '../testing/demo';
import { normalDraw, random } from '../testing/random';
import { indexCatalogue } from './catalogueIndex';
import { identify } from './identify';

const CRANKS = CATALOGUE.patterns.filter((pattern) => pattern.kind === 'crank');
const index = indexCatalogue('crank', CRANKS);
const { parameters } = crank;
const MEASURED = [parameters['mainJournal.diameter'], parameters['crankpin.diameter'], parameters.stroke, parameters['sealJournal.diameter']];

/** A crank as it comes in: made between its limits, worn, perhaps reground, measured with error, its mark half read. */
function specimen(pattern: Pattern, next: () => number, scale = 1): Understood[] {
  const sizes = MEASURED.map((parameter) => measure(pattern, parameter, next, scale));
  const text = pattern.marks[0]?.text ?? '';
  const hidden = Math.floor(next() * text.length);
  const characters = scale === 1 ? `${text.slice(0, hidden)}?${text.slice(hidden + 1)}` : `K${String(Math.floor(next() * 9000) + 1000)}`;
  const weights = pattern.features[crank.features.counterweights.id] ?? '8';
  return [
    ...sizes,
    { sort: 'mark', text: 'mark', characters, making: 'cast' },
    { sort: 'look', text: 'weights', feature: crank.features.counterweights.id, option: weights },
  ];
}

function measure(pattern: Pattern, parameter: Parameter, next: () => number, scale: number): Understood {
  const dimension = pattern.dimensions[parameter.id];
  if (!dimension) throw new Error(`${pattern.id} has no ${parameter.id}`);
  const { limits, service } = sizeFrom(dimension, parameterOf(parameter.id));
  const made = limits.low + next() * (limits.high - limits.low);
  const step = next() < 0.2 ? (service[0] ?? 0) : 0;
  const wear = parameter.wear === 'shrinks' ? -parameter.usualWear * -Math.log(1 - next()) : 0;
  const instrument = parameter.id === parameters.stroke.id ? INSTRUMENTS.caliper : INSTRUMENTS.micrometer;
  const error = (instrument.permissibleError / Math.sqrt(3)) * normalDraw(next);
  return { sort: 'size', text: parameter.id, parameter: parameter.id, values: [(made + step + wear) * scale + error], unit: 'mm', instrument: instrument.id };
}

describe('identification of simulated cranks', () => {
  it('finds the right one first nearly always, and is never settled on a wrong one', () => {
    const next = random(20261);
    let right = 0;
    let settledWrong = 0;
    const cases = 480;
    for (let at = 0; at < cases; at++) {
      const truth = CRANKS[at % CRANKS.length];
      if (!truth) continue;
      const lineUp = identify(index, specimen(truth, next), 3);
      const first = lineUp.candidates[0]?.pattern;
      if (first === truth.id) right++;
      else if (lineUp.status === 'settled') settledWrong++;
    }
    expect(right / cases).toBeGreaterThan(0.97);
    expect(settledWrong).toBe(0);
  });

  it('means what it says: of answers given at 90 % and more, at least nine in ten are right', () => {
    const next = random(20262);
    let sure = 0;
    let right = 0;
    for (let at = 0; at < 480; at++) {
      const truth = CRANKS[at % CRANKS.length];
      if (!truth) continue;
      // Two sizes only: often not enough to tell.
      const [first] = identify(index, specimen(truth, next).slice(at % 3, (at % 3) + 2), 1).candidates;
      if (!first || first.probability < 0.9) continue;
      sure++;
      if (first.pattern === truth.id) right++;
    }
    expect(sure).toBeGreaterThan(50);
    expect(right / sure).toBeGreaterThan(0.9);
  });

  it('says none of these of a crank that is in no catalogue', () => {
    const next = random(20263);
    let none = 0;
    const cases = 240;
    for (let at = 0; at < cases; at++) {
      const model = CRANKS[at % CRANKS.length];
      if (!model) continue;
      // Of the same build but another size, 3 to 9 % off.
      const scale = 1 + (next() < 0.5 ? -1 : 1) * (0.03 + 0.06 * next());
      if (identify(index, specimen(model, next, scale), 1).status === 'nothingFits') none++;
    }
    expect(none / cases).toBeGreaterThan(0.95);
  });
});
