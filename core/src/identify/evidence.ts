import { featureOf, parameterOf } from '../dictionary/dictionary.js';
import type { Feature, Making, Parameter } from '../dictionary/definition.js';
import { readMark, type MarkPosition } from '../marks/markText.js';
import { estimate, INSTRUMENTS, type Estimate, type Instrument } from '../quantity/instrument.js';
import { toInside } from '../quantity/unit.js';
import { sizesMeasured } from '../readings/measured.js';
import type { Understood } from '../readings/reading.js';

/** One independent piece of evidence, with the words it came from. */
export type Evidence =
  | { readonly sort: 'size'; readonly text: string; readonly parameter: Parameter; readonly estimate: Estimate; readonly instrument: Instrument }
  | { readonly sort: 'look'; readonly text: string; readonly feature: Feature; readonly option: string }
  | {
      readonly sort: 'mark';
      readonly text: string;
      readonly positions: readonly MarkPosition[];
      readonly making: Making | undefined;
      readonly place: string | undefined;
    };

/**
 * The evidence in some readings. The same thing seen twice counts once, repeats are pooled, words not understood
 * say nothing. The order of the result does not depend on the order of the readings, so sums come out alike.
 */
export function evidenceFrom(readings: readonly Understood[]): Evidence[] {
  const byKey = new Map<string, Evidence>();
  sizesMeasured(readings).forEach((size, at) => {
    const instrument = INSTRUMENTS[size.instrument];
    const inside = size.values.map((value) => toInside(value, size.unit));
    byKey.set(`1 size ${size.parameter} ${size.instrument} ${String(at).padStart(4, '0')}`, {
      sort: 'size',
      text: size.text,
      parameter: parameterOf(size.parameter),
      estimate: estimate(inside, instrument),
      instrument,
    });
  });
  for (const reading of readings) {
    if (reading.sort === 'look') {
      byKey.set(`2 look ${reading.feature} ${reading.option}`, {
        sort: 'look',
        text: reading.text,
        feature: featureOf(reading.feature),
        option: reading.option,
      });
    } else if (reading.sort === 'mark') {
      byKey.set(`0 mark ${reading.characters} ${reading.making ?? ''} ${reading.place ?? ''}`, {
        sort: 'mark',
        text: reading.text,
        positions: reading.characters ? readMark(reading.characters) : [],
        making: reading.making,
        place: reading.place,
      });
    }
  }
  return [...byKey].sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)).map(([, evidence]) => evidence);
}
