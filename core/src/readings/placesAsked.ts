import type { SizeReading, Understood } from './reading.js';

/** What several figures may be of which nothing but their number tells: repeats of one, or one for each place. */
interface PlacesAsked {
  readonly repeats: SizeReading;
  readonly places: SizeReading;
}

/**
 * The two things that a reading may be of which it had to be assumed; nothing where a word said which. Taking either of
 * them answers the question.
 */
export function placesAsked(is: Understood): PlacesAsked | undefined {
  if (is.sort !== 'size' || !is.positionsAssumed) return undefined;
  const { positions, positionsAssumed: _assumed, ...repeats } = is;
  // Of two directions each pair was taken at one place.
  const perPlace = is.axes ? 2 : 1;
  return {
    repeats,
    places: { ...repeats, positions: positions ?? is.values.map((_, at) => Math.floor(at / perPlace) + 1) },
  };
}
