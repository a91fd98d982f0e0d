import type { Mark } from '../../catalogue/pattern.js';
import type { Making } from '../../dictionary/definition.js';
import { Aligner, logChance } from '../../marks/alignment.js';
import type { MarkPosition } from '../../marks/markText.js';
import { ASSUMED } from '../assumptions.js';
import { codeIndexOf, type CatalogueIndex, type MarkColumn } from '../catalogueIndex.js';
import { listAt } from '../columns.js';
import type { MarkEvidence } from '../evidence.js';
import { schemeChance } from '../schemeChance.js';
import { stampOffsets } from '../sizeStamp.js';
import { stepAt, stepShare } from '../sizeLikelihood.js';
import { few, type Weighed } from './weighed.js';

/**
 * A mark as read, against the marks and numbers of every pattern; and, where it is none of those, whether it may be one
 * of its maker's scheme or the stamp of a service size. Only patterns that have something to do with it are touched.
 */
export function weighMark(index: CatalogueIndex, evidence: MarkEvidence): Weighed {
  if (evidence.positions.length === 0) return weighNoMark(index, evidence);
  const { marks, assumed } = index;
  const chance = Math.exp(logChance(evidence.positions));
  /** How likely it is read on the pattern, of all that is marked there; patterns that are not here have none. */
  const best = new Map<number, number>();
  for (const [code, likelihood] of likelihoods(marks, evidence))
    for (const row of listAt(marks.bearers, code)) best.set(row, (best.get(row) ?? 0) + likelihood);
  // Several marks on a part are not as many chances: one of them was read.
  for (const [row, sum] of best) best.set(row, sum / Math.max(1, marksToRead(marks, row, evidence)));
  const explain = (row: number, likelihood: number) => {
    if (likelihood > (best.get(row) ?? 0)) best.set(row, likelihood);
  };
  for (const { scheme, rows } of index.schemes) {
    const likelihood = assumed.ofScheme * schemeChance(scheme, evidence.positions);
    if (likelihood > chance) for (const row of rows) explain(row, likelihood);
  }
  for (const [row, likelihood] of stamped(index, evidence.positions)) explain(row, likelihood);
  const unknownMark = unrecorded(index, evidence);
  const nothing = unknownMark * chance;
  let sum = 0;
  for (const likelihood of best.values()) sum += (1 - unknownMark) * likelihood;
  const marked = index.patterns.length - marks.unmarked.length;
  const mean = sum / Math.max(1, index.patterns.length) + nothing;
  const unknown = (1 - assumed.sharedMark) * chance + assumed.sharedMark * (marked > 0 ? mean : chance);
  const differing = new Map<number, number>();
  for (const row of marks.unmarked) differing.set(row, 0);
  for (const [row, likelihood] of best)
    differing.set(row, Math.log(((1 - unknownMark) * likelihood + nothing) / unknown));
  return few(evidence, Math.log(nothing / unknown), differing, unknown);
}

/** Chance that a part bears a mark the catalogue does not record: small for one that looks as those on record do. */
export function unrecorded({ marks, assumed }: CatalogueIndex, { positions }: MarkEvidence): number {
  return hasShape(marks, positions) ? assumed.markUnrecorded : assumed.markOfOthers;
}

const shapes = new WeakMap<MarkColumn, ReadonlySet<string>>();
const shapeOf = (text: string): string => text.replace(/[A-Z]/g, 'A').replace(/\d/g, '9');

/** Whether some mark of the kind has as many characters, letters and figures in the same places. */
function hasShape(marks: MarkColumn, positions: readonly MarkPosition[]): boolean {
  const known = shapes.get(marks) ?? new Set(marks.texts.map(shapeOf));
  shapes.set(marks, known);
  // What cannot be read may be either: then the length alone tells.
  if (positions.some((position) => position.length !== 1))
    return [...known].some(({ length }) => length === positions.length);
  return known.has(shapeOf(positions.map(([character]) => character ?? '').join('')));
}

/** How likely each distinct mark was to be read so; those that explain it no better than chance are left out. */
function* likelihoods(
  marks: MarkColumn,
  evidence: MarkEvidence,
): Generator<readonly [code: number, likelihood: number]> {
  const aligners = new Map<Making, Aligner>();
  const codes = codeIndexOf(marks);
  const texts = codes ? codes.likely(evidence.positions) : undefined;
  const count = texts?.length ?? marks.texts.length;
  for (let at = 0; at < count; at++) {
    for (const code of listAt(marks.ofText, texts?.[at] ?? at)) {
      const mark = marks.distinct[code];
      if (!mark) continue;
      const making = evidence.making ?? mark.making;
      let aligner = aligners.get(making);
      if (!aligner) aligners.set(making, (aligner = new Aligner(evidence.positions, making)));
      if (!aligner.mayExplain(marks.characters[2 * code] ?? 0, marks.characters[2 * code + 1] ?? 0)) continue;
      const likelihood = Math.exp(aligner.logLikelihood(mark.text)) * placing(mark, evidence);
      if (likelihood > 0) yield [code, likelihood];
    }
  }
}

/**
 * How readily a mark of the catalogue is the one that was read: less where it is found elsewhere, or made otherwise,
 * than is recorded; a number from a box or a list less than what stands on the part, where nobody says which it is.
 */
function placing(mark: Pick<Mark, 'making' | 'place'>, { making, place }: MarkEvidence): number {
  const otherMaking = making !== undefined && mark.making !== 'tag' && making !== mark.making;
  const otherPlace = place !== undefined && mark.place !== undefined && place !== mark.place;
  const onBox = making === undefined && mark.making === 'tag';
  return (otherMaking ? ASSUMED.elsewhere : 1) * (otherPlace ? ASSUMED.elsewhere : 1) * (onBox ? ASSUMED.ofBox : 1);
}

/** Among how many marks of a pattern the one that was read is one. */
function marksToRead(marks: MarkColumn, row: number, evidence: MarkEvidence): number {
  let sum = 0;
  for (const code of listAt(marks.ofPattern, row)) {
    const mark = marks.distinct[code];
    if (mark) sum += placing(mark, evidence);
  }
  return sum;
}

/** Patterns made in a service size that the mark may be the stamp of, with the chance of that. */
function* stamped(
  index: CatalogueIndex,
  positions: readonly MarkPosition[],
): Generator<readonly [row: number, likelihood: number]> {
  const offsets = stampOffsets(positions);
  if (offsets.length === 0) return;
  for (const { codes, distinct } of index.sizes.values()) {
    const shares = distinct.map((size) =>
      size.service.length === 0 ? 0 : Math.max(...offsets.map((offset) => shareAt(size, offset))),
    );
    if (!shares.some((share) => share > 0)) continue;
    for (let row = 0; row < codes.length; row++) {
      const share = shares[(codes[row] ?? 0) - 1] ?? 0;
      if (share > 0) yield [row, ASSUMED.sizeStamp * share];
    }
  }
}

function shareAt(size: Parameters<typeof stepAt>[0], offset: number): number {
  const step = stepAt(size, offset) ?? stepAt(size, -offset);
  return step === undefined ? 0 : stepShare(size, step);
}

/** "No mark here": against patterns that record one in that place, and for those that record none. */
function weighNoMark({ marks, assumed }: CatalogueIndex, evidence: MarkEvidence): Weighed {
  const recorded = new Set<number>();
  marks.distinct.forEach((mark, code) => {
    if (mark.place === undefined || (evidence.place !== undefined && mark.place !== evidence.place)) return;
    for (const row of listAt(marks.bearers, code)) recorded.add(row);
  });
  const rows = marks.ofPattern.starts.length - 1;
  const share = recorded.size / Math.max(1, rows);
  const unknown = share * assumed.markGone + (1 - share) * (1 - assumed.markThere);
  const gone = Math.log(assumed.markGone / unknown);
  return few(
    evidence,
    Math.log((1 - assumed.markThere) / unknown),
    new Map([...recorded].map((row) => [row, gone])),
    unknown,
  );
}
