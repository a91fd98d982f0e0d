/** Other spellings of a word, and what the workshop shortens it to, by the spelling that is looked up. */
const SPELT: Readonly<Record<string, string>> = {
  aluminum: 'aluminium',
  ally: 'alloy',
  brg: 'bearing',
  brgs: 'bearings',
  center: 'centre',
  centers: 'centres',
  colour: 'color',
  comp: 'compression',
  conrod: 'rod',
  'con-rod': 'rod',
  'c/weight': 'counterweight',
  'c/weights': 'counterweights',
  cyls: 'cylinders',
  dia: 'diameter',
  diam: 'diameter',
  ø: 'diameter',
  '⌀': 'diameter',
  dist: 'distributor',
  driven: 'drive',
  exh: 'exhaust',
  ht: 'height',
  hyd: 'hydraulic',
  inlet: 'intake',
  inlets: 'intakes',
  jnl: 'journal',
  jnls: 'journals',
  jrnl: 'journal',
  jrnls: 'journals',
  min: 'minimum',
  pc: 'piece',
  pce: 'piece',
  powdered: 'powder',
  rad: 'radius',
  vol: 'volume',
};

/**
 * A word as it is looked up: lower case, one spelling for both dialects and for abbreviations, hyphens as blanks.
 *
 * @example lookedUp('Dia.') // 'diameter'
 * @example lookedUp('one-piece') // 'one piece'
 */
export function lookedUp(word: string): string {
  const lower = word
    .toLowerCase()
    .replace(/[,;:=()]/g, '')
    .replace(/(?<=[a-z])\.$/, '');
  return (SPELT[lower] ?? lower)
    .split(/(?<=[a-z])-(?=[a-z])/)
    .map((part) => SPELT[part] ?? part)
    .join(' ');
}

/** A phrase as it is looked up, word by word. */
export const phraseLookedUp = (phrase: string): string => phrase.split(/\s+/).map(lookedUp).join(' ');

const NUMBERS = 'one two three four five six seven eight nine ten eleven twelve'.split(' ');
const NUMBER_OF = new Map([...NUMBERS.map((word, at): [string, number] => [word, at + 1]), ['single', 1], ['twin', 2]]);

/** The number that a word is: `five`, `single`; undefined where it is none. */
export const numberOf = (word: string): number | undefined => NUMBER_OF.get(word.toLowerCase());

/** Other forms of a phrase that mean the same where it is not known itself: singular or plural, figures in words. */
export function otherForms(phrase: string): readonly string[] {
  const inWords = phrase.replace(/^\d{1,2}(?= )/, (figures) => NUMBERS[Number(figures) - 1] ?? figures);
  const forms = (each: string) => [each, each.endsWith('s') ? each.slice(0, -1) : `${each}s`];
  return [...new Set([...forms(phrase), ...forms(inWords)])].filter((form) => form !== phrase);
}
