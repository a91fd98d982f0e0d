import { bearings } from './bearings.js';
import { cylinders } from './cylinders.js';
import { deck } from './deck.js';
import { ends } from './ends.js';
import type { FigureOfThumb } from './figure.js';
import { records } from './records.js';
import { rods } from './rods.js';
import { running } from './running.js';
import { valveGear } from './valveGear.js';

export {
  bandOf,
  cite,
  leewayOf,
  limitOf,
  sayFigure,
  sayLeeway,
  type FigureOfThumb,
  type HasFigures,
  type LimitOfThumb,
  type OwnFigures,
} from './figure.js';
export { checkOwnFigures, readFigure, writeFigure } from './readFigure.js';
export { bearings, cylinders, deck, ends, records, rods, running, valveGear };

/** A subject with its figures. */
interface ThumbSubject {
  readonly name: string;
  readonly figures: readonly FigureOfThumb[];
}

/** Every figure of thumb there is, by subject. */
export const THUMB_SUBJECTS: readonly ThumbSubject[] = [
  { name: 'Bearings', figures: Object.values(bearings) },
  { name: 'Rods and pins', figures: Object.values(rods) },
  { name: 'Cylinders, pistons and rings', figures: Object.values(cylinders) },
  { name: 'Deck and head', figures: Object.values(deck) },
  { name: 'Valve gear', figures: Object.values(valveGear) },
  { name: 'Crankcase and ends', figures: Object.values(ends) },
  { name: 'The engine as it runs', figures: Object.values(running) },
  { name: 'Records', figures: Object.values(records) },
];

export const FIGURES_OF_THUMB: ReadonlyMap<string, FigureOfThumb> = new Map(
  THUMB_SUBJECTS.flatMap(({ figures }) => figures.map((figure) => [figure.id, figure])),
);
