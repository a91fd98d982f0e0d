import fc from 'fast-check';
import { say } from '../../quantity/sentence';
import { demoEngine } from '../../testing/demo';
import { figureIn, valueIn } from '../../testing/figures';
import { holds } from '../../testing/laws';

/** A cylinder with everything weighed: 600 g go up and down, 400 g round, 80 by 140 mm at 6,000 a minute. */
const WEIGHED = {
  'liner.bore': 100,
  'crank.stroke': 80,
  'rod.length': 140,
  'piston.pin.offset': 0,
  'running.speed': 6000,
  'piston.mass': 330,
  'pin.mass': 80,
  'running.ringsMass': 30,
  'rod.mass.smallEnd': 160,
  'rod.mass.bigEnd': 360,
  'running.shellsMass': 40,
  'rod.mass': 520,
  'running.firingPressure': 6,
  'crank.crankpin.diameter': 50,
  'rod.bigEnd.width': 25,
};
const engine = (sizes: Readonly<Record<string, number>> = {}, looks: Readonly<Record<string, string>> = {}) =>
  demoEngine('skerry-47', { ...WEIGHED, ...sizes }, [], looks);
const of = (id: string, sizes: Readonly<Record<string, number>> = {}, looks: Readonly<Record<string, string>> = {}) =>
  valueIn(engine(sizes, looks), id);

describe('loads of a cylinder', () => {
  // Newton. By hand: 0.6 kg at 20,303 m/s^2 pull with 12,182 N.
  it('pull with weight times acceleration', () => {
    expect(of('reciprocating')).toBeCloseTo(600, 9);
    expect(of('inertia')).toBeCloseTo(12_182, 0);
  });

  // Pressure times area. By hand: 6 N/mm^2 on 7,854 mm^2 push with 47,124 N.
  it('push with pressure times area', () => {
    expect(of('gas')).toBeCloseTo(47_123.9, 1);
    expect(of('gas', { 'liner.bore': 50 })).toBeCloseTo(47_123.9 / 4, 1);
  });

  // Trigonometry: at 30 degrees the rod leans by asin(40 x 0.5 / 140) = 8.21 degrees, whose tangent is 0.1443.
  it('thrust the skirt aside by the lean of the rod', () => {
    expect(of('sideThrust')).toBeCloseTo((47_123.9 / 2) * 0.14434, -1);
    expect(of('sideThrust', { 'rod.length': 170 })).toBeLessThan(of('sideThrust'));
    // A pin offset to the side it thrusts to leans the rod less there.
    expect(of('sideThrust', { 'piston.pin.offset': -2 })).toBeLessThan(of('sideThrust'));
  });

  // Force over projected area. By hand: 12,182 N over 50 by 25 mm are 9.75 N/mm^2.
  it('press on the projected area of the crankpin', () => {
    expect(of('pinPressure')).toBeCloseTo(9.745, 2);
  });
});

describe('rod bolts', () => {
  const bolt = { 'rod.bolt.diameter': 10 };
  const grade = (is: string) => ({ 'rod.boltGrade': is });

  // ISO 898-1, table of proof loads for coarse threads, from memory, in newtons as printed to three figures.
  for (const [diameter, pitch, is, load] of [
    [8, 1.25, '8.8', 21_200],
    [8, 1.25, '10.9', 30_400],
    [8, 1.25, '12.9', 35_500],
    [10, 1.5, '8.8', 33_700],
    [10, 1.5, '10.9', 48_100],
    [10, 1.5, '12.9', 56_300],
    [12, 1.75, '8.8', 48_900],
    [12, 1.75, '10.9', 70_000],
    [12, 1.75, '12.9', 81_800],
  ] as const)
    it(`of M${diameter} and class ${is} bear ${load} N without staying longer`, () => {
      const found = valueIn(
        engine({ 'rod.bolt.diameter': diameter, 'fastener.thread.pitch': pitch }, grade(is)),
        'boltProof',
      );
      expect(Math.abs(found / load - 1)).toBeLessThan(0.004);
    });

  // By hand: 12,182 N of the piston and 0.4 kg x 0.04 m x 394,784 / s^2 = 6,317 N of the big end on two bolts.
  it('share what piston and big end pull with at the top', () => {
    expect(of('boltLoad')).toBeCloseTo((12_182 + 6316.5) / 2, 0);
    expect(of('boltLoad', { 'running.rodBolts': 4 })).toBeCloseTo((12_182 + 6316.5) / 4, 0);
  });

  it('have as their share what they hold of what they bear', () => {
    const found = engine(bolt, grade('10.9'));
    expect(valueIn(found, 'boltShare')).toBeCloseTo(valueIn(found, 'boltLoad') / valueIn(found, 'boltProof'), 9);
    // Three quarters of the proof load is what a bolt is tightened to: *common practice, no source*.
    expect(figureIn(found, 'boltShare')?.verdict).toBe('fits');
    const fast = figureIn(engine({ ...bolt, 'running.speed': 16_000 }, grade('10.9')), 'boltShare');
    expect(fast?.verdict).toBe('doesNotFit');
    expect(fast?.says && say(fast.says, 'metric')).toContain('the bolt breaks');
    expect(fast?.figure.caution).toContain('new bolts');
  });

  it('allow the speed at which they have just that share, whatever the speed it is reckoned from', () => {
    const allowed = (speed: number) =>
      valueIn(engine({ ...bolt, 'running.speed': speed }, grade('8.8')), 'speedByBolts');
    holds(
      fc.property(fc.double({ min: 800, max: 9000, noNaN: true }), (speed) => {
        expect(allowed(speed) / allowed(4000)).toBeCloseTo(1, 9);
      }),
      8,
    );
    expect(valueIn(engine({ ...bolt, 'running.speed': allowed(4000) }, grade('8.8')), 'boltShare')).toBeCloseTo(
      0.75,
      9,
    );
  });

  it('of a class nobody names are asked for, and one of no class is not guessed at', () => {
    expect(figureIn(engine(bolt, grade('special')), 'boltProof')?.value).toBeUndefined();
    const bare = figureIn(engine({}, grade('special')), 'boltShare');
    expect(bare?.needs.length).toBeGreaterThan(0);
  });

  it('do not come up where the rod is in one piece', () => {
    const whole = demoEngine('pip-48', {}, [], { 'rod.capSplit': 'onePiece' });
    for (const id of ['boltLoad', 'boltProof', 'boltShare', 'speedByBolts'])
      expect(figureIn(whole, id)).withContext(id).toBeUndefined();
  });
});

describe('valve springs', () => {
  const springs = {
    'head.spring.installedHeight': 43,
    'cam.lift.intake': 7,
    'cam.lift.exhaust': 7.4,
    'running.rocker': 1.5,
    'valveSpring.coilBind': 30,
  };

  // By hand: 43 - 7 x 1.5 - 30 = 2.5, and 43 - 7.4 x 1.5 - 30 = 1.9.
  it('have what installed height leaves over lift and closed coils', () => {
    expect(of('coilBind.intake', springs)).toBeCloseTo(2.5, 9);
    expect(of('coilBind.exhaust', springs)).toBeCloseTo(1.9, 9);
  });

  // Common practice, no source: a millimetre and a half, sixty thou, stay between the coils.
  it('are refused with less than sixty thou between their coils', () => {
    const verdict = (bind: number) =>
      figureIn(engine({ ...springs, 'valveSpring.coilBind': bind }), 'coilBind.intake')?.verdict;
    expect(verdict(30)).toBe('fits');
    expect(verdict(31.8)).toBe('doesNotFit');
  });

  it('move as much as the lobe where the cam stands over the valves, and more by the rocker where it does not', () => {
    const { 'running.rocker': _none, ...plain } = springs;
    const over = figureIn(demoEngine('lumen-4-77', plain, [], { 'head.camBearings': '5' }), 'coilBind.intake');
    const under = figureIn(demoEngine('sluice-357', plain, [], { 'head.camBearings': '0' }), 'coilBind.intake');
    const rocker = (found: typeof over) => found?.arguments.find(({ name }) => name === 'rocker')?.value;
    expect(rocker(over)).toBe(1);
    expect(rocker(under)).toBeGreaterThan(1.2);
  });

  it('do not come up with an engine that breathes through ports', () => {
    expect(figureIn(demoEngine('pip-48'), 'coilBind.intake')).toBeUndefined();
  });
});

describe('the speed it may be trusted to', () => {
  const limits = (sizes: Readonly<Record<string, number>>) =>
    figureIn(engine({ 'rod.bolt.diameter': 10, ...sizes }, { 'rod.boltGrade': '10.9' }), 'safeSpeed');

  it('is the lowest of what pistons, bolts and springs allow, and names it', () => {
    for (const trusted of [1500, 3000, 5000, 20_000]) {
      const found = limits({ 'valveSpring.trustedSpeed': trusted });
      const all = Object.fromEntries((found?.arguments ?? []).map(({ name, value }) => [name, value]));
      expect(found?.value).toBe(Math.min(all.pistons ?? 0, all.bolts ?? 0, all.springs ?? 0));
      const lowest = Object.entries(all).sort((a, b) => a[1] - b[1])[0]?.[0];
      expect(found?.tells).toContain(lowest === 'bolts' ? 'rod bolts' : lowest === 'springs' ? 'springs' : 'pistons');
    }
  });

  it('leaves out what nobody knows, and says so', () => {
    const found = figureIn(demoEngine('sluice-357', WEIGHED, [], { 'rod.boltGrade': 'special' }), 'safeSpeed');
    expect(found?.arguments.find(({ name }) => name === 'bolts')?.assumed).toContain('Nobody knows');
    expect(Number.isFinite(found?.value)).toBeTrue();
    expect(found?.figure.caution).toContain('No promise');
  });

  it('is left over or not by the speed the engine is to run at', () => {
    const left = (speed: number) =>
      figureIn(
        engine({ 'rod.bolt.diameter': 10, 'running.speed': speed, 'valveSpring.trustedSpeed': 5000 }),
        'speedLeft',
      );
    expect(left(1500)?.verdict).toBe('fits');
    expect(left(1500)?.value).toBeGreaterThan(0);
    expect(left(9000)?.verdict).toBe('doesNotFit');
  });
});
