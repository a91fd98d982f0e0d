/** Which options of a variable are still possible, a bit each. */
export type OptionSet = Uint32Array;

export const drop = (live: OptionSet, option: number): void => {
  live[option >>> 5] = (live[option >>> 5] ?? 0) & ~(1 << (option & 31));
};
export function countOf(live: OptionSet): number {
  let count = 0;
  for (let word of live) for (; word !== 0; word &= word - 1) count++;
  return count;
}
export function* optionsOf(live: OptionSet): Generator<number> {
  for (let at = 0; at < live.length; at++)
    for (let word = live[at] ?? 0; word !== 0; word &= word - 1) yield at * 32 + (31 - Math.clz32(word & -word));
}
export function firstOf(live: OptionSet): number | undefined {
  for (let at = 0; at < live.length; at++) {
    const word = live[at] ?? 0;
    if (word !== 0) return at * 32 + (31 - Math.clz32(word & -word));
  }
  return undefined;
}
export function only(size: number, option: number): OptionSet {
  const live = new Uint32Array((size + 31) >>> 5);
  live[option >>> 5] = 1 << (option & 31);
  return live;
}
export function allOf(size: number): OptionSet {
  const live = new Uint32Array((size + 31) >>> 5).fill(0xffffffff);
  if (size & 31) live[live.length - 1] = 0xffffffff >>> (32 - (size & 31));
  return live;
}
