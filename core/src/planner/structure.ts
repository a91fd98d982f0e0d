import type { Part } from '../catalogue/part.js';
import {
  assembled,
  bystandingIn,
  meetingsOf,
  permitting,
  sidesOf,
  Sorter,
  type CheckAtJoint,
  type JointWithParts,
  type Sides,
} from '../interchange/index.js';
import {
  countsIn,
  IMPLIED,
  kindOf,
  OPERATION_IDS,
  OPERATIONS,
  RECORD,
  REPLACED,
  ROUND,
  takes,
  verdictOfCheck,
  type Assembly,
  type JointCheck,
  type Operation,
  type OperationId,
  type PlacedPart,
  type Verdict,
} from '../joints/index.js';
import type { PlanProblem } from './problem.js';

/** A check where it is made, whatever part is chosen for the places it goes by. */
export interface PlannedCheck {
  readonly name: string;
  readonly check: JointCheck;
  readonly meeting: JointWithParts;
  /** The choices whose parts it goes by, ascending; none where it goes by what stays whatever is chosen. */
  readonly vars: readonly number[];
  /**
   * The verdict on some options of these choices, judged once for all that agree in what it goes by; nothing where its
   * matter does not come up with them.
   */
  readonly verdict: (options: readonly number[]) => Verdict | undefined;
  /** For each of these choices the class of each option: those of one class are judged alike. */
  readonly classes: readonly Int32Array[];
  /** The least labour, in money, that can mend it on these options: its own, or other work on what it goes by. */
  readonly leastLabour: (options: readonly number[]) => number;
}

/** All checks of all meetings that the choices of a plan can make, laid out once. */
export interface Structure {
  readonly checks: readonly PlannedCheck[];
  /** Which choice a part of a meeting stands for, where it stands for one. */
  readonly varOf: ReadonlyMap<PlacedPart, number>;
  /** Checks among what stays. */
  readonly bystanders: readonly { readonly meeting: JointWithParts; readonly check: JointCheck }[];
  readonly staying: readonly PlacedPart[];
  readonly leaving: readonly PlacedPart[];
}

/** Ids of parts that a check reads, those that tell whether its matter comes up included. */
const readsOf = (check: JointCheck, { joint }: JointWithParts): readonly string[] => [
  ...check.reads.filter((id) => id !== RECORD && id !== ROUND && id !== IMPLIED && !id.startsWith(REPLACED)),
  ...(joint.appliesBy ?? []),
];

/**
 * Lays out what is judged for any choice of options.
 *
 * @param givesWay what of the engine gives way to a new one, by what comes
 */
export function structureOf(problem: PlanProblem, givesWay: (sides: Sides) => Sides['givingWay']): Structure {
  const { choices, fixed, recipients, context, mayDo } = problem;
  const standIns = choices.flatMap(({ slot, options: [first] }) => (first ? [{ slot, part: first.part }] : []));
  const coming: readonly PlacedPart[] = [...standIns, ...fixed];
  const plain = sidesOf(coming, recipients);
  const sides: Sides = { ...plain, givingWay: givesWay(plain) };
  const varOf = new Map(standIns.map((each, at) => [each, at]));
  const counts = countsIn(problem.engine.assembly());
  const labourOf = (steps: readonly OperationId[]): number =>
    takes({ steps, comesAlong: true }, context.rules, counts).price;
  const inLine = [...coming, ...sides.staying];
  const planned = (meeting: JointWithParts): readonly PlannedCheck[] => {
    const yields = meeting.joint.kinds.length <= 2 && meeting.chosen.some((each) => sides.givingWay.has(each));
    const joint = permitting(meeting.joint, mayDo);
    return joint.checks.map((check): PlannedCheck => {
      const ids = readsOf(check, meeting);
      const kinds = new Set([...meeting.joint.kinds, ...ids.map(kindOf)]);
      // In each kind: the part that meets here, else the first that is there.
      const placed = [...kinds].flatMap(
        (kind) =>
          meeting.chosen.find(({ part }) => part.kind === kind) ?? inLine.find(({ part }) => part.kind === kind) ?? [],
      );
      const vars = placed.flatMap((each) => varOf.get(each) ?? []).sort((a, b) => a - b);
      const constant = placed.filter((each) => !varOf.has(each));
      const replaced = {
        ...Object.fromEntries(sides.leaving.map(({ part }) => [part.kind, part])),
        ...(meeting.replaced ? { [meeting.replaced.kind]: meeting.replaced } : {}),
      };
      const assembly = (parts: readonly Part[]): Assembly => ({
        ...context,
        parts: Object.fromEntries([...constant.map(({ part }) => part), ...parts].map((part) => [part.kind, part])),
        replaced,
      });
      const judged = new JudgedOnce(
        vars.map((at) => {
          const kind = choices[at]?.kind;
          return sorterOf(problem, at).by(
            check,
            ids.filter((id) => kindOf(id) === kind),
          );
        }),
        (parts) => {
          const here = assembly(parts);
          if (meeting.joint.applies?.(here) === false) return {};
          const verdict = verdictOfCheck(check, here);
          return verdict === 'fitsWithWork' ? { verdict, here } : { verdict };
        },
        check,
        labourOf,
      );
      let otherwise: number | undefined;
      const elsewhere = (): number => (otherwise ??= leastOf(check, labourOf));
      return {
        name: `${meeting.joint.name}: ${check.name.toLowerCase()}`,
        check,
        meeting,
        vars,
        verdict: (options) => judged.at(options).verdict,
        classes: judged.classes,
        leastLabour: (options) => (yields ? 0 : Math.min(elsewhere(), judged.labour(options))),
      };
    });
  };
  return {
    checks: meetingsOf(sides).flatMap(planned),
    varOf,
    bystanders: bystandingIn(sides).flatMap((meeting) =>
      permitting(meeting.joint, mayDo).checks.map((check) => ({ meeting, check })),
    ),
    staying: sides.staying,
    leaving: sides.leaving,
  };
}

/** A check of a structure with chosen parts in it; they are put together when somebody looks. */
export function placeOf(
  { meeting, check }: Pick<PlannedCheck, 'meeting' | 'check'>,
  varOf: Structure['varOf'],
  parts: readonly PlacedPart[],
  base: Assembly,
): CheckAtJoint {
  let made: Assembly | undefined;
  return {
    check,
    where: {
      joint: meeting.joint,
      get assembly() {
        const chosen = meeting.chosen.map((each) => parts[varOf.get(each) ?? -1] ?? each);
        made ??= assembled({ ...meeting, chosen }, base).assembly;
        return made;
      },
    },
  };
}

interface Judged {
  readonly verdict?: Verdict;
  /** Where there is work: what it is done on. */
  readonly here?: Assembly;
}

/** Options of some choices judged once for all that agree in what is gone by. */
class JudgedOnce {
  readonly classes: readonly Int32Array[];
  private readonly speaking: readonly (readonly Part[])[];
  private readonly known = new Map<number, Judged>();
  private readonly labours = new Map<Judged, number>();

  constructor(
    sorted: readonly ReturnType<Sorter['by']>[],
    private readonly judge: (parts: readonly Part[]) => Judged,
    private readonly check: JointCheck,
    private readonly labourOf: (steps: readonly OperationId[]) => number,
  ) {
    this.classes = sorted.map(({ of }) => of);
    this.speaking = sorted.map(({ speaking }) => speaking);
  }

  at(options: readonly number[]): Judged {
    let key = 0;
    for (let at = 0; at < options.length; at++)
      key = key * (this.speaking[at]?.length ?? 1) + (this.classes[at]?.[options[at] ?? 0] ?? 0);
    const known = this.known.get(key);
    if (known) return known;
    const judged = this.judge(
      options.flatMap((option, at) => this.speaking[at]?.[this.classes[at]?.[option] ?? 0] ?? []),
    );
    this.known.set(key, judged);
    return judged;
  }

  /** The least labour of what would mend it; nothing where nothing is to be mended. */
  labour(options: readonly number[]): number {
    const judged = this.at(options);
    const { here } = judged;
    if (!here) return 0;
    const known =
      this.labours.get(judged) ?? Math.min(...this.check.judge(here).work.map(({ steps }) => this.labourOf(steps)));
    this.labours.set(judged, known);
    return known;
  }
}

/** The least labour by which some operation changes anything that a check goes by. */
const leastOf = ({ reads }: JointCheck, labourOf: (steps: readonly OperationId[]) => number): number =>
  Math.min(
    ...OPERATION_IDS.filter((id) => {
      const { changes = [] }: Operation = OPERATIONS[id];
      return changes.some((each) => reads.includes(each));
    }).map((id) => labourOf([id])),
  );

const sorters = new WeakMap<PlanProblem, Map<number, Sorter>>();

/** What sorts the options of a choice, the same for every structure that is laid out for a plan. */
function sorterOf(problem: PlanProblem, at: number): Sorter {
  const mine = sorters.get(problem) ?? new Map<number, Sorter>();
  sorters.set(problem, mine);
  const known = mine.get(at);
  if (known) return known;
  const parts = problem.choices[at]?.options.map(({ part }) => part) ?? [];
  const sorter = new Sorter(parts, problem.context);
  mine.set(at, sorter);
  return sorter;
}
