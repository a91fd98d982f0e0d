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

const original = (kind: KindId): number => (kind === 'block' ? ASSUMED.originalBlock : ASSUMED.original);

/**
 * How likely parts are together in engines of a catalogue. The parts of one kind are one set: they came with the
 * engine, or were put in later as a set, or each by itself. What was put in later is mostly what engines with the
 * same block carry. All parts of an engine are of one time, so that an exception of its first months counts once for all of
 * them.
 */
export class PartsInEngines {
  /** What was worked out once for some parts, and for what goes into one block. */
  private readonly sums = new Map<string, number>();
  private readonly members = new Map<string, Members>();

  /** By part, what it adds in an engine of no catalogue: parts of a set are alike in that one too. */
  private readonly fromAnywhere: readonly number[];

  /** @param weighings parts that were read, those of a kind one after another */
  constructor(
    private readonly catalogue: CatalogueLookup,
    private readonly weighings: readonly Weighing[],
  ) {
    let set: Weighing[] = [];
    this.fromAnywhere = weighings.map((weighing) => {
      const before = set[0]?.kind === weighing.kind ? set : [];
      set = [...before, weighing];
      return this.alikeAnywhere(set) - this.alikeAnywhere(before);
    });
  }

  agreement(variant: Variant, eras: readonly Era[]): Agreement {
    let before = eras.map(({ share }) => Math.log(share));
    const adds: number[] = [];
    let [set, kindBefore]: [Weighing[], number[]] = [[], before];
    this.weighings.forEach((weighing, at) => {
      if (set[0]?.kind !== weighing.kind) [set, kindBefore] = [[], before];
      set = [...set, weighing];
      const after = eras.map((era, each) => (kindBefore[each] ?? 0) + this.logRatio(set, variant, era));
      adds.push(logSum(after) - logSum(before) - (this.fromAnywhere[at] ?? 0));
      before = after;
    });
    const all = logSum(before);
    return { adds, eras: before.map((log) => Math.exp(log - all)) };
  }

  /** Probability that one part came with an engine of that stretch; undefined where nobody says what it carries. */
  cameWithIt(weighing: Weighing, variant: Variant, era: Era): number | undefined {
    const carried = era.carries.get(weighing.kind);
    if (!carried) return undefined;
    const share = original(weighing.kind);
    const came = Math.log(share) + carriedLog(carried, [weighing]);
    const later = Math.log(1 - share) + this.putInLater([weighing], variant);
    return Math.exp(came - logSum([came, later]));
  }

  /** ln of how much likelier the parts of a kind are in an engine of that stretch than from anywhere. */
  private logRatio(set: readonly Weighing[], variant: Variant, era: Era): number {
    const [first] = set;
    const carried = first && era.carries.get(first.kind);
    if (!carried) return 0;
    const came = original(first.kind);
    const mixed = (parts: readonly Weighing[]) =>
      logSum([Math.log(came) + carriedLog(carried, parts), Math.log(1 - came) + this.putInLater(parts, variant)]);
    if (set.length === 1) return mixed(set);
    const oneByOne = set.reduce((sum, each) => sum + mixed([each]), 0);
    return logSum([Math.log(ASSUMED.asSet) + mixed(set), Math.log(1 - ASSUMED.asSet) + oneByOne]);
  }

  /** The same in an engine of which nothing is known. */
  private alikeAnywhere(set: readonly Weighing[]): number {
    if (set.length === 0) return 0;
    return logSum([Math.log(ASSUMED.asSet) + this.ofOnePattern(set), Math.log(1 - ASSUMED.asSet)]);
  }

  /** ln of how likely parts are if they are all of one pattern, any of the catalogue, or of none of it. */
  private ofOnePattern(parts: readonly Weighing[]): number {
    const key = parts.map(({ specimen }) => specimen.id).join(' ');
    const known = this.sums.get(key);
    if (known !== undefined) return known;
    const index = parts[0]?.identification.index;
    const { notInCatalogue } = index?.assumed ?? ASSUMED;
    const sum = logSum([
      Math.log(1 - notInCatalogue) + logMean(index?.patterns.map((_id, row) => together(parts, row)) ?? []),
      Math.log(notInCatalogue) + ofNone(parts),
    ]);
    this.sums.set(key, sum);
    return sum;
  }

  /** ln of how likely parts are that were put in later, all of one pattern. */
  private putInLater(parts: readonly Weighing[], variant: Variant): number {
    const members = this.goingInto(variant, parts[0]?.kind);
    const key = `${members.key} ${parts.map(({ specimen }) => specimen.id).join(' ')}`;
    const known = this.sums.get(key);
    if (known !== undefined) return known;
    const near = ASSUMED.replacedByFitting;
    const anywhere = this.ofOnePattern(parts);
    const fitting =
      members.patterns.length > 0 ? logMean(members.patterns.map((id) => together(parts, rowOf(parts, id)))) : anywhere;
    const sum = logSum([Math.log(near) + fitting, Math.log(1 - near) + anywhere]);
    this.sums.set(key, sum);
    return sum;
  }

  /**
   * Patterns of a kind that engines with the same block carry: what goes into this one. Blocks are those of the
   * family.
   */
  private goingInto({ family, fitments }: Variant, kind: KindId | undefined): Members {
    const blocksOf = (all: Variant['fitments']) =>
      all.filter(({ slot }) => slot === 'block').map(({ pattern }) => pattern);
    const blocks = kind === 'block' ? [] : blocksOf(fitments).sort();
    const key = `${family} ${kind ?? ''} ${blocks.join(' ')}`;
    const known = this.members.get(key);
    if (known) return known;
    const found = new Set<string>();
    for (const each of this.catalogue.variantsOf(family)) {
      if (blocks.length > 0 && !blocksOf(each.fitments).some((block) => blocks.includes(block))) continue;
      for (const { pattern } of each.fitments) if (this.catalogue.pattern(pattern)?.kind === kind) found.add(pattern);
    }
    const members = { key, patterns: [...found].sort() };
    this.members.set(key, members);
    return members;
  }
}

interface Members {
  readonly key: string;
  readonly patterns: readonly string[];
}

/** ln of how much likelier the readings of all parts are in no catalogue than from anywhere. */
const ofNone = (parts: readonly Weighing[]): number => parts.reduce((sum, { any }) => sum - any, 0);

const rows = new WeakMap<object, ReadonlyMap<string, number>>();

function rowOf([first]: readonly Weighing[], pattern: string): number {
  const index = first?.identification.index;
  if (!index) return -1;
  let known = rows.get(index);
  if (!known) rows.set(index, (known = new Map(index.patterns.map((id, row) => [id, row]))));
  return known.get(pattern) ?? -1;
}

/** ln of how much likelier the readings of all parts are if they are of this pattern than from anywhere. */
const together = (parts: readonly Weighing[], row: number): number =>
  parts.reduce((sum, { identification, any }) => sum + (row < 0 ? 0 : identification.scoreOf(row)) - any, 0);

const carriedLog = (carried: readonly Carried[], parts: readonly Weighing[]): number =>
  logSum(carried.map(({ fitment, share }) => Math.log(share) + together(parts, rowOf(parts, fitment.pattern))));
