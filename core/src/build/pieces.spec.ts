import { say } from '../quantity/sentence';
import { demoEngine } from '../testing/demo';
import { piecesFor } from './pieces';

const of = (variant: string, slot: string, looks: Readonly<Record<string, string>> = {}) => {
  const engine = demoEngine(variant, {}, [], looks);
  const part = engine.part(slot)?.part;
  if (!part) throw new RangeError(`${variant} has no ${slot}.`);
  return piecesFor(engine, slot, part);
};

// Common practice, no source: what an engine takes of everything, as one orders it.
describe('how many an engine takes', () => {
  it('is one crank and one block, and a piston and a rod for each cylinder', () => {
    expect(of('sluice-357', 'crank')).toEqual({ quantity: 1, by: 'piece' });
    expect(of('sluice-357', 'block').quantity).toBe(1);
    expect(of('sluice-357', 'piston')).toEqual({ quantity: 8, by: 'piece' });
    expect(of('sluice-357', 'rod').quantity).toBe(8);
    expect(of('lumen-2-77', 'piston').quantity).toBe(2);
    expect(of('pip-48', 'piston').quantity).toBe(1);
  });

  it('is a head and a gasket for each bank', () => {
    expect([of('sluice-357', 'head').quantity, of('sluice-357', 'headGasket').quantity]).toEqual([2, 2]);
    expect([of('skerry-66', 'head').quantity, of('skerry-66', 'headGasket').quantity]).toEqual([1, 1]);
  });

  it('is one set of rings and of shells', () => {
    expect(of('sluice-357', 'rings')).toEqual({ quantity: 1, by: 'set' });
    expect(of('sluice-357', 'mainShell')).toEqual({ quantity: 1, by: 'set' });
  });

  it('is two bolts for each rod, and as many head bolts as the heads have holes', () => {
    expect(of('sluice-357', 'rodBolt')).toEqual({ quantity: 16, by: 'piece' });
    const bolted = demoEngine('sluice-357', {}, [], { 'head.bolts': '17' });
    const bolt = bolted.part('rodBolt')?.part;
    expect(bolt && piecesFor(bolted, 'headBolt', bolt)).toEqual({ quantity: 34, by: 'piece' });
  });

  it('is not guessed at where nobody counted', () => {
    const engine = demoEngine('sluice-357');
    const bolt = engine.part('rodBolt')?.part;
    const found = bolt && piecesFor(engine, 'panBolt', bolt);
    expect(found?.quantity).toBe(1);
    expect(found?.open && say(found.open, 'metric')).toContain('count the holes');
  });
});
