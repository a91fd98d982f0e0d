import type { Reading, Specimen } from '../readings/reading';

/** A part as if some of its readings had not been taken. */
export const without = (specimen: Specimen, drops: (is: Reading['is']) => boolean): Specimen => ({
  ...specimen,
  readings: specimen.readings.filter(({ is }) => !drops(is)),
});

let made = 0;
const nextId = (): string => `00000000-0000-4000-8000-${String((made += 1)).padStart(12, '0')}`;

/** A part of no job on which some sizes were measured, in millimetres or grams, and nothing else is known. */
export const measuredOnly = (
  name: string,
  kind: Specimen['kind'],
  sizes: Readonly<Record<string, number>>,
  unit: 'mm' | 'g' = 'mm',
): Specimen => ({
  id: nextId(),
  name,
  kind,
  readings: Object.entries(sizes).map(([size, value], at) => ({
    id: `00000000-0000-4000-9000-00000000000${at}`,
    at: '2026-10-05T09:00:00Z',
    is: {
      sort: 'size',
      text: size,
      parameter: `${kind}.${size}`,
      values: [value],
      unit,
      instrument: unit === 'g' ? 'scale' : 'micrometer',
    },
  })),
});
