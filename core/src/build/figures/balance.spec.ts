import { say } from '../../quantity/sentence';
import { demoEngine } from '../../testing/demo';
import { figureIn, valueIn } from '../../testing/figures';

const WEIGHED = {
  'piston.mass': 540,
  'pin.mass': 120,
  'running.ringsMass': 50,
  'rod.mass.smallEnd': 170,
  'rod.mass.bigEnd': 430,
  'rod.mass': 600,
  'running.shellsMass': 45,
};
const engine = (sizes: Readonly<Record<string, number>> = {}, variant = 'sluice-357') =>
  demoEngine(variant, { ...WEIGHED, ...sizes });

describe('the balance of an engine', () => {
  // Common practice, no source: what a balance card adds up. By hand: 540 + 120 + 50 + 170 = 880 and 430 + 45 = 475.
  it('adds up what goes up and down, and what goes round', () => {
    expect(valueIn(engine(), 'reciprocating')).toBeCloseTo(880, 9);
    expect(valueIn(engine(), 'rotating')).toBeCloseTo(475, 9);
  });

  // Common practice, no source: the bobweight of a V8 at right angles is 100 % rotating and 50 % reciprocating of both
  // rods of a pin. By hand: 2 x (475 + 440) = 1830.
  it('hangs on a pin of a V8 what a balance card comes to', () => {
    expect(valueIn(engine(), 'bobweight')).toBeCloseTo(1830, 6);
    expect(valueIn(engine({ 'running.balanced': 0.52 }), 'bobweight')).toBeCloseTo(2 * (475 + 0.52 * 880), 6);
  });

  // Common practice, no source: a four in line balances itself and is given no bobweight; a single wants a factor.
  it('asks for the factor where the layout does not tell it', () => {
    expect(figureIn(engine({}, 'ambit-1360'), 'bobweight')?.needs).toContain('running.balanced');
    expect(valueIn(engine({ 'running.balanced': 0.6 }, 'ambit-1360'), 'bobweight')).toBeCloseTo(475 + 0.6 * 880, 6);
  });

  it('says what was taken for want of better', () => {
    const { 'running.ringsMass': _rings, ...without } = WEIGHED;
    const found = figureIn(demoEngine('sluice-357', without), 'reciprocating');
    expect(found?.value).toBeCloseTo(830, 9);
    expect(found?.arguments.find(({ name }) => name === 'rings')?.assumed).toContain('not weighed');
  });

  it('holds the bobweight against what the crank was balanced with', () => {
    const against = (balanced: number) => figureIn(engine({ 'crank.bobweight': balanced }), 'balancedFor');
    expect(against(1830)?.value).toBeCloseTo(1, 9);
    expect(against(1830)?.verdict).toBe('fits');
    const heavy = against(2100);
    expect(heavy?.verdict).toBe('doesNotFit');
    expect(heavy?.says && say(heavy.says, 'metric')).toContain('too heavy for it');
    const light = against(1600);
    expect(light?.says && say(light.says, 'metric')).toContain('too light for it');
  });

  it('tells how far the cylinders differ', () => {
    expect(valueIn(engine(), 'reciprocatingSpread')).toBeCloseTo(0, 9);
    // One piston of another type, seventh cylinder.
    const mixed = demoEngine('sluice-357', {}, [{ slot: 'piston', at: 7, pattern: 'sluice-piston-398-3590-83' }]);
    const each = Array.from({ length: 8 }, (_, at) => valueIn(mixed, 'reciprocating', at + 1));
    expect(valueIn(mixed, 'reciprocatingSpread')).toBeCloseTo(Math.max(...each) - Math.min(...each), 9);
    expect(new Set(each.filter((_, at) => at !== 6)).size).toBe(1);
  });
});
