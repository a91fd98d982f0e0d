import { middle } from '../quantity/interval';
import { demoEngine, demoPart } from '../testing/demo';
import { inServiceSize, ringsFor, serviceSizesOf } from './serviceSize';

const mid = (part: ReturnType<typeof demoPart>, id: string): number => {
  const value = part.values[id];
  if (!value) throw new RangeError(`It has no ${id}.`);
  return middle(value.interval);
};

describe('a part bought in a service size', () => {
  it('is larger where it runs in the cylinder, and nowhere else', () => {
    const piston = demoPart('lumen-piston-78-77-88');
    const over = inServiceSize(piston, 0.5);
    for (const id of ['piston.bore', 'piston.skirt.diameter'])
      expect(mid(over, id) - mid(piston, id)).toBeCloseTo(0.5, 9);
    for (const id of ['piston.compressionHeight', 'piston.pin.diameter', 'piston.mass'])
      expect(over.values[id]).toEqual(piston.values[id]);
    expect(inServiceSize(piston, 0)).toBe(piston);
    const crank = demoPart('lumen-crank-4b');
    expect(inServiceSize(crank, 0.5)).toBe(crank);
  });

  // Common practice, no source: shells a quarter under are an eighth thicker each, so that the clearance stays.
  it('of shells is thicker by half of what came off the journal', () => {
    const shell = demoPart('lumen-shell-ab-red');
    expect(mid(inServiceSize(shell, -0.25), 'mainShell.wall') - mid(shell, 'mainShell.wall')).toBeCloseTo(0.125, 9);
    expect(serviceSizesOf(shell)[0]).toBeCloseTo(-0.25, 9);
    expect(serviceSizesOf(demoPart('lumen-piston-78-77-88'))).toEqual([0.25, 0.5]);
    expect(serviceSizesOf(demoPart('lumen-crank-4b'))).toEqual([]);
  });

  it('keeps the clearance of a bored cylinder, and its rings their gap', () => {
    const gaps = (by: number, size?: number) => {
      const engine = demoEngine('lumen-4-77', {}, [
        ...(by > 0
          ? [{ slot: 'block', work: [{ operation: 'bore' as const, by: { value: by, unit: 'mm' as const } }] }]
          : []),
        {
          slot: 'piston',
          pattern: 'lumen-piston-78-77-88',
          ...(size === undefined ? {} : { size: { value: size, unit: 'mm' as const } }),
        },
      ]);
      const [block, piston, rings] = ['block', 'piston', 'rings'].map((slot) => engine.part(slot)?.part);
      if (!block || !piston || !rings) throw new RangeError('A part is missing.');
      return {
        skirt: mid(block, 'block.bore') - mid(piston, 'piston.skirt.diameter'),
        rings: mid(block, 'block.bore') - mid(rings, 'rings.bore'),
      };
    };
    const [fresh, bored, forgotten] = [gaps(0), gaps(0.5, 0.5), gaps(0.5)];
    expect(bored.skirt).toBeCloseTo(fresh.skirt, 6);
    expect(bored.rings).toBeCloseTo(fresh.rings, 6);
    expect(forgotten.skirt).toBeCloseTo(fresh.skirt + 0.5, 6);
  });

  it('is a problem of the build where such a part comes in one size', () => {
    const engine = demoEngine('lumen-4-77', {}, [
      { slot: 'crank', pattern: 'lumen-crank-4b', size: { value: 0.5, unit: 'mm' } },
    ]);
    expect(engine.problems.map(({ where }) => where)).toEqual(['places[0].size']);
  });

  it('of rings is that of the cylinder, where one comes near', () => {
    const rings = demoPart('lumen-rings-78');
    expect(ringsFor(rings, { low: 78.5, high: 78.52 })).toBe(0.5);
    expect(ringsFor(rings, { low: 78, high: 78.02 })).toBe(0);
    expect(ringsFor(rings, { low: 78.37, high: 78.37 })).toBe(0);
    expect(ringsFor(rings, undefined)).toBe(0);
  });
});
