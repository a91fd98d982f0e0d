import { keptDraft } from './demandDraft';
import { sayDraft, type Called } from './sayDraft';

const CALLED: Called = {
  place: (slot) => ({ piston: 'Pistons', crank: 'Crank' })[slot] ?? slot,
  part: (address) => `part ${address}`,
  figure: (id) => ({ name: id === 'ratio' ? 'Compression ratio' : 'Squish', unit: id === 'ratio' ? ':1' : 'mm' }),
  supplier: (id) => `${id} and sons`,
  length: 'mm',
};
const EMPTY = keptDraft(undefined);

describe('what was demanded, on paper', () => {
  it('is nothing but how many checks may be left open, while nothing is demanded', () => {
    expect(sayDraft(EMPTY, CALLED)).toEqual([`Checks left open: no more than ${EMPTY.limits.open}`]);
  });

  it('names places, figures, limits, work and suppliers as the page does', () => {
    const said = sayDraft(
      {
        ...EMPTY,
        places: {
          piston: { from: 'any', parts: [], mayStay: true },
          crank: { from: 'these', parts: ['pattern:a', 'specimen:b'], mayStay: false },
          head: { from: 'stays', parts: [], mayStay: true },
        },
        targets: [
          { figure: 'ratio', low: '9', high: '9.6', wished: false },
          { figure: 'squish', low: '', high: ' 1.2', wished: true },
          { figure: 'squish', low: '0.9', high: '', wished: false },
          { figure: '', low: '3', high: '4', wished: false },
        ],
        limits: { ...EMPTY.limits, open: '', price: '900' },
        shape: { deck: '0.5' },
        engines: '2',
        suppliers: ['shed'],
        forbid: ['narrowRod'],
        reversible: true,
      },
      CALLED,
    );
    expect(said).toEqual([
      'Pistons: Anything on record, or on the shelf, or as it is',
      'Crank: part pattern:a; part specimen:b',
      'Compression ratio: 9 to 9.6 :1',
      'Squish: at most 1.2 mm, wished',
      'Squish: at least 0.9 mm',
      'Money, parts and work: no more than 900',
      'Off the deck, at most: 0.5 mm',
      'Engines to build at once: 2',
      'Only from shed and sons',
      'No work that cannot be taken back',
      'Not done: Narrow the rods',
    ]);
  });
});
