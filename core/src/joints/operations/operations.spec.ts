import fc from 'fast-check';
import { crank } from '../../dictionary/kinds/crank';
import { around, interval, shifted } from '../../quantity/interval';
import { demoPart } from '../../testing/demo';
import { regrindJournal } from './journals';
import { block } from '../../dictionary/kinds/block';
import { fitSpacerShells, lineBore } from './housings';
import type { Worked } from './operation';
import { grindThrustFaces, turnCounterweights, turnOffWebLip, turnSealLand } from './cranks';
import { holds } from '../../testing/laws';

const journal = crank.parameters['mainJournal.diameter'];
const part = demoPart('sluice-crank-3375-forged');

describe('machining', () => {
  const standard = part.values[journal.id]?.interval ?? interval(0);
  const last = Math.min(...(part.service[journal.id] ?? []));

  it('never gives a journal that is larger, or smaller than the last undersize', () => {
    holds(
      fc.property(fc.double({ min: -3, max: 1, noNaN: true }), (by) => {
        const worked = regrindJournal(part, journal, shifted(around(standard.low, 0.006), by));
        if ('refused' in worked) expect(worked.refused).toMatch(/\.$/);
        else {
          const now = worked.part.values[journal.id]?.interval;
          expect(now?.high).toBeLessThanOrEqual(standard.low + 0.0001);
          expect(now?.low).toBeGreaterThanOrEqual(standard.low + last - 0.0001);
        }
      }),
    );
  });

  it('leaves the part it was given as it was', () => {
    const before = JSON.stringify(part);
    regrindJournal(part, journal, shifted(standard, -0.254));
    turnCounterweights(part, 1);
    expect(JSON.stringify(part)).toBe(before);
  });
});

describe('each operation', () => {
  const housing = block.parameters['mainHousing.diameter'];
  const large = demoPart('sluice-block-low-large');
  const refusal = (worked: Worked) => ('refused' in worked ? worked.refused : '');
  const value = (worked: Worked, id: string) => ('part' in worked ? worked.part.values[id]?.interval : undefined);

  it('bores a housing out to its greatest and no further, and never in', () => {
    expect(value(lineBore(large, interval(71.5, 71.52)), housing.id)).toEqual(interval(71.5, 71.52));
    expect(refusal(lineBore(large, interval(72.5, 72.52)))).toContain('not the meat');
    expect(refusal(lineBore(large, interval(70, 70.02)))).toContain('already as large');
    // Without a limit on record nobody says that it may be done.
    const worked = lineBore(demoPart('ambit-block-3'), interval(54.4, 54.42));
    expect('unknown' in worked ? worked.unknown : '').toBe('block.mainHousing.greatestBore');
  });

  it('lines a housing with the spacer made for it: its size less twice the wall', () => {
    const spacer = demoPart('sluice-spacer');
    // By hand: 2.8030 - 2 x 0.1300 = 2.5430 in; 2.8036 - 2 x 0.1298 = 2.5440 in.
    const lined = value(fitSpacerShells(large, spacer), housing.id);
    expect(lined?.low).toBeCloseTo(2.543 * 25.4, 6);
    expect(lined?.high).toBeCloseTo(2.544 * 25.4, 6);
    expect(refusal(fitSpacerShells(demoPart('sluice-block-low-small'), spacer))).toContain('another housing');
  });

  it('turns counterweights, thrust faces and seal lands within what they bear', () => {
    const swing = crank.parameters.swing.id;
    expect(value(turnCounterweights(part, 2), swing)?.low).toBeCloseTo((part.values[swing]?.interval.low ?? 0) - 2, 9);
    expect(refusal(turnCounterweights(part, 4))).toContain('too light');
    const thrust = crank.parameters['thrustJournal.width'];
    const wide = part.values[thrust.id]?.interval.high ?? 0;
    expect(value(grindThrustFaces(part, wide + 0.2), thrust.id)?.low).toBeCloseTo(wide + 0.18, 9);
    expect(refusal(grindThrustFaces(part, wide + 2))).toContain('hardening');
    expect(refusal(grindThrustFaces(part, wide - 1))).toContain('already');
    const seal = part.values[crank.parameters['sealJournal.diameter'].id]?.interval ?? interval(0);
    expect(refusal(turnSealLand(part, shifted(seal, -0.5)))).toBe('');
    expect(refusal(turnSealLand(part, shifted(seal, -5)))).toContain('weakens');
    expect(refusal(turnSealLand(part, shifted(seal, 1)))).toContain('already smaller');
  });

  it('takes the lip off, and leaves a plain web', () => {
    const lipped = demoPart('skerry-crank-6-112');
    const plain = turnOffWebLip(lipped);
    expect(plain.looks[crank.features.webLip.id]).toEqual({ option: 'none', source: 'machined' });
    expect(plain.values[crank.parameters['webLip.diameter'].id]).toBeUndefined();
    expect(lipped.values[crank.parameters['webLip.diameter'].id]).toBeDefined();
  });

  it('is refused where the size it changes is not known', () => {
    const bare = { ...part, values: {} };
    for (const worked of [
      regrindJournal(bare, journal, interval(59)),
      turnCounterweights(bare, 1),
      grindThrustFaces(bare, 40),
      turnSealLand(bare, interval(80)),
      lineBore({ ...large, values: {} }, interval(72)),
    ]) {
      expect(refusal(worked)).toContain('not known');
    }
  });
});
