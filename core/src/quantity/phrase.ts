const AND = new Intl.ListFormat('en-GB', { type: 'conjunction' });
const OR = new Intl.ListFormat('en-GB', { type: 'disjunction' });

/** Several things in a sentence: `pin`, `pin and bush`, `pin, bush and eye`. */
export const listed = (names: Iterable<string>): string => AND.format(names);

/** One of several: `1967, 1977 or 1987`. */
export const either = (names: Iterable<string>): string => OR.format(names);

/**
 * How many of something: `1 record`, `3 records`.
 *
 * @param many what several are called, where that is not an s more
 */
export const counted = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;

const ORDINAL_WORDS = 'first second third fourth fifth sixth seventh eighth ninth tenth eleventh twelfth'.split(' ');
const ORDINAL_RULES = new Intl.PluralRules('en-GB', { type: 'ordinal' });
const ORDINAL_ENDINGS: Readonly<Partial<Record<Intl.LDMLPluralRule, string>>> = { one: 'st', two: 'nd', few: 'rd' };

/** Which in a row, counted from 1: `first`, `twelfth`, `13th`, `21st`. */
export const ordinal = (at: number): string =>
  ORDINAL_WORDS[at - 1] ?? `${at}${ORDINAL_ENDINGS[ORDINAL_RULES.select(at)] ?? 'th'}`;

/** With a capital, as a sentence begins. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

/** Begins like a vowel though it is written without one, and the other way round. */
const SILENT_H = /^(?:heir|hon|hour)/i;
const LIKE_YOU_OR_WON = /^(?:eu|ewe|one\b|once|uni(?!n)|us[aeiu]|ut[ei])/i;

/** With its indefinite article: `a crank`, `an engine variant`, `an hour`, `a unit`. */
export const one = (name: string): string =>
  `${SILENT_H.test(name) || (/^[aeiou]/i.test(name) && !LIKE_YOU_OR_WON.test(name)) ? 'an' : 'a'} ${name}`;
