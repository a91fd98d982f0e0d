import type { KindId } from '../dictionary/dictionary.js';
import { KINDS, markPlaceOf } from '../dictionary/dictionary.js';
import { readMark } from '../marks/markText.js';
import { cut } from '../quantity/text.js';
import { toInside } from '../quantity/unit.js';
import { sizesOfPart } from '../readings/measured.js';
import type { MarkReading, SizeReading, Specimen } from '../readings/reading.js';
import type { Dimension } from './figure.js';
import type { Mark, Pattern } from './pattern.js';

const DECIMAL = /^\d{1,6}(\.\d{1,8})?$/;

/**
 * The size as it was read: its figures where they are one plain number, else the mean of the repeats with their digits.
 */
function dimensionOf({ values, figures, unit }: SizeReading): Dimension {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const places = Math.max(...values.map((value) => (String(value).split('.')[1] ?? '').length));
  const digits = figures !== undefined && DECIMAL.test(figures) ? figures : mean.toFixed(Math.min(8, places));
  return { low: digits, high: digits, unit };
}

const legible = ({ characters }: MarkReading): boolean =>
  characters !== '' && readMark(characters).every((position) => position.length === 1);

function markOf({ characters, making, place }: MarkReading): Mark {
  const usual = place === undefined ? undefined : markPlaceOf(place).makings[0];
  return { text: characters, making: making ?? usual ?? 'cast', ...(place === undefined ? {} : { place }) };
}

/** An id made of words: lower case, figures and dashes, at most eighty characters. */
export const idFrom = (words: string): string =>
  words
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 70) || 'a-part';

/**
 * A pattern with what was read on one part, for a part that no catalogue has: sizes, looks, faces and legible marks as
 * claims measured here. Marks with characters that could not be read, and what was only claimed, go into the note.
 *
 * @param id of the new pattern, not yet in the catalogue
 * @param on the day, `YYYY-MM-DD`
 * @param like the pattern it is a sister of: its family is taken over, and nothing that was not read
 */
export function patternFromReadings(
  specimen: Pick<Specimen, 'kind' | 'name' | 'readings'>,
  id: string,
  on: string,
  who?: string,
  like?: Pattern,
): Pattern {
  const readings = specimen.readings.map(({ is }) => is);
  const kind: KindId = specimen.kind;
  const known = new Set(Object.values(KINDS[kind].parameters).map((parameter) => parameter.id));
  const dimensions: Record<string, Dimension> = {};
  // Of several instruments on one size the one with the least spread in its unit is not known here; the last one typed
  // counts.
  for (const size of sizesOfPart(readings))
    if (known.has(size.parameter) && toInside(size.values[0] ?? 0, size.unit) > 0)
      dimensions[size.parameter] = dimensionOf(size);
  const features = Object.fromEntries(
    readings.flatMap((reading) => (reading.sort === 'look' && !reading.not ? [[reading.feature, reading.option]] : [])),
  );
  const interfaces = Object.fromEntries(
    readings.flatMap((reading) => (reading.sort === 'face' ? [[reading.face, reading.pattern]] : [])),
  );
  const marks = readings.filter((reading) => reading.sort === 'mark');
  const kept = readings.flatMap((reading) => {
    if (reading.sort === 'mark') return reading.characters !== '' && !legible(reading) ? [reading.text] : [];
    return reading.sort === 'claim' || reading.sort === 'step' ? [reading.text] : [];
  });
  return {
    id,
    kind,
    name: specimen.name.slice(0, 200),
    ...(like?.family === undefined ? {} : { family: like.family }),
    dimensions,
    features,
    interfaces,
    marks: marks.filter(legible).map(markOf),
    numbers: [],
    source: { kind: 'measuredHere', on, ...(who ? { who } : {}) },
    note: cut(
      [
        `From one part read on the bench.`,
        ...(like ? [`Like ${like.name} (${like.id}), but for what it has of its own.`] : []),
        ...(kept.length > 0 ? [`Read or said besides: ${kept.join('; ')}.`] : []),
      ].join(' '),
      1000,
    ),
  };
}
