import type { Part } from '../catalogue/part.js';
import type { KindId } from '../dictionary/dictionary.js';
import { kindOf, type PlacedPart } from '../joints/index.js';
import type { Interval } from '../quantity/interval.js';
import { outsideOf } from './evaluate.js';
import { declaredReads } from './figureTeller.js';
import type { Groundwork } from './groundwork.js';
import { goesByPiston, isBounded, widened } from './moves.js';
import type { PlanProblem } from './problem.js';
import { SAYS, type Constraint } from './constraint.js';

/**
 * Targets that must be reached, as constraints on what a figure goes by: refused is what misses even with all the work
 * that joints may offer. What that work then comes to, the whole set tells.
 */
export function figureConstraintsOf(problem: PlanProblem, groundwork: Groundwork): readonly Constraint[] {
  const { choices, fixed, recipients, aims } = problem;
  const { figures, around } = groundwork;
  return aims.flatMap((aim): readonly Constraint[] => {
    const ids = declaredReads(aim.of);
    if (aim.weight !== undefined || !ids || ![...ids].every(isBounded)) return [];
    const kinds = new Set<KindId>([...ids].map(kindOf));
    const byPiston = [...ids].some(goesByPiston);
    const vars = choices.flatMap(({ kind }, at) => (kinds.has(kind) || (byPiston && kind === 'piston') ? [at] : []));
    if (vars.length === 0) return [];
    const spread = groundwork.spreadOf(aim.of);
    const classes = vars.map((at) =>
      (choices[at]?.options ?? []).map(({ part }) => {
        const alike = alikeIn(part, ids);
        const number = spread.classes.get(alike) ?? spread.classes.size;
        spread.classes.set(alike, number);
        return number;
      }),
    );
    const wholeOf = (options: readonly number[]): readonly PlacedPart[] => {
      const chosen = new Map(vars.map((at, place) => [at, options[place] ?? 0]));
      const parts = choices.flatMap(({ slot, options: all }, at): readonly PlacedPart[] => {
        const option = all[chosen.get(at) ?? 0];
        return option ? [{ slot, part: option.part }] : [];
      });
      const taken = new Set(parts.map(({ slot }) => slot));
      return [...parts, ...fixed, ...recipients.filter(({ slot }) => !taken.has(slot))];
    };
    const hits = (options: readonly number[]): boolean => {
      const { reaches } = figures.told(aim.of, wholeOf(options));
      return reaches !== undefined && outsideOf(aim, reaches) === 0;
    };
    const keyOf = (options: readonly number[]): string =>
      options.map((option, place) => classes[place]?.[option]).join();
    const spreadOf = (options: readonly number[], whole: readonly PlacedPart[]): Interval | undefined => {
      const key = keyOf(options);
      if (spread.lies.has(key)) return spread.lies.get(key);
      const goes = whole.find(({ part }) => part.kind === 'piston')?.part;
      const here = goes ? { ...around, piston: goes } : around;
      const wide = whole.flatMap(({ slot, part }) => {
        const wider = kinds.has(part.kind) ? widened(part, ids, here) : part;
        return wider ? [{ slot, part: wider }] : [];
      });
      const lies = wide.length < whole.length ? undefined : figures.between(aim.of, wide);
      spread.lies.set(key, lies);
      return lies;
    };
    const misses = (options: readonly number[]): boolean => {
      const whole = wholeOf(options);
      const { reaches } = figures.told(aim.of, whole);
      if (!reaches || outsideOf(aim, reaches) === 0) return false;
      const lies = spreadOf(options, whole);
      return (
        lies !== undefined && (lies.high < (aim.low ?? -Infinity) - SAME || lies.low > (aim.high ?? Infinity) + SAME)
      );
    };
    const once = (told: (options: readonly number[]) => boolean): typeof told => {
      const known = new Map<string, boolean>();
      return (options) => {
        const key = keyOf(options);
        let says = known.get(key);
        if (says === undefined) known.set(key, (says = told(options)));
        return says;
      };
    };
    const [missed, hit] = [once(misses), once(hits)];
    return [
      {
        name: aim.of.name,
        vars,
        dear: true,
        judge: (options) => (missed(options) ? SAYS.refuses : SAYS.agrees),
        plain: (options) => (hit(options) ? SAYS.agrees : SAYS.refuses),
      },
    ];
  });
}

/** All that a figure goes by in a part: parts that agree in it are of one class; what one misses the others miss. */
function alikeIn({ kind, service, values, looks }: Part, ids: ReadonlySet<string>): string {
  // Work goes by service sizes, and by how a size was measured, as well as by the size.
  const sizes = Object.entries(values).filter(([id]) => ids.has(id) || isBeside(kind, id));
  return `${JSON.stringify([service, sizes])} ${[...ids].map((id) => looks[id]?.option ?? '').join()}`;
}

const isBeside = (kind: KindId, id: string): boolean => BESIDES[kind]?.some((each) => id.startsWith(each)) ?? false;

/** What crowns and cylinders go by besides what a figure declares: bowl beside dome, the skirt that is bored for. */
const BESIDES: Partial<Record<KindId, readonly string[]>> = {
  piston: ['piston.crown', 'piston.skirt', 'piston.valvePocket'],
  block: ['block.wall', 'block.deckHeight'],
  head: ['head.height'],
  liner: ['liner.wall'],
};

const SAME = 1e-9;
