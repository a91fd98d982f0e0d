import { sheetFor } from '../fit/sheets';
import { judgeSheet } from '../fit/sheet';
import { interval } from '../quantity/interval';
import type { HouseRules } from '../shop/houseRules';
import { demoPattern } from './demo';
import { made } from './made';

/**
 * Says at which service size the one place that was measured is told to clean up.
 *
 * @param of a pattern of the demo, whose size is put in the place of its own
 * @param sizeFor what was measured, from how much is left to the first service size
 */
export const cleansUp =
  (
    sheetId: string,
    of: string,
    dimension: { readonly low: string; readonly high: string; readonly service: string[] },
    sizeFor: (left: number) => number,
  ) =>
  (left: number, rules: HouseRules): string => {
    const sheet = sheetFor(sheetId);
    if (!sheet) throw new RangeError(`There is no sheet of ${sheetId}.`);
    const { id } = sheet.parameter;
    const size = interval(sizeFor(left));
    const value = { interval: size, source: 'measured' as const, at: [{ position: 1, interval: size }] };
    const told = judgeSheet(
      sheet,
      { ...made(sheet.kind, {}), values: { [id]: value } },
      { ...demoPattern(of), dimensions: { [id]: { ...dimension, unit: 'mm' } } },
      rules,
    );
    return `step ${told.cleansUp?.step ?? 'none'}`;
  };
