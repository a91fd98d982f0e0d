import type { LikelyValue } from '../catalogue/likelyValues';
import { say } from '../quantity/sentence';
import { made } from '../testing/made';
import { JOINTS_ON_RECORD } from './onRecord';
import { sayLikelyFits } from './likely';
import type { Assembly } from '../joints/assembly';

const check = (joint: string, id: string) => {
  const found = JOINTS_ON_RECORD.find((each) => each.id === joint)?.checks.find((each) => each.id === id);
  if (!found) throw new RangeError(`There is no check ${joint}.${id}.`);
  return found;
};

/** A crank whose number of mains is known, and a block whose is not, in a family that mostly has so many. */
const mains = (likely: LikelyValue | undefined): Assembly => ({
  parts: { crank: made('crank', {}, { mainCount: '5' }), block: made('block') },
  replaced: {},
  stock: {},
  rules: {},
  likelyValue: (_pattern, id) => (id === 'block.mainCount' ? likely : undefined),
});
const LIKELY: LikelyValue = { is: '5', probability: 0.937, alike: 6, known: 6 };

describe('an answer by what the family of a part makes likely', () => {
  const judge = (likely: LikelyValue | undefined) => check('mains', 'mainCount').judge(mains(likely));

  it('stays open, and says that it likely fits, if what, how surely and from what', () => {
    const { verdict, likely, likelyIf, because } = judge(LIKELY);
    expect(verdict).toBe('cannotTell');
    expect(likely).toBe('fits');
    expect(likelyIf?.map(({ id, is, probability }) => [id, is, probability])).toEqual([
      ['block.mainCount', '5', 0.937],
    ]);
    expect(say(because, 'metric')).toMatch(
      /Likely right, if .* of the block is .*5.* \(93 %: so on 6 of 6 blocks of its family on record\)\.$/,
    );
  });

  it('is none where that is not sure enough, or would refuse: what is likely refuses nothing', () => {
    expect(judge({ ...LIKELY, probability: 0.79 }).likely).toBeUndefined();
    const other = judge({ ...LIKELY, is: '3' });
    expect([other.verdict, other.likely]).toEqual(['cannotTell', undefined]);
    expect(judge(undefined).likely).toBeUndefined();
  });

  it('is told of the whole where all that is open likely fits', () => {
    const open = judge(LIKELY);
    expect(say(sayLikelyFits([open]), 'metric')).toMatch(/^ Likely fits, if .* of the block is /);
    expect(sayLikelyFits([open, { ...open, likely: 'fitsWithWork' }])).toEqual([]);
    expect(sayLikelyFits([])).toEqual([]);
    const byRecord = { likely: 'fits' as const };
    expect(say(sayLikelyFits([open, byRecord]), 'metric')).toContain(
      ', and the parts are as on what they are on record with.',
    );
  });
});
