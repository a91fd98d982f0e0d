import type { Feature } from '../dictionary/definition.js';
import type { DescribedId, KindId } from '../dictionary/dictionary.js';
import type { InstrumentId } from '../quantity/instrument.js';
import type { UnitSystem } from '../quantity/unit.js';
import { readFigures, type Figures } from './size.js';
import type { Words } from './unread.js';
import { tokensOf, type Token } from './tokens.js';
import { LONGEST_PHRASE, vocabularyLookedUp, type Meaning } from './vocabulary.js';
import { lookedUp, numberOf, otherForms } from './wordForms.js';

/** Tokens that are a phrase of the vocabulary together. */
export interface Phrase {
  readonly meanings: readonly Meaning[];
  /** How many tokens it takes. */
  readonly tokens: number;
}

/** A reading made of some tokens, more that they say at once (`10/10`), and the first token after them. */
export interface Read {
  readonly is: Words;
  readonly also?: readonly Words[];
  readonly next: number;
}

/** Words that carry no reading between those that do. */
const GLUE = new Set(
  (
    'with by using a an the of is are be and & + about approx ish ca at on in to for it its this that has have got ' +
    'definitely clearly certainly obviously still now only just both all each looks look appears seems measures measure measured reads checks size worn fitted type style ' +
    'bored ground turned honed shaped says marked there so diameter some thick wide long deep high anywhere'
  ).split(' '),
);

/** Whether a token carries nothing. A capital A by itself is a mark. */
export const isGlue = (token: Token | undefined): boolean =>
  token?.text !== 'A' && GLUE.has(lookedUp(token?.text ?? ''));

/** The meaning of a sort that a phrase has, if it has one. */
export function find<I extends Meaning['is']>(
  phrase: Phrase | undefined,
  is: I,
): Extract<Meaning, { is: I }> | undefined {
  return phrase?.meanings.find((meaning): meaning is Extract<Meaning, { is: I }> => meaning.is === is);
}

/** The kind that a phrase names when it can mean nothing else. */
export function soleKind(meanings: readonly Meaning[]): KindId | undefined {
  const [first] = meanings;
  return first?.is === 'kind' && meanings.every((meaning) => meaning.is === 'kind') ? first.kind : undefined;
}

/** A text cut into tokens, seen through the vocabulary of a kind of part. Places are counted in tokens. */
export class Phrases {
  readonly tokens: readonly Token[];
  private readonly vocabulary;
  private readonly lookedUp: readonly string[];

  constructor(
    private readonly text: string,
    readonly kind: DescribedId,
    private readonly usual?: UnitSystem,
  ) {
    this.vocabulary = vocabularyLookedUp(kind);
    this.tokens = tokensOf(text, this.vocabulary);
    this.lookedUp = this.tokens.map((token) => lookedUp(token.text));
  }

  /** The longest phrase of the vocabulary that begins at a token. */
  at(at: number): Phrase | undefined {
    for (let count = Math.min(LONGEST_PHRASE, this.lookedUp.length - at); count > 0; count--) {
      if (count > 1 && this.isBroken(at, at + count)) continue;
      const meanings = this.meaningsOf(this.lookedUp.slice(at, at + count).join(' '));
      if (meanings) return { meanings, tokens: count };
    }
    return undefined;
  }

  /** The first token beyond the name of a look that stands after its answer: `neutral balance`, `tapered plugs`. */
  beyondName(at: number, { id }: Feature): number {
    const next = this.ends(at) ? at : this.glued(at);
    const phrase = this.ends(next) && next !== at ? undefined : this.at(next);
    const named = phrase?.meanings.some((meaning) => meaning.is === 'feature' && meaning.feature.id === id);
    return phrase &&
      named &&
      !this.isBroken(at - 1, next + 1) &&
      (this.ends(next + phrase.tokens) || !this.figures(next + phrase.tokens))
      ? next + phrase.tokens
      : at;
  }

  /** What is counted at a token, named by one or by several: `mains`, `4 valve`. */
  countAt(at: number): { readonly feature: Feature; readonly tokens: number } | undefined {
    const phrase = this.at(at);
    if (!phrase) return undefined;
    const own = find(phrase, 'count');
    if (own) return { feature: own.feature, tokens: phrase.tokens };
    for (const form of otherForms(this.lookedUp.slice(at, at + phrase.tokens).join(' '))) {
      const counted = this.vocabulary.get(form)?.find((meaning) => meaning.is === 'count');
      if (counted) return { feature: counted.feature, tokens: phrase.tokens };
    }
    return undefined;
  }

  /** What a phrase means, in its own form or in another that means the same. */
  meaningsOf(phrase: string): readonly Meaning[] | undefined {
    const known = this.vocabulary.get(phrase);
    if (known || /^[\d.]/.test(phrase)) return known ?? this.vocabulary.get(otherForms(phrase)[1] ?? '');
    for (const form of otherForms(phrase)) {
      const meanings = this.vocabulary.get(form);
      if (meanings) return meanings;
    }
    return undefined;
  }

  /** Whether a comma or semicolon stands between some tokens. */
  isBroken(from: number, to: number): boolean {
    return /[,;]/.test(this.text.slice(this.tokens[from]?.end ?? 0, this.tokens[to - 1]?.start ?? 0));
  }

  /** Whether a token ends what stands before it: nothing, or a comma, follows the one before. */
  ends(at: number): boolean {
    return at >= this.tokens.length || this.isBroken(at - 1, at + 1);
  }

  /** The text from one token up to another, as it was typed. */
  source(from: number, to: number): string {
    return this.text.slice(this.tokens[from]?.start ?? 0, this.tokens[to - 1]?.end ?? 0);
  }

  /** The text from a token on, as it was typed. */
  rest(from: number): string {
    return this.text.slice(this.tokens[from]?.start ?? this.text.length);
  }

  /** The first token at or after a place that is not a filler word. */
  glued(at: number): number {
    let next = at;
    while (isGlue(this.tokens[next]) && !this.ends(next) && !this.isPhrase(next)) next++;
    return next;
  }

  /** Whether a filler word is more than that here: `on web`, or `deep` of a piston's crown. */
  private isPhrase(at: number): boolean {
    const phrase = this.at(at);
    return phrase !== undefined && (phrase.tokens > 1 || find(phrase, 'option') !== undefined);
  }

  /** The token that begins so many characters or more after another; undefined when that lies inside a token. */
  after(from: number, characters: number): number | undefined {
    const place = (this.tokens[from]?.start ?? 0) + characters;
    if (this.tokens.some((token) => token.start < place && place < token.end)) return undefined;
    const index = this.tokens.findIndex((token) => token.start >= place);
    return index < 0 ? this.tokens.length : index;
  }

  /**
   * The first token after a name of several words: what follows its closing quote, a comma, or where something else
   * begins.
   */
  afterName(at: number, isAnother: (at: number) => boolean): number {
    const rest = this.rest(at);
    const begun = this.tokens[at]?.start ?? 0;
    const quoted = /^["“]/.test(rest);
    const stop = quoted ? rest.slice(1).search(/["”]/) + 2 : rest.search(/[,;]/);
    const end = begun + (quoted ? (stop > 1 ? stop : rest.length) : stop >= 0 ? stop : rest.length);
    let next = at + 1;
    while ((this.tokens[next]?.start ?? end) < end && (quoted || !isAnother(next))) next++;
    return next;
  }

  /** A name as it was typed, without its quotes. */
  name(from: number, to: number): string {
    return this.source(from, to).replace(/^["“]|["”]$/g, '');
  }

  /** The figures that begin at a token. */
  figures(at: number): Figures | undefined {
    const token = this.tokens[at];
    if (!token) return undefined;
    const inWords = this.at(at) ? undefined : numberOf(token.text);
    const figures = inWords === undefined ? readFigures(this.rest(at)) : undefined;
    return inWords === undefined
      ? figures && { ...figures, ...(this.usual ? { usual: this.usual } : {}) }
      : { values: [inWords], written: token.text, unit: undefined, crosses: [], length: token.text.length };
  }

  /** The instrument named at a token, fillers before it included, and the first token after it. */
  instrument(at: number): { readonly instrument: InstrumentId | undefined; readonly next: number } {
    const start = this.glued(at);
    const phrase = this.at(start);
    const found = find(phrase, 'instrument');
    return found && phrase
      ? { instrument: found.instrument, next: start + phrase.tokens }
      : { instrument: undefined, next: at };
  }
}
