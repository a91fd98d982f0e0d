import fc from 'fast-check';
import { checkDigitOf, modelYears, readVehicleNumber, VehicleNumberError } from './vehicleNumber';
import { holds } from '../testing/laws';

const ALLOWED = 'ABCDEFGHJKLMNPRSTUVWXYZ0123456789'.split('');

describe('a vehicle identification number', () => {
  it('of seventeen ones has the check digit one: the published test number', () => {
    // 49 CFR 565.15(c): the weights add up to 89, and 89 modulo 11 is 1.
    expect(readVehicleNumber('11111111111111111').checked).toBeTrue();
  });

  it('has the years of 49 CFR 565.15, table VII', () => {
    expect(modelYears('A')).toEqual([1980, 2010, 2040]);
    expect(modelYears('Y')).toEqual([2000, 2030, 2060]);
    expect(modelYears('1')).toEqual([2001, 2031, 2061]);
    expect(modelYears('9')).toEqual([2009, 2039, 2069]);
    for (const letter of 'IOQUZ0') expect(modelYears(letter)).withContext(letter).toEqual([]);
    const number = readVehicleNumber('1111111111A111111'.replace(/^(.{9}).(.*)$/, '$1A$2'), { from: 1975, to: 1995 });
    expect(number.years).toEqual([1980]);
  });

  it('with one misread character is found out, unless the two have the same value', () => {
    const value = (character: string) => checkDigitOf(character.padEnd(17, '0'));
    holds(
      fc.property(
        fc.array(fc.constantFrom(...ALLOWED), { minLength: 17, maxLength: 17 }),
        fc.nat(16),
        fc.constantFrom(...ALLOWED),
        (characters, at, other) => {
          const right = characters.join('');
          const good = right.slice(0, 8) + checkDigitOf(right) + right.slice(9);
          expect(readVehicleNumber(good).checked).toBeTrue();
          if (at === 8) return;
          const bad = good.slice(0, at) + other + good.slice(at + 1);
          expect(readVehicleNumber(bad).checked).toBe(value(other) === value(good.charAt(at)));
        },
      ),
    );
  });

  it('of the wrong form says what is wrong', () => {
    expect(() => readVehicleNumber('123')).toThrowError(VehicleNumberError, /17 characters; this has 3/);
    expect(() => readVehicleNumber('O1111111111111111')).toThrowError(VehicleNumberError, /I, O and Q/);
  });
});
