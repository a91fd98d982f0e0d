import type { KindId } from '../dictionary/dictionary.js';
import { kindsUnderstanding } from '../readings/kindsUnderstanding.js';
import type { EntryOptions } from '../readings/entryLine.js';
import type { Identification } from './identify.js';

/** A kind of part that some words may have been read on. */
interface KindMeant {
  readonly kind: KindId;
  readonly probability: number;
}

/** Chance taken for a reading that no part of the kind on record says anything of. */
const UNHEARD = 0.05;
/** Chances below this are not told. */
const TOLD_FROM = 0.005;

/**
 * On which kinds of part some words may have been read, likeliest first: those on which most is understood, by how well
 * the parts on record account for it. Every kind is as likely beforehand.
 *
 * @param identificationOf an identification over all patterns of a kind, of which this one's reading is the last
 */
export function kindsMeant(
  text: string,
  identificationOf: (kind: KindId) => Identification,
  options: EntryOptions = {},
): readonly KindMeant[] {
  const weighed = kindsUnderstanding(text, options).map(({ kind, words }) => {
    const { index, posterior, weighed: pieces } = identificationOf(kind).read(words);
    const unknown = pieces.reduce((sum, { logUnknown = 0 }) => sum + logUnknown, 0);
    const silent = words.filter(({ sort }) => sort !== 'unread').length - pieces.length;
    // The chance of the words on a part of this kind, whichever it is: on one of which nothing is known, and by how
    // much more likely the parts on record make them.
    const log =
      unknown +
      Math.log(index.assumed.notInCatalogue) -
      Math.log(posterior.none) +
      Math.max(0, silent) * Math.log(UNHEARD);
    return { kind, log };
  });
  const most = Math.max(...weighed.map(({ log }) => log));
  const all = weighed.reduce((sum, { log }) => sum + Math.exp(log - most), 0);
  return weighed
    .map(({ kind, log }) => ({ kind, probability: Math.exp(log - most) / all }))
    .filter(({ probability }) => probability >= TOLD_FROM)
    .sort((a, b) => b.probability - a.probability || (a.kind < b.kind ? -1 : 1));
}
