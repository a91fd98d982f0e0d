import type { DescribedId, KindId } from '../dictionary/dictionary.js';
import type { InstrumentId } from '../quantity/instrument.js';
import { readFigures, type Figures } from './size.js';
import type { Words } from './unread.js';
import { LONGEST_PHRASE, vocabulary, type Meaning } from './vocabulary.js';

/** A run of characters between spaces and separators, and where it stands in the text. */
interface Token {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

/** Tokens that are a phrase of the vocabulary together. */
export interface Phrase {
  readonly meanings: readonly Meaning[];
  /** How many tokens it takes. */
  readonly tokens: number;
}

/** A reading made of some tokens, and the first token after them. */
export interface Read {
  readonly is: Words;
  readonly next: number;
}

/** Words that carry no reading between those that do. */
const GLUE = new Set(['with', 'by', 'using', 'a', 'the', 'of', 'is', 'and', 'about', 'approx', 'ca']);

export const isGlue = (token: Token | undefined): boolean => GLUE.has(token?.text.toLowerCase() ?? '');

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
  readonly vocabulary;
  private readonly lower: readonly string[];

  constructor(
    private readonly text: string,
    readonly kind: DescribedId,
  ) {
    this.vocabulary = vocabulary(kind);
    this.tokens = [...text.matchAll(/(?:\[[^\]]*\]|,(?=\d)|[^\s,;:=])+/g)].map((match) => ({
      text: match[0],
      start: match.index,
      end: match.index + match[0].length,
    }));
    this.lower = this.tokens.map((token) => token.text.toLowerCase());
  }

  /** The longest phrase of the vocabulary that begins at a token. */
  at(at: number): Phrase | undefined {
    for (let count = Math.min(LONGEST_PHRASE, this.lower.length - at); count > 0; count--) {
      const meanings = this.vocabulary.get(this.lower.slice(at, at + count).join(' '));
      if (meanings) return { meanings, tokens: count };
    }
    return undefined;
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
    while (isGlue(this.tokens[next])) next++;
    return next;
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
    return this.tokens[at] && readFigures(this.rest(at));
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
