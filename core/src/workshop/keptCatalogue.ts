import { audit, type AuditFinding } from '../audit/index.js';
import { Intervals } from '../build/index.js';
import { LIST_OF, RECORD_TYPES, type Catalogue } from '../catalogue/catalogue.js';
import { CatalogueLookup, type RecordChange } from '../catalogue/lookup.js';
import type { Part } from '../catalogue/part.js';
import type { GridRequest } from '../contract/index.js';
import type { KindId } from '../dictionary/dictionary.js';
import {
  Identification,
  indexCatalogue,
  indexEngines,
  takenFor,
  withOwn,
  type CatalogueIndex,
  type IdentifyOptions,
} from '../identify/index.js';
import { Grid, partsOfVariant, swapContextOf, WhatElse, type SwapContext } from '../interchange/index.js';
import type { PlacedPart } from '../joints/index.js';
import type { Specimen } from '../readings/reading.js';
import { Choices } from './choices.js';
import { CatalogueSearch } from './search.js';

/** A grid with the lines that were worked out so far. */
export interface OpenGrid {
  readonly grid: Grid;
  readonly rows: Uint32Array[];
}

/** Grids that are kept with their lines: the one that is looked at, and the one before. */
const KEPT_GRIDS = 2;

const inOrder = (list: readonly { readonly id: string }[]): boolean =>
  list.every(({ id }, at) => at === 0 || (list[at - 1]?.id ?? '') < id);

/** A catalogue with its lists in the order of their ids, so that answers do not depend on where it was loaded. */
function ordered(catalogue: Catalogue): Catalogue {
  if (RECORD_TYPES.every((type) => inOrder(catalogue[LIST_OF[type]]))) return catalogue;
  return {
    ...catalogue,
    ...Object.fromEntries(
      RECORD_TYPES.map((type) => [LIST_OF[type], [...catalogue[LIST_OF[type]]].sort((a, b) => (a.id < b.id ? -1 : 1))]),
    ),
  };
}

/**
 * A catalogue with what the shop has of its own (instruments, house rules), and all that is worked out from them and
 * worth keeping. It knows what of that still holds when a record is changed.
 */
export class KeptCatalogue {
  private lookup: CatalogueLookup;
  private around: IdentifyOptions;
  private readonly indexes = new Map<KindId, CatalogueIndex>();
  /** Indexes of before some patterns were changed. */
  private readonly earlier = new Map<KindId, CatalogueIndex>();
  private readonly identifications = new Map<KindId, Identification>();
  private readonly assuming = new Map<CatalogueIndex, CatalogueIndex>();
  private readonly parts = new Map<KindId, readonly Part[]>();
  private readonly takers = new Map<string, WhatElse>();
  private readonly variantParts = new Map<string, readonly PlacedPart[]>();
  private readonly grids = new Map<string, OpenGrid>();
  /** Between which figures of builds lie, from one sheet to the next. */
  readonly intervals = new Intervals();
  private engineIndex: CatalogueIndex | undefined;
  private madeSwapContext: SwapContext | undefined;
  private searching: CatalogueSearch | undefined;
  private choosing: Choices | undefined;
  /** What specimens are taken for: several answers ask for the same ones. */
  private taken = new WeakMap<Specimen, string | undefined>();
  private audited: ReadonlyMap<string, readonly AuditFinding[]> | undefined;

  constructor(catalogue: Catalogue, identifyOptions: IdentifyOptions = {}) {
    this.lookup = new CatalogueLookup(ordered(catalogue));
    this.around = identifyOptions;
  }

  get catalogue(): CatalogueLookup {
    return this.lookup;
  }

  get identifyOptions(): IdentifyOptions {
    return this.around;
  }

  /** Goes on with a catalogue in which some records are changed; what does not depend on them is kept. */
  change(changes: readonly RecordChange[]): void {
    if (changes.length === 0) return;
    const kinds = new Set<KindId>();
    for (const { type, id, record } of changes) {
      if (type !== 'pattern') continue;
      for (const pattern of [this.lookup.pattern(id), record])
        if (pattern && 'kind' in pattern) kinds.add(pattern.kind);
    }
    const only = changes.every(({ type }) => type === 'pattern');
    this.lookup = this.lookup.with(changes);
    this.taken = new WeakMap();
    if (!only) this.earlier.clear();
    else
      for (const kind of kinds) {
        const index = this.indexes.get(kind);
        if (index) this.earlier.set(kind, index);
      }
    for (const kept of [this.indexes, this.identifications, this.parts] as Map<KindId, unknown>[])
      for (const kind of [...kept.keys()]) if (!only || kinds.has(kind)) kept.delete(kind);
    // Engines are known by the patterns that speak for them, and by themselves.
    if (!only) this.engineIndex = undefined;
    this.searching = this.searching?.with(this.lookup, changes);
    this.choosing = undefined;
    this.audited = undefined;
    this.assuming.clear();
    this.forgetSwaps();
  }

  /** Goes on with other instruments or house rules. */
  setCircumstances(identifyOptions: IdentifyOptions): void {
    this.around = identifyOptions;
    this.taken = new WeakMap();
    this.assuming.clear();
    this.identifications.clear();
    this.audited = undefined;
    this.forgetSwaps();
  }

  private forgetSwaps(): void {
    this.madeSwapContext = undefined;
    this.takers.clear();
    this.variantParts.clear();
    this.grids.clear();
  }

  /** The patterns of a kind, laid out for identification. */
  index(kind: KindId): CatalogueIndex {
    return this.asAssumed(
      kept(this.indexes, kind, () => {
        const before = this.earlier.get(kind);
        this.earlier.delete(kind);
        return indexCatalogue(kind, this.lookup.catalogue, before);
      }),
    );
  }

  /** An index with the shop's own chances in the place of the usual ones. */
  private asAssumed(index: CatalogueIndex): CatalogueIndex {
    const own = this.around.rules?.assumptions;
    if (own === undefined) return index;
    return kept(this.assuming, index, () => ({ ...index, assumed: withOwn(own) }));
  }

  /** Whether the patterns of a kind are laid out already. */
  hasIndex(kind: KindId): boolean {
    return this.indexes.has(kind);
  }

  /** Engine variants, laid out in the same way. */
  get engines(): CatalogueIndex {
    return this.asAssumed((this.engineIndex ??= indexEngines(this.lookup.catalogue)));
  }

  /** The identification going on of a kind, kept so that one more reading costs no more than itself. */
  identification(kind: KindId): Identification {
    return kept(this.identifications, kind, () => new Identification(this.index(kind), this.around));
  }

  /** The pattern a specimen is taken for: the first of its line-up, once that is at least probable. */
  takenFor(specimen: Specimen): string | undefined {
    if (!this.taken.has(specimen)) this.taken.set(specimen, takenFor(this.index(specimen.kind), specimen, this.around));
    return this.taken.get(specimen);
  }

  /** What may stand between parts, and how the shop does things. */
  get swapContext(): SwapContext {
    return (this.madeSwapContext ??= swapContextOf(this.lookup, this.around.rules));
  }

  /** All patterns of a kind as parts. */
  partsOf(kind: KindId): readonly Part[] {
    return kept(this.parts, kind, () => this.lookup.partsOfKind(kind));
  }

  /** What a variant was most likely built with. */
  partsOfVariant(id: string): readonly PlacedPart[] {
    const variant = this.lookup.variant(id);
    return variant ? kept(this.variantParts, id, () => partsOfVariant(this.lookup, variant)) : [];
  }

  /** The patterns of a kind, sorted to be asked what of them takes a part of another, or goes where one is. */
  whatElse(one: KindId, many: KindId, side: 'donor' | 'recipient'): WhatElse {
    return kept(
      this.takers,
      `${one} ${many} ${side}`,
      () => new WhatElse(one, this.partsOf(many), side, this.swapContext),
    );
  }

  /** A grid between some patterns, with the lines worked out before. */
  openGrid(asked: GridRequest, make: () => Grid): OpenGrid {
    const { donors, recipients, first } = asked;
    const key = JSON.stringify([donors.kind, donors.patterns, recipients.kind, recipients.patterns, first]);
    const open = this.grids.get(key) ?? { grid: make(), rows: [] };
    this.grids.delete(key);
    this.grids.set(key, open);
    for (const old of [...this.grids.keys()].slice(0, -KEPT_GRIDS)) this.grids.delete(old);
    return open;
  }

  get search(): CatalogueSearch {
    return (this.searching ??= new CatalogueSearch(this.lookup));
  }

  get choices(): Choices {
    return (this.choosing ??= new Choices(this.lookup));
  }

  get isAudited(): boolean {
    return this.audited !== undefined;
  }

  /** What the audit finds, by rule. */
  findings(): ReadonlyMap<string, readonly AuditFinding[]> {
    if (this.audited) return this.audited;
    const byRule = new Map<string, AuditFinding[]>();
    for (const finding of audit(this.lookup, this.around.rules))
      kept(byRule, finding.rule, (): AuditFinding[] => []).push(finding);
    return (this.audited = byRule);
  }
}

function kept<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  let value = map.get(key);
  if (value === undefined) map.set(key, (value = make()));
  return value;
}
