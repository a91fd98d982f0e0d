import { digitsOf } from '../quantity/format.js';
import type { Interval } from '../quantity/interval.js';
import { readNumber } from '../quantity/number.js';
import { shownUnit, toInside, unitOf, UNITS, type UnitSystem } from '../quantity/unit.js';
import { bandOf, sayFigure, sayShareOf, THOUSANDTHS, type FigureOfThumb, type HasFigures } from './figure.js';
import { say } from '../quantity/sentence.js';

const TO = /\s+to\s+|\s*(?:\.\.|–|—)\s*/i;
const UNIT = /[^\d\s.,+-].*$/;

/** A figure of a shop's own as it was typed, in inside units; or what is wrong with it and what to write. */
type OwnFigureRead = Interval | { readonly problem: string };

/**
 * Reads what a shop goes by instead of a figure of thumb: `0.05 to 0.2`, `2 to 8 thou`, `0.9`. Without a unit it is in
 * that of the reader; a share is in thousandths.
 */
export function readFigure(figure: FigureOfThumb, text: string, system: UnitSystem): OwnFigureRead {
  const wanted = (why: string) => ({
    problem: `“${text.trim()}” ${why}: write ${figure.bound === 'between' ? 'two figures' : 'one figure'}, like ${example(figure, system)}.`,
  });
  const pieces = text.trim().replaceAll('−', '-').split(TO);
  if (pieces.length !== (figure.bound === 'between' ? 2 : 1)) return wanted(`is not what “${figure.name}” takes`);
  if (!pieces.every((piece) => /\d/.test(piece))) return wanted('is no figure');
  const units = pieces.map((piece) => UNIT.exec(piece)?.[0].trim());
  const unit = units.find((each) => each !== undefined && each !== units.at(-1)) ?? units.at(-1);
  const known = unit === undefined ? shownUnit(figure.quantity, system) : unitOf(unit);
  if (unit !== undefined && (figure.of !== undefined || !known || UNITS[known].quantity !== figure.quantity))
    return wanted(`has a unit, “${unit}”, that does not belong there`);
  const values = pieces.map((piece) => {
    const plain = piece.replace(UNIT, '').trim();
    const size = plain.replace(/^-\s*/, '');
    const number = readNumber(size);
    if (number?.length !== size.length) return undefined;
    const value = size === plain ? number.value : -number.value;
    return figure.of !== undefined ? value / THOUSANDTHS : known ? toInside(value, known) : value;
  });
  const [low, high = low] = values;
  if (low === undefined || high === undefined) return wanted('is no figure');
  if (low > high) return wanted('has the larger figure first');
  return { low, high };
}

/** A figure as it stands in its field: without words and unit. */
export function writeFigure(figure: FigureOfThumb, rules: HasFigures, system: UnitSystem): string {
  const ends = bandOf(figure, rules);
  if (figure.of !== undefined) return sayShareOf(ends);
  const [low, high] = [digitsOf(ends.low, figure.quantity, system), digitsOf(ends.high, figure.quantity, system)];
  return figure.bound === 'between' ? `${low} to ${high}` : figure.bound === 'atMost' ? high : low;
}

const example = (figure: FigureOfThumb, system: UnitSystem): string =>
  say(sayFigure(figure), system)
    .replace(/^(at least|at most|about) /, '')
    .replace(/ thousandths of .*$/, '');

/** Why a shop cannot have such figures of its own, each with the place it stands at; nothing where it can. */
export function checkOwnFigures(
  figures: Readonly<Record<string, Interval>>,
  known: ReadonlyMap<string, FigureOfThumb>,
  where: string,
): readonly { readonly where: string; readonly what: string }[] {
  return Object.entries(figures).flatMap(([id, { low, high }]) => {
    const figure = known.get(id);
    const at = `${where}.${id}`;
    if (!figure) return [{ where: at, what: 'there is no such figure of thumb; docs/rules-of-thumb.md lists them.' }];
    if (low > high) return [{ where: at, what: `low is ${low} and high ${high}: the second must be the larger.` }];
    return figure.bound !== 'between' && low !== high
      ? [{ where: at, what: `only one end of “${figure.name}” counts: make low and high the same.` }]
      : [];
  });
}
