import type { Parameter } from '../dictionary/definition.js';
import { UNITS, type UnitId } from '../quantity/unit.js';
import type { Phrase, Phrases } from './phrases.js';
import { calledAfter } from './positions.js';

/** The size that a phrase names; a unit tells which of two it is: `big end 430 g`, `big end 56 mm`. */
export function parameterNamed(phrases: Phrases, phrase: Phrase | undefined, unit?: UnitId): Parameter | undefined {
  const named = phrase?.meanings.flatMap((meaning) => (meaning.is === 'parameter' ? [meaning.parameter] : [])) ?? [];
  const fits = unit && named.find(({ quantity }) => quantity === UNITS[unit].quantity);
  return fits ?? named[0] ?? calledAfter(phrases, phrase);
}
