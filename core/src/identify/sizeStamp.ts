import type { MarkPosition } from '../marks/markText.js';

/** Steps further out than this are no service sizes, mm. */
const FURTHEST = 3;

/**
 * What a stamp of two to four figures may say of a service size, inside unit: `030` thirty thou, `050` fifty thou or
 * half a millimetre, `25` a quarter of one; `STD` standard. Points are already gone. *Common practice, no source.*
 */
export function stampOffsets(positions: readonly MarkPosition[]): number[] {
  const text = positions.map((position) => (position.length === 1 ? (position[0] ?? '') : '?')).join('');
  if (text === 'STD') return [0];
  const figures = /^\+?(\d{2,4})$/.exec(text)?.[1];
  if (figures === undefined) return [];
  const value = Number(figures);
  const thou = (value / 1000) * 25.4;
  const hundredths = value / 100;
  return [thou, hundredths].filter((offset) => offset > 0 && offset <= FURTHEST);
}
