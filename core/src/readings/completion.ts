import { KINDS, sayLook, type DescribedId } from '../dictionary/dictionary.js';
import { INSTRUMENTS } from '../quantity/instrument.js';
import { CLAIMS } from './reading.js';
import { LONGEST_PHRASE, vocabulary, type Meaning } from './vocabulary.js';

/** A phrase that what stands before the caret may be the beginning of. */
export interface Completion {
  /** Where in the text it begins and ends; the phrase takes the place of what stands there. */
  readonly from: number;
  readonly to: number;
  readonly phrase: string;
  /** What it means, in a few words. */
  readonly says: string;
}

/** Sorts of meaning, in the order in which they are offered. */
const ORDER: readonly Meaning['is'][] = [
  'parameter',
  'option',
  'count',
  'feature',
  'face',
  'making',
  'place',
  'absent',
  'claim',
  'step',
  'sign',
  'instrument',
  'kind',
];

/** What a phrase means, in a few words; two phrases that say the same are offered once. */
function says(meaning: Meaning): string {
  switch (meaning.is) {
    case 'parameter':
      return `size: ${meaning.parameter.name.toLowerCase()}`;
    case 'option':
      return `look: ${meaning.feature.name.toLowerCase()}, ${sayLook(meaning.feature, meaning.option.id)}`;
    case 'count':
      return `count of ${meaning.feature.name.toLowerCase()}: a figure before it`;
    case 'feature':
      return `look: ${meaning.feature.name.toLowerCase()}`;
    case 'face':
      return `face: ${meaning.face.name.toLowerCase()}, its pattern after it`;
    case 'place':
      return `mark place: ${meaning.place.name}`;
    case 'making':
      return `mark, ${meaning.making === 'tag' ? 'a part number or tag' : meaning.making}`;
    case 'instrument':
      return `measured with: ${INSTRUMENTS[meaning.instrument].name.toLowerCase()}`;
    case 'claim':
      return `claim: ${CLAIMS[meaning.about].toLowerCase()}`;
    case 'step':
      return 'service size';
    case 'sign':
      return `sign: ${meaning.characters}`;
    case 'absent':
      return 'that nothing is marked there';
    case 'kind':
      return `kind of part: ${KINDS[meaning.kind].name.toLowerCase()}`;
  }
}

/**
 * Phrases of the vocabulary that may go on from what stands before the caret, what is likeliest wanted first. The
 * longest stretch of words that begins a phrase counts: after `main j` that is "main journal", not every word with a j.
 *
 * @param caret where the caret stands, in code units from the start
 * @param kind the kind of part on the bench
 */
export function completeEntry(text: string, caret: number, kind: DescribedId, most = 8): Completion[] {
  const before = text.slice(0, caret);
  if (/\s$/.test(before) || before === '') return [];
  const words = [...before.matchAll(/[^\s,;:=]+/g)];
  const known = vocabulary(kind);
  for (let count = Math.min(LONGEST_PHRASE, words.length); count > 0; count--) {
    const from = words[words.length - count]?.index ?? 0;
    const begun = before.slice(from).toLowerCase().replace(/\s+/g, ' ');
    if (!/^[a-z]/.test(begun)) continue;
    const found = [...known]
      .filter(([phrase]) => phrase.startsWith(begun) && phrase !== begun)
      .flatMap(([phrase, [meaning]]) => (meaning ? [{ phrase, meaning, said: says(meaning) }] : []))
      .sort(
        (a, b) =>
          ORDER.indexOf(a.meaning.is) - ORDER.indexOf(b.meaning.is) ||
          a.phrase.length - b.phrase.length ||
          (a.phrase < b.phrase ? -1 : 1),
      );
    const once = found.filter(({ said }, at) => found.findIndex((each) => each.said === said) === at);
    if (once.length > 0)
      return once.slice(0, most).map(({ phrase, said }) => ({ from, to: caret, phrase, says: said }));
  }
  return [];
}
