import { say } from '../quantity/sentence';
import { demoEngine } from '../testing/demo';
import { nonsenseIn } from './nonsense';

const SOUND = {
  'block.bore': 100,
  'block.deckHeight': 230,
  'crank.stroke': 80,
  'rod.length': 150,
  'piston.compressionHeight': 40,
  'piston.pin.diameter': 24,
  'piston.pin.offset': 0,
  'rod.mass': 600,
  'rod.mass.bigEnd': 430,
  'rod.mass.smallEnd': 170,
};
const told = (
  sizes: Readonly<Record<string, number>> = {},
  variant = 'sluice-357',
  places: Parameters<typeof demoEngine>[2] = [],
) =>
  nonsenseIn(demoEngine(variant, { ...SOUND, ...sizes }, places)).map(({ of, at, says }) => ({
    of,
    at,
    says: say(says, 'metric'),
  }));

describe('an engine that cannot be', () => {
  it('is not one whose sizes go together', () => {
    expect(told()).toEqual([]);
  });

  // Geometry: a rod no longer than the throw, with the offset of the pin, does not come round.
  it('has a rod no longer than its throw', () => {
    const deck = (rod: number) => ({ 'rod.length': rod, 'block.deckHeight': 80 + rod });
    expect(told(deck(40))[0]?.says).toContain('does not come round a throw of 40.000 mm');
    expect(told(deck(39))[0]?.of).toBe('rod.length');
    expect(told(deck(41))).toEqual([]);
    expect(told({ ...deck(41), 'piston.pin.offset': 1.5 })[0]?.of).toBe('rod.length');
    expect(told({ ...deck(41), 'piston.pin.offset': -1.5 })[0]?.of).toBe('rod.length');
  });

  it('has a pin as large as its bore', () => {
    expect(told({ 'piston.pin.diameter': 100 })[0]?.says).toContain('A pin of 100.000 mm does not go into a piston');
    expect(told({ 'piston.pin.diameter': 60 })).toEqual([]);
  });

  // Common practice, no source: an inch of piston over the deck is no stroker but a figure that slipped.
  it('has a piston an inch out of its block', () => {
    expect(told({ 'rod.length': 174 })).toEqual([]);
    const out = told({ 'rod.length': 176 });
    expect(out[0]?.says).toContain('would stand 26.000 mm out of the block');
    expect(out[0]?.says).toContain('look at stroke, rod, compression height and deck once more');
  });

  // Common practice, no source: a rod laid with both ends on scales weighs as much as on one.
  it('has a rod whose ends do not add up to it', () => {
    expect(told({ 'rod.mass.bigEnd': 440 })).toEqual([]);
    const [slip] = told({ 'rod.mass.bigEnd': 43 });
    expect(slip?.of).toBe('rod.mass.bigEnd');
    expect(slip?.says).toContain('one of the three is mistyped');
  });

  it('has a crank for another number of cylinders', () => {
    const [crank] = told({}, 'sluice-357', [{ slot: 'crank', pattern: 'skerry-crank-4-104' }]);
    expect(crank?.says).toContain('carries 4 rods (4 crankpins, 1 on each), and the engine has 8 cylinders');
    expect(crank?.of).toBe('crank.crankpins');
  });

  it('is told once where it goes for all cylinders, and with the cylinder where it goes for one', () => {
    const all = told({ 'piston.pin.diameter': 120 });
    expect(all.map(({ at }) => at)).toEqual([undefined]);
    const engine = demoEngine('lumen-2-77', SOUND, [{ slot: 'piston', at: 2, pattern: 'sluice-piston-398-3590-83' }]);
    // What is typed goes for both cylinders, whatever is in their places.
    expect(nonsenseIn(engine)).toEqual([]);
  });
});
