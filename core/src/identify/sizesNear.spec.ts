import fc from 'fast-check';
import type { Size } from '../catalogue/size';
import { parameterOf } from '../dictionary/dictionary';
import { holds } from '../testing/laws';
import { ground, measured } from '../testing/measuredSize';
import { ColumnBuilder } from './columns';
import { Identification } from './identify';
import { indexCatalogue } from './catalogueIndex';
import { sizeDensity } from './sizeLikelihood';
import { codesNear } from './sizesNear';
import { CATALOGUE, words } from '../testing/demo';

// What wears away, what wears open, and what does not wear.
const PARAMETERS = ['crank.mainJournal.diameter', 'block.bore', 'crank.stroke'].map(parameterOf);

describe('sizes near a reading', () => {
  it('are all that it can be of, at whatever service step', () => {
    holds(
      fc.property(
        fc.constantFrom(...PARAMETERS),
        fc.array(fc.tuple(fc.double({ min: 40, max: 70, noNaN: true }), fc.integer({ min: 0, max: 4 })), {
          minLength: 1,
          maxLength: 30,
        }),
        fc.double({ min: 40, max: 70, noNaN: true }),
        (parameter, sizes, mean) => {
          const builder = new ColumnBuilder<Size>(sizes.length);
          sizes.forEach(([low, steps], row) => {
            builder.set(row, String(row), 0, () => ground(low, steps));
          });
          const column = builder.build();
          const evidence = measured(parameter, mean, 'caliper');
          const near = new Set(codesNear(column, evidence));
          column.distinct.forEach((size, at) => {
            if (!near.has(at + 1)) expect(sizeDensity(size, parameter, evidence.estimate)).toBe(0);
          });
        },
      ),
      200,
    );
  });

  it('weigh the same whichever of two that are ground together was read first, and when one is taken off again', () => {
    const index = indexCatalogue('crank', CATALOGUE);
    const [main, pin] = [words('main 59.40 mic'), words('pin 52.80 mic')];
    const shown = (identification: Identification) => JSON.stringify(identification.lineUp(8));
    const both = shown(new Identification(index).read([...main, ...pin]));
    const one = shown(new Identification(index).read(pin));
    const identification = new Identification(index).read(pin);
    for (let turn = 0; turn < 2; turn++) {
      expect(shown(identification.read([...pin, ...main]))).toBe(both);
      expect(shown(identification.read(pin))).toBe(one);
    }
  });
});
