import { CATALOGUE } from '../testing/demo';
import { monthOf } from './figure';
import { isException, spanOf, STILL_MADE } from './fitmentTime';
import type { Fitment, Variant } from './pattern';

const variant = (years: Variant['years'], ...fitments: readonly Partial<Fitment>[]): Variant => ({
  id: 'made',
  family: 'made',
  code: 'made',
  ...(years ? { years } : {}),
  dimensions: {},
  features: {},
  fitments: fitments.map((each) => ({ slot: 'crank', pattern: 'made-crank', ...each })),
});
const first = ({ fitments: [fitment] }: Variant): Fitment => fitment as Fitment;

describe('the time of a fitment', () => {
  it('is its own, else that of its variant, whole years to their last month', () => {
    const made = variant({ from: '1960', to: '1969' }, { from: '1963-07' });
    expect(spanOf(made, {})).toEqual({ from: monthOf('1960-01'), to: monthOf('1970-01') });
    expect(spanOf(made, first(made))).toEqual({ from: monthOf('1963-07'), to: monthOf('1970-01') });
    expect(spanOf(variant(undefined, {}), {})).toBeUndefined();
  });

  it('goes on past the last that is known where it is still made', () => {
    const made = variant({ from: '1960' }, { from: '1990', to: '1991' });
    expect(spanOf(made, {})?.to).toBe(monthOf('1992-01') + STILL_MADE);
    expect(spanOf(made, {}, monthOf('2000-01'))?.to).toBe(monthOf('2000-01'));
  });

  // Common practice, no source: a part that a quarter of the years carried was the usual one of its time.
  it('makes it an exception where it is short, for some engines, or between two serials', () => {
    const ten = { from: '1960', to: '1969' };
    const is = (fitment: Partial<Fitment>, years: Variant['years'] = ten) => {
      const made = variant(years, fitment);
      return isException(made, first(made));
    };
    expect([is({}), is({ from: '1965' }), is({ to: '1962-06' })]).toEqual([false, false, false]);
    expect(is({ to: '1962-05' })).toBeTrue();
    expect([is({ share: 0.9 }), is({ serialFrom: 'A1', serialTo: 'A9' })]).toEqual([true, true]);
    // From a serial on it was changed over.
    expect(is({ serialFrom: 'A1' })).toBeFalse();
    expect(is({ from: '1965', to: '1965' }, { from: '1960' })).toBeTrue();
    expect(is({ from: '1965' }, { from: '1960' })).toBeFalse();
  });

  it('of the demo is told alike wherever it is asked', () => {
    const exceptions = CATALOGUE.variants.flatMap((each) =>
      each.fitments.filter((fitment) => isException(each, fitment)).map((fitment) => `${each.code} ${fitment.pattern}`),
    );
    expect(exceptions).toContain('357 sluice-piston-398-3590-83');
    expect(new Set(exceptions).size).toBeGreaterThan(10);
  });
});
