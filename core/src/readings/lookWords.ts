import { describedAs, isOptionOf } from '../dictionary/dictionary.js';
import type { Feature } from '../dictionary/definition.js';
import { find, type Phrase, type Phrases, type Read } from './phrases.js';
import { unread } from './unread.js';
import { one } from '../quantity/phrase.js';

/** A look with an answer it can have; else why it cannot. */
export function lookOf(phrases: Phrases, feature: Feature, option: string, from: number, next: number): Read {
  const text = phrases.source(from, next);
  if (isOptionOf(feature, option)) return { is: { sort: 'look', text, feature: feature.id, option }, next };
  const range = 'count' in feature.form ? `${feature.form.count.low} to ${feature.form.count.high}` : '';
  const name = describedAs(phrases.kind).name.toLowerCase();
  return {
    is: unread(text, [`${option} cannot be a count of ${feature.name.toLowerCase()}: ${one(name)} has ${range}.`]),
    next,
  };
}

/** `forged`; or `seal: rope`, `material forged`: the name of the look before its option. */
export function lookWords(phrases: Phrases, phrase: Phrase, from: number, after: number): Read | undefined {
  const option = find(phrase, 'option');
  if (option) return lookOf(phrases, option.feature, option.option.id, from, from + phrase.tokens);
  const following = phrases.at(after);
  const chosen = find(following, 'option');
  if (!chosen || !following || !(find(phrase, 'feature') ?? find(phrase, 'parameter'))) return undefined;
  return lookOf(phrases, chosen.feature, chosen.option.id, from, after + following.tokens);
}
