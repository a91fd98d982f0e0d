import { head } from '../../dictionary/kinds/head.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { lookOf, valueOf, type Assembly } from '../assembly.js';
import { WORK_ALWAYS_HELPS, type JointCheck } from '../check.js';
import { mended, missing, offer, said, work, type Offer } from '../outcome.js';
import { cutPockets } from '../operations/pistons.js';

const { valvePockets: pockets } = piston.features;

const { 'valvePocket.depth': depth, 'crown.volume': bowl } = piston.parameters;

const { 'valve.intake': intake, 'valve.exhaust': exhaust } = head.parameters;

/** Larger of the valves that a pocket is cut for; nothing where the head tells of neither. */
export function valveDiameter(assembly: Assembly): number | undefined {
  const sizes = [intake, exhaust].flatMap((each) => valueOf(assembly, each)?.interval.high ?? []);
  return sizes.length === 0 ? undefined : Math.max(...sizes);
}

/** A pocket for every valve of the head, none less deep than those that are there. */
function morePockets(assembly: Assembly, valves: string): readonly Offer[] {
  const part = assembly.parts.piston;
  return offer(
    part && cutPockets(part, { count: valves, deeper: 0, valve: valveDiameter(assembly) }, assembly.rules),
    (cut) =>
      work({
        steps: ['cutPockets'],
        says: [`Cut pockets for all ${valves} valves, where the crown is thick enough.`],
        parts: [cut],
      }),
  );
}

/** A pocket for each valve, where the crown has pockets at all. */
export const valvePockets: JointCheck = {
  id: 'valvePockets',
  name: 'Valve pockets',
  reads: [pockets.id, head.features.valves.id, depth.id, bowl.id, intake.id, exhaust.id],
  verdicts: WORK_ALWAYS_HELPS,
  judge: (assembly) => {
    const [there, valves] = [lookOf(assembly, pockets), lookOf(assembly, head.features.valves)];
    if (there === undefined) return missing([pockets], 'count');
    if (there === '0')
      return said('fits', ['The crown has no pockets: check valve to piston with clay before it turns.']);
    if (valves === undefined) return missing([head.features.valves], 'count');
    if (Number(there) >= Number(valves)) return said('fits', [`${there} pockets for ${valves} valves a cylinder.`]);
    return mended(
      said('doesNotFit', [`${there} pockets for ${valves} valves a cylinder: a valve would meet the crown.`]),
      morePockets(assembly, valves),
      assembly.rules,
    );
  },
};
