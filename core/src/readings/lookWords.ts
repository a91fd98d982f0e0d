import { describedAs, isOptionOf } from '../dictionary/dictionary.js';
import type { Feature } from '../dictionary/definition.js';
import { contrary, isNegation, isPresence } from './negation.js';
import { find, isGlue, soleKind, type Phrase, type Phrases, type Read } from './phrases.js';
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

/**
 * `forged`, `tapered plugs`; or `seal: rope`, `material forged`, `cap not cracked`: the name of the look before its
 * answer. What is there or not is there where nothing else is said: `squirters`.
 */
export function lookWords(phrases: Phrases, phrase: Phrase, from: number, after: number): Read | undefined {
  const option = find(phrase, 'option');
  if (option) {
    // `iron liners` on a block says what another part is made of.
    const beside = phrases.ends(from + phrase.tokens) ? undefined : phrases.at(from + phrase.tokens);
    const other = beside && soleKind(beside.meanings);
    if (other && other !== phrases.kind) return undefined;
    if (beside && qualifies(phrases, beside, from + phrase.tokens, option.feature)) return undefined;
    if (isToward(phrases, from)) return undefined;
    const next = phrases.beyondName(from + phrase.tokens, option.feature);
    if (next === from + phrase.tokens && saysLittle(phrases.source(from, next), option.feature)) return undefined;
    return lookOf(phrases, option.feature, option.option.id, from, next);
  }
  const feature = find(phrase, 'feature')?.feature;
  const named = feature ?? find(phrase, 'parameter')?.parameter;
  if (!named) return undefined;
  const answer = phrases.isBroken(from, after + 1) ? undefined : answerAt(phrases, from, after, feature);
  if (answer) return answer;
  const end = from + phrase.tokens;
  return feature && isPresence(feature) && !isSaidMoreOf(phrases, end)
    ? lookOf(phrases, feature, 'present', from, end)
    : undefined;
}

/** Answers that say something only after what is asked, or before its name: `pointer left`, `brass shim`. */
const LITTLE = new Set(
  'none left right top one two single round deep shallow straight special word once yes steel brass offset sleeves pins drilled undrilled cracked wet dry'.split(
    ' ',
  ),
);
/** Looks for which they are enough: what a part is made of, and which of two sorts it is. */
const ENOUGH_FOR = /\.(?:material|type|nest|boreForm|hollow)$/;

const saysLittle = (text: string, { id }: Feature): boolean => LITTLE.has(text.toLowerCase()) && !ENOUGH_FOR.test(id);

/** Whether what something is made of is said of what stands behind it, and not of the part: `steel crown`. */
function qualifies(phrases: Phrases, beside: Phrase, at: number, feature: Feature): boolean {
  const { material }: Readonly<Record<string, Feature>> = describedAs(phrases.kind).features;
  const isName = beside.meanings.every(({ is }) => is === 'feature' || is === 'parameter' || is === 'place');
  return feature.id === material?.id && isName && phrases.ends(at + beside.tokens);
}

const SIDE = /^(?:left|right|front|rear)$/i;

/** Whether a side is where something lies, and not one of the part: `pin offset to the left`. */
const isToward = (phrases: Phrases, at: number): boolean =>
  SIDE.test(phrases.tokens[at]?.text ?? '') &&
  /\b(?:to|towards?|at|on)(?: the)?$/i.test(phrases.source(Math.max(0, at - 2), at));

/** Whether a word that is not understood follows, which may say anything: `squirters blocked`, `web lip broken off`. */
const isSaidMoreOf = (phrases: Phrases, at: number): boolean =>
  !phrases.ends(at) && !phrases.at(at) && !isGlue(phrases.tokens[at]) && /^[a-z]/i.test(phrases.tokens[at]?.text ?? '');

/** The answer after the name of a look: an option, its id as it is written down (`1-3-4-2`), or what it is not. */
function answerAt(phrases: Phrases, from: number, after: number, feature: Feature | undefined): Read | undefined {
  if (isNegation(phrases, after)) {
    const denied = phrases.at(after + 1);
    const option = find(denied, 'option');
    return denied && option && option.feature.id === feature?.id
      ? contrary(phrases, denied, from, after + 1 + denied.tokens)
      : undefined;
  }
  const following = phrases.at(after);
  const chosen = find(following, 'option');
  if (chosen && following && !isToward(phrases, after))
    return lookOf(phrases, chosen.feature, chosen.option.id, from, after + following.tokens);
  const written = phrases.tokens[after]?.text ?? '';
  return feature && 'options' in feature.form && isOptionOf(feature, written)
    ? lookOf(phrases, feature, written, from, after + 1)
    : undefined;
}
