import { CATALOGUE } from '../testing/demo';
import { readEntry } from '../readings/entryLine';
import { indexCatalogue } from './catalogueIndex';
import { identify } from './identify';

const INDEX = indexCatalogue('crank', CATALOGUE);

/** What is offered for the odd one of some readings on the likeliest crank. */
const offered = (text: string) =>
  identify(INDEX, readEntry(text, 'crank').words).candidates[0]?.pulls.flatMap(({ meant }) => (meant ? [meant] : []));

describe('a slip behind a size', () => {
  // The slips that people make with a pen and a dial: common practice, no source.
  const REST = 'cast 4187 forged 8 weights';

  it('is two digits swapped', () => {
    expect(offered(`${REST} main 2.3490in mic pin 2.0943in mic stroke 3.375in`)).toEqual([
      { figures: '2.0493', kind: 'swapped' },
    ]);
  });

  it('is one digit wrong', () => {
    expect(offered(`${REST} main 2.3490in mic pin 2.0493in mic stroke 3.875in`)).toEqual([
      { figures: '3.375', kind: 'digit' },
    ]);
  });

  it('is the radius for the diameter', () => {
    expect(offered(`${REST} main 29.84 mm mic pin 52.05 mm mic stroke 85.7 mm`)).toEqual([
      { figures: '59.68', kind: 'radius' },
    ]);
  });

  it('is none that nothing of the sort explains, nor what was read twice', () => {
    expect(offered(`${REST} main 61.93 mm mic pin 52.05 mm mic stroke 85.7 mm`)).toEqual([]);
    expect(offered(`${REST} main 2.3490in mic pin 2.0943/2.0943in mic stroke 3.375in`)).toEqual([]);
  });

  it('makes all agree once it is taken', () => {
    const mended = identify(
      INDEX,
      readEntry(`${REST} main 2.3490in mic pin 2.0493in mic stroke 3.375in`, 'crank').words,
    );
    expect(mended.status).toBe('settled');
  });
});
