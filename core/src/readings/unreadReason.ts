import { describedAs } from '../dictionary/dictionary.js';
import { INSTRUMENTS } from '../quantity/instrument.js';
import { sentence, value, type Sentence } from '../quantity/sentence.js';
import { isDoubted } from './caution.js';
import type { Phrases } from './phrases.js';
import { readFigures } from './size.js';
import type { Meaning } from './vocabulary.js';
import { either, one } from '../quantity/phrase.js';
import { phraseLookedUp } from './wordForms.js';

/** Why words were not understood, and what to write instead: for each meaning they have, what is missing beside it. */
export function unreadReason(phrases: Phrases, text: string): Sentence {
  const { kind } = phrases;
  const { name, parameters, markPlaces } = describedAs(kind);
  const lower = text.toLowerCase();
  const meanings = phrases.meaningsOf(phraseLookedUp(text)) ?? [];
  if (isDoubted(text))
    return ['That is said with a doubt, or of what it should be: enter what is seen or measured on the part itself.'];
  const [first] = Object.values(parameters);
  if (readFigures(text))
    return [`A figure without a name: say what it is, like "${first?.synonyms[0] ?? 'main'} ${text}".`];
  const meant = ORDER.map((is) => meanings.find((meaning) => meaning.is === is)).find(
    (meaning) => meaning !== undefined,
  );
  return (
    (meant && missingBeside(meant, lower, Object.values(markPlaces)[0]?.words[0] ?? 'stamped')) ?? [
      `No word of ${one(name.toLowerCase())}, its sizes, marks or looks. Correct it, or remove it.`,
    ]
  );
}

/** Of several meanings the one that is likeliest meant comes first. */
const ORDER: readonly Meaning['is'][] = [
  'parameter',
  'instrument',
  'making',
  'place',
  'claim',
  'feature',
  'face',
  'sign',
  'step',
  'count',
  'option',
];

const CLAIMED = {
  year: '1962',
  serial: 'A12345',
  machine: 'Orchard frost fan 4',
  tag: '302-HD',
  engine: '302 HD',
} as const;

function missingBeside(meaning: Meaning, typed: string, place: string): Sentence | undefined {
  switch (meaning.is) {
    case 'parameter':
      return sentence`${meaning.parameter.name}: give its size after it, with a unit or without, like “${typed} ${value(3 * meaning.parameter.plausible.low, meaning.parameter.quantity)}”.`;
    case 'instrument':
      return [`${INSTRUMENTS[meaning.instrument].name}: name the instrument right after the size it measured.`];
    case 'making':
    case 'place':
      return [`Give the mark after it, like "${typed} 41?7"; ? stands for a character you cannot read.`];
    case 'claim':
      return [`Say what after it, like "${typed} ${CLAIMED[meaning.about]}".`];
    case 'feature':
      return 'options' in meaning.feature.form
        ? [
            `${meaning.feature.name}: say which, ${either(meaning.feature.form.options.map((option) => option.words[0] ?? option.name))}. ${meaning.feature.tell}`,
          ]
        : undefined;
    case 'face':
      return [
        `${meaning.face.name}: say which pattern after it, as the catalogue calls it. ${meaning.face.definition}`,
      ];
    case 'sign':
      return [`Say where it stands, like "${place} ${typed}".`];
    case 'step':
      return [`Give the size and how far, like "main 10 ${typed}".`];
    case 'count':
      return [`Give the count with it, like "5 ${typed}".`];
    case 'option':
      return [
        `Many things may be so: say what is, like “${meaning.feature.synonyms[0] ?? meaning.feature.name.toLowerCase()} ${typed}”.`,
      ];
    case 'kind':
    case 'absent':
      return undefined;
  }
}
