import { describedAs, KINDS, KIND_IDS, type DescribedId, type KindId } from '../dictionary/dictionary.js';
import type { Feature, Interface, Making, MarkPlace, Option, Parameter } from '../dictionary/definition.js';
import { CLAIM_IDS, type ClaimAbout } from './reading.js';
import { phraseLookedUp } from './wordForms.js';
import { INSTRUMENTS, INSTRUMENT_IDS, type InstrumentId } from '../quantity/instrument.js';

/** What a phrase can mean to the entry line. */
export type Meaning =
  | { readonly is: 'kind'; readonly kind: KindId }
  | { readonly is: 'parameter'; readonly parameter: Parameter }
  | { readonly is: 'count'; readonly feature: Feature }
  | { readonly is: 'option'; readonly feature: Feature; readonly option: Option }
  | { readonly is: 'feature'; readonly feature: Feature }
  | { readonly is: 'face'; readonly face: Interface }
  | { readonly is: 'place'; readonly place: MarkPlace }
  | { readonly is: 'making'; readonly making: Making }
  | { readonly is: 'instrument'; readonly instrument: InstrumentId }
  | { readonly is: 'claim'; readonly about: ClaimAbout }
  | { readonly is: 'step'; readonly sign: 1 | 0 | -1 }
  | { readonly is: 'sign'; readonly characters: string }
  | { readonly is: 'absent' };

/** Phrases of lower-case words, each with everything it can mean. A word can be a size, a count and a place at once. */
type Vocabulary = ReadonlyMap<string, readonly Meaning[]>;

const MAKING_WORDS: Readonly<Record<string, Making | undefined>> = {
  cast: 'cast',
  casting: 'cast',
  'cast no': 'cast',
  'casting number': 'cast',
  stamped: 'stamped',
  stamp: 'stamped',
  'stamped no': 'stamped',
  etched: 'etched',
  painted: 'painted',
  paint: 'painted',
  tag: 'tag',
  number: 'tag',
  'part number': 'tag',
  'part no': 'tag',
  'p/n': 'tag',
  pn: 'tag',
  no: 'tag',
};

/** What is claimed, by the words that say so. */
const CLAIM_WORDS: Readonly<Record<ClaimAbout, string>> = {
  year: 'year, years, made in, made, model year, built in, built, dated',
  serial: 'serial, serial no, serial number, engine no, engine number',
  machine: 'machine, from machine, out of, from a',
  tag: 'engine tag, engine plate, id plate',
  engine: 'engine, variant, designation, said to be',
};

/** Service sizes, and the way they go: over, under, or standard. */
const STEP_WORDS: Readonly<Record<string, 1 | 0 | -1>> = {
  over: 1,
  oversize: 1,
  'o/s': 1,
  under: -1,
  undersize: -1,
  'u/s': -1,
  std: 0,
  standard: 0,
};

/** Signs that are no characters, and how they are written down. A circle round a letter is written (S). */
const SIGN_WORDS: Readonly<Record<string, string>> = {
  dot: '•',
  'one dot': '•',
  'two dots': '••',
  dash: '|',
  'one dash': '|',
  'two dashes': '||',
  star: '*',
};

function vocabularyOf(id: DescribedId): Vocabulary {
  const words = new Map<string, Meaning[]>();
  const add = (phrase: string, meaning: Meaning) => {
    // Commas and colons are no part of a word on the line.
    const key = phrase.toLowerCase().replace(/[,;:=]/g, '');
    const meanings = words.get(key);
    if (meanings) meanings.push(meaning);
    else words.set(key, [meaning]);
  };
  for (const each of KIND_IDS) for (const word of KINDS[each].words) add(word, { is: 'kind', kind: each });
  const kind = describedAs(id);
  for (const parameter of Object.values(kind.parameters)) {
    for (const word of new Set([parameter.name.toLowerCase(), ...parameter.synonyms]))
      add(word, { is: 'parameter', parameter });
  }
  for (const feature of Object.values(kind.features)) {
    const counted = 'count' in feature.form;
    for (const word of new Set([feature.name.toLowerCase(), ...feature.synonyms]))
      add(word, counted ? { is: 'count', feature } : { is: 'feature', feature });
  }
  // Words given for an option come before its name, which another look may have a word for: iron is of the whole block.
  for (const wordsOf of [
    ({ words: given }: Option) => given,
    ({ name, words: given }: Option) => (given.includes(name) ? [] : [name]),
  ])
    for (const feature of Object.values(kind.features))
      if ('options' in feature.form)
        for (const option of feature.form.options)
          for (const word of wordsOf(option)) add(word, { is: 'option', feature, option });
  for (const place of Object.values(kind.markPlaces)) for (const word of place.words) add(word, { is: 'place', place });
  for (const face of Object.values(kind.interfaces)) {
    for (const word of new Set([face.name.toLowerCase(), ...face.synonyms])) {
      // On a block, "front cover" is still the cover.
      const isKind = words.get(word)?.some(({ is }) => is === 'kind');
      if (!isKind) add(word, { is: 'face', face });
    }
  }
  for (const [word, making] of Object.entries(MAKING_WORDS)) if (making) add(word, { is: 'making', making });
  for (const instrument of INSTRUMENT_IDS)
    for (const word of INSTRUMENTS[instrument].words) add(word, { is: 'instrument', instrument });
  for (const about of CLAIM_IDS) for (const word of CLAIM_WORDS[about].split(', ')) add(word, { is: 'claim', about });
  for (const [word, sign] of Object.entries(STEP_WORDS)) add(word, { is: 'step', sign });
  for (const [word, characters] of Object.entries(SIGN_WORDS)) add(word, { is: 'sign', characters });
  for (const word of ['no mark', 'no marks', 'unmarked']) add(word, { is: 'absent' });
  return words;
}

const cache = new Map<DescribedId, { readonly written: Vocabulary; readonly lookedUp: Vocabulary }>();

function vocabularies(kind: DescribedId) {
  const known = cache.get(kind);
  if (known) return known;
  const written = vocabularyOf(kind);
  const lookedUp = new Map<string, Meaning[]>();
  for (const [phrase, meanings] of written) {
    const key = phraseLookedUp(phrase);
    lookedUp.set(key, [...(lookedUp.get(key) ?? []), ...meanings]);
  }
  const made = { written, lookedUp };
  cache.set(kind, made);
  return made;
}

/** The phrases understood while a part of this kind is on the bench, as they are written. */
export const vocabulary = (kind: DescribedId): Vocabulary => vocabularies(kind).written;

/** The same by their forms that are looked up (`wordForms`). */
export const vocabularyLookedUp = (kind: DescribedId): Vocabulary => vocabularies(kind).lookedUp;

/** The most words any phrase has. */
export const LONGEST_PHRASE = 8;
