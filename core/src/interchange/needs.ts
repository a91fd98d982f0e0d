import { KINDS } from '../dictionary/dictionary.js';
import type { Feature, Parameter, Reach } from '../dictionary/definition.js';
import { REACHES } from '../dictionary/definition.js';
import type { InstrumentId } from '../quantity/instrument.js';

/** Something to find out, and how long that takes. */
export interface Need {
  readonly id: string;
  readonly name: string;
  readonly minutes: number;
  /** How far the engine must be apart; nothing where a sheet tells it. */
  readonly reach?: Reach;
  readonly instrument?: InstrumentId;
}

/** A face is compared by eye with what it is to meet. *Common practice, no source.* */
const MINUTES_FOR_FACE = 3;

const ENTRIES: ReadonlyMap<string, Need> = new Map(
  Object.values(KINDS).flatMap((kind): (readonly [string, Need])[] => [
    ...Object.values<Parameter>(kind.parameters).map(
      ({ id, name, minutes, reach, instruments: [instrument] }) =>
        [id, { id, name: `${kind.name}: ${name.toLowerCase()}`, minutes, reach, instrument }] as const,
    ),
    ...Object.values<Feature>(kind.features).map(
      ({ id, name, minutes, reach }) =>
        [id, { id, name: `${kind.name}: ${name.toLowerCase()}`, minutes, reach }] as const,
    ),
    ...Object.values(kind.interfaces).map(
      ({ id, name }) => [id, { id, name: `${kind.name}: ${name.toLowerCase()}`, minutes: MINUTES_FOR_FACE }] as const,
    ),
  ]),
);

const reachOf = ({ reach }: Need): number => (reach ? REACHES.indexOf(reach) : 0);

/** What is to be found out, once each, the quickest to learn first. */
export const needsOf = (ids: readonly string[]): readonly Need[] =>
  [...new Set(ids)]
    .map((id): Need => ENTRIES.get(id) ?? { id, name: id, minutes: MINUTES_FOR_FACE })
    .sort((a, b) => a.minutes + 4 * reachOf(a) - (b.minutes + 4 * reachOf(b)) || (a.id < b.id ? -1 : 1));
