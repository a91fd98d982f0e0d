import { say, value } from '../quantity/sentence';
import { sayConflict, type Asks } from './sayConflict';

const PISTON: Asks = { with: 'the piston Brackmere Sluice 8.5' };
const SQUISH: Asks = { gives: ['a squish of at least ', value(0.9, 'length')] };
const said = (...args: Parameters<typeof sayConflict>) => say(sayConflict(...args), 'metric');

describe('why demands cannot hold together, in a sentence', () => {
  it('names what is free, what it must go with and give, and what refuses', () => {
    expect(said([PISTON, SQUISH], ['Crank', 'Rod'], ['Squish'])).toBe(
      'No crank or rod that is to be had goes with the piston Brackmere Sluice 8.5 and gives a squish of at least 0.900 mm; most are refused by squish.',
    );
    expect(said([PISTON], ['Crank'], ['Flywheel: Spline', 'Stroke', 'too much is open'])).toBe(
      'No crank that is to be had goes with the piston Brackmere Sluice 8.5; most are refused by flywheel (spline), then by stroke and what nobody knows of them.',
    );
  });

  it('tells limits behind it, and what is to come from where before it', () => {
    expect(said([SQUISH, { keeps: 'for no more than 300' }, { keeps: 'within 2 days' }], ['Piston'], [])).toBe(
      'No piston that is to be had gives a squish of at least 0.900 mm for no more than 300 and within 2 days.',
    );
    expect(said([{ outOf: 'a crank from the shelf' }, PISTON], ['Rod'], [])).toBe(
      'No set with a crank from the shelf goes with the piston Brackmere Sluice 8.5.',
    );
    expect(said([{ keeps: 'with nothing left open' }], [], [])).toBe(
      'No set that is to be had goes together with nothing left open.',
    );
  });

  it('is of a set where many places are free', () => {
    expect(said([SQUISH], ['Crank', 'Rod', 'Pin', 'Piston'], [])).toBe(
      'No set of parts that is to be had gives a squish of at least 0.900 mm.',
    );
  });
});
