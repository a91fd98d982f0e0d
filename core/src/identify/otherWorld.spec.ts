import { random } from '../quantity/random';
import { CATALOGUE } from '../testing/demo';
import { inOtherWorld, TROUBLES, type Trouble } from '../testing/otherWorld';

const KINDS_TRIED = ['crank', 'piston', 'rod', 'block', 'head', 'cam', 'valve', 'liner'] as const;

/** All that is said of parts of eight kinds in one kind of trouble. */
function all(trouble: Trouble | undefined, parts = 14) {
  const tallies = KINDS_TRIED.map((kind, at) =>
    inOtherWorld(kind, CATALOGUE, trouble as Trouble, parts, random(300 + at)),
  );
  const sum = (of: (tally: (typeof tallies)[number]) => number) => tallies.reduce((so, each) => so + of(each), 0);
  return {
    wrong: sum((each) => each.settledWrong) / sum((each) => each.settled),
    settled: sum((each) => each.knownSettled) / sum((each) => each.known),
    disowned: sum((each) => each.disowned) / sum((each) => each.known),
    called:
      sum((each) => each.strangersCalled) /
      Math.max(
        1,
        sum((each) => each.strangers),
      ),
    right: sum((each) => each.surelyRight) / sum((each) => each.surely),
    said: sum((each) => each.surelySaid) / sum((each) => each.surely),
  };
}

// The figures of bench/other-world.mjs at looser limits.
describe('in a world whose errors are not those reckoned with', () => {
  for (const [name, trouble] of Object.entries(TROUBLES))
    it(`it is hardly ever settled and wrong, and disowns hardly a known part: ${name}`, () => {
      const found = all(trouble);
      expect(found.wrong).toBeLessThan(0.03);
      expect(found.disowned).toBeLessThan(trouble.sheets > 0 ? 0.05 : 0.03);
      expect(found.said - found.right).toBeLessThan(0.06);
    });

  it('most known parts are settled where nothing is wrong', () => {
    expect(all(TROUBLES.none).settled).toBeGreaterThan(0.7);
  });

  it('a stranger of which something of its own was measured is called a sister or none', () => {
    expect(all(TROUBLES.strangers, 60).called).toBeGreaterThan(0.85);
  });
});
