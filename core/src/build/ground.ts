import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { Part } from '../catalogue/part.js';
import {
  givingWay,
  partFromShelf,
  partsOfVariant,
  ratingOf,
  slotFor,
  statedOf,
  swap,
  type Swap,
  type SwapContext,
} from '../interchange/index.js';
import { slotOf, type KindId } from '../dictionary/index.js';
import { block } from '../dictionary/kinds/block.js';
import type { PlacedPart, Verdict } from '../joints/index.js';
import { counted, listed } from '../quantity/phrase.js';
import type { Sentence } from '../quantity/sentence.js';
import type { Specimen } from '../readings/reading.js';
import type { ToolDrawer } from '../shop/ownInstrument.js';
import type { Build, Place } from './build.js';
import { BuildEngine, type BuildGround, type PlacedInBuild } from './engine.js';

/** What builds are looked up in. */
export interface BuildLookup {
  readonly catalogue: CatalogueLookup;
  readonly context: SwapContext;
  /** Stored specimens that builds name. */
  readonly specimens: readonly Specimen[];
  /** The pattern a specimen is taken for, once that is at least probable. */
  readonly takenFor: (specimen: Specimen) => string | undefined;
  readonly drawer?: ToolDrawer;
}

/** A build with everything it names looked up; what is not there any more is a problem of the build, and no error. */
export function engineOf(build: Build, lookup: BuildLookup): BuildEngine {
  return new BuildEngine(build, groundOf(build, lookup));
}

/**
 * One build after another with other parts in the places of its engine: all else is looked up once.
 *
 * @returns an engine with these parts in place of those that the build names or starts from
 */
export function engineWith(build: Build, lookup: BuildLookup): (parts: readonly PlacedPart[]) => BuildEngine {
  const ground = groundOf(build, lookup);
  const bare = { ...build, places: [] };
  return (parts) => new BuildEngine(bare, { ...ground, base: parts });
}

function groundOf(build: Build, lookup: BuildLookup): BuildGround {
  const { catalogue, context } = lookup;
  const variant = build.variant === undefined ? undefined : catalogue.variant(build.variant);
  const specimens = new Map(lookup.specimens.map((each) => [each.id, each]));
  return {
    base: variant ? partsOfVariant(catalogue, variant) : [],
    stated: variant ? statedOf(variant) : { values: {}, looks: {} },
    partOf: (place) => partOf(place, specimens, lookup),
    ...(context.likelyValue ? { likely: context.likelyValue } : {}),
    stock: context.stock,
    rules: context.rules,
    ...(variant ? { rated: ratingOf(catalogue, variant) } : {}),
  };
}

function partOf(
  { pattern, specimen }: Place,
  specimens: ReadonlyMap<string, Specimen>,
  { catalogue, takenFor, drawer }: BuildLookup,
): Part | undefined {
  if (pattern !== undefined) return catalogue.part(pattern);
  const found = specimen === undefined ? undefined : specimens.get(specimen);
  return found && partFromShelf(catalogue, found, takenFor(found), drawer);
}

/** What is in the places of a build after its work, a part for each that differs. */
export function partsOfBuild(engine: BuildEngine): readonly PlacedPart[] {
  const seen = new Set<string>();
  return engine.parts.flatMap(({ slot, part }): readonly PlacedPart[] => {
    const key = `${slot} ${part.pattern ?? ''} ${part.label}`;
    if (seen.has(key)) return [];
    seen.add(key);
    return [{ slot, part }];
  });
}

/** Shells are chosen anew for what they go between, unless somebody has chosen them. */
const CHOSEN_BY: Readonly<Partial<Record<KindId, readonly string[]>>> = {
  block: ['mainShell'],
  crank: ['mainShell', 'rodShell'],
  rod: ['rodShell'],
};

/** Every joint of the whole build at once, with the work that is planned in it. Undefined while no two parts meet. */
export function jointsOf(engine: BuildEngine, context: SwapContext): Swap | undefined {
  const { name } = engine.build;
  const isOwn = ({ taken, work }: PlacedInBuild): boolean => taken && work.length === 0;
  const own = new Set(engine.parts.filter(isOwn).map(({ slot }) => slot));
  const anew = new Set(engine.parts.filter((each) => !isOwn(each)).flatMap(({ part }) => CHOSEN_BY[part.kind] ?? []));
  const parts = partsOfBuild(engine).filter(({ slot }) => !(own.has(slot) && anew.has(slot)));
  // What nobody chose is fitted new where it does not go with what was chosen, as in a swap.
  const [chosen, engines] = [parts.filter(({ slot }) => !own.has(slot)), parts.filter(({ slot }) => own.has(slot))];
  try {
    const judged = swap(
      parts,
      [],
      { ...context, ...(engine.rated ? { rated: engine.rated } : {}) },
      { donor: name, recipient: name },
      givingWay(chosen, engines),
    );
    return { ...judged, says: sayWhole(judged) };
  } catch (error) {
    if (error instanceof Error && error.name === 'NoJointError') return undefined;
    throw error;
  }
}

/** The whole in one sentence: nothing comes and nothing stays, it goes together or it does not. */
function sayWhole({ verdict, joints, agree, byWork, checks }: Swap): Sentence {
  const named = (wanted: Verdict) =>
    listed([
      ...new Set(
        joints.flatMap((joint) =>
          joint.checks.filter((check) => check.verdict === wanted).map((check) => check.name.toLowerCase()),
        ),
      ),
    ]);
  switch (verdict) {
    case 'fits':
      return [`It goes together: all ${counted(checks, 'check', 'checks')} agree.`];
    case 'fitsWithWork':
      return [`It goes together with work: ${named('fitsWithWork')}.`];
    case 'cannotTell':
      return [
        `Not known yet: ${agree + byWork} of ${checks} checks agree, and nothing is against it. Open: ${named('cannotTell')}.`,
      ];
    case 'doesNotFit':
      return [`It does not go together: ${named('doesNotFit')}.`];
  }
}

/** Places that a set fills with one part for each cylinder. */
const SETS: ReadonlySet<KindId> = new Set(['rod', 'pin', 'piston', 'rings', 'liner']);

/** More cylinders than this no build has. */
const MOST_CYLINDERS = 16;

/** The places of a build for parts that lie on one bench: the first of a kind for all, several by their order. */
export function placesFor(
  specimens: readonly Specimen[],
  { catalogue, takenFor, drawer }: BuildLookup,
): readonly Place[] {
  const bySlot = new Map<string, string[]>();
  let cylinders = MOST_CYLINDERS;
  for (const specimen of specimens) {
    const part = partFromShelf(catalogue, specimen, takenFor(specimen), drawer);
    const slot = slotFor(part);
    bySlot.set(slot, [...(bySlot.get(slot) ?? []), specimen.id]);
    const counted = Number(part.looks[block.features.cylinders.id]?.option);
    if (Number.isInteger(counted) && counted > 0) cylinders = Math.min(MOST_CYLINDERS, counted);
  }
  return [...bySlot].flatMap(([slot, ids]): readonly Place[] => {
    const isSet = SETS.has(slotOf(slot)?.kind ?? 'block');
    if (!isSet || ids.length === 1) return ids.slice(0, 1).map((specimen) => ({ slot, specimen }));
    // Of a pool no more go in than there are cylinders; which of them is for the set that is matched.
    return ids.slice(0, cylinders).map((specimen, at) => ({ slot, at: at + 1, specimen }));
  });
}
