import { judgeSheet } from '../fit/sheet';
import { sheetFor } from '../fit/sheets';
import { interval } from '../quantity/interval';
import type { HouseRules } from '../shop/houseRules';
import { made } from './made';

/**
 * Says what a sheet makes of one figure that was measured, with nothing uncertain about it.
 *
 * @param sizes of the same part besides, by their names in its kind
 */
export const onSheet =
  (sheetId: string, sizes: Readonly<Record<string, number>> = {}) =>
  (size: number, rules: HouseRules = {}): string => {
    const sheet = sheetFor(sheetId);
    if (!sheet) throw new RangeError(`There is no sheet of ${sheetId}.`);
    const part = made(sheet.kind, sizes);
    const value = { interval: interval(size), source: 'measured' as const };
    const [place] = judgeSheet(
      sheet,
      { ...part, values: { ...part.values, [sheetId]: value } },
      undefined,
      rules,
    ).places;
    return place?.verdict ?? 'nothing';
  };
