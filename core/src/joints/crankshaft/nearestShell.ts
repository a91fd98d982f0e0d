import { margin, middle, type Interval } from '../../quantity/interval.js';
import type { Verdict } from '../verdict.js';
import { hold } from '../outcome.js';
import { oilClearance, sayShell, type ShellSize } from './bearings.js';

/** A shell for one place, or two halves of different walls. */
export interface ShellAt {
  readonly says: string;
  readonly patterns: readonly string[];
  readonly wall: Interval;
  readonly clearance: Interval;
  readonly verdict: Verdict;
  /** Name of the maker's table that gives it, where one does. */
  readonly table?: string;
  /** Others that would do as well by what is known: then it is not told which. */
  readonly orElse: readonly string[];
}

/** What is round a pair of half shells. Millimetres. */
export interface SizesRound {
  readonly housing: Interval;
  readonly journal: Interval;
}

const wallOf = (halves: readonly ShellSize[]): Interval => ({
  low: halves.reduce((sum, { wall }) => sum + wall.low, 0) / halves.length,
  high: halves.reduce((sum, { wall }) => sum + wall.high, 0) / halves.length,
});

/** How a shell or two halves are called. */
export const sayHalves = (halves: readonly ShellSize[]): string => halves.map(sayShell).join(' with ');

/** One shell or two halves in their place, and what clearance they leave there. */
export function shellAs(
  halves: readonly ShellSize[],
  { housing, journal }: SizesRound,
  wanted: Interval,
): Omit<ShellAt, 'orElse' | 'table'> {
  const clearance = oilClearance(housing, wallOf(halves), journal);
  return {
    says: sayHalves(halves),
    patterns: halves.flatMap(({ shell }) => shell.pattern ?? []),
    wall: wallOf(halves),
    clearance,
    verdict: hold(clearance, wanted).verdict,
  };
}

/**
 * The shell that brings the clearance nearest to the middle of what is wanted. Others whose clearance may as well be
 * the nearer one, within what is known of the sizes, are named: one that is sold whole goes before two halves.
 */
export function nearestShell(
  candidates: readonly (readonly ShellSize[])[],
  { housing, journal }: SizesRound,
  wanted: Interval,
): ShellAt | undefined {
  const fitting = candidates
    .map((halves) => ({ halves, clearance: oilClearance(housing, wallOf(halves), journal) }))
    .sort((a, b) => away(a.clearance, wanted) - away(b.clearance, wanted) || a.halves.length - b.halves.length);
  const [best, ...others] = fitting;
  if (!best) return undefined;
  // What is uncertain of housing and journal moves every candidate alike: one with the next wall may be the right one.
  const unsure = (housing.high - housing.low + journal.high - journal.low) / 2;
  return {
    ...shellAs(best.halves, { housing, journal }, wanted),
    orElse: others
      .filter(
        ({ halves, clearance }) =>
          halves.length === 1 &&
          away(clearance, wanted) < unsure &&
          margin({ low: middle(best.clearance) - unsure, high: middle(best.clearance) + unsure }, wanted) < 0,
      )
      .map(({ halves }) => sayHalves(halves)),
  };
}

const away = (clearance: Interval, wanted: Interval): number => Math.abs(middle(clearance) - middle(wanted));
