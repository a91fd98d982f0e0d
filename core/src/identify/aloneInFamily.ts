import type { Size } from '../catalogue/size.js';
import { apart } from '../quantity/interval.js';
import { ASSUMED, type Assumed } from './assumptions.js';
import type { Column, Otherwise } from './columns.js';
import type { SizeEvidence } from './evidence.js';
import { chanceDensity, sizeDensity } from './sizeLikelihood.js';

/**
 * So many values at least stand alone by right, whatever the others of the family do: a stroke or a bore is what one of
 * them was made for.
 */
const ALONE_BY_RIGHT = 0.2;
/** A family with more values than this has no usual one. */
const MOST_VALUES = 48;

/**
 * A column in which values that stand alone in their family are told apart: parts of one family are mostly made alike,
 * so that a figure that no sister has is oftener wrong, and then mostly should be the one that sisters have.
 *
 * @param families by pattern
 */
export function aloneInFamily(column: Column<Size>, families: readonly (string | undefined)[]): Column<Size> {
  const codes = Uint32Array.from(column.codes);
  const [distinct, wrong, otherwise] = [[...column.distinct], [...column.wrong], new Map<number, Otherwise>()];
  for (const rows of rowsByFamily(column, families).values()) {
    const alone = aloneIn(column, rows);
    for (const row of alone?.rows ?? []) {
      const code = codes[row] ?? 0;
      const [size, plain] = [column.distinct[code - 1], column.wrong[code] ?? 0];
      // What sources disagree about is doubtful as it is.
      if (!size || !alone || plain === ASSUMED.disputedWrong) continue;
      codes[row] = distinct.push(size);
      const often = Math.min(0.5, ASSUMED.oftenerWrongAlone * plain);
      // The fewer stand alone by right, the likelier that this one does by mistake.
      wrong.push(often / (often + (1 - often) * Math.max(ALONE_BY_RIGHT, 1 - alone.share)));
      otherwise.set(codes[row], { share: alone.share, usual: alone.usual });
    }
  }
  if (otherwise.size === 0) return column;
  const counts = new Uint32Array(distinct.length + 1);
  for (const code of codes) counts[code] = (counts[code] ?? 0) + 1;
  return { codes, distinct, wrong: Float64Array.from(wrong), counts, otherwise };
}

function rowsByFamily({ codes }: Column<Size>, families: readonly (string | undefined)[]): Map<string, number[]> {
  const found = new Map<string, number[]>();
  families.forEach((family, row) => {
    if (family === undefined || codes[row] === 0) return;
    const rows = found.get(family);
    if (rows) rows.push(row);
    else found.set(family, [row]);
  });
  return found;
}

/** Rows of a family that stand alone in a value, and what the others have; nothing where they share nothing. */
function aloneIn({ codes, distinct }: Column<Size>, rows: readonly number[]) {
  const counts = new Map<number, number>();
  for (const row of rows) counts.set(codes[row] ?? 0, (counts.get(codes[row] ?? 0) ?? 0) + 1);
  if (counts.size < 2 || counts.size > MOST_VALUES) return undefined;
  const limits = (code: number) => distinct[code - 1]?.limits ?? { low: 0, high: 0 };
  const isShared = (code: number): boolean =>
    (counts.get(code) ?? 0) > 1 ||
    [...counts.keys()].some((other) => other !== code && !apart(limits(code), limits(other)));
  const shared = new Set([...counts.keys()].filter(isShared));
  const inCommon = [...shared].reduce((sum, code) => sum + (counts.get(code) ?? 0), 0);
  const usual = [...shared].flatMap((code) => {
    const size = distinct[code - 1];
    return size ? [{ size, share: (counts.get(code) ?? 0) / inCommon }] : [];
  });
  if (usual.length === 0) return undefined;
  // Laplace's rule, over the others of the family.
  return { rows: rows.filter((row) => !shared.has(codes[row] ?? 0)), share: (inCommon + 1) / (rows.length + 1), usual };
}

/** Density of a measured size on parts of a family, per inside unit. */
export const usualDensity = (
  { usual }: Otherwise,
  { parameter, estimate, step }: SizeEvidence,
  assumed: Assumed = ASSUMED,
): number =>
  usual.reduce(
    (sum, { size, share }) => sum + share * sizeDensity(size, parameter, estimate, step, undefined, assumed),
    0,
  );

/** Whether a pattern stands alone in its family in a size, and what was measured is what the others have. */
export function isAsFamilyHas(column: Column<Size> | undefined, row: number, evidence: SizeEvidence): boolean {
  const otherwise = column?.otherwise?.get(column.codes[row] ?? 0);
  if (!otherwise) return false;
  return usualDensity(otherwise, evidence) > chanceDensity(evidence.parameter, evidence.estimate.mean);
}
