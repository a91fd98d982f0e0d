import type { Part } from '../catalogue/part.js';
import {
  record,
  VERDICTS,
  verdictOfCheck,
  type Assembly,
  type JointCheck,
  type Verdict,
  type WorkOption,
} from '../joints/index.js';
import { classify, type Classes } from './classes.js';
import { pairingOf, type Pairing } from './pairing.js';
import type { SwapContext } from './swapContext.js';
import { afterAllWork, type CheckAtJoint } from './consequences.js';
import { decides, hasComeFar, NoJointError } from './swap.js';

/** A verdict as a number: its place among VERDICTS, the worst the largest. */
const DOES_NOT_FIT = VERDICTS.indexOf('doesNotFit');
const CANNOT_TELL = VERDICTS.indexOf('cannotTell');
const FITS_WITH_WORK = VERDICTS.indexOf('fitsWithWork');

/** In a table by classes: not looked at yet. */
const UNKNOWN = 0xff;

/** How many bits of a cell each joint takes, and where the whole stands. */
const BITS = 2;
const MASK = 3;
/** The verdict on the whole stands above those of up to fourteen joints, and above it whether nothing is against it. */
const WHOLE = 28;
const NOTHING_AGAINST = 1 << 30;

/** The verdict on the whole, from a cell. */
export const verdictOf = (cell: number): Verdict => VERDICTS[(cell >>> WHOLE) & MASK] ?? 'cannotTell';

/** Whether an open answer has nothing against it, from a cell. */
export const isNothingAgainst = (cell: number): boolean => (cell & NOTHING_AGAINST) !== 0;

/** The verdict of one joint, from a cell. A joint whose end is known is not looked at further. */
export const verdictOfJoint = (cell: number, joint: number): Verdict =>
  VERDICTS[(cell >>> (joint * BITS)) & MASK] ?? 'cannotTell';

/**
 * Many donors against many recipients of two kinds. Gives for each pair the verdicts that `swapParts` gives, but judges
 * each check once for all parts that agree in what it goes by, and no further in a joint that refuses already.
 */
export class Grid {
  readonly pairing: Pairing;
  private readonly donorClasses: Classes;
  private readonly recipientClasses: Classes;
  /** By check: the verdict for each class of donors and class of recipients. */
  private readonly verdicts: readonly Uint8Array[];
  /** The same: whether work that mends it touches what other checks go by. Asked where nothing is against a pair. */
  private readonly crossings: readonly Uint8Array[];
  /** By check: whether it decides. */
  private readonly decisive: readonly boolean[];
  private readonly decisiveChecks: number;
  /** By check: ids that the others go by. */
  private readonly readByOthers: readonly (readonly string[])[];
  /** The checks, which note that they were looked at. */
  private readonly watched: Pairing['checks'];
  private readonly looked = new Set<number>();
  /** Work that was followed through, by the outcomes of all checks. */
  private readonly followed = new Map<string, Followed[]>();

  /** Throws a NoJointError where the two kinds do not meet. */
  constructor(
    readonly donors: readonly Part[],
    readonly recipients: readonly Part[],
    private readonly context: SwapContext,
  ) {
    const [donor, recipient] = [donors[0]?.kind ?? 'crank', recipients[0]?.kind ?? 'block'];
    const pairing = pairingOf(donor, recipient);
    if (!pairing) throw new NoJointError(donor, recipient);
    this.pairing = pairing;
    this.decisive = pairing.checks.map(({ joint, check }) => decides(pairing.joints[joint] ?? record, check));
    this.decisiveChecks = this.decisive.filter(Boolean).length;
    this.watched = pairing.checks.map(({ joint, check }, at) => ({
      joint,
      check: {
        ...check,
        verdict: (assembly) => {
          this.looked.add(at);
          return verdictOfCheck(check, assembly);
        },
        judge: (assembly) => {
          this.looked.add(at);
          return check.judge(assembly);
        },
      },
    }));
    this.readByOthers = pairing.checks.map((_, at) => [
      ...new Set(pairing.checks.flatMap(({ check }, other) => (other === at ? [] : check.reads))),
    ]);
    this.donorClasses = classify(pairing, 'donor', donors, context, recipients);
    this.recipientClasses = classify(pairing, 'recipient', recipients, context, donors);
    const table = (_: unknown, at: number): Uint8Array =>
      new Uint8Array(
        (this.donorClasses.representatives[at]?.length ?? 0) * (this.recipientClasses.representatives[at]?.length ?? 0),
      ).fill(UNKNOWN);
    this.verdicts = pairing.checks.map(table);
    this.crossings = pairing.checks.map(table);
  }

  /** Names of the joints, in the order of their bits in a cell. */
  get joints(): readonly { readonly id: string; readonly name: string }[] {
    return this.pairing.joints;
  }

  /** One donor against all recipients, a cell each. */
  row(donor: number): Uint32Array {
    const cells = new Uint32Array(this.recipients.length);
    for (let recipient = 0; recipient < cells.length; recipient++) cells[recipient] = this.cell(donor, recipient);
    return cells;
  }

  cell(donor: number, recipient: number): number {
    const { checks } = this.pairing;
    let [cell, whole, ended, agreeing, byWork] = [0, 0, -1, 0, 0];
    for (let at = 0; at < checks.length; at++) {
      const joint = checks[at]?.joint ?? 0;
      if (joint === ended) continue;
      const verdict = this.verdict(at, donor, recipient);
      if (verdict > ((cell >>> (joint * BITS)) & MASK))
        cell = (cell & ~(MASK << (joint * BITS))) | (verdict << (joint * BITS));
      if (verdict > whole) whole = verdict;
      if (verdict === DOES_NOT_FIT) ended = joint;
      if (verdict === FITS_WITH_WORK) byWork++;
      if (verdict < CANNOT_TELL && this.decisive[at]) agreeing++;
    }
    // Where the work of one check touches another the whole swap must be looked at. Whether it does costs as much to
    // find out as following one check's work through.
    if (whole === FITS_WITH_WORK && (byWork === 1 || checks.some((_, at) => this.crosses(at, donor, recipient))))
      whole = this.whole(donor, recipient);
    const isOpen = whole === CANNOT_TELL && hasComeFar(agreeing, this.decisiveChecks);
    return ((cell & ~(MASK << WHOLE)) | (whole << WHOLE) | (isOpen ? NOTHING_AGAINST : 0)) >>> 0;
  }

  private verdict(at: number, donor: number, recipient: number): number {
    return this.once(this.verdicts, at, donor, recipient, (check, assembly) =>
      VERDICTS.indexOf(verdictOfCheck(check, assembly)),
    );
  }

  /** Whether work that mends a check changes what another goes by. */
  private crosses(at: number, donor: number, recipient: number): boolean {
    if (this.verdict(at, donor, recipient) !== FITS_WITH_WORK) return false;
    return (
      this.once(this.crossings, at, donor, recipient, (check, assembly) =>
        check.judge(assembly).work.some((option) => this.touches(option, assembly, at)) ? 1 : 0,
      ) === 1
    );
  }

  /** What is so for all parts of the same classes, looked at once. */
  private once(
    tables: readonly Uint8Array[],
    at: number,
    donor: number,
    recipient: number,
    look: (check: JointCheck, assembly: Assembly) => number,
  ): number {
    const table = tables[at];
    const { of: mine, representatives: donors } = this.donorClasses;
    const { of: theirs, representatives: recipients } = this.recipientClasses;
    const [one, other] = [mine[at]?.[donor] ?? 0, theirs[at]?.[recipient] ?? 0];
    const place = one * (recipients[at]?.length ?? 0) + other;
    const known = table?.[place] ?? UNKNOWN;
    if (known !== UNKNOWN || !table) return known;
    const [check, part, mate] = [this.pairing.checks[at]?.check, donors[at]?.[one], recipients[at]?.[other]];
    if (!check || !part || !mate) throw new RangeError(`There is no check ${at} of such parts.`);
    const found = look(check, assemblyOf(part, mate, this.context));
    table[place] = found;
    return found;
  }

  /** Whether work that mends one check changes what another goes by. */
  private touches({ parts }: WorkOption, assembly: Assembly, at: number): boolean {
    return parts.some((after) => {
      const before = assembly.parts[after.kind];
      return this.readByOthers[at]?.some(
        (id) =>
          before?.values[id] !== after.values[id] ||
          before?.looks[id] !== after.looks[id] ||
          before?.interfaces[id] !== after.interfaces[id],
      );
    });
  }

  /**
   * Follows the work of all checks through, unless it was for parts that agree in all that was looked at on the way.
   */
  private whole(donor: number, recipient: number): number {
    const outcomes = this.pairing.checks.map((_, at) => this.verdict(at, donor, recipient));
    const classes = (checks: readonly number[]) =>
      checks
        .map((at) => `${this.donorClasses.of[at]?.[donor] ?? 0} ${this.recipientClasses.of[at]?.[recipient] ?? 0}`)
        .join();
    const ways = this.followed.get(outcomes.join()) ?? [];
    this.followed.set(outcomes.join(), ways);
    for (const { lookedAt, verdicts } of ways) {
      const known = verdicts.get(classes(lookedAt));
      if (known !== undefined) return known;
    }
    const { whole, lookedAt } = this.follow(donor, recipient, outcomes);
    let way = ways.find((each) => each.lookedAt.join() === lookedAt.join());
    if (!way) ways.push((way = { lookedAt, verdicts: new Map() }));
    way.verdicts.set(classes(lookedAt), whole);
    return whole;
  }

  private follow(
    donor: number,
    recipient: number,
    outcomes: readonly number[],
  ): { readonly whole: number; readonly lookedAt: readonly number[] } {
    const [mine, theirs] = [this.donors[donor], this.recipients[recipient]];
    if (!mine || !theirs) throw new RangeError(`There is no cell ${donor}, ${recipient}.`);
    this.looked.clear();
    const assembly = assemblyOf(mine, theirs, this.context);
    const where = this.pairing.joints.map((joint) => ({ joint, assembly }));
    const places = this.watched.flatMap(({ joint, check }): readonly CheckAtJoint[] => {
      const at = where[joint];
      return at ? [{ check, where: at }] : [];
    });
    const before = new Map(places.map((place, at) => [place, VERDICTS[outcomes[at] ?? 0] ?? 'cannotTell']));
    const { verdict } = afterAllWork(places, {
      verdict: (place) => before.get(place) ?? 'cannotTell',
      finding: (place) => place.check.judge(place.where.assembly),
    });
    return { whole: VERDICTS.indexOf(verdict), lookedAt: [...this.looked].sort((a, b) => a - b) };
  }
}

/** Work followed through: which checks were looked at on the way, and what came out by the classes of both in those. */
interface Followed {
  readonly lookedAt: readonly number[];
  readonly verdicts: Map<string, number>;
}

/** Two parts put to each other: side by side, or one in the other's place. */
export const assemblyOf = (donor: Part, recipient: Part, context: SwapContext): Assembly =>
  donor.kind === recipient.kind
    ? { parts: { [donor.kind]: donor }, replaced: { [recipient.kind]: recipient }, ...context }
    : { parts: { [recipient.kind]: recipient, [donor.kind]: donor }, replaced: {}, ...context };
