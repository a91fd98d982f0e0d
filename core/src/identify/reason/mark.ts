import { counted } from '../../quantity/phrase.js';
import { markPlaceOf } from '../../dictionary/dictionary.js';
import type { Making } from '../../dictionary/definition.js';
import type { Mark } from '../../catalogue/pattern.js';
import { Aligner, type Alignment } from '../../marks/alignment.js';
import type { Sentence } from '../../quantity/sentence.js';
import type { CatalogueIndex } from '../catalogueIndex.js';
import { listAt } from '../columns.js';
import type { MarkEvidence } from '../evidence.js';
import { schemeChance } from '../schemeChance.js';
import { stampOffsets } from '../sizeStamp.js';
import { stepAt } from '../sizeLikelihood.js';
import { notStated } from './notStated.js';

/** A reading further from a mark than this many unusual slips is said to be a different mark. */
const UNUSUAL_SLIPS = 1;

/** How what was read, or not found, agrees with the marks of a pattern. */
export function markReason(index: CatalogueIndex, row: number, evidence: MarkEvidence): Sentence {
  const { marks: column } = index;
  const codes = Array.from(listAt(column.ofPattern, row));
  const marks = codes.flatMap((code) => column.distinct[code] ?? []);
  const other = evidence.positions.length > 0 ? otherwise(index, row, evidence) : undefined;
  if (marks.length === 0) return other ?? notStated('Marks');
  if (evidence.positions.length === 0) {
    const recorded = marks.find(
      (mark) => mark.place !== undefined && (evidence.place === undefined || mark.place === evidence.place),
    );
    return [
      recorded ? `No mark found, where ${recorded.text} should be.` : 'No mark found, and none is recorded there.',
    ];
  }
  let best: { readonly mark: Mark; readonly aligned: Alignment } | undefined;
  for (const mark of marks) {
    const aligned = new Aligner(evidence.positions, evidence.making ?? mark.making).align(mark.text);
    if (aligned && aligned.logLikelihood > (best?.aligned.logLikelihood ?? -Infinity)) best = { mark, aligned };
  }
  const unusual = best?.aligned.slips.filter((slip) => slip.kind !== 'misread' || !slip.common).length ?? 0;
  if (!best || unusual > UNUSUAL_SLIPS)
    return other ?? [`Its marks are ${marks.map((mark) => mark.text).join(', ')}: none of them reads like this.`];
  const code = codes[marks.indexOf(best.mark)] ?? 0;
  return [
    sayMark(
      best.mark,
      best.aligned,
      evidence,
      listAt(column.bearers, code).length,
      column.replaced.get(best.mark.text),
    ),
  ];
}

const SURFACE: Readonly<Record<Making, string>> = {
  cast: 'a sand casting',
  stamped: 'a worn stamping',
  etched: 'an etched mark',
  painted: 'old paint',
  tag: 'a tag',
};

/** What else a mark may be: one of its maker's scheme, or the stamp of a size. */
function otherwise(index: CatalogueIndex, row: number, { positions }: MarkEvidence): Sentence | undefined {
  const scheme = index.schemes.find((each) => each.rows.includes(row) && schemeChance(each.scheme, positions) > 0);
  if (scheme) return [`None of its own marks, but it reads as one of the scheme “${scheme.scheme.name}”.`];
  const offsets = stampOffsets(positions);
  const stamped = [...index.sizes.values()].some(({ codes, distinct }) => {
    const size = distinct[(codes[row] ?? 0) - 1];
    return (
      size !== undefined &&
      size.service.length > 0 &&
      offsets.some((offset) => stepAt(size, offset) !== undefined || stepAt(size, -offset) !== undefined)
    );
  });
  return stamped ? ['None of its own marks, but it may be the stamp of a service size that it is made in.'] : undefined;
}

function sayMark(
  mark: Mark,
  { slips, unread }: Alignment,
  evidence: MarkEvidence,
  bearers: number,
  replaced: string | undefined,
): string {
  const where = mark.place ? ` on the ${markPlaceOf(mark.place).name}` : '';
  const parts = slips.map((slip) => {
    switch (slip.kind) {
      case 'misread':
        return slip.common
          ? `${slip.truth} read as ${slip.read} is a common slip on ${SURFACE[mark.making]}`
          : `${slip.truth} read as ${slip.read} would be an unusual slip`;
      case 'missed':
        return `${slip.truth} was passed over`;
      case 'extra':
        return `${slip.read} is not recorded`;
    }
  });
  if (unread > 0) parts.push(`${counted(unread, 'more character')} not read`);
  if (evidence.place !== undefined && mark.place !== undefined && mark.place !== evidence.place)
    parts.push('recorded in another place');
  if (mark.making === 'tag' && replaced !== undefined) parts.push(`an old number, replaced by ${replaced}`);
  if (mark.making === 'cast' && bearers > 1)
    parts.push(`it names the casting, which ${bearers} patterns share, not how it was machined`);
  return parts.length > 0 ? `${mark.text}${where}: ${parts.join('; ')}.` : `${mark.text}${where}, as read.`;
}
