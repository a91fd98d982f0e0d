import { Aligner, type Alignment } from '../marks/alignment.js';
import { ALPHABET } from '../marks/confusion.js';
import { normaliseMark, readMark, type MarkPosition } from '../marks/markText.js';

/** Characters that stand for the same in the index, so that a look-alike finds its mark: the first of each group. */
const LOOK_ALIKES = ['0OQD', '1IL', '2Z', '5S', '6G', '8B'] as const;
const SIZE = ALPHABET.length;
const CLASS_OF: ReadonlyMap<string, number> = new Map(
  Array.from(ALPHABET).map((character): [string, number] => {
    const group = LOOK_ALIKES.find((each) => each.includes(character));
    return [character, ALPHABET.indexOf(group?.charAt(0) ?? character)];
  }),
);
/** Two characters side by side, and two with one between, are counted apart. */
const GRAMS = 2 * SIZE * SIZE;
const gram = (first: number, second: number, apart: 0 | 1): number => (apart * SIZE + first) * SIZE + second;

/** A code that may be the one read, with how it came to be read so. */
interface CodeMatch {
  /** Index into the codes. */
  readonly code: number;
  readonly alignment: Alignment;
  /** ln of how much likelier the reading is of this code than of none. */
  readonly gain: number;
}

/** How many of the codes that share the most with a reading are looked at closely. */
const LOOKED_AT = 400;
/** Share of a reading's pairs that a code must have at least. */
const SHARED_AT_LEAST = 0.34;
/**
 * A reading must be this much likelier of a code than of none, ln: about one chance in twenty thousand a character
 * pair.
 */
const GAIN_AT_LEAST = 4;

/**
 * An index over numbers and marks that finds a worn or mistyped one: pairs of characters, look-alikes taken together,
 * in posting lists of typed arrays. What shares the most pairs is then aligned with the reading.
 */
export class CodeIndex {
  /** Distinct codes, normalised. */
  readonly codes: readonly string[];
  /** Postings of pair g are `postings[starts[g]]` up to `postings[starts[g + 1]]`. */
  private readonly starts: Uint32Array;
  private readonly postings: Uint32Array;
  private readonly exact: ReadonlyMap<string, number>;
  /** Scratch: how many pairs each code shares, zero between searches. */
  private readonly shared: Uint8Array;

  constructor(codes: Iterable<string>) {
    this.codes = [...new Set([...codes].map(normaliseMark))].filter(Boolean);
    this.exact = new Map(this.codes.map((code, at) => [code, at]));
    const counts = new Uint32Array(GRAMS + 1);
    for (const code of this.codes) forEachGram(code, (each) => (counts[each + 1] = (counts[each + 1] as number) + 1));
    for (let at = 0; at < GRAMS; at++) counts[at + 1] = (counts[at + 1] as number) + (counts[at] as number);
    this.starts = counts.slice();
    this.postings = new Uint32Array(counts[GRAMS] as number);
    const next = counts;
    this.codes.forEach((code, at) =>
      forEachGram(code, (each) => {
        this.postings[next[each] as number] = at;
        next[each] = (next[each] as number) + 1;
      }),
    );
    this.shared = new Uint8Array(this.codes.length);
  }

  /** The code that is exactly this one, however it is spaced or dashed. */
  exactly(text: string): number | undefined {
    return this.exact.get(normaliseMark(text));
  }

  /**
   * Codes that may be the one read, likeliest first. `text` as for the entry line: `41?7`, `4[B8]27`. Throws a
   * MarkTextError.
   */
  find(text: string, most: number): CodeMatch[] {
    const reading = readMark(text);
    const aligner = new Aligner(reading, 'cast');
    const chance = reading.reduce(
      (sum, position) => (position.length > 0 ? sum + Math.log(position.length / SIZE) : sum),
      0,
    );
    const found: CodeMatch[] = [];
    for (const code of this.likely(reading)) {
      const alignment = aligner.align(this.codes[code] ?? '');
      if (!alignment) continue;
      const gain = alignment.logLikelihood - chance;
      if (gain >= GAIN_AT_LEAST) found.push({ code, alignment, gain });
    }
    return found.sort((a, b) => b.gain - a.gain || a.code - b.code).slice(0, most);
  }

  /**
   * The codes that share the most pairs with a reading, at most some hundreds; all where it has no pair that can be
   * read.
   */
  likely(reading: readonly MarkPosition[]): number[] {
    const { shared } = this;
    const touched: number[] = [];
    let pairs = 0;
    for (const apart of [0, 1] as const)
      for (let at = 0; at + 1 + apart < reading.length; at++) {
        const firsts = classesOf(reading[at] ?? []);
        const seconds = classesOf(reading[at + 1 + apart] ?? []);
        if (firsts.size === 0 || seconds.size === 0) continue;
        pairs++;
        for (const first of firsts)
          for (const second of seconds) {
            const each = gram(first, second, apart);
            const end = this.starts[each + 1] as number;
            for (let posting = this.starts[each] as number; posting < end; posting++) {
              const code = this.postings[posting] as number;
              if (shared[code] === 0) touched.push(code);
              if ((shared[code] as number) < 255) shared[code] = (shared[code] as number) + 1;
            }
          }
      }
    if (pairs === 0) return this.codes.map((_, at) => at);
    const least = Math.max(1, Math.ceil(pairs * SHARED_AT_LEAST));
    // By count, not by sorting: a reading of common pairs touches half the catalogue.
    const byCount = new Map<number, number[]>();
    for (const code of touched) {
      const count = shared[code] as number;
      shared[code] = 0;
      if (count < least) continue;
      const alike = byCount.get(count);
      if (alike) alike.push(code);
      else byCount.set(count, [code]);
    }
    const likely: number[] = [];
    for (const count of [...byCount.keys()].sort((a, b) => b - a)) {
      likely.push(...(byCount.get(count) ?? []).slice(0, LOOKED_AT - likely.length));
      if (likely.length >= LOOKED_AT) break;
    }
    return likely;
  }
}

const classesOf = (position: MarkPosition): Set<number> =>
  new Set(position.flatMap((character) => CLASS_OF.get(character) ?? []));

function forEachGram(code: string, each: (gram: number) => void): void {
  for (let at = 0; at < code.length; at++) {
    const first = CLASS_OF.get(code.charAt(at));
    if (first === undefined) continue;
    for (const apart of [0, 1] as const) {
      const second = CLASS_OF.get(code.charAt(at + 1 + apart));
      if (second !== undefined) each(gram(first, second, apart));
    }
  }
}
