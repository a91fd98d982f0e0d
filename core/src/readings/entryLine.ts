import type { DescribedId, KindId } from '../dictionary/dictionary.js';
import { claimWords } from './claimWords.js';
import { lookWords } from './lookWords.js';
import { looseMark, markWords } from './markWords.js';
import { isGlue, Phrases, soleKind, type Read } from './phrases.js';
import type { Understood } from './reading.js';
import { figuresFirst, sizeWords } from './sizeWords.js';
import { unreadReason } from './unreadReason.js';

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
 * Never throws and never drops a word: what cannot be read comes back as unread, with the reason. The grammar is
 * written out in `docs/entry-line.md`.
 *
 * @param kind the kind of part on the bench, used unless the text names another
 */
export function readEntry(text: string, kind: DescribedId): Entry {
  if (text.length > LONGEST_ENTRY) {
    const reason = `That is ${text.length.toLocaleString('en')} characters; the line takes ${LONGEST_ENTRY.toLocaleString('en')} at once. Shorten it or enter it in pieces.`;
    return { words: [{ sort: 'unread', text: text.slice(0, 20_000), reason }] };
  }
  const named = kindNamed(text, kind);
  return { ...(named ? { kind: named } : {}), words: readWords(new Phrases(text, named ?? kind)) };
}

/**
 * The first kind of part that a text names, if any. A word that also means something on the part at hand does not name
 * a kind: on a crank, "rod journal" is a size and "seal" its rear seal journal.
 */
export function kindNamed(text: string, kind: DescribedId): KindId | undefined {
  const phrases = new Phrases(text, kind);
  for (let at = 0; at < phrases.tokens.length;) {
    const phrase = phrases.at(at);
    const named = phrase && soleKind(phrase.meanings);
    if (named) return named;
    at += phrase?.tokens ?? 1;
  }
  return undefined;
}

/** What begins at a token, by the first reader that makes sense of it. */
function readAt(phrases: Phrases, from: number): Read | undefined {
  const first = figuresFirst(phrases, from);
  if (first) return first;
  const phrase = phrases.at(from);
  if (!phrase) return looseMark(phrases, from);
  const after = phrases.glued(from + phrase.tokens);
  return (
    claimWords(phrases, phrase, from, after) ??
    markWords(phrases, phrase, from, after) ??
    sizeWords(phrases, phrase, from, after) ??
    lookWords(phrases, phrase, from, after) ??
    looseMark(phrases, from)
  );
}

function readWords(phrases: Phrases): Understood[] {
  const words: Understood[] = [];
  /** Where the tokens begin that are not understood so far; undefined where there are none. */
  let unread: number | undefined;
  const leaveUnread = (to: number) => {
    if (unread !== undefined) {
      const text = phrases.source(unread, to).slice(0, LONGEST_UNREAD);
      words.push({ sort: 'unread', text, reason: unreadReason(phrases, text) });
    }
    unread = undefined;
  };
  for (let at = 0; at < phrases.tokens.length;) {
    const phrase = phrases.at(at);
    if (phrase && soleKind(phrase.meanings)) {
      leaveUnread(at);
      at += phrase.tokens;
      continue;
    }
    const read = readAt(phrases, at);
    if (read) {
      leaveUnread(at);
      words.push(read.is);
      at = read.next;
    } else if (phrase && phrase.tokens > 1) {
      // A name without what belongs to it is left unread whole, so that the reason can say what is missing.
      leaveUnread(at);
      unread = at;
      at += phrase.tokens;
      leaveUnread(at);
    } else {
      if (unread === undefined && !isGlue(phrases.tokens[at])) unread = at;
      at++;
    }
  }
  leaveUnread(phrases.tokens.length);
  return words;
}

/** More of an unread run than this is not repeated. */
const LONGEST_UNREAD = 400;
