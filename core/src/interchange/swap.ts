import type { Part } from '../catalogue/part.js';
import { KINDS, type KindId } from '../dictionary/dictionary.js';
import { JOINTS, worst, type Assembly, type Finding, type Verdict } from '../joints/index.js';
import type { Sentence } from '../quantity/sentence.js';

export interface JudgedCheck extends Finding {
  readonly id: string;
  readonly name: string;
}

export interface JudgedJoint {
  readonly id: string;
  readonly name: string;
  readonly verdict: Verdict;
  readonly checks: readonly JudgedCheck[];
}

/** A donor judged for a recipient, joint by joint. */
export interface Swap {
  readonly donor: string;
  readonly recipient: string;
  readonly verdict: Verdict;
  /** The whole in one sentence. */
  readonly says: Sentence;
  readonly joints: readonly JudgedJoint[];
  /** How many checks had the data to be judged, of how many. */
  readonly judged: number;
  readonly checks: number;
  /** Ids of what to find out first. */
  readonly needs: readonly string[];
}

/** Asked to put a part into a kind it has no joint with. */
export class NoJointError extends Error {
  constructor(
    readonly donor: KindId,
    readonly recipient: KindId,
  ) {
    super(`A ${KINDS[donor].name.toLowerCase()} does not go into a ${KINDS[recipient].name.toLowerCase()}: a crank goes into a block.`);
    this.name = 'NoJointError';
  }
}

/**
 * Judges whether `donor` goes into `recipient`, with what the catalogue has to put between them. It has a direction:
 * the recipient's housings, seals and flywheel stay, the donor comes.
 * Throws a NoJointError for kinds that do not meet that way.
 */
export function swap(donor: Part, recipient: Part, available: readonly Part[]): Swap {
  if (donor.kind !== 'crank' || recipient.kind !== 'block') throw new NoJointError(donor.kind, recipient.kind);
  const assembly: Assembly = { parts: { [donor.kind]: donor, [recipient.kind]: recipient }, available };
  const joints = JOINTS.map((joint): JudgedJoint => {
    const checks = joint.checks.map((check): JudgedCheck => ({ id: check.id, name: check.name, ...check.judge(assembly) }));
    return { id: joint.id, name: joint.name, verdict: worst(checks.map((check) => check.verdict)), checks };
  });
  const all = joints.flatMap((joint) => joint.checks);
  const verdict = worst(joints.map((joint) => joint.verdict));
  return {
    donor: donor.label,
    recipient: recipient.label,
    verdict,
    says: summary(verdict, all),
    joints,
    judged: all.filter((check) => check.verdict !== 'cannotTell' || check.found !== undefined).length,
    checks: all.length,
    needs: [...new Set(all.flatMap((check) => check.needs))],
  };
}

const listed = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names[names.length - 1] ?? ''}`;

function summary(verdict: Verdict, checks: readonly JudgedCheck[]): Sentence {
  const those = (which: Verdict) => checks.filter((check) => check.verdict === which);
  const names = (which: Verdict) => listed(those(which).map((check) => check.name.toLowerCase()));
  switch (verdict) {
    case 'fits':
      return [`Drops in: all ${checks.length} checks agree.`];
    case 'fitsWithWork': {
      const work = those('fitsWithWork').map((check) => check.work[0]?.name.toLowerCase() ?? check.name.toLowerCase());
      return [`Goes in after work: ${listed(work)}.`];
    }
    case 'cannotTell':
      return [`Cannot be told yet: ${names('cannotTell')}.`];
    case 'doesNotFit': {
      const first = those('doesNotFit')[0];
      return [`Does not go in: ${names('doesNotFit')}. `, ...(first?.because ?? [])];
    }
  }
}
