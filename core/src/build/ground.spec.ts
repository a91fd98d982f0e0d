import { say } from '../quantity/sentence';
import { demoEngine, demoPart, KNOWING_LOOKUP, SETTING, SPECIMENS } from '../testing/demo';
import { valueIn } from '../testing/figures';
import type { Build } from './build';
import { engineOf, engineWith, jointsOf, partsOfBuild, placesFor } from './ground';

const build = (more: Partial<Build> = {}): Build => ({
  id: 'made',
  name: 'Made up',
  variant: 'lumen-4-77',
  places: [],
  sizes: [],
  ...more,
});
const named = (begins: string) => SPECIMENS.filter(({ name }) => name.startsWith(begins));
const joints = (more: Partial<Build>) => {
  const judged = jointsOf(engineOf(build(more), KNOWING_LOOKUP), SETTING);
  return judged && { verdict: judged.verdict, says: say(judged.says, 'metric') };
};

describe('a build looked up', () => {
  it('has a part of the shelf as it was measured', () => {
    const [rod] = named('Terrace rod 1');
    const measured = engineOf(build({ places: [{ slot: 'rod', at: 1, specimen: rod?.id ?? '' }] }), KNOWING_LOOKUP);
    expect(measured.problems).toEqual([]);
    expect(measured.part('rod', 1)?.part.label).toContain('Terrace rod 1');
    expect(measured.part('rod', 2)?.part.pattern).toBe(demoEngine('lumen-4-77').part('rod')?.part.pattern as string);
  });

  it('with other parts in its places is as if it named them', () => {
    const [piston, head] = [demoPart('lumen-piston-78-70'), demoEngine('lumen-4-77').part('head')?.part];
    if (!head) throw new RangeError('The engine has no head.');
    const base = demoEngine('lumen-4-77').parts.map(({ slot, part }) => ({
      slot,
      part: slot === 'piston' ? piston : part,
    }));
    const swapped = engineWith(build(), KNOWING_LOOKUP)(base);
    const said = demoEngine('lumen-4-77', {}, [{ slot: 'piston', pattern: 'lumen-piston-78-70' }]);
    for (const id of ['ratio', 'squish', 'displacement', 'reciprocating'])
      expect(valueIn(swapped, id)).withContext(id).toBeCloseTo(valueIn(said, id), 9);
    expect(engineWith(build(), KNOWING_LOOKUP)([]).parts).toEqual([]);
  });

  it('lists each part once, however many cylinders have it', () => {
    const parts = partsOfBuild(
      demoEngine('lumen-4-77', {}, [{ slot: 'piston', at: 2, pattern: 'lumen-piston-78-70' }]),
    );
    const pistons = parts.filter(({ slot }) => slot === 'piston').map(({ part }) => part.pattern);
    expect(pistons.length).toBe(2);
    expect(pistons).toContain('lumen-piston-78-70');
    expect(parts.filter(({ slot }) => slot === 'rod').length).toBe(1);
  });
});

describe('all joints of a build in a sentence', () => {
  it('goes together, with work, not at all, or is open', () => {
    expect(joints({})?.says).toMatch(/^It goes together: all \d+ checks agree\.$/);
    const stroker = joints({ variant: 'sluice-336', places: [{ slot: 'crank', pattern: 'sluice-crank-3590' }] });
    expect(stroker?.verdict).toBe('doesNotFit');
    expect(stroker?.says).toMatch(/^It does not go together: /);
    const open = joints({ places: [{ slot: 'rod', at: 1, specimen: named('Lumen rod')[0]?.id ?? '' }] });
    expect(open?.says).toMatch(/^(Not known yet: \d+ of \d+ checks agree|It goes together)/);
  });

  it('are none while there are no two parts that meet', () => {
    const { variant: _none, ...bare } = build();
    expect(jointsOf(engineOf(bare, KNOWING_LOOKUP), SETTING)).toBeUndefined();
  });
});

describe('places for what lies on a bench', () => {
  it('are one for all where there is one of a kind, and one each where there are several', () => {
    const parts = [...named('Terrace pump crank'), ...named('Terrace pump case'), ...named('Terrace rod')];
    expect(placesFor(parts, KNOWING_LOOKUP).map(({ slot, at }) => [slot, at])).toEqual([
      ['crank', undefined],
      ['block', undefined],
      ['rod', 1],
      ['rod', 2],
      ['rod', 3],
      ['rod', 4],
    ]);
  });

  // Common practice, no source: eleven pistons lie there, and the engine takes four; which of them is for the matching.
  it('are no more of a set than the block has cylinders', () => {
    const parts = [...named('Terrace pump case'), ...named('Terrace piston')];
    expect(named('Terrace piston').length).toBe(11);
    const pistons = placesFor(parts, KNOWING_LOOKUP).filter(({ slot }) => slot === 'piston');
    expect(pistons.map(({ at }) => at)).toEqual([1, 2, 3, 4]);
  });

  it('are for the first of what an engine has once', () => {
    const two = [...named('Terrace pump crank'), ...named('Lumen crank, a main gone oval')];
    const cranks = placesFor(two, KNOWING_LOOKUP).filter(({ slot }) => slot === 'crank');
    expect(cranks.map(({ specimen }) => specimen)).toEqual([two[0]?.id]);
  });
});
