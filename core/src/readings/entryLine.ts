import { isOptionOf, KINDS, type KindId } from '../dictionary/dictionary.js';
import type { Feature, Making, MarkPlace } from '../dictionary/definition.js';
import { INSTRUMENTS, type InstrumentId } from '../quantity/instrument.js';
import { MarkTextError, normaliseMark, readMark } from '../marks/markText.js';
import type { MarkReading, Understood } from './reading.js';
import { readFigures, sizeOf } from './size.js';
import { LONGEST_PHRASE, vocabulary, type Meaning, type Vocabulary } from './vocabulary.js';

/** The most characters the entry line takes at once. */
export const LONGEST_ENTRY = 2000;

/** What the entry line made of a text: every word of it is in `words`, or named the kind. */
export interface Entry {
  /** The kind of part the text names, if it names one. */
  readonly kind?: KindId;
  readonly words: readonly Understood[];
}

/**
 * Reads what a person types about a part: `crank cast 41?7 main 2.349in mic pin 52.05 forged 8 weights`.
 * Never throws and never drops a word: what cannot be read comes back as unread, with the reason.
 *
 * @param kind the kind of part on the bench, used unless the text names another
 */
export function readEntry(text: string, kind: KindId): Entry {
  if (text.length > LONGEST_ENTRY) {
    const reason = `That is ${text.length.toLocaleString('en')} characters; the line takes ${LONGEST_ENTRY.toLocaleString('en')} at once. Shorten it or enter it in pieces.`;
    return { words: [{ sort: 'unread', text: text.slice(0, 20_000), reason }] };
  }
  const named = kindNamed(text, kind);
  return { ...(named ? { kind: named } : {}), words: new EntryReader(text, vocabulary(named ?? kind), named ?? kind).read() };
}

/**
 * The first kind of part that a text names, if any. A word that also means something on the part at hand does not name
 * a kind: on a crank, "rod journal" is a size and "seal" its rear seal journal.
 */
export function kindNamed(text: string, kind: KindId): KindId | undefined {
  const words = tokens(text).map((token) => token.text.toLowerCase());
  const known = vocabulary(kind);
  for (let at = 0; at < words.length;) {
    const phrase = longestPhrase(known, words, at);
    const named = phrase && soleKind(phrase.meanings);
    if (named) return named;
    at += phrase?.tokens ?? 1;
  }
  return undefined;
}

/** The kind that a phrase names when it can mean nothing else. */
function soleKind(meanings: readonly Meaning[]): KindId | undefined {
  const [first] = meanings;
  return first?.is === 'kind' && meanings.every((meaning) => meaning.is === 'kind') ? first.kind : undefined;
}

/** The longest phrase of a vocabulary that begins at word `at`. */
function longestPhrase(known: Vocabulary, words: readonly string[], at: number): Phrase | undefined {
  for (let count = Math.min(LONGEST_PHRASE, words.length - at); count > 0; count--) {
    const meanings = known.get(words.slice(at, at + count).join(' '));
    if (meanings) return { meanings, tokens: count };
  }
  return undefined;
}

interface Token {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

interface Phrase {
  readonly meanings: readonly Meaning[];
  /** How many tokens it takes. */
  readonly tokens: number;
}

const GLUE = new Set(['with', 'by', 'using', 'a', 'the', 'of', 'is', 'and']);

function tokens(text: string): Token[] {
  return [...text.matchAll(/(?:\[[^\]]*\]|,(?=\d)|[^\s,;:=])+/g)].map((match) => ({
    text: match[0],
    start: match.index,
    end: match.index + match[0].length,
  }));
}

class EntryReader {
  private readonly tokens: readonly Token[];
  private readonly lower: readonly string[];
  private readonly words: Understood[] = [];
  private at = 0;
  /** Tokens not understood so far that will make one unread word together. */
  private unread: Token[] = [];

  constructor(
    private readonly text: string,
    private readonly vocabulary: Vocabulary,
    private readonly kind: KindId,
  ) {
    this.tokens = tokens(text);
    this.lower = this.tokens.map((token) => token.text.toLowerCase());
  }

  read(): Understood[] {
    while (this.at < this.tokens.length) {
      const from = this.at;
      const word = this.kindWord() ?? this.countOrSize() ?? this.named() ?? this.looseMark();
      if (word === 'skip') continue;
      if (word) {
        this.flushUnread();
        this.words.push(word);
      } else {
        const token = this.tokens[from];
        if (token && !(this.unread.length === 0 && GLUE.has(token.text.toLowerCase()))) this.unread.push(token);
        this.at = from + 1;
      }
    }
    this.flushUnread();
    return this.words;
  }

  /** The longest phrase of the vocabulary at token `at`. */
  private phrase(at: number): Phrase | undefined {
    return longestPhrase(this.vocabulary, this.lower, at);
  }

  private source(from: number, to: number): string {
    return this.text.slice(this.tokens[from]?.start ?? 0, this.tokens[to - 1]?.end ?? 0);
  }

  private kindWord(): 'skip' | undefined {
    const phrase = this.phrase(this.at);
    if (!phrase || !soleKind(phrase.meanings)) return undefined;
    this.flushUnread();
    this.at += phrase.tokens;
    return 'skip';
  }

  /** `8 weights`, or a size before its name: `59.67 mic main`. */
  private countOrSize(): Understood | undefined {
    const from = this.at;
    const token = this.tokens[from];
    const figures = token && readFigures(this.text.slice(token.start));
    if (!token || !figures) return undefined;
    const after = this.tokenAfter(token.start + figures.length);
    if (after === undefined) return undefined;
    const phrase = this.phrase(after);
    if (!figures.unit && figures.values.length === 1) {
      const count = find(phrase, 'count');
      if (count && phrase) return this.look(count.feature, String(figures.values[0]), from, after + phrase.tokens);
    }
    const { instrument, next } = this.instrument(after);
    const naming = this.phrase(next);
    const named = find(naming, 'parameter');
    if (!named || !naming || this.figuresAt(next + naming.tokens)) return undefined;
    this.at = next + naming.tokens;
    return sizeOf(named.parameter, figures, instrument, this.source(from, this.at));
  }

  /** A phrase of the vocabulary and what belongs to it. */
  private named(): Understood | undefined {
    const from = this.at;
    const phrase = this.phrase(from);
    if (!phrase) return undefined;
    const after = this.glued(from + phrase.tokens);
    const mark = this.markAfter(phrase, from, after);
    if (mark) return mark;
    const size = this.sizeAfter(phrase, from, after);
    if (size) return size;
    const option = find(phrase, 'option');
    if (option) return this.look(option.feature, option.option.id, from, from + phrase.tokens);
    // `seal: rope`, `material forged`: the name of the look before its option.
    const following = this.phrase(after);
    const chosen = find(following, 'option');
    if (chosen && following && (find(phrase, 'feature') ?? find(phrase, 'parameter'))) {
      return this.look(chosen.feature, chosen.option.id, from, after + following.tokens);
    }
    return undefined;
  }

  private sizeAfter(phrase: Phrase, from: number, after: number): Understood | undefined {
    const figures = this.figuresAt(after);
    const parameter = find(phrase, 'parameter')?.parameter;
    const count = find(phrase, 'count');
    const token = this.tokens[after];
    if (!figures || !token) return undefined;
    const end = this.tokenAfter(token.start + figures.length);
    if (end === undefined) return undefined;
    const single = figures.values.length === 1 && !figures.unit ? String(figures.values[0]) : undefined;
    if (count && single !== undefined && isOptionOf(count.feature, single)) return this.look(count.feature, single, from, end);
    if (!parameter) return undefined;
    const { instrument, next } = this.instrument(end);
    this.at = next;
    return sizeOf(parameter, figures, instrument, this.source(from, next));
  }

  /** `cast 41?7`, `stamped flange H72`, `no mark on web`. */
  private markAfter(phrase: Phrase, from: number, after: number): MarkReading | Understood | undefined {
    let making: Making | undefined = find(phrase, 'making')?.making;
    let place: MarkPlace | undefined = find(phrase, 'place')?.place;
    if (phrase.meanings.some((meaning) => meaning.is === 'absent')) {
      const where = this.phrase(after);
      place = find(where, 'place')?.place;
      this.at = place && where ? after + where.tokens : from + phrase.tokens;
      return this.markReading('', making, place, from, this.at);
    }
    if (!making && !place) return undefined;
    let at = after;
    for (let more = this.phrase(at); more; more = this.phrase(at)) {
      const [madeSo, foundAt] = [find(more, 'making')?.making, find(more, 'place')?.place];
      if (!(madeSo && !making) && !(foundAt && !place)) break;
      making ??= madeSo;
      place ??= foundAt;
      at = this.glued(at + more.tokens);
    }
    const token = this.tokens[at];
    if (!token || !/[\d?[]/.test(token.text) || this.isCount(at)) return undefined;
    // `flange 52.05` or `nose 35 mm` is a size of that name, not a mark.
    if (!making && find(phrase, 'parameter') && this.figuresAt(at)) return undefined;
    this.at = at + 1;
    const following = this.phrase(this.at);
    const where = place ? undefined : find(following, 'place')?.place;
    if (where && following && !this.figuresAt(this.at + following.tokens)) {
      place = where;
      this.at += following.tokens;
    }
    return this.markReading(token.text, making, place, from, this.at);
  }

  private markReading(characters: string, making: Making | undefined, place: MarkPlace | undefined, from: number, to: number): Understood {
    const text = this.source(from, to);
    try {
      if (characters) readMark(characters);
    } catch (error) {
      if (error instanceof MarkTextError) return { sort: 'unread', text, reason: error.message };
      throw error;
    }
    return {
      sort: 'mark',
      text,
      characters: characters.toUpperCase(),
      ...(making ? { making } : {}),
      ...(place ? { place: place.id } : {}),
    };
  }

  /** A number with letters or doubts in it, without a word before: `BS41?7`. */
  private looseMark(): Understood | undefined {
    const token = this.tokens[this.at];
    const plain = normaliseMark(token?.text ?? '');
    if (!token || plain.length < 3 || !/^[A-Z0-9?[\]]+$/.test(plain) || !/\d/.test(plain) || !/[A-Z?[]/.test(plain)) return undefined;
    if (readFigures(token.text)?.length === token.text.length) return undefined;
    if (readFigures(token.text)?.unit) return undefined;
    this.at++;
    return this.markReading(token.text, undefined, undefined, this.at - 1, this.at);
  }

  private look(feature: Feature, option: string, from: number, to: number): Understood {
    this.at = to;
    const text = this.source(from, to);
    if (isOptionOf(feature, option)) return { sort: 'look', text, feature: feature.id, option };
    const range = 'count' in feature.form ? `${feature.form.count.low} to ${feature.form.count.high}` : '';
    return {
      sort: 'unread',
      text,
      reason: `${option} cannot be a count of ${feature.name.toLowerCase()}: a ${KINDS[this.kind].name.toLowerCase()} has ${range}.`,
    };
  }

  private instrument(at: number): { readonly instrument: InstrumentId | undefined; readonly next: number } {
    const start = this.glued(at);
    const phrase = this.phrase(start);
    const found = find(phrase, 'instrument');
    return found && phrase ? { instrument: found.instrument, next: start + phrase.tokens } : { instrument: undefined, next: at };
  }

  private figuresAt(at: number) {
    const token = this.tokens[at];
    return token && readFigures(this.text.slice(token.start));
  }

  private isCount(at: number): boolean {
    const token = this.tokens[at];
    return token !== undefined && /^\d{1,2}$/.test(token.text) && find(this.phrase(at + 1), 'count') !== undefined;
  }

  /** The first token at or after `at` that is not a filler word. */
  private glued(at: number): number {
    let next = at;
    while (GLUE.has(this.tokens[next]?.text.toLowerCase() ?? '')) next++;
    return next;
  }

  /** The token that begins at or after a place in the text; undefined when the place lies inside a token. */
  private tokenAfter(place: number): number | undefined {
    if (this.tokens.some((token) => token.start < place && place < token.end)) return undefined;
    const index = this.tokens.findIndex((token) => token.start >= place);
    return index < 0 ? this.tokens.length : index;
  }

  private flushUnread(): void {
    const [first, last] = [this.unread[0], this.unread[this.unread.length - 1]];
    if (first && last) {
      const text = this.text.slice(first.start, last.end).slice(0, 400);
      this.words.push({ sort: 'unread', text, reason: this.reasonFor(text) });
    }
    this.unread = [];
  }

  private reasonFor(text: string): string {
    const kind = KINDS[this.kind];
    const first = Object.values(kind.parameters)[0];
    const lower = text.toLowerCase();
    const meanings = this.vocabulary.get(lower);
    if (readFigures(text)) return `A figure without a name: say what it is, like "${first?.synonyms[0] ?? 'main'} ${text}".`;
    const parameter = meanings?.find((meaning) => meaning.is === 'parameter')?.parameter;
    if (parameter) return `${parameter.name}: give its size after it, with a unit or without, like "${lower} ${example(parameter.plausible.low)}".`;
    const instrument = meanings?.find((meaning) => meaning.is === 'instrument')?.instrument;
    if (instrument) return `${INSTRUMENTS[instrument].name}: name the instrument right after the size it measured.`;
    if (meanings?.some((meaning) => meaning.is === 'making' || meaning.is === 'place'))
      return `Give the mark after it, like "${lower} 41?7"; ? stands for a character you cannot read.`;
    if (meanings?.some((meaning) => meaning.is === 'count')) return `Give the count with it, like "5 ${lower}".`;
    return `No word of a ${kind.name.toLowerCase()}, its sizes, marks or looks. Correct it, or remove it.`;
  }
}

const example = (low: number): string => `${(low * 3).toFixed(2)} mm`;

function find<I extends Meaning['is']>(phrase: Phrase | undefined, is: I): Extract<Meaning, { is: I }> | undefined {
  return phrase?.meanings.find((meaning): meaning is Extract<Meaning, { is: I }> => meaning.is === is);
}
