import type { Size } from '../catalogue/size.js';
import { toInside, type UnitId } from '../quantity/unit.js';
import { CORROBORATES, decibans, STRONG_CONTRADICTION } from './assumptions.js';
import type { CatalogueIndex } from './catalogueIndex.js';
import type { SizeEvidence } from './evidence.js';
import { chanceDensity, sizeDensity } from './sizeLikelihood.js';

/** What a figure that fits nothing was probably meant to be, and what sort of slip made it another. */
export interface Slip {
  /** The figure as it should have been written, in the unit in which it was. */
  readonly figures: string;
  readonly kind: 'digit' | 'swapped' | 'radius' | 'diameter' | 'inches' | 'millimetres';
}

interface Meant extends Slip {
  readonly value: number;
}

/** A tool sets limits to the figures that can be told apart: fewer slips could be behind more digits. */
const FEWEST_DIGITS = 3;

/**
 * Figures that a slip of the pen, or the wrong scale, turns into these: a digit wrong, two swapped, the radius for the
 * diameter, the other unit.
 */
function* meantBy(figures: string, unit: UnitId): Generator<Meant> {
  const value = Number(figures.replace(',', '.'));
  const as = (written: string, kind: Slip['kind']): Meant => ({ figures: written, kind, value: Number(written) });
  const places = (figures.split(/[.,]/)[1] ?? '').length;
  const written = figures.replace(',', '.');
  for (let at = 0; at < written.length - 1; at++) {
    const [one, two] = [written[at] ?? '', written[at + 1] ?? ''];
    if (/\d/.test(one) && /\d/.test(two) && one !== two)
      yield as(written.slice(0, at) + two + one + written.slice(at + 2), 'swapped');
  }
  for (let at = 0; at < written.length; at++)
    if (/\d/.test(written[at] ?? ''))
      for (const digit of '0123456789')
        if (digit !== written[at]) yield as(written.slice(0, at) + digit + written.slice(at + 1), 'digit');
  yield as((2 * value).toFixed(places), 'radius');
  yield as((value / 2).toFixed(places + 1), 'diameter');
  if (unit === 'mm') yield as((value * 25.4).toFixed(Math.max(0, places - 1)), 'inches');
  if (unit === 'in') yield as((value / 25.4).toFixed(places + 1), 'millimetres');
}

/** How strongly a figure speaks for a size, decibans against chance. */
function speaksFor(size: Size, { parameter, estimate, step }: SizeEvidence, inside: number): number {
  const density = sizeDensity(size, parameter, { ...estimate, mean: inside }, step);
  return decibans(Math.log(Math.max(density, 1e-300) / chanceDensity(parameter, inside)));
}

/**
 * The slip that is likeliest behind a size which speaks strongly against a pattern: with it the size fits. Of several
 * the one that fits best; swapped digits before a wrong one, as they fit by chance less often. Undefined where the size
 * is borne out by a repeat, or where no slip explains it.
 *
 * @param row of the pattern
 * @param written the figure and its unit, as it was entered
 * @param weight of the size on that pattern, decibans
 */
export function slipBehind(
  index: CatalogueIndex,
  row: number,
  evidence: SizeEvidence,
  written: { readonly figures: string; readonly unit: UnitId },
  weight: number,
): Slip | undefined {
  const column = index.sizes.get(evidence.parameter.id);
  const size = column?.distinct[(column.codes[row] ?? 0) - 1];
  const isPlain = /^\d*[.,]?\d+$/.test(written.figures) && written.figures.replace(/\D/g, '').length >= FEWEST_DIGITS;
  if (!size || evidence.confirmed || weight > STRONG_CONTRADICTION || !isPlain) return undefined;
  const { low, high } = evidence.parameter.plausible;
  let best: (Meant & { readonly speaks: number }) | undefined;
  for (const meant of meantBy(written.figures, written.unit)) {
    const inside = toInside(meant.value, written.unit);
    if (!(inside >= low && inside <= high)) continue;
    const speaks = speaksFor(size, evidence, inside) - (meant.kind === 'digit' ? DIGIT_BY_CHANCE : 0);
    if (speaks > (best?.speaks ?? 0)) best = { ...meant, speaks };
  }
  return best && { figures: best.figures, kind: best.kind };
}

/** There are so many more ways to get a digit wrong that one of them fits by chance, decibans. */
const DIGIT_BY_CHANCE = CORROBORATES / 3;
