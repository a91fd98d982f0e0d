import * as fc from 'fast-check';
import type { Part } from '../catalogue/part';
import { demoEngine, demoPart } from '../testing/demo';
import { isSameSize, sizeToOrder, stepOf } from './serviceSize';
import { holds } from '../testing/laws';

/** The demo's four with its cylinders at this size, and what fits the standard bore. */
const lumen = (bore?: number, journal?: number) =>
  demoEngine('lumen-4-77', {
    ...(bore === undefined ? {} : { 'block.bore': bore }),
    ...(journal === undefined ? {} : { 'crank.mainJournal.diameter': journal }),
  });
const PISTON = demoPart('lumen-piston-78-77-95');
const bores = PISTON.service['piston.bore'] ?? [];

describe('the size that is ordered', () => {
  // Common practice, no source: pistons and rings by the bore, shells by the journal, in the steps that are made.
  it('is standard for a bore as made, and the service size for one bored to it', () => {
    expect(sizeToOrder(lumen(), PISTON)?.step).toBe(0);
    expect(bores.length).toBeGreaterThan(0);
    for (const step of bores) expect(sizeToOrder(lumen(78 + step), PISTON)?.step).toBe(step);
  });

  it('is not moved by wear, and not made up where no step comes near', () => {
    expect(sizeToOrder(lumen(78.06), PISTON)).toEqual(jasmine.objectContaining({ step: 0 }));
    expect(sizeToOrder(lumen(78.06), PISTON)?.between).toBeUndefined();
    const between = sizeToOrder(lumen(78.125), PISTON);
    expect(between?.step).toBe(0);
    expect(between?.between).toBeCloseTo(0.125, 2);
  });

  it('of shells goes by the journal, downwards', () => {
    const shell: Part = { ...demoPart('lumen-shell-ab-red'), kind: 'mainShell' };
    const size = sizeToOrder(lumen(undefined, 51.738), shell);
    expect(size?.of.id).toBe('crank.mainJournal.diameter');
    expect(size?.step).toBe(-0.25);
    // A crank that was ground is no reason for another piston.
    expect(sizeToOrder(lumen(undefined, 51.738), PISTON)?.step).toBe(0);
  });

  it('is told by nothing for what is not bought by size', () => {
    expect(sizeToOrder(lumen(), demoPart('lumen-rod-b'))).toBeUndefined();
    expect(stepOf(demoPart('lumen-rod-b'))).toBe(0);
    expect(stepOf(PISTON)).toBe(0);
  });

  it('is one step, whichever way it is come to: within a tenth of it, and never two at once (property)', () => {
    holds(
      fc.property(fc.double({ min: -0.09, max: 0.09, noNaN: true }), fc.constantFrom(0, ...bores), (off, step) => {
        const size = sizeToOrder(lumen(78 + step + off), PISTON);
        return size?.step === step && size.between === undefined && isSameSize(step + off, step);
      }),
      100,
    );
  });
});
