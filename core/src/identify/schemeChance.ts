import type { Scheme, Segment } from '../catalogue/scheme.js';
import type { MarkPosition } from '../marks/markText.js';

const SIZES = { digits: 10, letters: 26, lettersAndDigits: 36 } as const;

const fits = (position: MarkPosition | undefined, character: string): boolean =>
  position !== undefined && (position.length === 0 || position.includes(character));

const inClass: Readonly<Record<keyof typeof SIZES, RegExp>> = {
  digits: /\d/,
  letters: /[A-Z]/,
  lettersAndDigits: /[A-Z0-9]/,
};

/** The texts that a segment can only be, or undefined where it is any run of its class. */
function texts(segment: Segment): readonly string[] | undefined {
  if (segment.table) return Object.keys(segment.table).map((key) => key.toUpperCase());
  return segment.characters === 'exactly' ? [(segment.text ?? '').toUpperCase().replace(/[^A-Z0-9]/g, '')] : undefined;
}

/**
 * Chance of a reading if what stands there is some number of the scheme, every text of it equally likely: the product
 * over the segments of one over what each could be. 0 where it cannot be one. Unreadable characters may be anything.
 */
export function schemeChance(scheme: Scheme, positions: readonly MarkPosition[]): number {
  const from = (at: number, index: number): number => {
    const segment = scheme.segments[index];
    if (!segment) return at === positions.length ? 1 : 0;
    let sum = segment.least === 0 ? 0.5 * from(at, index + 1) : 0;
    const here = segment.least === 0 ? 0.5 : 1;
    const only = texts(segment);
    if (only) {
      for (const text of only) {
        if (!Array.from(text).every((character, ahead) => fits(positions[at + ahead], character))) continue;
        const unread = Array.from(text).filter((_, ahead) => positions[at + ahead]?.length === 0).length;
        if (unread < text.length || text.length === 1) sum += (here / only.length) * from(at + text.length, index + 1);
      }
      return sum;
    }
    const kind = segment.characters === 'exactly' ? 'lettersAndDigits' : segment.characters;
    const lengths = segment.most - Math.max(1, segment.least) + 1;
    for (let length = Math.max(1, segment.least); length <= segment.most && at + length <= positions.length; length++) {
      const run = positions.slice(at, at + length);
      if (
        !run.every((position) => position.length === 0 || position.some((character) => inClass[kind].test(character)))
      )
        continue;
      const chance = run.reduce(
        (product, position) => product * (position.length === 0 ? 1 : position.length / SIZES[kind]),
        1,
      );
      sum += (here / lengths) * chance * from(at + length, index + 1);
    }
    return sum;
  };
  return from(0, 0);
}
