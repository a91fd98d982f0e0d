import { toInside, type UnitSystem } from '../quantity/unit.js';
import type { LiftPoint } from '../motion/index.js';
import type { Build } from './build.js';

export type LiftDuty = 'intake' | 'exhaust';

/** What is wrong with a table that was typed or pasted: which line, and what to do. */
interface LiftProblem {
  /** Counted from one; absent where it is the table as a whole. */
  readonly line?: number;
  readonly what: string;
}

/** Fewest points of which a curve can be made. */
const FEWEST = 3;
const MOST = 400;
/** Crank degrees either side of the centre, and millimetres, beyond which no valve opens. */
const WIDEST = 360;
const HIGHEST = 60;

/**
 * Reads a lift curve as it was measured with a degree wheel and a dial gauge: a line a point, crank degrees and lift,
 * by blanks, tabs or semicolons. A first line of words is a heading. Degrees may be counted from anywhere: the curve is
 * put so that its greatest lift stands at nothing.
 */
export function readLifts(
  text: string,
  system: UnitSystem,
):
  | { readonly points: NonNullable<NonNullable<Build['lifts']>[LiftDuty]> }
  | { readonly problems: readonly LiftProblem[] } {
  const problems: LiftProblem[] = [];
  const points: LiftPoint[] = [];
  text.split(/\r?\n/).forEach((raw, at) => {
    const line = raw.trim();
    if (line === '' || (points.length === 0 && problems.length === 0 && !/\d/.test(line))) return;
    const [angle, lift, ...rest] = cells(line);
    if (angle === undefined || lift === undefined || rest.length > 0) {
      problems.push({ line: at + 1, what: `“${line}” is not two figures: write crank degrees and lift.` });
      return;
    }
    const inside = toInside(lift, system === 'inch' ? 'in' : 'mm');
    if (inside < 0 || inside > HIGHEST)
      problems.push({
        line: at + 1,
        what: `A lift of ${lift} ${system === 'inch' ? 'in' : 'mm'} is out of all reason.`,
      });
    else points.push([angle, inside]);
  });
  points.sort(([a], [b]) => a - b);
  const twice = points.find(([angle], at) => points[at - 1]?.[0] === angle);
  if (twice) problems.push({ what: `${twice[0]}° is there twice: take one of the two out.` });
  if (problems.length > 0) return { problems };
  if (points.length < FEWEST) return { problems: [{ what: `A curve wants ${FEWEST} points at the least.` }] };
  if (points.length > MOST) return { problems: [{ what: `More than ${MOST} points: take every second one.` }] };
  const [centre] = points.reduce((most, point) => (point[1] > most[1] ? point : most));
  const from = points.map(([angle, lift]): [number, number] => [angle - centre, lift]);
  if (from.some(([angle]) => Math.abs(angle) > WIDEST))
    return { problems: [{ what: 'The curve is wider than two turns of the crank.' }] };
  return { points: from };
}

/** Figures of a line; nothing for what is none, so that it is said. A comma is a decimal one. */
const cells = (line: string): readonly (number | undefined)[] =>
  line.split(/[\s;]+/).map((each) => {
    const value = Number(each.replace(',', '.'));
    return each !== '' && Number.isFinite(value) ? value : undefined;
  });
