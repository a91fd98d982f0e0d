import type { Verdict } from '../joints/index.js';
import { hold } from '../joints/outcome.js';
import type { Interval } from '../quantity/interval.js';
import { band, sentence, value, type Sentence } from '../quantity/sentence.js';

/** A sort of crush strip, with what its sleeve says: the wider it is squeezed, the less clearance there was. */
export interface Strip {
  readonly id: string;
  readonly name: string;
  /** Width and clearance, millimetres; from the narrowest. */
  readonly sleeve: readonly (readonly [width: number, clearance: number])[];
}

/** Common practice, no source: three thicknesses of wax thread, each for a range of clearances. */
export const STRIPS = [
  {
    id: 'thin',
    name: 'thin thread',
    sleeve: [
      [1, 0.076],
      [1.27, 0.06],
      [1.52, 0.05],
      [2, 0.038],
      [3.05, 0.025],
    ],
  },
  {
    id: 'middling',
    name: 'middling thread',
    sleeve: [
      [1.5, 0.152],
      [1.8, 0.127],
      [2.25, 0.102],
      [3, 0.076],
      [4.5, 0.051],
    ],
  },
  {
    id: 'thick',
    name: 'thick thread',
    sleeve: [
      [2.2, 0.229],
      [2.8, 0.18],
      [3.4, 0.148],
      [4, 0.126],
      [5, 0.101],
    ],
  },
] as const satisfies readonly Strip[];
export type StripId = (typeof STRIPS)[number]['id'];

/** What a squeezed strip tells of one bearing. */
export interface StripFound {
  /** Nothing where it is outside what its sleeve says. */
  readonly clearance?: Interval;
  readonly verdict: Verdict;
  /** What else is to be said of it. */
  readonly says?: Sentence;
}

/** Clearance at a width, between two lines of the sleeve; nothing beyond its ends. */
function clearanceAt({ sleeve }: Strip, width: number): number | undefined {
  const after = sleeve.findIndex(([at]) => at >= width);
  const [lower, upper] = [sleeve[after - 1], sleeve[after]];
  if (!upper) return undefined;
  if (!lower) return upper[0] === width ? upper[1] : undefined;
  // A strip keeps its volume: what is as much wider is as much thinner.
  const share = (1 / width - 1 / lower[0]) / (1 / upper[0] - 1 / lower[0]);
  return lower[1] + share * (upper[1] - lower[1]);
}

/**
 * Reads a squeezed strip by its sleeve. One that is wider at one end tells of a tapered journal.
 *
 * @param widths where it was measured, millimetres
 * @param wanted clearance, millimetres
 */
export function readStrip(strip: Strip, widths: readonly Interval[], wanted: Interval): StripFound {
  const found = widths.flatMap(({ low, high }) => [clearanceAt(strip, low), clearanceAt(strip, high)]);
  const told = found.flatMap((each) => each ?? []);
  if (told.length === 0 || told.length < found.length) {
    const [narrowest, widest] = [strip.sleeve[0]?.[0] ?? 0, strip.sleeve.at(-1)?.[0] ?? 0];
    return {
      verdict: 'cannotTell',
      says: sentence`The sleeve of the ${strip.name} goes from ${value(narrowest)} to ${value(widest)} wide: take a ${Math.min(...widths.map(({ low }) => low)) < narrowest ? 'thicker' : 'thinner'} one.`,
    };
  }
  const clearance = { low: Math.min(...told), high: Math.max(...told) };
  const [least, most] = [Math.min(...widths.map(({ high }) => high)), Math.max(...widths.map(({ low }) => low))];
  return {
    clearance,
    verdict: hold(clearance, wanted).verdict,
    ...(most > least
      ? { says: sentence`The strip is wider at one end, as on a tapered journal: ${band(clearance)}.` }
      : {}),
  };
}
