import { KeyFollower, KEYS } from './keys';

describe('keys', () => {
  it('act alone or in pairs, and not inside a field', () => {
    const follower = new KeyFollower();
    expect(follower.press('/', false, 0)).toBe('entry');
    expect(follower.press('g', false, 10)).toBeUndefined();
    expect(follower.press('s', false, 20)).toBe('swap');
    expect(follower.press('s', false, 30)).toBeUndefined();
    expect(follower.press('?', true, 40)).toBeUndefined();
  });

  it('forget the first of a pair after a while, or when typing begins', () => {
    const follower = new KeyFollower();
    follower.press('g', false, 0);
    expect(follower.press('b', false, 5000)).toBeUndefined();
    follower.press('g', false, 6000);
    follower.press('x', true, 6010);
    expect(follower.press('b', false, 6020)).toBeUndefined();
  });

  it('are each listed once', () => {
    expect(new Set(KEYS.map((binding) => binding.keys)).size).toBe(KEYS.length);
  });
});
