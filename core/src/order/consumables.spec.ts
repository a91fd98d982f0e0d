import { demoEngine } from '../testing/demo';
import { CONSUMABLES } from './consumables';

const taken = (variant: string) => {
  const engine = demoEngine(variant);
  return new Map(
    CONSUMABLES.filter(({ arises }) => arises?.(engine) ?? true).map(({ id, quantity }) => [id, quantity(engine)]),
  );
};

describe('what is used up in assembly', () => {
  // Common practice, no source: a strip for each bearing that is proved, two fillings of oil with the running in.
  it('goes by the bearings of the engine: a four in five mains takes nine strips, a V8 thirteen', () => {
    expect(taken('lumen-4-77').get('crushStrip')).toBe(5 + 4);
    expect(taken('sluice-357').get('crushStrip')).toBe(5 + 8);
    expect(taken('sluice-357').get('oilFilling')).toBe(2);
  });

  // Common practice, no source: nothing is crushed in a rolling bearing, and a two-stroke burns its oil.
  it('has no strips where the crank rolls, and no oil to fill in where there is no sump', () => {
    const single = taken('minnow-48');
    expect([...single.keys()]).not.toContain('crushStrip');
    expect([...single.keys()]).not.toContain('oilFilling');
    expect(single.get('assemblyOil')).toBe(1);
  });

  it('is said with its reason, each once', () => {
    expect(new Set(CONSUMABLES.map(({ id }) => id)).size).toBe(CONSUMABLES.length);
    for (const { because, name } of CONSUMABLES)
      expect(because)
        .withContext(name)
        .toMatch(/^[A-Z].+\.$/);
  });
});
