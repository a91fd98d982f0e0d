import { EMPTY_CATALOGUE } from './catalogue';
import { CatalogueLookup } from './lookup';
import type { PartNumber, Pattern } from './pattern';
import { demoPattern } from '../testing/demo';
import { supersessionOf } from './supersession';

const bearing = (id: string, ...numbers: readonly PartNumber[]): Pattern => ({
  ...demoPattern('sluice-spring-heavy'),
  id,
  numbers: [...numbers],
});
const over = (...numbers: readonly PartNumber[]) =>
  new CatalogueLookup({ ...EMPTY_CATALOGUE, patterns: numbers.map((each, at) => bearing(`p-${at}`, each)) });

// Common practice, no source: a superseded number is ordered by the last of its line; those between are as dead as it.
describe('a number that was replaced', () => {
  const [a, b, c] = [
    { number: 'A-1', replacedBy: 'B-1' },
    { number: 'B 1', replacedBy: 'C-1' },
    { number: 'C-1' },
  ] as const;

  it('leads through those between to the one that lives, however each is spaced', () => {
    expect(supersessionOf(over(a, b, c), a)).toEqual({ way: ['B-1', 'C-1'], circle: false });
    expect(supersessionOf(over(a, b, c), b)).toEqual({ way: ['C-1'], circle: false });
  });

  it('ends at itself where nothing took its place', () => {
    expect(supersessionOf(over(a, b, c), c)).toEqual({ way: [], circle: false });
  });

  it('ends where the catalogue knows no further', () => {
    expect(supersessionOf(over(a), a)).toEqual({ way: ['B-1'], circle: false });
  });

  it('says of a circle that it is one, its own or one that it leads into', () => {
    const back = { number: 'C-1', replacedBy: 'B-1' };
    expect(supersessionOf(over(a, b, back), a)).toEqual({ way: ['B-1', 'C-1', 'B-1'], circle: true });
    const own = { number: 'D-1', replacedBy: 'D 1' };
    expect(supersessionOf(over(own), own)).toEqual({ way: ['D 1'], circle: true });
  });
});
