import { engineOf, nameOfWork, type Build, type BuildEngine, type BuildLookup } from '../build/index.js';
import { asksOf, PLANNED_WORK } from '../build/work.js';
import type { Part } from '../catalogue/part.js';
import type { KindId } from '../dictionary/dictionary.js';
import { isIdOf, parameterOf, sayEntry } from '../dictionary/dictionary.js';
import { countsIn, OPERATIONS, takes, type OperationId } from '../joints/index.js';
import type { Operation } from '../joints/operations/operations.js';
import type { Job, ShopWork, WorkState } from '../job/job.js';
import type { Interval } from '../quantity/interval.js';
import { slotOf } from '../dictionary/slots.js';
import { UNITS, type QuantityKind } from '../quantity/unit.js';

/** A size to be brought to new limits. */
export interface SizeToReach {
  readonly id: string;
  readonly name: string;
  readonly quantity: QuantityKind;
  /** Where it is measured, in words. */
  readonly measured: string;
  readonly now?: Interval;
  readonly to: Interval;
  /** It comes of the work, and is not what the work goes by. */
  readonly follows?: true;
}

/** One operation on one part. */
export interface ShopStep {
  /** Stays the same while the build does: what a job says became of it names it so. */
  readonly on: string;
  readonly operation: OperationId;
  readonly name: string;
  /** How much, as it was typed: `0.50 mm over standard`; empty of what is ordered besides. */
  readonly amount: string;
  readonly part: string;
  readonly kind?: KindId;
  readonly specimen?: string;
  readonly slot?: string;
  readonly at?: number;
  readonly reach: readonly SizeToReach[];
  readonly hours: number;
  readonly price: number;
  readonly canUndo: boolean;
  readonly caution?: string;
  readonly bring?: string;
  /** What is measured again afterwards. */
  readonly again: readonly string[];
  /** Steps that must be done before it, by their numbers on this sheet. */
  readonly after: readonly number[];
  readonly state: WorkState;
  /** What the job says became of it, by its id there. */
  readonly told?: string;
  readonly note?: string;
  /** Why it cannot be done as the build says. */
  readonly problem?: string;
}

/** Work for the machine shop, in the order in which it must be done. */
interface ShopSheet {
  readonly steps: readonly ShopStep[];
  readonly hours: number;
  readonly price: number;
  readonly cautions: readonly string[];
}

type Draft = Omit<ShopStep, 'after'>;

/** The work that a build plans and a job orders besides, part by part. */
export function shopSheetOf(build: Build, lookup: BuildLookup, job?: Pick<Job, 'work'>): ShopSheet {
  const engine = engineOf(build, lookup);
  const counts = countsIn(engine.assembly());
  const { rules } = lookup.context;
  const drafts: Draft[] = [];
  const told = new Map((job?.work ?? []).map((work) => [`${work.on} ${work.operation}`, work]));
  const used = new Set<ShopWork>();
  const draft = (
    operation: OperationId,
    on: string,
    more: Pick<Draft, 'amount' | 'part' | 'reach'> & Partial<Draft>,
  ) => {
    const { caution, bring, spoils = [], canUndo, per }: Operation = OPERATIONS[operation];
    const work = told.get(`${on} ${operation}`);
    if (work) used.add(work);
    // Of several of which each is worked on by itself, each takes its share.
    const share = more.at === undefined || per === undefined ? 1 : 1 / Math.max(1, counts[per] ?? 1);
    const { hours, price } = takes({ steps: [operation] }, rules, counts);
    drafts.push({
      on,
      operation,
      name: OPERATIONS[operation].name,
      hours: Math.round(hours * share * 10) / 10,
      price: Math.round(price * share),
      canUndo,
      ...(caution === undefined ? {} : { caution }),
      ...(bring === undefined ? {} : { bring }),
      again: spoils.filter((id) => more.kind === undefined || id.startsWith(`${more.kind}.`)).map(nameOf),
      state: work?.state ?? 'planned',
      ...(work ? { told: work.id } : {}),
      ...(work?.note === undefined ? {} : { note: work.note }),
      ...more,
    });
  };
  build.places.forEach((place, index) => {
    const { slot, at, work = [], specimen } = place;
    work.forEach(({ operation, by }, step) => {
      const before = upTo(build, index, step, lookup).part(slot, at)?.part;
      const done = upTo(build, index, step + 1, lookup);
      const problem = engine.problems.find(({ where }) => where === `places[${index}].work[${step}]`)?.what;
      const time = work.slice(0, step).filter((each) => each.operation === operation).length;
      draft(PLANNED_WORK[operation].operation, placeKey(slot, at, time), {
        name: nameOfWork(operation),
        amount: `${by.value} ${UNITS[by.unit].symbol} ${asksOf(operation)}`,
        part: before?.label ?? slotOf(slot)?.name ?? slot,
        ...(before ? { kind: before.kind } : {}),
        ...(specimen === undefined ? {} : { specimen }),
        slot,
        ...(at === undefined ? {} : { at }),
        reach:
          problem === undefined ? reached(PLANNED_WORK[operation].operation, before, done.part(slot, at)?.part) : [],
        ...(problem === undefined ? {} : { problem }),
      });
    });
  });
  for (const work of job?.work ?? [])
    if (!used.has(work))
      draft(work.operation, work.on, {
        amount: '',
        part: partNamed(work.on),
        reach: [],
        told: work.id,
        state: work.state,
      });
  const steps = inOrder(drafts);
  return {
    steps,
    hours: Math.round(steps.reduce((so, { hours }) => so + hours, 0) * 10) / 10,
    price: steps.reduce((so, { price }) => so + price, 0),
    cautions: [...new Set(steps.flatMap(({ caution }) => caution ?? []))],
  };
}

/**
 * How what is planned in a place is named: `block`, `piston 3`; the second time the same is done there `block #2`. It
 * stays the same when other work in that place is done and taken off the build.
 */
export const placeKey = (slot: string, at: number | undefined, time: number): string =>
  [slot, at, time > 0 ? `#${time + 1}` : undefined].filter((each) => each !== undefined).join(' ');

/** What work that the build does not plan is done to: the name of its place, or what was written. */
const partNamed = (on: string): string => {
  const [slot = '', ...rest] = on.split(' ');
  return [slotOf(slot)?.name ?? slot, ...rest].join(' ');
};

/** The build with the work on one place up to some step, and all work elsewhere. */
const upTo = (build: Build, place: number, steps: number, lookup: BuildLookup): BuildEngine =>
  engineOf(
    {
      ...build,
      places: build.places.map((each, at) =>
        at === place && each.work ? { ...each, work: each.work.slice(0, steps) } : each,
      ),
    },
    lookup,
  );

const nameOf = (id: string): string => (isIdOf('parameter', id) ? sayEntry(id) : id);

/** What is another size after the work than before. */
function reached(operation: OperationId, before: Part | undefined, after: Part | undefined): readonly SizeToReach[] {
  if (!before || !after) return [];
  const { spoils = [] }: Operation = OPERATIONS[operation];
  return Object.entries(after.values).flatMap(([id, { interval, source }]): readonly SizeToReach[] => {
    const was = before.values[id]?.interval;
    const same = was !== undefined && was.low === interval.low && was.high === interval.high;
    if (source !== 'machined' || same || !isIdOf('parameter', id)) return [];
    const { name, quantity, definition } = parameterOf(id);
    return [
      {
        id,
        name,
        quantity,
        measured: definition,
        ...(was ? { now: was } : {}),
        to: interval,
        ...(spoils.includes(id) ? { follows: true as const } : {}),
      },
    ];
  });
}

/** What must come before what, by the operations' own data; the order of the build where they say nothing. */
function inOrder(drafts: readonly Draft[]): readonly ShopStep[] {
  const mustPrecede = (a: Draft, b: Draft): boolean =>
    a !== b && ((OPERATIONS[a.operation] as Operation).before ?? []).includes(b.operation);
  const [left, done]: [Draft[], Draft[]] = [[...drafts], []];
  while (left.length > 0) {
    // The records never go round in a circle, which a spec holds; were they to, the next in line goes.
    const next = left.find((each) => !left.some((other) => mustPrecede(other, each))) ?? left[0];
    if (!next) break;
    left.splice(left.indexOf(next), 1);
    done.push(next);
  }
  return done.map((each, at) => ({
    ...each,
    after: done.slice(0, at).flatMap((other, earlier) => (mustPrecede(other, each) ? [earlier + 1] : [])),
  }));
}
