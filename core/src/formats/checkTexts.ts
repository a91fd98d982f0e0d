import { whyNotText } from '../quantity/text.js';
import type { Problem } from './problem.js';

/** Nothing that is sent or stored is nested nearly as deep. */
const DEEPEST = 60;

/**
 * Every text of some data that cannot be stored, with its place; names of fields are looked at too.
 *
 * @param where what the data as a whole is called
 */
export function checkTexts(data: unknown, where: string, depth = 0): Problem[] {
  if (depth > DEEPEST)
    return [{ where, what: `it is nested more than ${DEEPEST} deep, which nothing here is; check how it was made.` }];
  if (typeof data === 'string') {
    const what = whyNotText(data);
    return what === undefined ? [] : [{ where, what }];
  }
  if (Array.isArray(data)) return data.flatMap((each, at) => checkTexts(each, `${where}[${at}]`, depth + 1));
  if (typeof data !== 'object' || data === null) return [];
  return Object.entries(data).flatMap(([key, value]) => {
    const what = whyNotText(key);
    return what === undefined
      ? checkTexts(value, where === '' ? key : `${where}.${key}`, depth + 1)
      : [{ where, what: `in the name of a field ${what}` }];
  });
}
