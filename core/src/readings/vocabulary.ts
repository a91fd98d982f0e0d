import { KINDS, KIND_IDS, type KindId } from '../dictionary/dictionary.js';
import type { Feature, Making, MarkPlace, Option, Parameter } from '../dictionary/definition.js';
import { INSTRUMENTS, INSTRUMENT_IDS, type InstrumentId } from '../quantity/instrument.js';

/** What a phrase can mean to the entry line. */
export type Meaning =
  | { readonly is: 'kind'; readonly kind: KindId }
  | { readonly is: 'parameter'; readonly parameter: Parameter }
  | { readonly is: 'count'; readonly feature: Feature }
  | { readonly is: 'option'; readonly feature: Feature; readonly option: Option }
  | { readonly is: 'feature'; readonly feature: Feature }
  | { readonly is: 'place'; readonly place: MarkPlace }
  | { readonly is: 'making'; readonly making: Making }
  | { readonly is: 'instrument'; readonly instrument: InstrumentId }
  | { readonly is: 'absent' };

/** Phrases of lower-case words, each with everything it can mean. A word can be a size, a count and a place at once. */
export type Vocabulary = ReadonlyMap<string, readonly Meaning[]>;

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
};

function vocabularyOf(id: KindId): Vocabulary {
  const words = new Map<string, Meaning[]>();
  const add = (phrase: string, meaning: Meaning) => {
    const key = phrase.toLowerCase();
    const meanings = words.get(key);
    if (meanings) meanings.push(meaning);
    else words.set(key, [meaning]);
  };
  for (const each of KIND_IDS) for (const word of KINDS[each].words) add(word, { is: 'kind', kind: each });
  const kind = KINDS[id];
  for (const parameter of Object.values(kind.parameters)) {
    for (const word of new Set([parameter.name.toLowerCase(), ...parameter.synonyms])) add(word, { is: 'parameter', parameter });
  }
  for (const feature of Object.values(kind.features)) {
    const counted = 'count' in feature.form;
    for (const word of new Set([feature.name.toLowerCase(), ...feature.synonyms])) add(word, counted ? { is: 'count', feature } : { is: 'feature', feature });
    if ('options' in feature.form) {
      for (const option of feature.form.options) {
        for (const word of new Set([option.name, ...option.words])) add(word, { is: 'option', feature, option });
      }
    }
  }
  for (const place of Object.values(kind.markPlaces)) for (const word of place.words) add(word, { is: 'place', place });
  for (const [word, making] of Object.entries(MAKING_WORDS)) if (making) add(word, { is: 'making', making });
  for (const instrument of INSTRUMENT_IDS) for (const word of INSTRUMENTS[instrument].words) add(word, { is: 'instrument', instrument });
  for (const word of ['no mark', 'no marks', 'unmarked']) add(word, { is: 'absent' });
  return words;
}

const cache = new Map<KindId, Vocabulary>();

/** The phrases understood while a part of this kind is on the bench. */
export function vocabulary(kind: KindId): Vocabulary {
  const known = cache.get(kind);
  if (known) return known;
  const made = vocabularyOf(kind);
  cache.set(kind, made);
  return made;
}

/** The most words any phrase has. */
export const LONGEST_PHRASE = 4;
