import {
  baseOf,
  givingWay,
  mayBeRecorded,
  sidesOf,
  weighed,
  type CheckAtJoint,
  type Weighed,
} from '../interchange/index.js';
import { record, verdictOfCheck, type PlacedPart, type Verdict } from '../joints/index.js';
import type { PlanProblem } from './problem.js';
import { placeOf, structureOf, type Structure } from './structure.js';

/** Weighs one choice after another: what is laid out for one, and judged for it, serves the others. */
export class Weigher {
  /** By what of the engine gives way, and to what. */
  private readonly structures = new Map<string, Structure>();

  constructor(private readonly problem: PlanProblem) {}

  weigh(selection: readonly number[]): Weighed {
    const { choices, fixed, recipients, context } = this.problem;
    const chosen = selection.flatMap((option, at): readonly PlacedPart[] => {
      const choice = choices[at];
      const part = choice?.options[option]?.part;
      return choice && part ? [{ slot: choice.slot, part }] : [];
    });
    const sides = sidesOf([...chosen, ...fixed], recipients);
    const structure = this.structure(sides.givingWay);
    const base = baseOf(sides, context);
    const known = new Map<CheckAtJoint, Verdict>();
    const places = structure.checks.flatMap((each) => {
      const verdict = each.verdict(each.vars.map((at) => selection[at] ?? 0));
      if (!verdict) return [];
      const place = placeOf(each, structure.varOf, chosen, base);
      known.set(place, verdict);
      return [place];
    });
    const parts = [...sides.coming, ...sides.staying];
    const named = [...parts, ...sides.leaving].map(({ part }) => part);
    const onRecord = mayBeRecorded(named)
      ? record.checks.map((check): CheckAtJoint => ({ check, where: { joint: record, assembly: base } }))
      : [];
    return weighed({
      places: [...places, ...onRecord],
      bystanders: () =>
        structure.bystanders
          .map((each) => placeOf(each, structure.varOf, chosen, base))
          .filter(({ where }) => where.joint.applies?.(where.assembly) ?? true),
      verdictAt: (place) => known.get(place) ?? verdictOfCheck(place.check, place.where.assembly),
      parts,
      context,
    });
  }

  private structure(gives: ReturnType<typeof givingWay>): Structure {
    const key = [...gives].map(([{ slot }, { step, comesAlong }]) => `${slot} ${step} ${String(comesAlong)}`).join();
    let structure = this.structures.get(key);
    if (!structure) {
      // Those that stay are the same parts whatever comes, as they stand in the places of the engine.
      const bySlot = new Map([...gives].map(([placed, renewal]) => [placed.slot, renewal]));
      structure = structureOf(
        this.problem,
        ({ staying }) =>
          new Map(
            staying.flatMap((placed) => {
              const renewal = bySlot.get(placed.slot);
              return renewal ? [[placed, renewal] as const] : [];
            }),
          ),
      );
      this.structures.set(key, structure);
    }
    return structure;
  }
}
