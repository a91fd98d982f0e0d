import { KIND_IDS, type KindId } from '../dictionary/dictionary.js';
import { record, type JointCheck, type Joint } from '../joints/index.js';
import { inPlaceJointsOf } from './inPlace.js';
import { JOINTS_ON_RECORD } from './onRecord.js';

/** A check, and which of the joints of a pairing it belongs to. */
export interface PairedCheck {
  readonly joint: number;
  readonly check: JointCheck;
}

/** All that is judged when one part of a kind is put to one of another, or in place of one of its own kind. */
export interface Pairing {
  readonly donor: KindId;
  readonly recipient: KindId;
  /** The joints in which nothing but the two is wanted; what the records say comes last. */
  readonly joints: readonly Joint[];
  readonly checks: readonly PairedCheck[];
}

const meets = (joint: Joint, donor: KindId, recipient: KindId): boolean =>
  donor === recipient
    ? joint.inPlaceOf === donor
    : joint.inPlaceOf === undefined &&
      joint.kinds.length === 2 &&
      joint.kinds.includes(donor) &&
      joint.kinds.includes(recipient);

/** What is judged between two kinds; nothing where they do not meet. */
export function pairingOf(donor: KindId, recipient: KindId): Pairing | undefined {
  const met = [
    ...JOINTS_ON_RECORD.filter((joint) => meets(joint, donor, recipient)),
    ...(donor === recipient ? inPlaceJointsOf(donor) : []),
  ];
  if (met.length === 0) return undefined;
  const joints = [...met, record];
  return {
    donor,
    recipient,
    joints,
    checks: joints.flatMap((joint, at) => joint.checks.map((check): PairedCheck => ({ joint: at, check }))),
  };
}

/** The kinds that a kind may be put to, itself among them where one takes the place of another. */
export const recipientsFor = (donor: KindId): readonly KindId[] =>
  KIND_IDS.filter((recipient) => pairingOf(donor, recipient) !== undefined);

/** Every kind that meets another. */
export const DONOR_KINDS: readonly KindId[] = KIND_IDS.filter((kind) => recipientsFor(kind).length > 0);
