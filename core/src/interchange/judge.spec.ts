import { CatalogueLookup } from '../catalogue/lookup';
import type { PartNumber } from '../catalogue/pattern';
import { CATALOGUE, demoPattern, LOOKUP, SETTING } from '../testing/demo';
import { judgeSwap } from './judge';

// Common practice, no source: a superseded number is ordered by the last of its line; those between are as dead as it.
describe('a number that was replaced', () => {
  it('is told with a swap: the living one, and what is as dead between', () => {
    const numbered = (id: string, ...numbers: readonly PartNumber[]) => ({ ...demoPattern(id), numbers: [...numbers] });
    const line = [
      numbered('ambit-piston-77-83', { number: 'A-1', replacedBy: 'B-1' }),
      numbered('ambit-piston-77-90', { number: 'B-1', replacedBy: 'C-1' }),
      numbered('ambit-piston-73', { number: 'C-1' }),
    ];
    const patterns = CATALOGUE.patterns.map((each) => line.find(({ id }) => id === each.id) ?? each);
    const { superseded } = judgeSwap(
      new CatalogueLookup({ ...CATALOGUE, patterns }),
      [{ pattern: 'ambit-piston-77-83' }],
      { pattern: 'ambit-block-3' },
      SETTING,
    );
    expect(superseded).toEqual([
      {
        pattern: 'ambit-piston-77-83',
        number: 'A-1',
        by: 'C-1',
        through: ['B-1'],
        circle: false,
        patterns: ['ambit-piston-73'],
      },
    ]);
  });

  it('of the demo that leads in a circle is told as one', () => {
    const { superseded } = judgeSwap(
      LOOKUP,
      [{ pattern: 'sluice-piston-398-3590-90' }],
      { pattern: 'sluice-rod-large' },
      SETTING,
    );
    expect(superseded.map(({ by, circle }) => ({ by, circle }))).toEqual([{ by: 'BS-724062', circle: true }]);
  });
});
