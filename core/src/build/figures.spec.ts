import fc from 'fast-check';
import { all, create, type FactoryFunctionMap } from 'mathjs';
import { piston } from '../dictionary/kinds/piston';
import imports85 from '../testing/imports85.csv';
import { BUILDS, BUILD_LOOKUP, CATALOGUE, demoEngine } from '../testing/demo';
import { random } from '../quantity/random';
import { width } from '../quantity/interval';
import { engineOf } from './ground';
import { FIGURES, figureOf, type Figure } from './figures/index';
import { BuildModel, intervalOf } from './model';
import { figureIn, valueIn } from '../testing/figures';
import { buildSheetOf } from './sheet';
import { holds } from '../testing/laws';

const math = create(all as FactoryFunctionMap);
const DEG = Math.PI / 180;
const FALL = math.compile('sqrt((l + s / 2)^2 - e^2) - (s / 2 * cos(a) + sqrt(l^2 - (s / 2 * sin(a) + e)^2))');
const fallOf = (s: number, l: number, e: number, angle: number): number =>
  FALL.evaluate({ s, l, e, a: angle * DEG }) as number;
/** Least of a function by plain steps, and finer ones round the best. */
function least(of: (angle: number) => number, from: number, to: number): number {
  let [best, step] = [from, (to - from) / 400];
  for (let round = 0; round < 6; round++) {
    const [low, high] = [Math.max(from, best - 400 * step), Math.min(to, best + 400 * step)];
    for (let angle = low; angle <= high; angle += step) if (of(angle) < of(best)) best = angle;
    step /= 20;
  }
  return best;
}
const lift = (greatest: number, duration: number, centre: number, angle: number, form: number): number => {
  const part = (angle - centre) / (duration / 2);
  if (Math.abs(part) >= 1) return 0;
  return form === 1 ? greatest * Math.cos((Math.PI / 2) * part) ** 2 : greatest * (1 - part * part) ** 3;
};
/** Where a lift curve has come down to a height, halved in on rather than solved. */
function partAt(form: number, share: number): number {
  let [low, high] = [0, 1];
  for (let step = 0; step < 60; step++) {
    const middle = (low + high) / 2;
    if (lift(1, 2, 0, middle, form) > share) low = middle;
    else high = middle;
  }
  return low;
}
/** What formulas call by name beside what mathjs knows; written here once more, by other ways. */
const NAMED = {
  fall: fallOf,
  // Derivatives by small steps, not by formula.
  fallRate: (s: number, l: number, e: number, angle: number) =>
    (fallOf(s, l, e, angle + 1e-4) - fallOf(s, l, e, angle - 1e-4)) / (2e-4 * DEG),
  fallCurve: (s: number, l: number, e: number, angle: number) =>
    (fallOf(s, l, e, angle + 0.02) - 2 * fallOf(s, l, e, angle) + fallOf(s, l, e, angle - 0.02)) / (0.02 * DEG) ** 2,
  fastest: (s: number, l: number, e: number) =>
    least((angle) => -(fallOf(s, l, e, angle + 1e-3) - fallOf(s, l, e, angle - 1e-3)), 30, 120),
  dwell: (s: number, l: number, e: number, drop: number) => {
    const reaches = (side: number) => {
      let angle = 0;
      for (const step of [1, 0.01, 1e-4, 1e-6]) {
        while (fallOf(s, l, e, side * (angle + step)) < drop) angle += step;
      }
      return angle;
    };
    return reaches(1) + reaches(-1);
  },
  // Edges of the beam as lines, cut with the height of the foot.
  swingAtFoot: (s: number, l: number, e: number, foot: number, beam: number) => {
    const out = (angle: number): number => {
      const [x, y] = [(s / 2) * Math.sin(angle * DEG) + e, (s / 2) * Math.cos(angle * DEG)];
      const pin = y + Math.sqrt(l * l - x * x);
      if (foot >= pin || foot <= y) return 0;
      const [ux, uy] = [x / l, (y - pin) / l];
      const edges = [1, -1].map((side) => {
        const [px, py] = [-e - (side * uy * beam) / 2, pin + (side * ux * beam) / 2];
        return Math.abs(px + (ux * (foot - py)) / uy);
      });
      return Math.max(...edges);
    };
    const [right, left] = [least((angle) => -out(angle), 0, 180), least((angle) => -out(angle), 180, 360)];
    return Math.max(out(right), out(left));
  },
  lift,
  seat: (greatest: number, duration: number, at: number, form: number) =>
    at > 0 ? duration / partAt(form, at / greatest) : duration,
  centreBy: (greatest: number, duration: number, overlap: number, form: number) =>
    (partAt(form, overlap / greatest) * duration) / 2,
  nearest: (
    s: number,
    l: number,
    e: number,
    greatest: number,
    duration: number,
    centre: number,
    stem: number,
    form: number,
  ) =>
    least(
      (angle) => fallOf(s, l, e, angle) - lift(greatest, duration, centre, angle, form) * Math.cos(stem * DEG),
      -80,
      80,
    ),
};

/** The engines of the demo, as built and as its builds have them. */
const ENGINES = [
  ...BUILDS.map((build) => engineOf(build, BUILD_LOOKUP)),
  ...CATALOGUE.variants.map(({ id }) =>
    demoEngine(id, {
      'running.inletCloses': 60,
      'running.intakeCentre': 107,
      'running.exhaustCentre': 111,
      'running.balanced': 0.5,
      'running.firingPressure': 7,
      'running.ringsMass': 40,
      'running.durationAt': id.endsWith('h') ? 1.27 : 0,
    }),
  ),
];

describe('figures of a build', () => {
  for (const figure of FIGURES)
    it(`have a formula that gives the figure: ${figure.name}`, () => {
      const formula = math.compile(figure.formula);
      let told = 0;
      for (const engine of ENGINES)
        for (const found of buildSheetOf(engine, [figure]).figures) {
          if (found.value === undefined) continue;
          told++;
          const scope = { ...NAMED, ...Object.fromEntries(found.arguments.map(({ name, value }) => [name, value])) };
          const reckoned = formula.evaluate(scope) as number;
          // Angles found by steps are as fine as the steps, and curvature by differences as fine as rounding.
          const near = figure.quantity === 'angle' ? 0.01 : Math.max(1e-9, 1e-6 * Math.abs(found.value));
          expect(Math.abs(reckoned - found.value))
            .withContext(engine.build.name)
            .toBeLessThanOrEqual(near);
        }
      expect(told).withContext('demo engines in which it is told').toBeGreaterThan(0);
    });

  it('are each declared once, defined in a sentence, with a formula of what they go by and nothing else', () => {
    expect(new Set(FIGURES.map(({ id }) => id)).size).toBe(FIGURES.length);
    for (const { says, formula, of, source } of FIGURES) {
      expect(says).toMatch(/^[A-Z].*\.$/s);
      expect(source).not.toBe('');
      const used = new Set<string>();
      math.parse(formula).traverse((node) => {
        if ('isSymbolNode' in node && node.isSymbolNode) used.add((node as unknown as { name: string }).name);
      });
      for (const name of ['pi', 'asin', 'abs', 'tan', 'sin', 'cos', 'sqrt', 'min', ...Object.keys(NAMED)])
        used.delete(name);
      expect([...used].sort())
        .withContext(formula)
        .toEqual(Object.keys(of).sort());
    }
  });

  it('lie, with all limits against them, round every sample of what is put in', () => {
    const next = random(7);
    for (const engine of ENGINES.filter((_, at) => at % 4 === 0)) {
      const model = new BuildModel(engine, FIGURES);
      const nominal = model.nominal();
      const nodes = FIGURES.flatMap((figure) =>
        model.spots(figure).flatMap((spot) => {
          const node = model.node(figure, spot);
          return 'index' in node && Number.isFinite(nominal[node.index] ?? Number.NaN)
            ? [{ node, interval: intervalOf(model, node, nominal) }]
            : [];
        }),
      );
      for (let sample = 0; sample < 24; sample++) {
        const values = Float64Array.from(nominal);
        // Corners as well as the inside: there the worst lies.
        for (const { index, interval } of model.leaves) {
          const draw = next();
          const share = sample % 2 === 0 ? Math.round(draw) : draw;
          values[index] = interval.low + share * width(interval);
        }
        model.run(values);
        for (const { node, interval } of nodes) {
          const value = values[node.index] ?? 0;
          const rounding = 1e-7 * Math.max(1, Math.abs(value));
          expect(value)
            .withContext(node.figure.name)
            .toBeGreaterThanOrEqual(interval.low - rounding);
          expect(value)
            .withContext(node.figure.name)
            .toBeLessThanOrEqual(interval.high + rounding);
        }
      }
    }
  });

  it('change with work on a part just where they read what the work changes', () => {
    const before = buildSheetOf(demoEngine('sluice-357'));
    const after = buildSheetOf(
      demoEngine('sluice-357', {}, [{ slot: 'block', work: [{ operation: 'deck', by: { value: 0.01, unit: 'in' } }] }]),
    );
    expect(after.problems).toEqual([]);
    const reads = (figure: Figure): boolean =>
      Object.values(figure.of).some(
        (input) =>
          (input.reads === 'size' && input.parameter.id === 'block.deckHeight') ||
          ((input.reads === 'figure' || input.reads === 'over') && reads(input.figure)) ||
          (input.reads === 'first' &&
            input.of.some((each) => each.reads === 'figure' && reads(each.figure) && !input.of[0])),
      );
    for (const [at, { figure, value }] of before.figures.entries()) {
      if (value === undefined) continue;
      const changed = value !== after.figures[at]?.value;
      // What is only a way out, where something else is known, does not count.
      if (figure.id !== 'ratioSpread') expect(changed).withContext(figure.name).toBe(reads(figure));
    }
  });
});

describe('what the trade knows of builds', () => {
  // Common practice, no source: bores and strokes that everybody knows by their cubic inches.
  it('makes a 4.000 by 3.250 V8 a 327, and by 3.480 a 350', () => {
    for (const [stroke, cubic] of [
      [3.25, 327],
      [3.48, 350],
    ] as const) {
      const engine = demoEngine('sluice-357', { 'block.bore': 4 * 25.4, 'crank.stroke': stroke * 25.4 });
      expect(Math.round(valueIn(engine, 'displacement') / 16.387064)).toBe(cubic);
    }
  });

  // Common practice, no source.
  it('lowers the piston by all that a rod is shorter, and raises it by half of a longer stroke', () => {
    const [rod, stroke] = [145, 88];
    const sizes = { 'rod.length': rod, 'crank.stroke': stroke };
    const here = valueIn(demoEngine('sluice-357', sizes), 'belowDeck');
    expect(valueIn(demoEngine('sluice-357', { ...sizes, 'rod.length': rod - 4 }), 'belowDeck') - here).toBeCloseTo(
      4,
      9,
    );
    expect(valueIn(demoEngine('sluice-357', { ...sizes, 'crank.stroke': stroke + 6 }), 'belowDeck') - here).toBeCloseTo(
      -3,
      9,
    );
  });

  // By hand: 100 by 80 mm sweeps 628.32 cc; over it 50 + 12 + 0 + 4 - 0 = 66 cc make (628.32 + 66) / 66 = 10.52.
  it('makes the ratio of a worked sheet', () => {
    const engine = demoEngine('ambit-1360', {
      'block.bore': 100,
      'crank.stroke': 80,
      'rod.length': 150,
      'piston.compressionHeight': 40,
      'block.deckHeight': 230,
      'headGasket.thickness': 1.5,
      'headGasket.bore': 2 * Math.sqrt(12_000 / (Math.PI * 1.5)),
      'head.chamber.volume': 50,
      'piston.crown.volume': 4,
      'piston.crown.dome': 0,
    });
    expect(valueIn(engine, 'ratio')).toBeCloseTo(10.52, 2);
    expect(valueIn(engine, 'squish')).toBeCloseTo(1.5, 9);
  });

  // UCI Machine Learning Repository, Automobile data set (J. C. Schlimmer, 1987): bore, stroke, cylinders and size of
  // the imports of 1985 as published, in inches.
  it('makes the engine sizes of published data within two in a hundred', () => {
    const [header = '', ...lines] = imports85.trim().split('\n');
    const columns = header.split(',');
    const rows = lines.map((line) => Object.fromEntries(line.split(',').map((cell, at) => [columns[at] ?? '', cell])));
    const off = rows.flatMap((row) => {
      const [bore, stroke, size] = [row.bore_in, row.stroke_in, row.engine_size_cu_in].map(Number);
      const cylinders = Number(row.cylinders);
      if (!bore || !stroke || !size || !cylinders) return [];
      const swept = figureOf('swept')?.compute({ bore: bore * 25.4, stroke: stroke * 25.4 }, demoEngine('pip-48')) ?? 0;
      return [Math.abs((cylinders * swept) / 16.387064 / size - 1)];
    });
    expect(off.length).toBeGreaterThan(150);
    // Some rows of that data are known to be wrong; of the good ones all agree.
    expect(off.filter((each) => each < 0.02).length / off.length).toBeGreaterThan(0.8);
  });

  // Common practice, no source: the gap opens by pi times what the bore is larger; three thou make about ten.
  it('opens the gap of a ring by three thou and a bit for each thou of bore', () => {
    const gap = (bore: number) => valueIn(demoEngine('sluice-357', { 'block.bore': bore }), 'ringGap');
    expect(gap(101.6) - gap(101.6 - 0.0254)).toBeCloseTo(0.0254 * Math.PI, 9);
  });

  // Definition: a piston that makes the ratio it is sold by has the crown that is worked out from it.
  it('turns the ratio a piston is sold by into its crown, and back', () => {
    const engine = demoEngine('sluice-357');
    const crown = valueIn(engine, 'crownSold');
    const chamber = engine.size(piston.parameters['ratio.chamber']);
    const as = demoEngine('sluice-357', {
      'piston.crown.volume': crown,
      'head.chamber.volume': ((chamber?.interval.low ?? 0) + (chamber?.interval.high ?? 0)) / 2,
    });
    expect(valueIn(as, 'ratio')).toBeCloseTo(9, 6);
  });

  it('loads a rod bolt with the square of the speed', () => {
    const load = (speed: number) => valueIn(demoEngine('sluice-357', { 'running.speed': speed }), 'boltLoad');
    holds(
      fc.property(fc.double({ min: 500, max: 8000, noNaN: true }), (speed) => {
        expect(load(2 * speed) / load(speed)).toBeCloseTo(4, 9);
      }),
      10,
    );
    // And at the speed the bolts allow, they have just the share they are tightened to.
    const allowed = valueIn(demoEngine('skerry-47', { 'running.speed': 2000 }), 'speedByBolts');
    expect(valueIn(demoEngine('skerry-47', { 'running.speed': allowed }), 'boltShare')).toBeCloseTo(0.75, 9);
  });

  // Common practice, no source: a V8 at right angles is balanced with half of the reciprocating weight.
  it('hangs on a crankpin of two rods both big ends and half of what goes up and down', () => {
    const engine = demoEngine('skerry-47', { 'running.balanced': 0.5 });
    const weight = (id: string) => valueIn(engine, id);
    expect(weight('bobweight')).toBeCloseTo(weight('rotating') + 0.5 * weight('reciprocating'), 6);
  });

  // Common practice, no source: a longer stroke costs a rod half its difference at the cam, and a lighter piston makes
  // a crank too heavy by half its difference on each rod.
  it('brings rods nearer to the cam, and cranks out of balance, by half', () => {
    const [as, longer] = [demoEngine('sluice-357'), demoEngine('sluice-357', { 'crank.stroke': 101.6 })];
    const stroke = valueIn(as, 'swept') / valueIn(longer, 'swept');
    expect(valueIn(as, 'rodsUnderCam') - valueIn(longer, 'rodsUnderCam')).toBeCloseTo((101.6 - 101.6 * stroke) / 2, 6);
    const lighter = demoEngine('sluice-357', { 'piston.mass': 500 });
    const taken = figureIn(as, 'reciprocating')?.arguments.find(({ name }) => name === 'piston')?.value ?? 0;
    expect(valueIn(as, 'bobweight') - valueIn(lighter, 'bobweight')).toBeCloseTo(taken - 500, 6);
  });

  it('goes down in half a turn but for the offset, by where the piston stands highest and lowest', () => {
    for (const offset of [0, 1.5, -1.5]) {
      const [l, s] = [145, 90];
      const engine = demoEngine('sluice-357', { 'rod.length': l, 'crank.stroke': s, 'piston.pin.offset': offset });
      const top = least((angle) => fallOf(s, l, offset, angle), -40, 40);
      const bottom = least((angle) => -fallOf(s, l, offset, angle), 140, 220);
      expect(valueIn(engine, 'downstroke')).toBeCloseTo(bottom - top, 3);
    }
  });

  // Common practice, no source: of shells of several walls the thicker goes round the smaller journal, and none is
  // chosen before journal and housing are measured.
  it('takes the shell that is chosen by housing and journal, where a maker has several', () => {
    const clearance = (journal: number) =>
      figureIn(
        demoEngine('lumen-4-77', { 'block.mainHousing.diameter': 56.01, 'crank.mainJournal.diameter': journal }),
        'mainClearance',
      );
    expect(figureIn(demoEngine('lumen-4-77'), 'mainClearance')?.needs).toEqual([
      'block.mainHousing.diameter',
      'crank.mainJournal.diameter',
    ]);
    // Middle of what is asked for is 0.035: 56.010 less 51.998 leaves 3.977 for two walls, less 51.976 leaves 3.999.
    for (const [journal, wall, called] of [
      [51.998, 1.99, 'red'],
      [51.976, 1.998, 'blue'],
    ] as const) {
      const found = clearance(journal);
      expect(found?.value).toBeCloseTo(56.01 - 2 * wall - journal, 9);
      expect(found?.arguments.find(({ name }) => name === 'wall')?.leaf?.of).toContain(called);
    }
  });

  // Worked by hand: 70 degrees after the top the crankpin is 37.59 out and 13.68 over the main axis, the pin 140.77
  // higher. 50 over the axis the middle of a rod is 37.59 (154.45 - 50) / 140.77 = 27.89 out, half its beam 13.46 more.
  it('leaves room for a rod at the foot of its cylinder, less with a longer stroke and a longer cylinder', () => {
    const sizes = {
      'block.bore': 100,
      'block.deckHeight': 220,
      'block.cylinderLength': 170,
      'crank.stroke': 80,
      'rod.length': 145.7,
      'rod.beam.width': 26,
      'piston.pin.offset': 0,
    };
    const room = (others: Readonly<Record<string, number>> = {}) =>
      valueIn(demoEngine('sluice-357', { ...sizes, ...others }), 'rodsAtFoot');
    expect(room()).toBeCloseTo(50 - 27.89 - 13.46, 1);
    expect(room({ 'crank.stroke': 86 })).toBeLessThan(room());
    expect(room({ 'block.cylinderLength': 175 })).toBeLessThan(room());
    const wider = room() - room({ 'rod.beam.width': 30 });
    expect(wider).toBeGreaterThan(2);
    expect(wider).toBeLessThan(2.2);
  });

  it('times the ports of a two-stroke by when the crown passes them', () => {
    const engine = demoEngine('pip-48');
    const [exhaust, below] = [29.7, valueIn(engine, 'belowDeck')];
    const open = valueIn(engine, 'port.exhaust');
    expect(open).toBeGreaterThan(150);
    expect(open).toBeLessThan(165);
    expect(valueIn(engine, 'blowdown')).toBeGreaterThan(0);
    // A second way: how many of many crank angles have the crown below the edge.
    const taken = figureIn(engine, 'port.exhaust')?.arguments ?? [];
    const of = (name: string) => taken.find((each) => each.name === name)?.value ?? 0;
    const uncovered = Array.from({ length: 36_000 }, (_, at) => at / 100).filter(
      (angle) => fallOf(of('stroke'), of('rod'), of('offset'), angle) > exhaust - below,
    );
    expect(Math.abs(uncovered.length / 100 - open)).toBeLessThan(0.1);
  });
});
