import { figureOf, type Build } from '../build/index.js';
import { KINDS, type KindId } from '../dictionary/dictionary.js';
import { SLOTS, slotOf } from '../dictionary/slots.js';
import { OPERATIONS } from '../joints/index.js';
import { counted, one } from '../quantity/phrase.js';
import { sentence, value, type Sentence } from '../quantity/sentence.js';
import type { Demands, Target } from './demands.js';
import { USUAL_OPEN } from './usual.js';
import type { SetFound } from './evaluate.js';
import { Groundworks } from './groundwork.js';
import { planFor } from './plan.js';
import { problemOf, type PlanGround } from './problem.js';
import type { Chosen } from './best.js';
import { sayConflict, type Asks } from './sayConflict.js';

/** A build with what is demanded of it. */
export interface DemandedBuild {
  readonly build: Build;
  readonly demands: Demands;
}

/** One demand by itself, and the setting without it. */
export interface Demand {
  readonly id: string;
  readonly says: Sentence;
  /** The same as part of a sentence on several. */
  readonly asks: Asks;
  /** The same with it let go: whatever held before holds still. */
  readonly without: (setting: DemandedBuild) => DemandedBuild;
  /** The same with it only wished, where that can be. */
  readonly wished?: (setting: DemandedBuild) => DemandedBuild;
}

/** Demands that cannot hold together: without any one of them the others can. */
interface Conflict {
  readonly demands: readonly Demand[];
  /** Why they cannot, in a sentence. */
  readonly says: Sentence;
  /** What refuses most while they are held, the most often first. */
  readonly because: readonly string[];
}

/** Demands that would have to be let go, and what the best set then is. */
interface Relaxation {
  readonly demands: readonly Demand[];
  readonly setting: DemandedBuild;
  readonly best: Chosen<SetFound>;
  readonly proved: boolean;
}

/** Why there is no set, and what would have to give way. */
interface Conflicts {
  readonly conflicts: readonly Conflict[];
  readonly relaxations: readonly Relaxation[];
  /** Whether everything was looked at: no other conflict among so many demands, none left unproved. */
  readonly proved: boolean;
}

/** Whether new ones go in whatever the engine had. */
const isNewAnyway = (kind: KindId): boolean => {
  const { fittedNew } = KINDS[kind];
  return fittedNew !== undefined && fittedNew.with === undefined;
};
/** Places whose parts an engine is made of: of what it keeps, these may be what stands in the way. */
const MAY_STAND_IN_THE_WAY: ReadonlySet<string> = new Set(
  SLOTS.filter(({ main, kind }) => main && !isNewAnyway(kind)).map(({ id }) => id),
);
/** So many checks more may be open where that is let go: what nobody knows anything of would do for everything. */
const MORE_OPEN = 4;
/** What one width outside its band counts of a demand that is only wished any more, in money. */
const WISHED = 200;

const everyPlace = (setting: DemandedBuild, slot: string): DemandedBuild => ({
  build: setting.build,
  demands: {
    ...setting.demands,
    places: [
      ...setting.demands.places.filter((each) => each.slot !== slot),
      { slot, from: 'any' as const, mayStay: true },
    ],
  },
});

/** A target with one end of it let go, or only wished any more. */
const withEnd = (setting: DemandedBuild, figure: string, end: 'low' | 'high', weight?: number): DemandedBuild => ({
  ...setting,
  demands: {
    ...setting.demands,
    targets: (setting.demands.targets ?? []).flatMap((target): readonly Target[] => {
      if (target.figure !== figure || target.weight !== undefined) return [target];
      const { low, high, ...rest } = target;
      const [is, other] = end === 'low' ? [low, high] : [high, low];
      const kept = end === 'low' ? { high } : { low };
      return [
        ...(other === undefined ? [] : [{ ...rest, ...(kept as Pick<Target, 'low' | 'high'>) }]),
        ...(is === undefined || weight === undefined ? [] : [{ figure, [end]: is, weight }]),
      ];
    }),
  },
});

/** Every demand of a setting that could be let go. */
export function demandsOf({ build, demands }: DemandedBuild, ground: PlanGround): readonly Demand[] {
  const found: Demand[] = [];
  const asked = new Map(demands.places.map((each) => [each.slot, each]));
  const engine = problemOf(build, demands, ground).engine;
  for (const { id: slot, name } of SLOTS) {
    const demand = asked.get(slot);
    const part = engine.part(slot);
    if (demand && demand.from !== 'any')
      found.push({
        id: `place ${slot}`,
        says: [`${name}: ${demand.from === 'shelf' ? 'from the shelf' : 'one of those that were named'}`],
        asks: {
          outOf:
            demand.from === 'shelf'
              ? `${one(name.toLowerCase())} from the shelf`
              : `one of the places named for ${name.toLowerCase()}`,
        },
        without: (setting) => everyPlace(setting, slot),
      });
    else if (!demand && part && (MAY_STAND_IN_THE_WAY.has(slot) || build.places.some((place) => place.slot === slot)))
      found.push({
        id: `place ${slot}`,
        says: [`${name}: ${part.taken ? 'as the engine has it, ' : ''}${part.part.label}`],
        asks: { with: `the ${name.toLowerCase()} ${part.part.label}` },
        without: (setting) => everyPlace(setting, slot),
      });
  }
  (demands.targets ?? []).forEach(({ figure, low, high, weight }) => {
    const of = figureOf(figure);
    if (!of || weight !== undefined) return;
    const name = of.name;
    for (const [end, is, words] of [
      ['low', low, 'at least'],
      ['high', high, 'at most'],
    ] as const)
      if (is !== undefined)
        found.push({
          id: `${figure} ${end}`,
          says: sentence`${name}: ${words} ${value(is, of.quantity)}`,
          asks: { gives: sentence`${one(name.toLowerCase())} of ${words} ${value(is, of.quantity)}` },
          without: (setting) => withEnd(setting, figure, end),
          wished: (setting) => withEnd(setting, figure, end, WISHED),
        });
  });
  const { price, hours, days, buys, open = USUAL_OPEN } = demands.limits ?? {};
  const limit = (name: 'price' | 'hours' | 'days' | 'buys' | 'open', says: Sentence, keeps: string): void => {
    found.push({
      id: name,
      says,
      asks: { keeps },
      without: (setting) => {
        const { [name]: _let, ...limits } = setting.demands.limits ?? {};
        return {
          ...setting,
          demands: { ...setting.demands, limits: name === 'open' ? { ...limits, open: open + MORE_OPEN } : limits },
        };
      },
    });
  };
  if (price !== undefined) limit('price', [`No more than ${price} for parts and work`], `for no more than ${price}`);
  if (hours !== undefined)
    limit('hours', [`No more than ${hours} hours of work`], `in no more than ${counted(hours, 'hour')} of work`);
  if (days !== undefined)
    limit('days', [`No more than ${counted(days, 'day')} until it can be had`], `within ${counted(days, 'day')}`);
  if (buys !== undefined)
    limit('buys', [`No more than ${buys} parts to buy`], `with no more than ${counted(buys, 'part')} to buy`);
  limit(
    'open',
    [open === 0 ? 'Nothing left open' : `No more than ${open} checks left open`],
    open === 0 ? 'with nothing left open' : `with no more than ${counted(open, 'check')} left open`,
  );
  if (demands.suppliers)
    found.push({
      id: 'suppliers',
      says: ['Bought from those suppliers only'],
      asks: { keeps: 'from those suppliers' },
      without: ({ build: same, demands: { suppliers: _let, ...rest } }) => ({ build: same, demands: rest }),
    });
  for (const operation of demands.forbid ?? [])
    found.push({
      id: `forbid ${operation}`,
      says: [`Not to be done: ${OPERATIONS[operation].name.toLowerCase()}`],
      asks: { keeps: `without work of this sort: ${OPERATIONS[operation].name.toLowerCase()}` },
      without: (setting) => ({
        ...setting,
        demands: { ...setting.demands, forbid: (setting.demands.forbid ?? []).filter((each) => each !== operation) },
      }),
    });
  if (demands.reversible === true)
    found.push({
      id: 'reversible',
      says: ['No work that cannot be taken back'],
      asks: { keeps: 'by work that can be taken back' },
      without: ({ build: same, demands: { reversible: _let, ...rest } }) => ({ build: same, demands: rest }),
    });
  return found;
}

/** Whether a demand is about what a refusal is named after: a figure, or a limit. */
const isAbout = ({ id, says }: Demand, refusal: string): boolean =>
  id === refusal || says[0] === refusal || LIMIT_REFUSED[id] === refusal;

/** What a limit refuses by, where that is not called as it is. */
const LIMIT_REFUSED: Readonly<Record<string, string>> = { open: 'too much is open', buys: 'parts to buy' };

/** What may be spent on finding out why. */
interface Effort {
  readonly conflicts: number;
  readonly relaxations: number;
  /** Nodes of one search. */
  readonly nodes: number;
  /** Nodes of all searches together. */
  readonly altogether: number;
}
const USUAL: Effort = { conflicts: 5, relaxations: 5, nodes: 1500, altogether: 6000 };

/**
 * The smallest sets of demands that cannot hold together, and those that could be let go, by Reiter's tree of hitting
 * sets: every way of breaking all conflicts is a way out, and no smaller one is. R. Reiter, *A theory of diagnosis from
 * first principles*, Artificial Intelligence 32 (1987), *from memory*.
 *
 * @param holds whether demands can hold together
 */
export function brokenDown<T>(
  all: readonly T[],
  holds: (demands: readonly T[]) => boolean,
  { conflicts: mostConflicts, relaxations: mostRelaxations }: Pick<Effort, 'conflicts' | 'relaxations'>,
): { readonly conflicts: readonly (readonly T[])[]; readonly relaxations: readonly (readonly T[])[] } {
  const conflicts: (readonly T[])[] = [];
  const relaxations: (readonly T[])[] = [];
  const queue: (readonly T[])[] = [[]];
  const seen = new Set<string>();
  for (let at = 0; at < queue.length && relaxations.length < mostRelaxations; at++) {
    const dropped = queue[at] ?? [];
    const key = all.map((each) => (dropped.includes(each) ? 1 : 0)).join('');
    if (seen.has(key) || relaxations.some((out) => out.every((each) => dropped.includes(each)))) continue;
    seen.add(key);
    let conflict = conflicts.find((each) => !each.some((one) => dropped.includes(one)));
    if (!conflict) {
      const held = all.filter((each) => !dropped.includes(each));
      if (holds(held)) {
        relaxations.push(dropped);
        continue;
      }
      if (conflicts.length >= mostConflicts) continue;
      conflict = smallest(held, holds);
      conflicts.push(conflict);
    }
    for (const each of conflict) queue.push([...dropped, each]);
  }
  return { conflicts, relaxations };
}

/** Demands that cannot hold together, less all that is not needed for that. */
function smallest<T>(demands: readonly T[], holds: (demands: readonly T[]) => boolean): readonly T[] {
  return demands.reduce<readonly T[]>((kept, each) => {
    const without = kept.filter((other) => other !== each);
    return holds(without) ? kept : without;
  }, demands);
}

/**
 * Why no set meets all demands, and what the best would be if some were let go.
 *
 * @param isStopped asked now and then; where it says so, what was found so far is told
 */
export function conflictsOf(
  setting: DemandedBuild,
  ground: PlanGround,
  isStopped: () => boolean = () => false,
  effort: Effort = USUAL,
): Conflicts {
  const all = demandsOf(setting, ground);
  const without = (demands: readonly Demand[]): DemandedBuild =>
    demands.reduce((so, demand) => demand.without(so), setting);
  let [proved, left] = [true, effort.altogether];
  const groundworks = new Groundworks();
  const known = new Map<string, { readonly holds: boolean; readonly because: readonly string[] }>();
  const ask = (held: readonly Demand[]) => {
    const key = held.map(({ id }) => id).join();
    let told = known.get(key);
    if (!told) {
      if (isStopped() || left <= 0) {
        proved = false;
        return { holds: true, because: [] };
      }
      const { build, demands } = without(all.filter((each) => !held.includes(each)));
      const result = planFor(
        problemOf(build, demands, ground),
        { answers: 1, effort: Math.min(effort.nodes, left), first: true, isStopped },
        undefined,
        groundworks,
      );
      left -= result.nodes;
      const holds = result.best.length > 0;
      // What was not looked at to its end may hold: it is not called a conflict.
      if (!holds && !result.proved) proved = false;
      const often = [...result.refusals].sort((a, b) => b[1] - a[1]).map(([name]) => name);
      told = { holds: holds || !result.proved, because: often.slice(0, 3) };
      known.set(key, told);
    }
    return told;
  };
  const { conflicts, relaxations } = brokenDown(all, (held) => ask(held).holds, effort);
  return {
    conflicts: conflicts.map((demands) => {
      const { because } = ask(demands);
      const anything = without(all.filter((each) => !demands.includes(each))).demands.places.filter(
        ({ from }) => from === 'any',
      );
      const free = anything.flatMap(({ slot }) => slotOf(slot)?.name ?? []);
      return {
        demands,
        because,
        says: sayConflict(
          demands.map(({ asks }) => asks),
          free,
          // What is demanded refuses by itself: that need not be said again.
          because.filter((name) => !demands.some((each) => isAbout(each, name))),
        ),
      };
    }),
    relaxations: relaxations
      .flatMap((demands): readonly Relaxation[] => {
        const let_ = demands.reduce((so, demand) => (demand.wished ?? demand.without)(so), setting);
        const result = planFor(
          problemOf(let_.build, let_.demands, ground),
          { answers: 1, effort: effort.nodes, isStopped },
          undefined,
          groundworks,
        );
        const [best] = result.best;
        return best ? [{ demands, setting: let_, best, proved: result.proved }] : [];
      })
      .sort((a, b) => a.best.leaf.score - b.best.leaf.score),
    proved,
  };
}
