import type { Parameter } from '../dictionary/definition.js';
import { toInside, UNITS } from '../quantity/unit.js';
import type { StepReading } from './reading.js';
import type { Figures } from './size.js';
import { unread, type Unread } from './unread.js';

/** Steps that lie closer together than this are the same, mm. */
const SAME = 0.02;

/** Figures of a service size without a unit, in the units in which they may be meant, likeliest first. */
function meanings(figures: Figures): readonly { readonly offset: number; readonly unit: 'mm' | 'in' }[] {
  const size = Math.abs(figures.values[0] ?? 0);
  if (figures.unit !== undefined) {
    const { unit } = figures;
    if (UNITS[unit].quantity !== 'length') return [];
    const inch = unit === 'in' || unit === 'thou';
    return [
      { offset: inch ? toInside(size, unit) / toInside(1, 'in') : toInside(size, unit), unit: inch ? 'in' : 'mm' },
    ];
  }
  // `30`, `.030` and `0.75`: whole numbers are thou, the rest is whichever is a usual step.
  return size >= 2
    ? [{ offset: size / 1000, unit: 'in' }]
    : [
        { offset: size, unit: 'mm' },
        { offset: size, unit: 'in' },
      ];
}

/**
 * A service size from its words: `10 under`, `+30`, `0.50 over`.
 *
 * @param sign which way it was said to go; 0 for standard, where the figures do not count
 */
export function stepOf(
  parameter: Parameter,
  figures: Figures | undefined,
  sign: 1 | 0 | -1,
  text: string,
): StepReading | Unread {
  const { service, name } = parameter;
  if (!service) return unread(text, [`${name} is not made in service sizes. Give the size itself.`]);
  if (sign === 0) return { sort: 'step', text, parameter: parameter.id, offset: 0, unit: 'mm' };
  if (!figures)
    return unread(text, [`Say how far ${sign > 0 ? 'over' : 'under'}, like “10 ${sign > 0 ? 'over' : 'under'}”.`]);
  const usual = [
    ...service.mm.map((step) => ({ offset: Number(step), unit: 'mm' as const })),
    ...service.in.map((step) => ({ offset: Number(step), unit: 'in' as const })),
  ];
  const goes = Math.sign(usual[0]?.offset ?? sign);
  // A shell for a journal ten under is half of ten thicker; that is how shells are named.
  const shell = goes > 0 && sign < 0 ? 0.5 : 1;
  if (goes < 0 && sign > 0)
    return unread(text, [`${name} has no oversizes, only undersizes like ${service.mm[0] ?? ''} mm.`]);
  const meant = meanings(figures).map(({ offset, unit }) => ({ offset: offset * shell * goes, unit }));
  const inside = (step: { readonly offset: number; readonly unit: 'mm' | 'in' }) =>
    step.offset * (step.unit === 'in' ? 25.4 : 1);
  const best =
    meant.find((step) =>
      usual.some((each) => each.unit === step.unit && Math.abs(inside(each) - inside(step)) < SAME),
    ) ?? meant.find((step) => Math.abs(inside(step)) < 3);
  if (!best)
    return unread(text, [
      `${figures.written} is no service size of ${name.toLowerCase()}: usual are ${[...service.mm, ...service.in].join(', ')}.`,
    ]);
  return { sort: 'step', text, parameter: parameter.id, offset: Number(best.offset.toFixed(6)), unit: best.unit };
}

/** Usual steps as they are said: `10` and `.010` of an inch, `0.25`. */
export const stepsSaid = (service: Parameter['service']): readonly number[] => [
  ...(service?.mm ?? []).map((step) => Math.abs(Number(step))),
  ...(service?.in ?? []).flatMap((step) => [Math.abs(Number(step)), Math.round(Math.abs(Number(step)) * 1000)]),
];
