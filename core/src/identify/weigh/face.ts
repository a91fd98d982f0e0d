import { compareFaces } from '../../catalogue/facePattern.js';
import type { Assumed } from '../assumptions.js';
import type { Column } from '../columns.js';
import type { FaceEvidence } from '../evidence.js';
import { meanByCode } from './size.js';
import { fixed, type Weighed } from './weighed.js';

/** Chance that the pattern of a face is called so, on a part of which the catalogue calls it so or otherwise. */
export function faceChance({ faceMistaken }: Assumed, recorded: string, called: string, others: number): number {
  const wrong = faceMistaken / Math.max(1, others);
  switch (compareFaces(called, recorded)) {
    case 'same':
      return 1 - faceMistaken;
    case 'perhaps':
      return (1 - faceMistaken) / 2;
    case 'other':
      return wrong;
  }
}

/** How many patterns of a face the catalogue knows, whoever names them. */
export const facesOnRecord = ({ distinct }: Column<string>): number => new Set(distinct).size;

/**
 * What the pattern of a face is called, against an unknown part, which has one of those of the catalogue or one of its
 * own (Laplace's rule).
 */
export function weighFace(assumed: Assumed, column: Column<string>, evidence: FaceEvidence): Weighed {
  const others = facesOnRecord(column);
  const chances = new Float64Array(column.distinct.length + 1);
  column.distinct.forEach((each, at) => {
    const wrong = column.wrong[at + 1] ?? 0;
    chances[at + 1] = (1 - wrong) * faceChance(assumed, each, evidence.pattern, others) + wrong / others;
  });
  const { mean, stated } = meanByCode(column, chances);
  const unknown = (mean * stated + 1) / (stated + others + 1);
  return {
    evidence,
    form: 'column',
    logUnknown: Math.log(unknown),
    codes: column.codes,
    byCode: Int32Array.from(chances, (chance, code) => (code === 0 ? 0 : fixed(Math.log(chance / unknown)))),
  };
}
