import type { DescribedId, KindId } from '../dictionary/dictionary.js';
import type { UnitSystem } from '../quantity/unit.js';
import { claimWords } from './claimWords.js';
import { faceWords } from './faceWords.js';
import { lookWords } from './lookWords.js';
import { looseMark, markBefore, markWords } from './markWords.js';
import { find, isGlue, Phrases, soleKind, type Read } from './phrases.js';
import { deniedFigures } from './denied.js';
import { layoutWords } from './layoutWords.js';
import { negation } from './negation.js';
import { isCalledAfter, numberedFirst } from './positions.js';
import { asKept, type Understood } from './reading.js';
import { figuresFirst, instrumentFirst, sizeWords } from './sizeWords.js';
import { stepInOrder, stepWords } from './stepWords.js';
import { together } from './together.js';
import { unread, type WhyUnread, type Words } from './unread.js';
import { withCaution, type Piece } from './caution.js';
import { unreadReason } from './unreadReason.js';

/** The most characters the entry line takes at once. */
export const LONGEST_ENTRY = 2000;

/** What the entry line made of a text: every word of it is in `words`, or named the kind. */
export interface Entry {
  /** The kind of part the text names, if it names one. */
  readonly kind?: KindId;
  readonly words: readonly Understood[];
}

/** How somebody types, and what is known before. */
export interface EntryOptions {
  /** Whether the kind of part stands, as once it has readings: then no word of the line names another. */
  readonly keepsKind?: boolean;
  /** In which units figures without one are meant where both are possible; millimetres where nothing is said. */
  readonly usual?: UnitSystem;
}

/**
 * Reads what a person types about a part: `crank cast 41?7 main 2.349in mic pin 52.05 forged 8 weights`.
 * Never throws and never drops a word: what cannot be read comes back as unread; `whyUnread` tells why. The grammar is
 * written out in `docs/entry-line.md`.
 *
 * @param kind the kind of part on the bench, used unless the text names another
 * @example readEntry('main 2.349in mic', 'crank').words // one measurement, of crank.mainJournal.diameter
 */
export function readEntry(text: string, kind: DescribedId, options: EntryOptions = {}): Entry {
  const read = (of: DescribedId) => readText(text, of, options.usual).map(asKept);
  const named = text.length > LONGEST_ENTRY || options.keepsKind ? undefined : kindNamed(text, kind);
  if (!named) return { words: read(kind) };
  const words = read(named.kind);
  // `crank bore 66` on a block says nothing of a crank: then its name belongs to what follows.
  const saysNothing = words.every(({ sort }) => sort === 'unread');
  return saysNothing && named.hasOther ? { words: read(kind) } : { kind: named.kind, words };
}

/**
 * Why words are not understood on a part of this kind, and what was probably meant. They are read again for it: what is
 * kept of them is the words alone, and without what stood beside them they may be understood by now.
 */
export function whyUnread(text: string, kind: DescribedId): WhyUnread {
  const words = readText(text, kind);
  const found = words.find((is) => is.sort === 'unread');
  return found?.why ?? { reason: ['By itself this is understood: enter it once more, alone.'] };
}

/** A reading as it is told: with words that were not understood goes why. */
export const readingTold = (is: Understood, kind: DescribedId) =>
  is.sort === 'unread' ? { ...asKept(is), ...whyUnread(is.text, kind) } : is;

function readText(text: string, kind: DescribedId, usual?: UnitSystem): Words[] {
  if (text.length <= LONGEST_ENTRY) return readWords(new Phrases(text, kind, usual));
  const reason = `That is ${text.length.toLocaleString('en')} characters; the line takes ${LONGEST_ENTRY.toLocaleString('en')} at once. Shorten it or enter it in pieces.`;
  return [unread(text.slice(0, 20_000), [reason])];
}

/**
 * The kind of part that a text names before anything else, if it does: in `casting 4127 from a crank` and `head bolts`
 * the word of another part says something of this one. On a crank, "rod journal" is a size and "seal" its rear seal
 * journal.
 */
function kindNamed(text: string, kind: DescribedId): KindNamed | undefined {
  const phrases = new Phrases(text, kind);
  const first = phrases.glued(0);
  const phrase = phrases.at(first);
  const named = phrase && soleKind(phrase.meanings);
  if (!named || isCalledAfter(phrases, first)) return undefined;
  const next = first + phrase.tokens;
  return { kind: named, hasOther: !phrases.ends(next) && !new Phrases(text, named).at(next) };
}

interface KindNamed {
  readonly kind: KindId;
  /** Whether a word that parts of this kind know nothing of follows its name without a comma. */
  readonly hasOther: boolean;
}

/** Every kind of part that a text has the name of, wherever that stands. */
export function kindsNamed(text: string): readonly KindId[] {
  const phrases = new Phrases(text.slice(0, LONGEST_ENTRY), 'variant');
  const found = new Set<KindId>();
  for (let at = 0; at < phrases.tokens.length;) {
    const phrase = phrases.at(at);
    const named = phrase && soleKind(phrase.meanings);
    if (named) found.add(named);
    at += phrase?.tokens ?? 1;
  }
  return [...found];
}

/** What begins at a token, by the first reader that makes sense of it. */
function readAt(phrases: Phrases, from: number): Read | undefined {
  const first =
    negation(phrases, from) ??
    deniedFigures(phrases, from) ??
    together(phrases, from) ??
    numberedFirst(phrases, from, (at) => figuresFirst(phrases, at) !== undefined) ??
    stepInOrder(phrases, from) ??
    layoutWords(phrases, from) ??
    figuresFirst(phrases, from) ??
    markBefore(phrases, from);
  if (first) return first;
  const phrase = phrases.at(from);
  if (!phrase) return looseMark(phrases, from);
  // `crank bore 66` on a block: the word of another part makes another size of it.
  if (isOfAnother(phrases, from) && find(phrase, 'parameter') && !find(phrase, 'option')) return undefined;
  const after = phrases.glued(from + phrase.tokens);
  return (
    claimWords(phrases, phrase, from, after) ??
    markWords(phrases, phrase, from, after) ??
    sizeWords(phrases, phrase, from, after) ??
    instrumentFirst(phrases, phrase, from) ??
    stepWords(phrases, phrase, from, after) ??
    lookWords(phrases, phrase, from, after) ??
    faceWords(phrases, phrase, from, after, (at) => isBeyondDoubt(phrases, at)) ??
    looseMark(phrases, from)
  );
}

/** Whether the word right before a token is the name of another part. */
function isOfAnother(phrases: Phrases, from: number): boolean {
  const before = from > 0 && !phrases.ends(from) ? phrases.at(from - 1) : undefined;
  const named = before?.tokens === 1 ? soleKind(before.meanings) : undefined;
  return named !== undefined && named !== phrases.kind;
}

/** Whether a mark, a claim, another face, or a size with its unit or instrument begins at a token. */
function isBeyondDoubt(phrases: Phrases, at: number): boolean {
  const phrase = phrases.at(at);
  if (!phrase) return false;
  if (find(phrase, 'face')) return true;
  const after = phrases.glued(at + phrase.tokens);
  const read =
    claimWords(phrases, phrase, at, after) ??
    markWords(phrases, phrase, at, after) ??
    sizeWords(phrases, phrase, at, after);
  if (read?.is.sort === 'size') return !(read.is.unitAssumed && read.is.instrumentAssumed);
  return read?.is.sort === 'claim' || (read?.is.sort === 'mark' && read.is.making !== undefined);
}

/** `cast or forged`, `main 2.349 or 2.359`: one of two, and nobody says which. */
function alternatives(phrases: Phrases, from: number, { is, next }: Read): Read | undefined {
  if (!/^or$/i.test(phrases.tokens[next]?.text ?? '') || phrases.ends(next)) return undefined;
  const at = phrases.glued(next + 1);
  const other = readAt(phrases, at);
  const figures = is.sort === 'size' || is.sort === 'step' ? phrases.figures(at) : undefined;
  // Of a look the other may be one that the kind does not know: `forged or sintered`.
  const isLook = is.sort === 'look' && (!other || (other.is.sort === 'look' && other.is.feature === is.feature));
  if (!isLook && !figures) return undefined;
  const end = figures ? (phrases.after(at, figures.length) ?? at + 1) : (other?.next ?? at + 1);
  const reason = 'One or the other tells nothing yet: enter what is seen or measured for certain.';
  return { is: unread(phrases.source(from, end), [reason]), next: end };
}

function readWords(phrases: Phrases): Words[] {
  const pieces: Piece[] = [];
  /** Where the tokens begin that are not understood so far; undefined where there are none. */
  let open: number | undefined;
  const leaveUnread = (to: number) => {
    if (open !== undefined) pieces.push({ from: open, to, says: undefined });
    open = undefined;
  };
  const take = (from: number, { is, also, next }: Read) => {
    leaveUnread(from);
    pieces.push({ from, to: next, says: [is, ...(also ?? [])] });
    return next;
  };
  for (let at = 0; at < phrases.tokens.length;) {
    const phrase = phrases.at(at);
    const read = readAt(phrases, at);
    if (phrases.ends(at)) leaveUnread(at);
    if (read) at = take(at, alternatives(phrases, at, read) ?? read);
    else if (phrase && find(phrase, 'kind')?.kind === phrases.kind) {
      // The name of the part itself carries nothing; that of another is no reading.
      leaveUnread(at);
      at += phrase.tokens;
    } else if (phrase && phrase.tokens > 1) {
      // A name without what belongs to it is left unread whole, so that the reason can say what is missing.
      leaveUnread(at);
      open = at;
      at += phrase.tokens;
      leaveUnread(at);
    } else {
      if (open === undefined && !isGlue(phrases.tokens[at])) open = at;
      at++;
    }
  }
  leaveUnread(phrases.tokens.length);
  return withCaution(phrases, pieces).flatMap(({ from, to, says, held }) => {
    if (says) return says;
    const text = phrases.source(from, to).slice(0, LONGEST_UNREAD);
    return held
      ? unread(text, [`What stands beside “${held}” may make something else of it. If not, enter it by itself.`], held)
      : unread(text, unreadReason(phrases, text));
  });
}

/** More of an unread run than this is not repeated. */
const LONGEST_UNREAD = 400;
