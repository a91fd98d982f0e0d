import { LOOKUP, SETTING, demoPart } from '../testing/demo';
import { judgeSwap } from './judge';
import { swapParts } from './swap';

// Shells are for one housing, and run with the journals that leave them their clearance: common practice, no source.
describe('a set of shells that somebody has in hand', () => {
  const into = (shell: string, variant: string) =>
    judgeSwap(LOOKUP, [{ pattern: shell }], { variant }, SETTING).swap.verdict;

  it('goes into the engines of its housing and journal, and into no other', () => {
    for (const [variant, verdict] of [
      ['sluice-306', 'fits'],
      ['sluice-336', 'doesNotFit'],
      ['skerry-44', 'doesNotFit'],
    ] as const)
      expect(into('sluice-shell-small', variant)).withContext(variant).toBe(verdict);
    expect(into('sluice-shell-large', 'sluice-336')).toBe('fits');
  });

  it('has no place where the mains run in rolling bearings', () => {
    for (const variant of ['pip-48', 'minnow-48']) expect(into('sluice-shell-small', variant)).toBe('doesNotFit');
  });

  it('is put to a block alone by its housing', () => {
    const block = (id: string) => swapParts(demoPart('sluice-shell-small'), demoPart(id), SETTING).verdict;
    expect(block('sluice-block-low-small')).toBe('fits');
    expect(block('sluice-block-low-large')).toBe('doesNotFit');
  });
});
