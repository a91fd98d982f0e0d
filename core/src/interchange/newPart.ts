import { Trie } from '@wry/trie';
import type { Part } from '../catalogue/part.js';
import { KIND_IDS, type KindId } from '../dictionary/dictionary.js';
import { valve } from '../dictionary/kinds/valve.js';
import { JOINTS, verdictOfCheck, type Assembly, type JointCheck, type Verdict } from '../joints/index.js';

/** What was found for an old part with these round it; asked again and again while the work on one engine is judged. */
const known = new Trie<{ found?: { readonly part: Part | undefined } }>(true, () => ({}));
const ABSENT = {};

/**
 * The first on record that nothing of an assembly refuses in the place of a part: one that drops in before one that
 * wants work.
 */
export function newFor(assembly: Assembly, old: Part): Part | undefined {
  const { parts, replaced, rules } = assembly;
  const stock = assembly.stock[old.kind];
  if (!stock) return undefined;
  const round = KIND_IDS.flatMap((kind) => [
    (kind === old.kind ? old : parts[kind]) ?? ABSENT,
    replaced[kind] ?? ABSENT,
  ]);
  const kept = known.lookup(stock, rules, ...round);
  kept.found ??= { part: chosen(assembly, old, stock) };
  return kept.found.part;
}

function chosen(assembly: Assembly, old: Part, stock: readonly Part[]): Part | undefined {
  const duty = old.looks[valve.features.duty.id]?.option;
  const checks = checksOf(assembly, old.kind);
  const parts = { ...assembly.parts };
  const trial = { ...assembly, parts };
  let withWork: Part | undefined;
  for (const part of stock) {
    if (part.looks[valve.features.duty.id]?.option !== duty) continue;
    parts[old.kind] = part;
    const verdict = worstOf(checks, trial, withWork !== undefined);
    if (verdict === 'fits') return part;
    if (verdict === 'fitsWithWork') withWork = part;
  }
  return withWork;
}

/** The checks of a kind's joints, as far as the other parts of those are there. */
const checksOf = (assembly: Assembly, kind: KindId): JointCheck[] =>
  JOINTS.filter(
    (joint) =>
      !joint.inPlaceOf &&
      joint.kinds.includes(kind) &&
      joint.kinds.every((each) => each === kind || assembly.parts[each]) &&
      joint.applies?.(assembly) !== false,
  ).flatMap(({ checks }) => checks);

/**
 * What they come to; nothing once one of them cannot have the part as it is. What refused one part goes to the front:
 * most others are refused by the same.
 */
function worstOf(checks: JointCheck[], assembly: Assembly, dropsInOnly: boolean): Verdict | undefined {
  let worst: Verdict = 'fits';
  for (const [at, check] of checks.entries()) {
    const verdict = verdictOfCheck(check, assembly);
    if (verdict === 'fits') continue;
    if (verdict !== 'fitsWithWork' || dropsInOnly) {
      checks.splice(at, 1);
      checks.unshift(check);
      return undefined;
    }
    worst = verdict;
  }
  return worst;
}
