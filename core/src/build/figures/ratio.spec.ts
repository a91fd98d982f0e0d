import fc from 'fast-check';
import { say } from '../../quantity/sentence';
import { demoEngine } from '../../testing/demo';
import { figureIn, valueIn } from '../../testing/figures';
import { holds } from '../../testing/laws';

/** Of an inch and a cubic inch, exactly: the inch is 25.4 mm by the international agreement of 1959. */
const [IN, CI] = [25.4, 16.387064];

/** Everything a ratio goes by, typed in: 628.32 cc swept, 66 cc over it. */
const WORKED = {
  'block.bore': 100,
  'crank.stroke': 80,
  'rod.length': 150,
  'piston.compressionHeight': 40,
  'block.deckHeight': 230,
  'headGasket.thickness': 1.5,
  'headGasket.bore': 102,
  'head.chamber.volume': 50,
  'piston.crown.volume': 4,
  'piston.crown.dome': 0,
};
const worked = (sizes: Readonly<Record<string, number>> = {}, looks: Readonly<Record<string, string>> = {}) =>
  demoEngine('ambit-1360', { ...WORKED, ...sizes }, [], looks);

describe('displacement', () => {
  // Common practice, no source: bores and strokes that everybody in this trade knows by their cubic inches.
  for (const [bore, stroke, cubic] of [
    [3.75, 3.0, 265],
    [3.875, 3.0, 283],
    [4.0, 3.0, 302],
    [4.125, 3.76, 402],
    [4.251, 3.76, 427],
    [4.03, 3.48, 355],
    [4.03, 3.75, 383],
  ] as const)
    it(`of a V8 of ${bore} by ${stroke} in is ${cubic} cu in`, () => {
      const engine = demoEngine('sluice-357', { 'block.bore': bore * IN, 'crank.stroke': stroke * IN });
      expect(Math.round(valueIn(engine, 'displacement') / CI)).toBe(cubic);
    });

  // Common practice, no source: half-litre cylinders of 86 by 86 mm, and a single of 40.0 by 39.2 mm of 49 cc.
  it('of four square cylinders of 86 mm is two litres, less a sip', () => {
    expect(valueIn(demoEngine('lumen-4-77', { 'block.bore': 86, 'crank.stroke': 86 }), 'displacement')).toBeCloseTo(
      1998.2,
      1,
    );
    expect(valueIn(demoEngine('pip-48', { 'block.bore': 40, 'crank.stroke': 39.2 }), 'displacement')).toBeCloseTo(
      49.26,
      2,
    );
  });

  it('counts each cylinder with its own bore, and goes with the square of it', () => {
    const of = (bore: number) => valueIn(demoEngine('lumen-2-77', { 'block.bore': bore }), 'swept');
    holds(
      fc.property(fc.double({ min: 40, max: 120, noNaN: true }), (bore) => {
        expect(of(2 * bore) / of(bore)).toBeCloseTo(4, 9);
      }),
      10,
    );
    const engine = demoEngine('lumen-2-77', { 'block.bore': 80 });
    expect(valueIn(engine, 'displacement')).toBeCloseTo(valueIn(engine, 'swept', 1) + valueIn(engine, 'swept', 2), 9);
  });
});

describe('deck, gasket and squish', () => {
  it('is what deck height leaves over half a stroke, rod and compression height; less than nothing is proud', () => {
    expect(valueIn(worked(), 'belowDeck')).toBeCloseTo(0, 9);
    expect(valueIn(worked({ 'block.deckHeight': 230.4 }), 'belowDeck')).toBeCloseTo(0.4, 9);
    expect(valueIn(worked({ 'piston.compressionHeight': 40.3 }), 'belowDeck')).toBeCloseTo(-0.3, 9);
    expect(valueIn(worked({ 'piston.compressionHeight': 40.3 }), 'deckVolume')).toBeLessThan(0);
  });

  // By hand: a hole of 4.100 in through a gasket of 0.039 in holds 0.7854 x 4.1^2 x 0.039 = 0.5149 cu in, 8.44 cc.
  it('has a gasket volume as one works it out with 0.7854', () => {
    const gasket = worked({ 'headGasket.bore': 4.1 * IN, 'headGasket.thickness': 0.039 * IN });
    expect(valueIn(gasket, 'gasketVolume')).toBeCloseTo(8.44, 2);
  });

  // By hand: 0.025 in down a bore of 4.000 in is 0.3142 cu in, 5.15 cc.
  it('has a deck volume as one works it out with 0.7854', () => {
    const down = worked({ 'block.bore': 4 * IN, 'block.deckHeight': 230 + 0.025 * IN });
    expect(valueIn(down, 'deckVolume')).toBeCloseTo(5.15, 2);
  });

  // Common practice, no source: forty thou of squish with steel rods is the least one builds with.
  it('refuses a squish that is well under forty thou, and passes one of forty', () => {
    const squish = (thick: number) => figureIn(worked({ 'headGasket.thickness': thick }), 'squish');
    expect(squish(0.5)?.verdict).toBe('doesNotFit');
    expect(squish(0.04 * IN)?.verdict).toBe('fits');
    const says = squish(0.5)?.says;
    expect(says && say(says, 'metric')).toContain('strikes the head');
    expect(valueIn(worked({ 'block.deckHeight': 230.2 }), 'squish')).toBeCloseTo(1.7, 9);
  });
});

describe('the compression ratio', () => {
  it('is swept and clearance volume over clearance volume, with every part of it in its place', () => {
    const clearance = valueIn(worked(), 'clearance');
    const gasket = valueIn(worked(), 'gasketVolume');
    expect(clearance).toBeCloseTo(50 + gasket + 0 + 4, 9);
    expect(valueIn(worked(), 'ratio')).toBeCloseTo((628.3185 + clearance) / clearance, 4);
    // A dome takes room that a bowl gives.
    const domed = worked({ 'piston.crown.dome': 3 });
    expect(valueIn(domed, 'clearance')).toBeCloseTo(clearance - 3, 9);
  });

  // Common practice, no source: a thinner gasket, a milled head, a smaller bowl and a longer stroke all raise it.
  it('rises with all that every engine builder raises it with', () => {
    const here = valueIn(worked(), 'ratio');
    for (const more of [
      { 'headGasket.thickness': 1 },
      { 'head.chamber.volume': 48 },
      { 'piston.crown.volume': 2 },
      { 'piston.crown.dome': 2 },
      { 'crank.stroke': 82, 'piston.compressionHeight': 39 },
      { 'block.bore': 101 },
    ])
      expect(valueIn(worked(more), 'ratio'))
        .withContext(JSON.stringify(more))
        .toBeGreaterThan(here);
  });

  // Common practice, no source: a cc of chamber is worth what it is of the clearance volume.
  it('changes by its own share of what a cubic centimetre is of the clearance volume', () => {
    const [here, less] = [valueIn(worked(), 'ratio'), valueIn(worked({ 'head.chamber.volume': 49 }), 'ratio')];
    const clearance = valueIn(worked(), 'clearance');
    // The derivative, worked by hand: d(ratio) = swept / clearance^2.
    expect(less - here).toBeCloseTo(628.32 / clearance ** 2, 1);
  });

  it('differs from cylinder to cylinder by what is told of one of them', () => {
    const engine = demoEngine('lumen-2-77', WORKED, [
      { slot: 'piston', at: 2, work: [{ operation: 'machineCrown', by: { value: 0.3, unit: 'mm' } }] },
    ]);
    const [first, second] = [valueIn(engine, 'ratio', 1), valueIn(engine, 'ratio', 2)];
    expect(valueIn(engine, 'ratioSpread')).toBeCloseTo(Math.abs(first - second), 9);
    expect(valueIn(demoEngine('lumen-2-77', WORKED), 'ratioSpread')).toBeCloseTo(0, 9);
  });

  // Common practice, no source: what knocks on ordinary petrol runs on alcohol; a diesel needs far more.
  it('is held against the fuel that is named, and against the rating where none is', () => {
    const on = (fuel: string, chamber = 50) =>
      figureIn(worked({ 'head.chamber.volume': chamber }, { 'running.fuel': fuel }), 'ratio')?.verdict;
    // About 10.5 to one.
    expect(on('ordinary')).toBe('doesNotFit');
    expect(on('premium')).toBe('fits');
    expect(on('racing')).toBe('fits');
    expect(on('gas')).toBe('fits');
    expect(on('diesel')).toBe('doesNotFit');
    // About 17 to one.
    expect(on('diesel', 22)).toBe('fits');
    expect(on('racing', 22)).toBe('doesNotFit');
    const says = figureIn(worked({}, { 'running.fuel': 'ordinary' }), 'ratio')?.says;
    expect(says && say(says, 'metric')).toContain('it knocks, or breaks');
  });
});

describe('the effective ratio', () => {
  const closing = (degrees: number, more: Readonly<Record<string, number>> = {}) =>
    valueIn(worked({ 'running.inletCloses': degrees, 'piston.pin.offset': 0, ...more }), 'effectiveRatio');

  it('is the static one where the valve closes at the bottom, and falls the later it closes', () => {
    expect(closing(0)).toBeCloseTo(valueIn(worked(), 'ratio'), 6);
    expect(closing(40)).toBeGreaterThan(closing(60));
    expect(closing(60)).toBeGreaterThan(closing(80));
  });

  // By hand, for a rod that is as good as endless: 60 degrees after the bottom (1 + cos 60) / 2 = three quarters of the
  // stroke are left, so that 471.24 cc are pressed into the clearance volume.
  it('of an endless rod is worked out with the cosine alone', () => {
    const far = { 'rod.length': 1e6, 'block.deckHeight': 1e6 + 80 };
    const clearance = valueIn(worked(far), 'clearance');
    expect(closing(60, far)).toBeCloseTo(1 + (0.75 * 628.3185) / clearance, 3);
  });

  // Common practice, no source: a shorter rod hurries from the top and lingers at the bottom, so less is pushed back.
  it('is a little higher with a shorter rod, which lingers at the bottom', () => {
    const rod = (length: number) => closing(60, { 'rod.length': length, 'block.deckHeight': length + 80 });
    expect(rod(120)).toBeGreaterThan(rod(180));
  });

  it('does not come up with a two-stroke', () => {
    expect(figureIn(demoEngine('pip-48', { 'running.inletCloses': 60 }), 'effectiveRatio')).toBeUndefined();
  });
});

describe('a crown told by the ratio its piston is sold by', () => {
  const sold = { 'piston.ratio': 9.5, 'piston.ratio.chamber': 50 };

  it('is what makes that ratio with the chamber it was reckoned with', () => {
    const crown = valueIn(worked(sold), 'crownSold');
    const { 'piston.crown.volume': _none, ...others } = WORKED;
    const made = demoEngine('ambit-1360', { ...others, ...sold, 'piston.crown.volume': crown });
    expect(valueIn(made, 'ratio')).toBeCloseTo(9.5, 9);
  });

  // By hand: 628.3185 / 8.5 = 73.92 cc in all, less 50 of chamber and what the gasket holds.
  it('is worked out from the swept volume over the ratio less one', () => {
    expect(valueIn(worked(sold), 'crownSold')).toBeCloseTo(73.92 - 50 - valueIn(worked(), 'gasketVolume'), 2);
  });

  it('does not stand where the chamber is another than it was reckoned with: the ratio follows the chamber', () => {
    const { 'piston.crown.volume': _none, ...others } = WORKED;
    const other = demoEngine('ambit-1360', { ...others, ...sold, 'head.chamber.volume': 45 });
    const crown = valueIn(other, 'crownSold');
    expect(crown).toBeCloseTo(valueIn(worked(sold), 'crownSold'), 9);
    const engine = demoEngine('ambit-1360', { ...others, 'head.chamber.volume': 45, 'piston.crown.volume': crown });
    expect(valueIn(engine, 'ratio')).toBeGreaterThan(9.5);
  });
});
