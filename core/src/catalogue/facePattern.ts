/** How two names of the pattern of a face compare: one pattern, perhaps one, or two. */
export type FaceLikeness = 'same' | 'perhaps' | 'other';

const NUMBERS =
  'one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen twenty'.split(
    ' ',
  );
const WORD = /\d+(?:[.,]\d+)?|\p{L}+/gu;
/** Words that tell no pattern from another. */
const FILLING = new Set(['a', 'an', 'and', 'circle', 'in', 'mm', 'of', 'on', 'pattern', 'the', 'with']);

/** A word as everybody would have written it. */
function plain(word: string): string {
  const number = NUMBERS.indexOf(word) + 1;
  if (number > 0) return String(number);
  if (/^\d/.test(word)) return String(Number(word.replace(',', '.')));
  return word.length > 3 && word.endsWith('s') && !word.endsWith('ss') ? word.slice(0, -1) : word;
}

const known = new Map<string, string>();

/**
 * The name of a pattern without what is only the manner of whoever wrote it: case, spaces, hyphens, number words,
 * units, plurals, noughts at the end.
 *
 * @example normalForm('Sluice Six-Bolt 3.50 in') // 'sluice 6 bolt 3.5'
 */
export function normalForm(name: string): string {
  const found = known.get(name);
  if (found !== undefined) return found;
  const words = (name.toLowerCase().match(WORD) ?? []).filter((word) => !FILLING.has(word)).map(plain);
  const form = words.join(' ');
  known.set(name, form);
  return form;
}

/**
 * Compares two names of the pattern of a face. Where one says all that the other says, figures among it, and only has
 * somebody's name before it, they may mean the same.
 *
 * @example compareFaces('six-bolt 3.5', 'Sluice 6 bolt 3.50') // 'perhaps'
 */
export function compareFaces(a: string, b: string): FaceLikeness {
  if (a === b) return 'same';
  const [one, other] = [normalForm(a), normalForm(b)];
  if (one === other) return 'same';
  const [short, long] = one.length < other.length ? [one, other] : [other, one];
  return /\d/.test(short) && long.endsWith(` ${short}`) ? 'perhaps' : 'other';
}
