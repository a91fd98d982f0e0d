import type { Making } from '../dictionary/definition.js';

/**
 * Pairs of characters that are taken for one another, by how the mark was made.
 * *Common practice, no source*: a cast figure loses its corners and fills its loops; a stamp loses part of a stroke;
 * a painted or etched one runs. Each string is a group of look-alikes.
 */
const LOOK_ALIKES: Readonly<Record<Making, readonly string[]>> = {
  cast: [
    '8B',
    '83',
    '86',
    '80',
    'B3',
    '0O',
    '0D',
    '0Q',
    'OD',
    '1I',
    '1L',
    '17',
    '5S',
    '56',
    '6G',
    '2Z',
    '4A',
    'CG',
    'EF',
    'UV',
    'PR',
    'MN',
    '9G',
    '69',
  ],
  stamped: ['8B', '83', '0O', '0D', 'OQ', '1I', '17', '5S', '6G', '2Z', 'EF', 'CG', 'PF', 'VY'],
  etched: ['8B', '0O', '1I', '17', '5S', '2Z', '6G', 'UV'],
  painted: ['8B', '0O', '0D', '1I', '17', '5S', '2Z', '6G', '86', '80'],
  tag: ['8B', '0O', '1I', '17', '5S', '2Z', '6G', '83'],
};

/**
 * How often one given look-alike is read for a character, by making. From memory of worn marks; to be learnt from
 * drills.
 */
const SLIP: Readonly<Record<Making, number>> = {
  cast: 0.025,
  stamped: 0.015,
  etched: 0.01,
  painted: 0.015,
  tag: 0.008,
};

/** How often a character is read as some quite different one. */
const BLUNDER = 0.01;

/** Letters and figures together: the alphabet of marks. */
export const ALPHABET = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ0123456789';
const SIZE = ALPHABET.length;

/** Chance that a reader who knows nothing would write one given character. */
export const CHANCE = 1 / SIZE;

interface Confusion {
  /** P(read | true) at `true * SIZE + read`, indices into the alphabet. */
  readonly table: Float64Array;
  readonly alike: ReadonlySet<number>;
}

function build(making: Making): Confusion {
  const alike = new Set<number>();
  for (const pair of LOOK_ALIKES[making]) {
    const [a, b] = [ALPHABET.indexOf(pair.charAt(0)), ALPHABET.indexOf(pair.charAt(1))];
    alike.add(a * SIZE + b).add(b * SIZE + a);
  }
  const table = new Float64Array(SIZE * SIZE);
  for (let truth = 0; truth < SIZE; truth++) {
    let left = 1;
    for (let read = 0; read < SIZE; read++) {
      if (read === truth) continue;
      const share = alike.has(truth * SIZE + read) ? SLIP[making] : BLUNDER / SIZE;
      table[truth * SIZE + read] = share;
      left -= share;
    }
    table[truth * SIZE + truth] = left;
  }
  return { table, alike };
}

const CONFUSIONS: Readonly<Record<Making, Confusion>> = {
  cast: build('cast'),
  stamped: build('stamped'),
  etched: build('etched'),
  painted: build('painted'),
  tag: build('tag'),
};

/** P(read | true) for two characters of the alphabet; a character outside it matches only itself. */
export function confusion(truth: string, read: string, making: Making): number {
  const [t, r] = [ALPHABET.indexOf(truth), ALPHABET.indexOf(read)];
  if (t < 0 || r < 0) return truth === read ? 1 - BLUNDER : BLUNDER * CHANCE;
  return CONFUSIONS[making].table[t * SIZE + r] ?? 0;
}

/** Whether two different characters are known look-alikes in a mark made this way. */
export function lookAlike(a: string, b: string, making: Making): boolean {
  return CONFUSIONS[making].alike.has(ALPHABET.indexOf(a) * SIZE + ALPHABET.indexOf(b));
}
