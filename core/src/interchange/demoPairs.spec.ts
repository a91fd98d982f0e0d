import { JOINTS, record, type Verdict } from '../joints/index';
import { say } from '../quantity/sentence';
import rows from '../testing/demoPairs.json';
import { demoSpecimen, LOOKUP, SETTING } from '../testing/demo';
import { judgeSwap } from './judge';
import type { PartOrEngine } from './placedParts';

/**
 * Joint and check, the verdict, donor and recipient of the demo, words of what is said, and the least work. A party is
 * a pattern's id, variant:id, or specimen:name, with =pattern where it is taken for one. scripts/demoPairs.mjs adds
 * rows.
 */
type Row = readonly [
  joint: string,
  check: string,
  verdict: Verdict,
  donor: string,
  recipient: string,
  says: string,
  work?: string,
];

const ROWS = rows as unknown as readonly Row[];

function party(text: string): PartOrEngine {
  const [sort, rest = ''] = text.split(':');
  if (sort === 'variant') return { variant: rest };
  if (sort !== 'specimen') return { pattern: text };
  const [name, as] = rest.split('=');
  return { specimen: demoSpecimen(name ?? ''), ...(as === undefined ? {} : { as }) };
}

describe('joints, on the demo', () => {
  for (const [joint, check, verdict, donor, recipient, says, work] of ROWS)
    it(`${joint}, ${check}: ${donor} with ${recipient} ${verdict}`, () => {
      const { swap } = judgeSwap(LOOKUP, [party(donor)], party(recipient), SETTING);
      const checks = swap.joints
        .filter(({ id }) => id === joint)
        .flatMap((each) => each.checks.filter(({ id, verdict: is }) => id === check && is === verdict));
      expect(checks.length).toBeGreaterThan(0);
      expect(checks.some(({ because }) => say(because, 'metric').includes(says)))
        .withContext(say(checks[0]?.because ?? [], 'metric'))
        .toBeTrue();
      if (work !== undefined) expect(checks.map((each) => each.work[0]?.name)).toContain(work);
    });

  it('come to every verdict that can occur in them', () => {
    for (const joint of [...JOINTS, record]) {
      const can = new Set(joint.checks.flatMap(({ verdicts }) => verdicts));
      const walked = new Set(ROWS.flatMap(([id, , verdict]) => (id === joint.id ? [verdict] : [])));
      expect([...can].filter((verdict) => !walked.has(verdict)))
        .withContext(joint.id)
        .toEqual([]);
    }
  });

  it('leave out no check, and none of the verdicts that a check can come to with all data', () => {
    const walked = new Set(ROWS.map(([joint, check, verdict]) => `${joint}.${check} ${verdict}`));
    const all = [...JOINTS, record].flatMap((joint) =>
      joint.checks.flatMap(({ id, verdicts }) =>
        verdicts.flatMap((verdict) => (verdict === 'cannotTell' ? [] : [`${joint.id}.${id} ${verdict}`])),
      ),
    );
    expect(all.filter((each) => !walked.has(each))).toEqual([]);
  });
});
