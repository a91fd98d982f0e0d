import { KIND_IDS, type KindId } from '../dictionary/dictionary.js';
import { kindsNamed, readEntry, type Entry, type EntryOptions } from './entryLine.js';

/** A kind of part, and how a text reads on it. */
interface Understanding {
  readonly kind: KindId;
  readonly words: Entry['words'];
  /** How many runs of words are not understood on it. */
  readonly unread: number;
}

/**
 * The kinds of part on which most of a text is understood: what may be meant where nobody said of what it was read.
 * The one that the text itself names, where it names one, be it behind words that nobody understands: `Skerry crank`.
 * None where nothing is understood on any.
 *
 * @example kindsUnderstanding('main 2.349in pin 2.0493in').map(({ kind }) => kind) // ['crank']
 */
export function kindsUnderstanding(text: string, options: EntryOptions = {}): readonly Understanding[] {
  // The words of the engine as a whole hardly meet those of its parts.
  const { kind: named } = readEntry(text, 'variant', options);
  const kinds = named ? [named] : KIND_IDS;
  const all = kinds.map((kind): Understanding => {
    const { words } = readEntry(text, kind, options);
    return { kind, words, unread: words.filter(({ sort }) => sort === 'unread').length };
  });
  const least = Math.min(...all.map(({ unread }) => unread));
  const understood = all.filter(({ words, unread }) => unread === least && words.length > unread);
  const [only, ...others] = understood.length > 0 ? [] : kindsNamed(text);
  return only && others.length === 0 ? all.filter(({ kind }) => kind === only) : understood;
}
