import { halfKnownValues } from '../testing/halfKnownValues';
import { made } from '../testing/made';
import type { Part } from './part';
import type { Pattern } from './pattern';
import { agree, LikelyValues } from './likelyValues';

/** A family of made parts, each by its own name. */
function familyOf(...parts: readonly Part[]) {
  const named = parts.map((part, at): Part => ({ ...part, pattern: `p${at}` }));
  return new LikelyValues({
    pattern: (id) => ({ id, kind: 'crank', family: id === 'p9' ? undefined : 'one' }) as unknown as Pattern,
    partsOfKind: () => named,
  });
}

const MAIN = 'crank.mainJournal.diameter';
const crank = (main: number | undefined, stroke: number, mains = '5') =>
  made('crank', { ...(main === undefined ? {} : { 'mainJournal.diameter': main }), stroke }, { mainCount: mains });

describe('what is likely of a part by its family', () => {
  it('is what its sisters have, the surer the more of them do', () => {
    const two = familyOf(crank(undefined, 80), crank(60, 80), crank(60, 80)).of('p0', MAIN);
    const four = familyOf(crank(undefined, 80), ...[1, 2, 3, 4].map(() => crank(60, 80))).of('p0', MAIN);
    expect(four?.is).toEqual({ low: 60, high: 60 });
    expect([four?.alike, four?.known]).toEqual([4, 4]);
    expect(four?.probability).toBeGreaterThan(two?.probability ?? 1);
    expect(four?.probability).toBeLessThan(1);
  });

  it('goes by the sister that is like it in what is known, before those that are not', () => {
    const found = familyOf(crank(undefined, 80, '5'), crank(60, 80, '5'), crank(70, 90, '3'), crank(70, 95, '3')).of(
      'p0',
      MAIN,
    );
    expect(found?.is).toEqual({ low: 60, high: 60 });
    expect([found?.alike, found?.known]).toEqual([1, 3]);
  });

  it('is not moved by what is put down of the part itself', () => {
    const sisters = [crank(60, 80), crank(60, 80)];
    expect(familyOf(crank(50, 80), ...sisters).of('p0', MAIN)).toEqual(
      familyOf(crank(undefined, 80), ...sisters).of('p0', MAIN),
    );
  });

  it('is nothing where no sister tells, or there are none', () => {
    expect(familyOf(crank(undefined, 80), crank(undefined, 80)).of('p0', MAIN)).toBeUndefined();
    expect(familyOf(crank(undefined, 80)).of('p9', MAIN)).toBeUndefined();
  });

  it('is one pattern of a face under two ways of writing it', () => {
    expect(agree('Sluice six-bolt 3.50 in', 'sluice 6 bolt 3.5')).toBeTrue();
    expect(agree('Sluice six-bolt', 'Sluice ten-bolt')).toBeFalse();
    expect(agree({ low: 1, high: 2 }, 'one')).toBeFalse();
  });

  // The figures of bench/likely.mjs for one draw of the demo with half of it left out, at looser limits.
  it('proves right nearly as often as it says', () => {
    const told = halfKnownValues(1);
    const sure = told.filter(({ probability }) => probability >= 0.9);
    expect(sure.length).toBeGreaterThan(300);
    expect(sure.filter(({ right }) => right).length / sure.length).toBeGreaterThan(0.88);
    const unsure = told.filter(({ probability }) => probability < 0.6);
    expect(unsure.filter(({ right }) => right).length / unsure.length).toBeLessThan(0.75);
  });
});
