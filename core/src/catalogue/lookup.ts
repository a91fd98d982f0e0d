import type { KindId } from '../dictionary/dictionary.js';
import { SLOTS } from '../dictionary/slots.js';
import { normaliseMark } from '../marks/markText.js';
import { LIST_OF, type Catalogue, type CatalogueRecord, type RecordType } from './catalogue.js';
import { monthOf, type Years } from './figure.js';
import { partFromPattern, type Part } from './part.js';
import type { Companion, Family, Fitment, KnownSwap, Maker, PartNumber, Pattern, Variant } from './pattern.js';
import type { Scheme } from './scheme.js';

/** Where a pattern was fitted. */
export interface FittedIn {
  readonly variant: Variant;
  readonly fitment: Fitment;
}

const byId = <T extends { readonly id: string }>(records: readonly T[]): ReadonlyMap<string, T> =>
  new Map(records.map((record) => [record.id, record]));

function grouped<K, T>(items: Iterable<T>, key: (item: T) => K | undefined): ReadonlyMap<K, readonly T[]> {
  const groups = new Map<K, T[]>();
  for (const item of items) {
    const of = key(item);
    if (of === undefined) continue;
    const group = groups.get(of);
    if (group) group.push(item);
    else groups.set(of, [item]);
  }
  return groups;
}

/** A table made when first asked for. */
function lazy<T>(make: () => T): () => T {
  let made: { readonly value: T } | undefined;
  return () => (made ??= { value: make() }).value;
}

/** A record as it is now; without one it was removed. */
export interface RecordChange {
  readonly type: RecordType;
  readonly id: string;
  readonly record?: CatalogueRecord;
}

type Changes<T> = ReadonlyMap<string, T | undefined>;

/** A list of records with some of them changed. One in the order of its ids stays so. */
function changedList<T extends { readonly id: string }>(list: readonly T[], changes: Changes<T>): readonly T[] {
  const added = [...changes.values()]
    .filter((record) => record !== undefined)
    .sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));
  const changed: T[] = [];
  let next = 0;
  for (const record of list) {
    for (let before = added[next]; before && before.id < record.id; before = added[++next]) changed.push(before);
    if (!changes.has(record.id)) changed.push(record);
  }
  return [...changed, ...added.slice(next)];
}

function changedMap<T>(map: ReadonlyMap<string, T>, changes: Changes<T> | undefined): ReadonlyMap<string, T> {
  if (!changes) return map;
  const changed = new Map(map);
  for (const [id, record] of changes)
    if (record === undefined) changed.delete(id);
    else changed.set(id, record);
  return changed;
}

/** A catalogue with its records at hand by id, and the ways between them. */
export class CatalogueLookup {
  private readonly makers: ReadonlyMap<string, Maker>;
  private readonly families: ReadonlyMap<string, Family>;
  private readonly patterns: ReadonlyMap<string, Pattern>;
  private readonly variants: ReadonlyMap<string, Variant>;
  private readonly schemes: ReadonlyMap<string, Scheme>;
  /** Patterns as parts, as far as they were asked for. */
  private readonly parts: Map<string, Part>;
  private readonly fitted: () => ReadonlyMap<string, readonly FittedIn[]>;
  private readonly byKind: () => ReadonlyMap<KindId, readonly Pattern[]>;
  private readonly variantsByFamily: () => ReadonlyMap<string, readonly Variant[]>;
  private readonly patternsByFamily: () => ReadonlyMap<string, readonly Pattern[]>;
  private readonly familiesByMaker: () => ReadonlyMap<string, readonly Family[]>;
  private readonly companions: () => ReadonlyMap<
    string,
    readonly { readonly pattern: Pattern; readonly companion: Companion }[]
  >;
  private readonly swapsByPattern: () => ReadonlyMap<string, readonly KnownSwap[]>;
  private readonly byNumber: () => ReadonlyMap<
    string,
    readonly { readonly pattern: Pattern; readonly number: PartNumber }[]
  >;

  /**
   * @param before an earlier state: what was made of lists that have not changed since is taken over from it
   * @param changes what is another than before, by type and id
   */
  constructor(
    readonly catalogue: Catalogue,
    before?: CatalogueLookup,
    changes?: ReadonlyMap<RecordType, Changes<CatalogueRecord>>,
  ) {
    const { makers, families, patterns, variants, schemes, swaps } = catalogue;
    const was = before?.catalogue;
    const atHand = <T extends CatalogueRecord>(
      type: RecordType,
      records: readonly T[],
      known: ReadonlyMap<string, T> | undefined,
    ) => (known ? changedMap(known, changes?.get(type) as Changes<T> | undefined) : byId(records));
    this.makers = atHand('maker', makers, before?.makers);
    this.families = atHand('family', families, before?.families);
    this.patterns = atHand('pattern', patterns, before?.patterns);
    this.variants = atHand('variant', variants, before?.variants);
    this.schemes = atHand('scheme', schemes, before?.schemes);
    // Parts are called by their families and makers.
    const areCalledTheSame = was?.makers === makers && was.families === families;
    this.parts = new Map(areCalledTheSame ? before?.parts : []);
    for (const id of changes?.get('pattern')?.keys() ?? []) this.parts.delete(id);
    const ofVariants = was?.variants === variants ? before : undefined;
    const ofPatterns = was?.patterns === patterns ? before : undefined;
    this.fitted =
      ofVariants?.fitted ??
      lazy(() =>
        grouped(
          variants.flatMap((variant) => variant.fitments.map((fitment): FittedIn => ({ variant, fitment }))),
          ({ fitment }) => fitment.pattern,
        ),
      );
    this.variantsByFamily = ofVariants?.variantsByFamily ?? lazy(() => grouped(variants, (variant) => variant.family));
    this.byKind = ofPatterns?.byKind ?? lazy(() => grouped(patterns, (pattern) => pattern.kind));
    this.patternsByFamily = ofPatterns?.patternsByFamily ?? lazy(() => grouped(patterns, (pattern) => pattern.family));
    this.companions =
      ofPatterns?.companions ??
      lazy(() =>
        grouped(
          patterns.flatMap((pattern) => (pattern.companions ?? []).map((companion) => ({ pattern, companion }))),
          ({ companion }) => companion.pattern,
        ),
      );
    this.byNumber =
      ofPatterns?.byNumber ??
      lazy(() =>
        grouped(
          patterns.flatMap((pattern) => pattern.numbers.map((number) => ({ pattern, number }))),
          ({ number }) => normaliseMark(number.number),
        ),
      );
    this.familiesByMaker =
      was?.families === families && before
        ? before.familiesByMaker
        : lazy(() => grouped(families, (family) => family.maker));
    this.swapsByPattern =
      was?.swaps === swaps && before
        ? before.swapsByPattern
        : lazy(() => {
            const both = swaps.flatMap((swap) => [swap.donor, swap.recipient].map((pattern) => ({ swap, pattern })));
            return new Map(
              [...grouped(both, ({ pattern }) => pattern)].map(([pattern, found]) => [
                pattern,
                found.map(({ swap }) => swap),
              ]),
            );
          });
  }

  /** The catalogue after some changes. Lists in the order of their ids stay so. */
  with(changes: readonly RecordChange[]): CatalogueLookup {
    const byType = new Map(
      [...grouped(changes, ({ type }) => type)].map(([type, mine]): [RecordType, Changes<CatalogueRecord>] => [
        type,
        new Map(mine.map(({ id, record }) => [id, record])),
      ]),
    );
    const lists = [...byType].map(([type, mine]) => [LIST_OF[type], changedList(this.catalogue[LIST_OF[type]], mine)]);
    return new CatalogueLookup({ ...this.catalogue, ...(Object.fromEntries(lists) as object) }, this, byType);
  }

  /** Any record by its type and id. */
  record(type: RecordType, id: string): CatalogueRecord | undefined {
    switch (type) {
      case 'maker':
        return this.makers.get(id);
      case 'family':
        return this.families.get(id);
      case 'pattern':
        return this.patterns.get(id);
      case 'variant':
        return this.variants.get(id);
      case 'scheme':
        return this.schemes.get(id);
      case 'swap':
        return this.catalogue.swaps.find((swap) => swap.id === id);
    }
  }

  maker(id: string | undefined): Maker | undefined {
    return id === undefined ? undefined : this.makers.get(id);
  }

  family(id: string | undefined): Family | undefined {
    return id === undefined ? undefined : this.families.get(id);
  }

  pattern(id: string | undefined): Pattern | undefined {
    return id === undefined ? undefined : this.patterns.get(id);
  }

  variant(id: string | undefined): Variant | undefined {
    return id === undefined ? undefined : this.variants.get(id);
  }

  scheme(id: string | undefined): Scheme | undefined {
    return id === undefined ? undefined : this.schemes.get(id);
  }

  /** Maker and family in words: `Brackmere Sluice`; the id where the family is unknown. */
  familyLabel(id: string): string {
    const family = this.families.get(id);
    return family ? `${this.makers.get(family.maker)?.name ?? family.maker} ${family.name}` : id;
  }

  /** How a pattern is called in full: `Brackmere Sluice, 3.375 forged`; the id where there is none such. */
  label(id: string): string {
    const pattern = this.patterns.get(id);
    if (!pattern) return id;
    return pattern.family === undefined ? pattern.name : `${this.familyLabel(pattern.family)}, ${pattern.name}`;
  }

  /** How a variant is called in full: `Brackmere Sluice 302 HD`. */
  variantLabel(id: string): string {
    const variant = this.variants.get(id);
    return variant ? `${this.familyLabel(variant.family)} ${variant.code}` : id;
  }

  /** How any record is called in full; its id where there is none such. */
  labelOf(type: RecordType, id: string): string {
    switch (type) {
      case 'maker':
        return this.makers.get(id)?.name ?? id;
      case 'family':
        return this.familyLabel(id);
      case 'pattern':
        return this.label(id);
      case 'variant':
        return this.variantLabel(id);
      case 'scheme':
        return this.schemes.get(id)?.name ?? id;
      case 'swap': {
        const swap = this.catalogue.swaps.find((each) => each.id === id);
        return swap ? `${this.label(swap.donor)} into ${this.label(swap.recipient)}` : id;
      }
    }
  }

  /** A pattern as the joints see it, made once. */
  part(id: string): Part | undefined {
    const pattern = this.patterns.get(id);
    if (!pattern) return undefined;
    const part = this.parts.get(id) ?? partFromPattern(pattern, this.label(id));
    this.parts.set(id, part);
    return part;
  }

  ofKind(kind: KindId): readonly Pattern[] {
    return this.byKind().get(kind) ?? [];
  }

  /** The patterns of a kind as the joints see them. */
  partsOfKind(kind: KindId): readonly Part[] {
    return this.ofKind(kind).flatMap(({ id }) => this.part(id) ?? []);
  }

  familiesOf(maker: string): readonly Family[] {
    return this.familiesByMaker().get(maker) ?? [];
  }

  variantsOf(family: string): readonly Variant[] {
    return this.variantsByFamily().get(family) ?? [];
  }

  patternsOf(family: string): readonly Pattern[] {
    return this.patternsByFamily().get(family) ?? [];
  }

  /** Every variant and place in which a pattern was fitted. */
  fittedIn(pattern: string): readonly FittedIn[] {
    return this.fitted().get(pattern) ?? [];
  }

  /** Patterns that carry a number, however it is spaced or dashed. */
  withNumber(number: string): readonly { readonly pattern: Pattern; readonly number: PartNumber }[] {
    return this.byNumber().get(normaliseMark(number)) ?? [];
  }

  /** Patterns that say of themselves that they belong to this one. */
  companionsOf(pattern: string): readonly { readonly pattern: Pattern; readonly companion: Companion }[] {
    return this.companions().get(pattern) ?? [];
  }

  /** Known swaps in which a pattern took part, either way. */
  swapsOf(pattern: string): readonly KnownSwap[] {
    return this.swapsByPattern().get(pattern) ?? [];
  }

  /** The years in which any variant of a family was made. */
  yearsOf(family: string): Years | undefined {
    const years = this.variantsOf(family).flatMap((variant) => (variant.years ? [variant.years] : []));
    if (years.length === 0) return undefined;
    const from = years.reduce(
      (first, each) => (monthOf(each.from) < monthOf(first) ? each.from : first),
      years[0]?.from ?? '',
    );
    if (years.some((each) => each.to === undefined)) return { from };
    return {
      from,
      to: years.reduce(
        (last, each) => (monthOf(each.to ?? '', true) > monthOf(last, true) ? (each.to ?? last) : last),
        years[0]?.to ?? '',
      ),
    };
  }
}

const SLOT_ORDER = new Map(SLOTS.map((slot, at) => [slot.id, at]));

/** Fitments in the order of assembly, then of time. */
export const fitmentsInOrder = (fitments: readonly Fitment[]): Fitment[] =>
  [...fitments].sort(
    (a, b) =>
      (SLOT_ORDER.get(a.slot) ?? SLOTS.length) - (SLOT_ORDER.get(b.slot) ?? SLOTS.length) ||
      monthOf(a.from ?? '0000') - monthOf(b.from ?? '0000'),
  );

/** How surely a fitment holds, in words. */
export function sayShare(share: number | undefined): string {
  if (share === undefined || share >= 0.97) return 'all';
  if (share >= 0.6) return 'most';
  if (share >= 0.2) return 'some';
  return 'a few';
}
