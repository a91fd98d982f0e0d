import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { Variant } from '../catalogue/pattern.js';
import type { KindId } from '../dictionary/dictionary.js';
import { ASSUMED } from '../identify/assumptions.js';
import type { Identification } from '../identify/index.js';
import type { Specimen } from '../readings/reading.js';
import { logMean, logSum } from '../quantity/logSum.js';
import type { Carried, Era } from './eras.js';

/** One part as far as it was read. */
export interface Weighing {
  readonly specimen: Specimen;
  readonly kind: KindId;
  readonly identification: Identification;
  /** ln P(readings | any part of its kind), against a part in no catalogue. */
  readonly any: number;
}

/** How the parts of an engine agree with a variant. */
export interface Agreement {
  /** By part, in their order: what it adds to those before it, ln of how much likelier than parts from anywhere. */
  readonly adds: readonly number[];
  /** How likely each stretch of the run is, once all parts are read. */
  readonly eras: readonly number[];
}

/** How often such a part came with its engine, by the shop's own figure where it has one. */
const originalOf = ({ kind, identification: { index } }: Weighing): number =>
  kind === 'block' ? ASSUMED.originalBlock : index.assumed.original;

/**
 * How likely parts are together in engines of a catalogue. The parts of one kind are one set: they came with the
 * engine, or were put in later as a set, or each by itself. What was put in later is mostly what engines with the
 * same block carry. All parts of an engine are of one time, so that an exception of its first months counts once for
 * all of them.
 */
export class PartsInEngines {
  /** By part: those of its kind up to it, which are judged together, and what they come to in any engine. */
  private readonly sets: readonly PartsOfKind[];
  private readonly members = new WeakMap<Variant, Map<KindId, Members>>();
  private readonly shared = new Map<string, Members>();

  /** @param weighings parts that were read, those of a kind one after another */
  constructor(
    private readonly catalogue: CatalogueLookup,
    weighings: readonly Weighing[],
  ) {
    const sets: PartsOfKind[] = [];
    for (const weighing of weighings) {
      const before = sets.at(-1);
      const parts = before?.kind === weighing.kind ? [...before.parts, weighing] : [weighing];
      const anyPattern = ofOnePattern(parts);
      const anywhere = logOfBoth(Math.log(ASSUMED.asSet) + anyPattern, Math.log(1 - ASSUMED.asSet));
      const known = parts.length > 1 ? (before?.anywhere ?? 0) : 0;
      sets.push({
        kind: weighing.kind,
        weighing,
        parts,
        anyPattern,
        anyAlone: ofOnePattern([weighing]),
        anywhere,
        addsAnywhere: anywhere - known,
      });
    }
    this.sets = sets;
  }

  agreement(variant: Variant, eras: readonly Era[]): Agreement {
    let before = eras.map(({ share }) => Math.log(share));
    let [kind, kindBefore]: [KindId | undefined, number[]] = [undefined, before];
    let running: (InEra | undefined)[] = [];
    const adds = this.sets.map((set, at): number => {
      if (set.kind !== kind) {
        [kind, kindBefore] = [set.kind, before];
        running = eras.map(({ carries }) => begunIn(carries.get(set.kind), set.weighing));
      }
      const members = this.goingInto(variant, set.kind);
      const [asSet, alone] = [this.putInLater(members, at, false), this.putInLater(members, at, true)];
      const after = running.map((era, each) => (kindBefore[each] ?? 0) + withOneMore(era, set, asSet, alone));
      const added = logSum(after) - logSum(before) - set.addsAnywhere;
      before = after;
      return added;
    });
    const all = logSum(before);
    return { adds, eras: before.map((log) => Math.exp(log - all)) };
  }

  /** Probability that one part came with an engine of that stretch; undefined where nobody says what it carries. */
  cameWithIt(weighing: Weighing, variant: Variant, era: Era): number | undefined {
    const at = this.sets.findIndex((set) => set.weighing === weighing);
    const begun = begunIn(era.carries.get(weighing.kind), weighing);
    if (!begun || at < 0) return undefined;
    const share = originalOf(weighing);
    const came = Math.log(share) + carriedLog(begun, weighing);
    const later = Math.log(1 - share) + this.putInLater(this.goingInto(variant, weighing.kind), at, true);
    return Math.exp(came - logOfBoth(came, later));
  }

  /**
   * ln of how likely parts are that were put in later, all of one pattern.
   *
   * @param alone only the last of the set, and not those before it
   */
  private putInLater({ patterns, later: [ofSets, ofParts] }: Members, at: number, alone: boolean): number {
    const worked = alone ? ofParts : ofSets;
    const known = worked.get(at);
    const set = this.sets[at];
    if (known !== undefined || !set) return known ?? 0;
    const parts = alone ? [set.weighing] : set.parts;
    const near = ASSUMED.replacedByFitting;
    const anywhere = alone ? set.anyAlone : set.anyPattern;
    const fitting =
      patterns.length > 0 ? logMean(patterns.map((id) => together(parts, rowOf(set.weighing, id)))) : anywhere;
    const later = logOfBoth(Math.log(near) + fitting, Math.log(1 - near) + anywhere);
    worked.set(at, later);
    return later;
  }

  /**
   * Patterns of a kind that engines with the same block carry: what goes into this one. Blocks are those of the family.
   */
  private goingInto(variant: Variant, kind: KindId): Members {
    const known = this.members.get(variant)?.get(kind);
    if (known) return known;
    const blocks = kind === 'block' ? [] : blocksOf(variant);
    const key = `${variant.family} ${kind} ${blocks.join(' ')}`;
    const members = this.shared.get(key) ?? this.membersOf(variant.family, kind, blocks);
    this.shared.set(key, members);
    const ofVariant = this.members.get(variant) ?? new Map<KindId, Members>();
    this.members.set(variant, ofVariant.set(kind, members));
    return members;
  }

  private membersOf(family: string, kind: KindId, blocks: readonly string[]): Members {
    const found = new Set<string>();
    for (const each of this.catalogue.variantsOf(family)) {
      if (blocks.length > 0 && !blocksOf(each).some((block) => blocks.includes(block))) continue;
      for (const { pattern } of each.fitments) if (this.catalogue.pattern(pattern)?.kind === kind) found.add(pattern);
    }
    return { patterns: [...found].sort(), later: [new Map(), new Map()] };
  }
}

interface PartsOfKind {
  readonly kind: KindId;
  readonly weighing: Weighing;
  /** Those of the kind before it, and itself. */
  readonly parts: readonly Weighing[];
  /** ln of how likely they are if they are all of one pattern, any of the catalogue. */
  readonly anyPattern: number;
  /** The same of this part by itself. */
  readonly anyAlone: number;
  /** The same in an engine of which nothing is known, and what this part adds there. */
  readonly anywhere: number;
  readonly addsAnywhere: number;
}

interface Members {
  readonly patterns: readonly string[];
  /** What was worked out of putting in later: of sets by their last part, and of parts alone. */
  readonly later: readonly [Map<number, number>, Map<number, number>];
}

const blocksOf = ({ fitments }: Variant): readonly string[] =>
  fitments
    .filter(({ slot }) => slot === 'block')
    .map(({ pattern }) => pattern)
    .sort();

/** What an engine of one stretch carries of a kind, with what the parts read so far come to. */
interface InEra {
  readonly rows: readonly number[];
  readonly logShares: readonly number[];
  /** By what it carries: ln of how likely the parts so far are if they are all of it. */
  readonly sums: number[];
  /** The same of the parts one by one, whether they came with the engine or not. */
  oneByOne: number;
}

const begunIn = (carried: readonly Carried[] | undefined, weighing: Weighing): InEra | undefined =>
  carried && {
    rows: carried.map(({ fitment }) => rowOf(weighing, fitment.pattern)),
    logShares: carried.map(({ share }) => Math.log(share)),
    sums: carried.map(() => 0),
    oneByOne: 0,
  };

const carriedLog = ({ rows, logShares }: InEra, weighing: Weighing): number =>
  logSum(rows.map((row, at) => (logShares[at] ?? 0) + ratioOf(weighing, row)));

/**
 * ln of how much likelier the parts of a kind are in an engine of that stretch than from anywhere, with one more.
 *
 * @param asSet ln of how likely they are as a set that was put in later
 * @param alone the same of the one more by itself
 */
function withOneMore(era: InEra | undefined, { weighing, parts }: PartsOfKind, asSet: number, alone: number) {
  if (!era) return 0;
  era.rows.forEach((row, at) => (era.sums[at] = (era.sums[at] ?? 0) + ratioOf(weighing, row)));
  const original = originalOf(weighing);
  const [came, later] = [Math.log(original), Math.log(1 - original)];
  era.oneByOne += logOfBoth(came + carriedLog(era, weighing), later + alone);
  if (parts.length === 1) return era.oneByOne;
  const carried = logSum(era.sums.map((sum, at) => (era.logShares[at] ?? 0) + sum));
  const set = logOfBoth(came + carried, later + asSet);
  return logOfBoth(Math.log(ASSUMED.asSet) + set, Math.log(1 - ASSUMED.asSet) + era.oneByOne);
}

/** ln of the sum of two numbers given by their logarithms. */
const logOfBoth = (a: number, b: number): number =>
  a === b ? a + Math.LN2 : Math.max(a, b) + Math.log1p(Math.exp(-Math.abs(a - b)));

/** ln of how likely parts are if they are all of one pattern, any of the catalogue, or of none of it. */
function ofOnePattern(parts: readonly Weighing[]): number {
  const index = parts[0]?.identification.index;
  const { notInCatalogue } = index?.assumed ?? ASSUMED;
  return logOfBoth(
    Math.log(1 - notInCatalogue) + logMean(index?.patterns.map((_id, row) => together(parts, row)) ?? []),
    Math.log(notInCatalogue) + parts.reduce((sum, { any }) => sum - any, 0),
  );
}

const rows = new WeakMap<object, ReadonlyMap<string, number>>();

function rowOf({ identification: { index } }: Weighing, pattern: string): number {
  let known = rows.get(index);
  if (!known) rows.set(index, (known = new Map(index.patterns.map((id, row) => [id, row]))));
  return known.get(pattern) ?? -1;
}

/** ln of how much likelier the readings of a part are if it is of this pattern than from anywhere. */
const ratioOf = ({ identification, any }: Weighing, row: number): number =>
  (row < 0 ? 0 : identification.scoreOf(row)) - any;

/** The same of several, all of it. */
const together = (parts: readonly Weighing[], row: number): number =>
  parts.reduce((sum, part) => sum + ratioOf(part, row), 0);
