import { block } from '../dictionary/kinds/block';
import { cam } from '../dictionary/kinds/cam';
import { crank } from '../dictionary/kinds/crank';
import { head } from '../dictionary/kinds/head';
import { piston } from '../dictionary/kinds/piston';
import { rings } from '../dictionary/kinds/rings';
import { rod } from '../dictionary/kinds/rod';
import { valve } from '../dictionary/kinds/valve';
import { CatalogueLookup } from '../catalogue/lookup';
import type { Catalogue } from '../catalogue/catalogue';
import type { Parameter } from '../dictionary/definition';
import { KINDS } from '../dictionary/dictionary';
import { contains } from '../quantity/interval';
import { say } from '../quantity/sentence';
import { CATALOGUE } from '../testing/demo';
import { impliedOf } from './onRecord';
import { impliedByItself } from './ownSizes';
import { swapParts } from './swap';
import { swapContextOf } from './swapContext';

/** The demo, with these entries left out of all patterns of these kinds. */
function without(...ids: readonly string[]): CatalogueLookup {
  const some = <T extends object>(entries: T): T =>
    Object.fromEntries(Object.entries(entries).filter(([id]) => !ids.includes(id))) as T;
  const less: Catalogue = {
    ...CATALOGUE,
    patterns: CATALOGUE.patterns.map(({ claims: _claims, ...pattern }) => ({
      ...pattern,
      dimensions: some(pattern.dimensions),
      features: some(pattern.features),
    })),
  };
  return new CatalogueLookup(less);
}

const whole = new CatalogueLookup(CATALOGUE);
const partOf = (lookup: CatalogueLookup, id: string) => {
  const part = lookup.part(id);
  if (!part) throw new RangeError(`The demo has no ${id}.`);
  return part;
};

describe('a size that nobody put down', () => {
  it('is told by the description of the engine it is usual in: bore, stroke and number of cylinders', () => {
    const lookup = without(block.parameters.bore.id, crank.parameters.stroke.id, block.features.cylinders.id);
    const context = swapContextOf(lookup);
    let told = 0;
    for (const { kind, parameter } of [
      { kind: 'block', parameter: block.parameters.bore },
      { kind: 'crank', parameter: crank.parameters.stroke },
    ] as const)
      for (const part of whole.partsOfKind(kind)) {
        const [implied, true_] = [impliedOf(context, part, parameter.id), part.values[parameter.id]?.interval];
        if (!implied || !true_ || !('low' in implied)) continue;
        told++;
        expect(contains(implied, true_)).withContext(`${part.label} ${parameter.id}`).toBeTrue();
      }
    expect(told).toBeGreaterThan(20);
    const bored = swapParts(partOf(lookup, 'ambit-piston-73'), partOf(lookup, 'sluice-block-low-small'), context);
    expect(bored.verdict).toBe('doesNotFit');
  });

  it('is never told wrong by what the others are on record with, whichever of a part it is', () => {
    const wrong: string[] = [];
    for (const kind of ['crank', 'block', 'piston', 'pin', 'mainShell'] as const) {
      for (const parameter of Object.values<Parameter>(KINDS[kind].parameters).slice(0, 6)) {
        const lookup = without(parameter.id);
        const context = swapContextOf(lookup);
        for (const part of lookup.partsOfKind(kind)) {
          const true_ = whole.part(part.pattern ?? '')?.values[parameter.id]?.interval;
          const implied = true_ && impliedOf(context, part, parameter.id);
          if (!true_ || !implied || !('low' in implied)) continue;
          if (implied.low > true_.high || implied.high < true_.low) wrong.push(`${part.label}: ${parameter.id}`);
        }
      }
    }
    expect(wrong).toEqual([]);
  });

  // Common practice, no source: a skirt is smaller than the bore it is made for by three thousandths of it at most.
  it('is told by another of the same part', () => {
    const part = partOf(whole, 'ambit-piston-73');
    const { [piston.parameters['skirt.diameter'].id]: skirt, ...values } = part.values;
    const implied = impliedByItself({ ...part, values }, piston.parameters['skirt.diameter'].id);
    expect(implied && skirt && contains(implied, skirt.interval)).toBeTrue();
    expect(impliedByItself({ ...part, values: {} }, piston.parameters['skirt.diameter'].id)).toBeUndefined();
    for (const each of whole.partsOfKind('piston')) {
      const { [piston.parameters['skirt.diameter'].id]: own, ...others } = each.values;
      const told = impliedByItself({ ...each, values: others }, piston.parameters['skirt.diameter'].id);
      if (own && told) expect(contains(told, own.interval)).withContext(each.label).toBeTrue();
    }
  });

  it('is said to be so where it decides', () => {
    const lookup = without(block.parameters.bore.id);
    const context = swapContextOf(lookup);
    const { joints } = swapParts(partOf(lookup, 'ambit-piston-73'), partOf(lookup, 'sluice-block-low-small'), context);
    const [check] = joints.flatMap(({ checks }) => checks).filter(({ id }) => id === 'skirtClearance');
    expect(say(check?.because ?? [], 'metric')).toContain('on record with, where not known: bore');
  });
});

// Common practice, no source: with pushrods the cam lies in the block; a valve is what the place it is in makes it.
describe('a look that nobody put down', () => {
  it('is told by how the engine’s valves are driven', () => {
    const lookup = without(head.features.camBearings.id, block.features.camBearings.id);
    const context = swapContextOf(lookup);
    expect(impliedOf(context, partOf(lookup, 'ambit-head-nine'), head.features.camBearings.id)).toEqual(['0']);
    expect(impliedOf(context, partOf(lookup, 'lumen-block-4b'), block.features.camBearings.id)).toEqual(['0']);
    expect(impliedOf(context, partOf(lookup, 'ambit-block-3'), block.features.camBearings.id)).not.toEqual(['0']);
  });

  it('is told by the place in the engine', () => {
    const lookup = without(valve.features.duty.id);
    const context = swapContextOf(lookup);
    for (const part of whole.partsOfKind('valve')) {
      const implied = impliedOf(context, part, valve.features.duty.id);
      if (implied)
        expect(implied)
          .withContext(part.label)
          .toEqual([part.looks[valve.features.duty.id]?.option ?? '']);
    }
  });

  // Common practice, no source: shells want a cap, and in a row each rod has a crankpin of its own.
  it('is told by what else the engine has, and never otherwise than it is', () => {
    const asked = [
      { kind: 'rod', feature: rod.features.capSplit },
      { kind: 'rod', feature: rod.features.smallEndForm },
      { kind: 'rod', feature: rod.features.pinFixing },
      { kind: 'piston', feature: piston.features.pinFixing },
      { kind: 'block', feature: block.features.mainsRun },
      { kind: 'block', feature: block.features.cylinderWall },
      { kind: 'crank', feature: crank.features.rodsPerPin },
      { kind: 'crank', feature: crank.features.crankpins },
      { kind: 'cam', feature: cam.features.firingOrder },
    ] as const;
    for (const { kind, feature } of asked) {
      const lookup = without(feature.id);
      const context = swapContextOf(lookup);
      let told = 0;
      for (const part of whole.partsOfKind(kind)) {
        const implied = impliedOf(context, partOf(lookup, part.pattern ?? ''), feature.id);
        const is = part.looks[feature.id]?.option;
        if (!implied || 'low' in implied || is === undefined) continue;
        told++;
        expect(implied).withContext(`${part.label}: ${feature.id}`).toContain(is);
      }
      expect(told).withContext(feature.id).toBeGreaterThan(2);
    }
  });
});

describe('parts of another size altogether', () => {
  it('are refused however little is known of them besides', () => {
    const lookup = without(
      piston.parameters['skirt.diameter'].id,
      piston.features.rings.id,
      piston.features.compressionRings.id,
      piston.features.crown.id,
      piston.features.material.id,
    );
    const context = swapContextOf(lookup);
    const verdict = (donor: string, recipient: string) =>
      swapParts(partOf(lookup, donor), partOf(lookup, recipient), context).verdict;
    expect(verdict('pip-piston-48', 'lumen-block-4c')).toBe('doesNotFit');
    expect(verdict('sluice-piston-380-3115-85', 'pip-block-48')).toBe('doesNotFit');
    expect(verdict('ambit-piston-73', 'skerry-liner-two')).toBe('doesNotFit');
    expect(verdict('pip-piston-48', 'pip-block-48')).not.toBe('doesNotFit');
  });

  it('are so as rings too, whose gap nobody measured', () => {
    const lookup = without(rings.parameters['top.gap'].id);
    const context = swapContextOf(lookup);
    const verdict = (donor: string, recipient: string) =>
      swapParts(partOf(lookup, donor), partOf(lookup, recipient), context).verdict;
    expect(verdict('minnow-rings-48', 'ambit-block-3')).toBe('doesNotFit');
    expect(verdict('ambit-rings-73', 'ambit-block-3')).not.toBe('doesNotFit');
  });
});
