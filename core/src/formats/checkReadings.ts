import { describedAs, featureOf, isOptionOf, parameterOf, type DescribedId } from '../dictionary/dictionary.js';
import { MarkTextError, readMark } from '../marks/markText.js';
import { toInside, UNITS } from '../quantity/unit.js';
import { showInterval } from '../quantity/format.js';
import { monthsOf } from '../readings/claim.js';
import type { Understood } from '../readings/reading.js';
import type { Problem } from './problem.js';
import { counted, one } from '../quantity/phrase.js';

/** What the schema of readings cannot see: names that are not of this kind of part, and sizes no such part has. */
export function checkReadings(kind: DescribedId, readings: readonly Understood[], where = 'readings'): Problem[] {
  return readings.flatMap((reading, at) => {
    const what = problemOf(kind, reading);
    return what === undefined ? [] : [{ where: `${where}[${at}]`, what }];
  });
}

function problemOf(kindId: DescribedId, reading: Understood): string | undefined {
  const kind = describedAs(kindId);
  const name = kind.name.toLowerCase();
  const has = (entries: Readonly<Record<string, { readonly id: string }>>, id: string) =>
    Object.values(entries).some((entry) => entry.id === id);
  switch (reading.sort) {
    case 'unread':
      return undefined;
    case 'mark':
      if (reading.place !== undefined && !has(kind.markPlaces, reading.place))
        return `${one(name)} has no mark place "${reading.place}".`;
      return reading.characters ? markProblem(reading.characters) : undefined;
    case 'claim':
      return reading.about === 'year' && !monthsOf(reading.value)
        ? `"${reading.value}" is no year: write it like 1962, 1962-03 or 1962/1964.`
        : undefined;
    case 'step': {
      if (!has(kind.parameters, reading.parameter)) return `${one(name)} has no size "${reading.parameter}".`;
      return parameterOf(reading.parameter).service ? undefined : `${reading.parameter} is not made in service sizes.`;
    }
    case 'look':
      if (!has(kind.features, reading.feature)) return `${one(name)} has no look "${reading.feature}".`;
      return isOptionOf(featureOf(reading.feature), reading.option)
        ? undefined
        : `"${reading.option}" is not an option of ${reading.feature}.`;
    case 'face':
      return has(kind.interfaces, reading.face) ? undefined : `${one(name)} has no face "${reading.face}".`;
    case 'size': {
      if (!has(kind.parameters, reading.parameter)) return `${one(name)} has no size "${reading.parameter}".`;
      const parameter = parameterOf(reading.parameter);
      if (UNITS[reading.unit].quantity !== parameter.quantity)
        return `${reading.unit} is no unit of ${parameter.quantity}.`;
      if (reading.positions && parameter.per === 'part') return `${one(name)} has ${reading.parameter} once only.`;
      for (const [list, name] of [
        [reading.positions, 'position'],
        [reading.levels, 'level'],
        [reading.axes, 'direction'],
      ] as const)
        if (list && list.length !== reading.values.length)
          return `${counted(reading.values.length, 'value')} and ${counted(list.length, name)}: give one for each.`;
      if ((reading.levels ?? reading.axes) && parameter.quantity !== 'length')
        return `${reading.parameter} has no height or direction at which it is taken.`;
      const { low, high } = parameter.plausible;
      const wrong = reading.values.find(
        (value) => toInside(value, reading.unit) < low || toInside(value, reading.unit) > high,
      );
      return wrong === undefined
        ? undefined
        : `${wrong} ${reading.unit} cannot be ${one(parameter.name.toLowerCase())}: those run from ${showInterval(parameter.plausible, parameter.quantity, 'metric')}. Check the figure and its unit.`;
    }
  }
}

function markProblem(characters: string): string | undefined {
  try {
    readMark(characters);
    return undefined;
  } catch (error) {
    if (error instanceof MarkTextError) return error.message;
    throw error;
  }
}
