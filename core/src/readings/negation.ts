import { isOptionOf } from '../dictionary/dictionary.js';
import type { Feature } from '../dictionary/definition.js';
import { find, type Phrase, type Phrases, type Read } from './phrases.js';
import { unread } from './unread.js';
import type { Meaning } from './vocabulary.js';

const NOT = /^(?:not|no|non|without|w\/o|isn[’']?t|aren[’']?t|wasn[’']?t|never|neither|nor|lacks|lacking|minus)$/i;

/** Whether a token says the contrary of what stands after it. `no, cast` says what it is. */
export const isNegation = (phrases: Phrases, at: number): boolean =>
  NOT.test(phrases.tokens[at]?.text ?? '') && !phrases.ends(at + 1);

/**
 * `not forged`, `no web lip`, `without squirters`, `non-hemi`, `no casting number`: the contrary of what is
 * named. Of two answers it is the other; of several, not this one. What a part has or has not, it has not; of what is
 * counted, none.
 */
export function negation(phrases: Phrases, from: number): Read | undefined {
  // `no lip` may be a phrase of its own, `no. 4127` names a number, and `no mark` is read as a mark.
  if (!isNegation(phrases, from)) return undefined;
  const at = phrases.glued(from + 1);
  const phrase = phrases.at(at);
  const whole = phrases.at(from)?.tokens ?? 1;
  if (!phrase || (whole > 1 && from + whole >= at + phrase.tokens)) return undefined;
  const next = at + phrase.tokens;
  const numbered = find(phrase, 'making') && !find(phrase, 'option');
  if (numbered) return noMark(phrases, phrase, from, next);
  const read = contrary(phrases, phrase, from, next);
  return (
    read ?? { is: unread(phrases.source(from, next), ['What is not there can be said of looks and marks only.']), next }
  );
}

/** The contrary of a phrase as a look. */
export function contrary(phrases: Phrases, phrase: Phrase, from: number, next: number): Read | undefined {
  const option = find(phrase, 'option');
  const named = option ? option.feature : find(phrase, 'feature')?.feature;
  const text = phrases.source(from, next);
  if (option && 'options' in option.feature.form) {
    const others = option.feature.form.options.filter(({ id }) => id !== option.option.id);
    const end = phrases.beyondName(next, option.feature);
    const words = phrases.source(from, end);
    const [other] = others;
    if (other && others.length === 1) return seen(words, option.feature, other.id, end);
    return {
      is: { sort: 'look', text: words, feature: option.feature.id, option: option.option.id, not: true },
      next: end,
    };
  }
  if (named && isOptionOf(named, 'none')) return seen(text, named, 'none', next);
  const count = find(phrase, 'count');
  if (!count || !isOptionOf(count.feature, '0')) return undefined;
  const end = afterPlace(phrases, next);
  return end === undefined
    ? seen(text, count.feature, '0', next)
    : {
        is: unread(phrases.source(from, end), ['None in one place is no count: say how many there are in all.']),
        next: end,
      };
}

/** The first token after a place that is said of what is not there: `no weights on the middle throws`. */
function afterPlace(phrases: Phrases, at: number): number | undefined {
  const [preposition = '', what = ''] = [phrases.tokens[at]?.text, phrases.tokens[at + 1]?.text];
  const isPlace =
    /^(?:on|in|at|near|by|beside|between|opposite|towards?)$/i.test(preposition) && !/^(?:it|all)$/i.test(what);
  if (phrases.ends(at) || !isPlace) return undefined;
  let end = at + 1;
  while (!phrases.ends(end)) end++;
  return end;
}

const seen = (text: string, { id }: Feature, option: string, next: number): Read => ({
  is: { sort: 'look', text, feature: id, option },
  next,
});

/** `no casting number`, `no stamped no. on flange`. */
function noMark(phrases: Phrases, phrase: Phrase, from: number, named: number): Read {
  const numbers = phrases.at(named);
  const next = numbers && isNumberWord(numbers.meanings) ? named + numbers.tokens : named;
  const following = phrases.at(phrases.glued(next));
  const place = find(phrases.at(next), 'place') ?? find(following, 'place');
  const end = !place
    ? next
    : find(phrases.at(next), 'place')
      ? next + (phrases.at(next)?.tokens ?? 0)
      : phrases.glued(next) + (following?.tokens ?? 0);
  const making = find(phrase, 'making')?.making;
  return {
    is: {
      sort: 'mark',
      text: phrases.source(from, end),
      characters: '',
      // A number is not made in one way only.
      ...(making && making !== 'tag' ? { making } : {}),
      ...(place ? { place: place.place.id } : {}),
    },
    next: end,
  };
}

const isNumberWord = (meanings: readonly Meaning[]): boolean =>
  meanings.some((meaning) => meaning.is === 'making' && meaning.making === 'tag');

/** Whether a look is that something is there, or not. */
export const isPresence = (feature: Feature): boolean =>
  'options' in feature.form &&
  feature.form.options.length === 2 &&
  isOptionOf(feature, 'present') &&
  isOptionOf(feature, 'none');
