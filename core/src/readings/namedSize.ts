import type { Parameter } from '../dictionary/definition.js';
import { UNITS, type UnitId } from '../quantity/unit.js';
import { find, isGlue, type Phrase, type Phrases } from './phrases.js';
import type { Figures } from './size.js';
import { calledAfter } from './positions.js';

/** The size that a phrase names; a unit tells which of two it is: `big end 430 g`, `big end 56 mm`. */
export function parameterNamed(phrases: Phrases, phrase: Phrase | undefined, unit?: UnitId): Parameter | undefined {
  const named = phrase?.meanings.flatMap((meaning) => (meaning.is === 'parameter' ? [meaning.parameter] : [])) ?? [];
  const fits = unit && named.find(({ quantity }) => quantity === UNITS[unit].quantity);
  return fits ?? named[0] ?? calledAfter(phrases, phrase);
}

/** Which way a size runs, by the word behind its figures. */
const WAYS: readonly (readonly [RegExp, RegExp])[] = [
  [/^wide$/i, /width|wide|gap/i],
  [/^long$/i, /length|long|height|distance/i],
  [/^(?:deep|high|tall)$/i, /depth|deep|height|length|deck|protrusion/i],
  [/^thick$/i, /thick|wall|height|width/i],
];

/** Whether the word behind figures says that they are another size than is named: `pins 48.0 wide`, `bowl 46 dia`. */
export function runsElsewhere(phrases: Phrases, parameter: Parameter, { unit }: Figures, at: number): boolean {
  const { name, synonyms, quantity } = parameter;
  const word = phrases.ends(at) || namesNext(phrases, at) ? '' : (phrases.tokens[at]?.text ?? '');
  const isLength = WAYS.some(([said]) => said.test(word)) || /^dia/i.test(word);
  if (!unit && isLength && quantity !== 'length') return true;
  return WAYS.some(([said, named]) => said.test(word) && ![name, ...synonyms].some((each) => named.test(each)));
}

/** Whether a word names figures behind it, which end there: `bore 4.1 thick .040`, and not `pins 48 wide 20 dia`. */
function namesNext(phrases: Phrases, at: number): boolean {
  const figures = phrases.figures(at + 1);
  const end = figures && phrases.after(at + 1, figures.length);
  return end !== undefined && (phrases.ends(end) || !isGlue(phrases.tokens[end]));
}

/** Counts are small, and of something that has a name. */
const MOST_COUNTED = 24;

/**
 * Whether whole figures count what stands behind the name: `2 seal lips`, `2 pin oil holes`. It is no name of a size or
 * a look that says anything by itself.
 */
export function mayCount(phrases: Phrases, { values: [value, ...others], unit }: Figures, at: number): boolean {
  const isWhole = value !== undefined && Number.isInteger(value) && value <= MOST_COUNTED && others.length === 0;
  if (!isWhole || unit || phrases.ends(at) || isGlue(phrases.tokens[at])) return false;
  const phrase = phrases.at(at);
  const isName = phrase?.meanings.every(({ is }) => is === 'feature' || is === 'parameter') ?? true;
  return isName && /^[a-z]{3,}s$/i.test(phrases.tokens[at + (phrase?.tokens ?? 1) - 1]?.text ?? '');
}

/**
 * Whether figures at a token have their name behind them, and so have those that follow: `52 pin`, `2 seal grooves`. In
 * `59.6 main 52 pin` the figures then go with what stands behind them.
 */
export function isNamedBehind(phrases: Phrases, at: number): boolean {
  const figures = phrases.figures(at);
  const after = figures && phrases.after(at, figures.length);
  if (!figures || after === undefined || phrases.ends(after)) return false;
  const way = phrases.at(after);
  const { next } = find(way, 'step') && way ? { next: after + way.tokens } : phrases.instrument(after);
  const start = phrases.at(next) ? next : phrases.glued(next);
  if (mayCount(phrases, figures, start)) return true;
  const naming = phrases.at(start);
  if (!naming || !(parameterNamed(phrases, naming, figures.unit) ?? phrases.countAt(start))) return false;
  const end = start + naming.tokens;
  return phrases.ends(end) || !phrases.figures(end) || isNamedBehind(phrases, end);
}
