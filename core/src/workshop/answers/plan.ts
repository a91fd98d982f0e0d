import { group, rollup } from 'd3-array';
import { asksOf, engineOf, jointsOf, nameOfWork } from '../../build/index.js';
import type { Answers, Requests, SetTold } from '../../contract/index.js';
import { slotOf } from '../../dictionary/slots.js';
import { DataError } from '../../formats/index.js';
import {
  closestOf,
  conflictsOf,
  nonsenseOf,
  planFor,
  problemOf,
  setsForEngines,
  takenOver,
  worthOf,
  type AimFound,
  type Demand,
  type Option,
  type PlanGround,
  type PlanProblem,
  type SearchProgress,
  type SetFound,
} from '../../planner/index.js';
import { normaliseMark } from '../../marks/markText.js';
import { numbersToOrder, offersFor, soughtNumbers } from '../../order/index.js';
import { UNITS } from '../../quantity/unit.js';
import { buildLookup } from '../buildLookup.js';
import type { KeptCatalogue } from '../keptCatalogue.js';
import type { Answering } from './answering.js';
import { engineAsked, needed } from './buildAsked.js';

type Asked = Requests['planSets'];

/** More numbers than this nobody looks for at once. */
const NUMBERS_TOLD = 2001;
/** What rules most out is told up to here. */
const REFUSALS_TOLD = 5;

/** Numbers by which lists may have what a plan could buy, as they are compared. */
export function numbersToBuy({ catalogue }: KeptCatalogue, { build, demands }: Pick<Asked, 'build' | 'demands'>) {
  const kinds = demands.places.flatMap(({ slot }) => slotOf(slot)?.kind ?? []);
  const patterns = new Set([
    ...kinds.flatMap((kind) => catalogue.ofKind(kind).map(({ id }) => id)),
    ...build.places.flatMap(({ pattern }) => pattern ?? []),
  ]);
  return [
    ...new Set([...patterns].flatMap((pattern) => soughtNumbers({ numbers: numbersToOrder(catalogue, pattern) }))),
  ];
}

/** Money in which most of them sell: what the shop reckons in. Offers in other money are not compared. */
function moneyOf(sellers: NonNullable<Asked['sellers']>): string | undefined {
  const counts = rollup(
    sellers,
    (all) => all.length,
    ({ currency }) => currency,
  );
  return [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))[0]?.[0];
}

/** Who sells so many of a pattern, of those that have enough or do not say. */
function onSaleIn(
  { catalogue }: KeptCatalogue,
  { sellers = [], offers = [] }: Asked,
): NonNullable<PlanGround['onSale']> {
  const money = moneyOf(sellers);
  const byNumber = group(
    offers.filter(({ currency }) => currency === money),
    ({ number }) => normaliseMark(number),
  );
  return (pattern, left) => {
    const numbers = numbersToOrder(catalogue, pattern);
    const own = soughtNumbers({ numbers }).flatMap((each) => byNumber.get(each) ?? []);
    return offersFor({ left, numbers }, own)
      .filter(({ enough }) => enough !== false)
      .map(({ offer, total }) => ({
        supplier: offer.supplier,
        price: total,
        ...(offer.days === undefined ? {} : { days: offer.days }),
      }));
  };
}

function asked(workshop: KeptCatalogue, request: Asked) {
  const { build, demands, specimens = [], shelf = [], sellers } = request;

  const ground: PlanGround = {
    ...buildLookup(workshop, [...specimens, ...shelf]),
    ofKind: (kind) => workshop.partsOf(kind),
    shelf: shelf.filter(({ id }) => !build.places.some((place) => place.specimen === id)),
    // How many choices there are is told before anybody has looked what lists have.
    ...(sellers && request.offers ? { onSale: onSaleIn(workshop, request) } : {}),
  };
  const engine = engineAsked(workshop, build, [...specimens, ...shelf]);
  const problems = [
    ...nonsenseOf(build, demands, ground, engine),
    ...engine.problems.map(({ where, what }) => ({ where: `build.${where}`, what })),
    ...(demands.suppliers ?? []).flatMap((id, at) =>
      sellers && !sellers.some((each) => each.id === id)
        ? [{ where: `demands.suppliers[${at}]`, what: `there is no supplier "${id}"; put him on record first.` }]
        : [],
    ),
  ];
  if (problems.length > 0)
    throw new DataError(
      'What is looked for makes no sense as it stands.',
      problems.map(({ where, what }) => ({ where: `body.${where}`, what })),
    );
  return ground;
}

const partTold = (
  option: Option,
  at: number,
  { choices }: PlanProblem,
  sellers: Asked['sellers'] = [],
): SetTold['parts'][number] => {
  const { slot = '', name = '', kind = option.part.kind, free = false } = choices[at] ?? {};
  return {
    slot,
    name,
    kind,
    label: option.label,
    ...(option.part.pattern === undefined ? {} : { pattern: option.part.pattern }),
    ...(option.size === undefined ? {} : { size: option.size }),
    from: option.from,
    asked: free,
    price: option.price,
    ...(option.unpriced ? { unpriced: true } : {}),
    ...(option.supplier === undefined
      ? {}
      : { supplier: sellers.find(({ id }) => id === option.supplier)?.name ?? option.supplier }),
    ...(option.from === 'bought' && option.days !== undefined ? { days: option.days } : {}),
    work: option.work.map(
      ({ operation, by }) => `${nameOfWork(operation)}: ${by.value} ${UNITS[by.unit].symbol} ${asksOf(operation)}`,
    ),
  };
};

const figureTold = ({ aim, reaches, outside, needs }: AimFound): SetTold['figures'][number] => ({
  figure: aim.figure,
  name: aim.of.name,
  quantity: aim.of.quantity,
  ...(reaches ? { reaches } : {}),
  ...(aim.low === undefined ? {} : { low: aim.low }),
  ...(aim.high === undefined ? {} : { high: aim.high }),
  wished: aim.weight !== undefined,
  outside,
  needs: needs.map(needed),
});

/** Cents and tenths of hours: sums of prices carry the dust of their fractions. */
const rounded = (value: number): number => Math.round(value * 100) / 100;

/** @param isWhole it is looked at closely: not of each that is only the best so far */
function setTold(
  workshop: KeptCatalogue,
  problem: PlanProblem,
  found: SetFound,
  first?: SetFound,
  sellers?: Asked['sellers'],
  isWhole = true,
): SetTold {
  const { weighed, options } = found;
  const { places, besides } = takenOver(problem, found);
  return {
    score: rounded(found.score),
    verdict: weighed.verdict,
    price: rounded(found.price),
    hours: rounded(found.hours),
    buys: found.buys,
    days: found.days,
    unpromised: found.unpromised,
    irreversible: found.irreversible,
    checks: weighed.checks,
    parts: options.map((option, at) => partTold(option, at, problem, sellers)),
    work: weighed.work.map(({ name, says, hours, price, canUndo, buy, caution }) => ({
      name,
      says,
      hours,
      price,
      canUndo,
      buys: buy.map((pattern) => workshop.catalogue.label(pattern)),
      ...(caution === undefined ? {} : { caution }),
    })),
    figures: found.aims.map(figureTold),
    open: weighed.open.map(({ where, check }) => {
      const { because, needs } = check.judge(where.assembly);
      return { joint: where.joint.name, check: check.name, says: because, needs: needs.map(needed) };
    }),
    closest: isWhole
      ? [...closestOf(jointsOf(engineOf({ ...problem.bare, places: [...places] }, problem.ground), problem.context))]
      : [],
    differs: options.flatMap(({ key }, at) =>
      first && first.options[at]?.key !== key ? (problem.choices[at]?.name ?? []) : [],
    ),
    cautions: [...new Set(weighed.work.flatMap(({ caution }) => caution ?? []))],
    places: [...places],
    besides: [...besides],
  };
}

/** What would have to be measured, by how many of the sets are open for want of it. */
function toMeasure(sets: readonly SetTold[]): Answers['planSets']['worth'] {
  const found = new Map<string, { readonly id: string; readonly name: string; sets: number }>();
  for (const { open, figures } of sets) {
    const wanted = new Map([...open, ...figures].flatMap(({ needs }) => needs.map((each) => [each.id, each] as const)));
    for (const { id, name } of wanted.values()) {
      const one = found.get(id) ?? { id, name, sets: 0 };
      one.sets++;
      found.set(id, one);
    }
  }
  return [...found.values()].sort((a, b) => b.sets - a.sets);
}

const combinationsOf = ({ choices }: PlanProblem): number =>
  choices.reduce((so, { options }) => so * options.length, 1);

const optionsTold = ({ choices }: PlanProblem): Answers['planChoices']['options'] =>
  choices.map(({ slot, name, options }) => ({ slot, name, count: options.length }));

export const planChoices: Answering<'planChoices'> = (workshop, { units: _units, ...rest }) => {
  const problem = problemOf(rest.build, rest.demands, asked(workshop, rest));
  return {
    combinations: combinationsOf(problem),
    options: optionsTold(problem),
    numbers: numbersToBuy(workshop, rest).slice(0, NUMBERS_TOLD),
  };
};

export const planSets: Answering<'planSets'> = (workshop, { units: _units, ...rest }, { isStopped, searchTold }) => {
  const ground = asked(workshop, rest);
  const problem = problemOf(rest.build, rest.demands, ground);
  const combinations = combinationsOf(problem);
  const toldAll = (found: readonly { readonly leaf: SetFound }[], isWhole = true) =>
    found.map(({ leaf }) => setTold(workshop, problem, leaf, found[0]?.leaf, rest.sellers, isWhole));
  const { engines = 1 } = rest.demands;
  const limits = { isStopped };
  const told = (progress: () => SearchProgress<SetFound>): void =>
    searchTold?.(() => {
      const now = progress();
      return {
        combinations,
        nodes: now.nodes,
        looked: now.leaves,
        ...(Number.isFinite(now.bound) ? { bound: rounded(now.bound) } : {}),
        // The best for one engine are not yet what each of several gets.
        sets: engines === 1 ? toldAll(now.best, false) : [],
      };
    });
  const { best, proved, bound, nodes, leaves, refusals } =
    engines === 1 ? planFor(problem, limits, told) : setsForEngines(problem, engines, limits, told);
  const sets = toldAll(best);
  return {
    sets,
    ...(engines === 1 ? {} : { engines }),
    proved,
    ...(Number.isFinite(bound) ? { bound: rounded(bound) } : {}),
    combinations,
    nodes,
    looked: leaves,
    options: optionsTold(problem),
    refused: [...refusals]
      .sort((a, b) => b[1] - a[1])
      .slice(0, REFUSALS_TOLD)
      .map(([by, times]) => ({ by, times })),
    worth: toMeasure(sets),
  };
};

const demandTold = ({ id, says }: Demand) => ({ id, says });

export const planWorth: Answering<'planWorth'> = (workshop, { units: _units, best, ...rest }, { isStopped }) => {
  const ground = asked(workshop, rest);
  const { build, demands } = rest;
  const score = best ?? planFor(problemOf(build, demands, ground), { answers: 1, isStopped }).best[0]?.leaf.score;
  // Where there is no set what stands in the way is asked, and not what it costs.
  if (score === undefined) return { worth: [], atHand: [], proved: !isStopped() };
  const found = worthOf({ build, demands }, ground, score, isStopped);
  return {
    worth: found.worth.map(({ demand, setting, best: better, saves, proved }) => ({
      demand: demandTold(demand),
      saves: rounded(saves),
      set: setTold(workshop, problemOf(setting.build, setting.demands, ground), better.leaf, undefined, rest.sellers),
      proved,
    })),
    atHand: found.atHand.map(({ slot, problem, best: having, saves, proved }) => {
      const at = problem.choices.findIndex((choice) => choice.slot === slot);
      const set = setTold(workshop, problem, having.leaf, undefined, rest.sellers);
      return {
        slot,
        name: slotOf(slot)?.name ?? slot,
        label: set.parts[at]?.label ?? '',
        saves: rounded(saves),
        proved,
      };
    }),
    proved: found.proved,
  };
};

export const planConflicts: Answering<'planConflicts'> = (workshop, { units: _units, ...rest }, { isStopped }) => {
  const ground = asked(workshop, rest);
  const { build, demands } = rest;
  const found = conflictsOf({ build, demands }, ground, isStopped);
  return {
    conflicts: found.conflicts.map(({ demands: held, says, because }) => ({
      demands: held.map(demandTold),
      says,
      because,
    })),
    relaxations: found.relaxations.map(({ demands: let_, setting, best, proved }) => ({
      demands: let_.map(demandTold),
      set: setTold(workshop, problemOf(setting.build, setting.demands, ground), best.leaf, undefined, rest.sellers),
      proved,
    })),
    proved: found.proved,
  };
};
