import {
  Grid,
  groupsOf,
  judgeSwap,
  NoJointError,
  orderOf,
  partFromPattern,
  partFromShelf,
  partyOf,
  recipientsFor,
  settingOf,
  UnknownPartyError,
  VERDICTS,
  WhatElse,
  type CatalogueLookup,
  type Circumstances,
  type InterchangeGroup,
  type Judgement,
  type KindId,
  type Order,
  type Part,
  type PartyRef,
  type Setting,
  type Specimen,
  type Verdict,
} from '@which-bore/core';

/** What became of a swap that was asked for: judged, or why there is nothing to judge. */
export type Judged = Judgement | { readonly refused: string };

/** One of the many that was asked about. */
export interface Taking {
  /** `pattern:` or `specimen:` with its id. */
  readonly ref: string;
  readonly name: string;
  readonly family: string;
  readonly verdict: Verdict;
  readonly hours: number;
  /** Of the work. */
  readonly price: number;
  /** Of the part itself; absent where nobody says, and for engines. */
  readonly partPrice?: number;
}

/** What else takes a part, or goes where it is. */
export interface Takings {
  readonly counts: Readonly<Record<Verdict, number>>;
  readonly list: readonly Taking[];
}

/** In place of a pattern: the specimen is taken for nothing, only what was measured on it counts. */
export const AS_MEASURED = 'nothing';

/** A row or a column. */
export interface OnSide {
  readonly id: string;
  readonly name: string;
  /** The name without the maker, for where there is little room. */
  readonly short: string;
}

/** What a grid is about. */
export interface GridSides {
  readonly donors: readonly OnSide[];
  readonly recipients: readonly OnSide[];
  readonly joints: readonly { readonly id: string; readonly name: string }[];
}

/** At most so many are listed; the others are counted. */
const LISTED = 200;

/** How long rows are worked out before the page gets them, so that it can be shown them, and can stop. */
const TURN_MS = 40;

/** The sums of interchange over one catalogue and one shop. */
export class InterchangeInWorker {
  private madeSetting: Setting | undefined;
  private readonly parts = new Map<KindId, readonly Part[]>();
  private grid: Grid | undefined;
  private rows: Uint32Array[] = [];

  constructor(
    private readonly catalogue: CatalogueLookup,
    private readonly circumstances: Circumstances,
    /** The pattern a specimen is taken for, once that is at least probable. */
    private readonly takenFor: (specimen: Specimen) => Promise<string | undefined>,
  ) {}

  async judge(donors: readonly PartyRef[], recipient: PartyRef): Promise<Judged> {
    const [coming, into] = await Promise.all([Promise.all(donors.map((donor) => this.known(donor))), this.known(recipient)]);
    return this.judgeKnown(coming, into);
  }

  private judgeKnown(donors: readonly PartyRef[], recipient: PartyRef): Judged {
    try {
      return judgeSwap(this.catalogue, donors, recipient, this.setting, this.circumstances.drawer);
    } catch (error) {
      if (error instanceof NoJointError || error instanceof UnknownPartyError) return { refused: error.message };
      throw error;
    }
  }

  /** Every engine, with the verdict on these donors in it. */
  async engines(asked: readonly PartyRef[]): Promise<Takings> {
    const donors = await Promise.all(asked.map((donor) => this.known(donor)));
    const counts: Record<Verdict, number> = { fits: 0, fitsWithWork: 0, cannotTell: 0, doesNotFit: 0 };
    const list = this.catalogue.catalogue.variants.flatMap((variant): readonly Taking[] => {
      const judged = this.judgeKnown(donors, { variant: variant.id });
      if ('refused' in judged) return [];
      counts[judged.swap.verdict]++;
      return [
        {
          ref: `variant:${variant.id}`,
          name: variant.code,
          family: this.catalogue.familyLabel(variant.family),
          verdict: judged.swap.verdict,
          hours: judged.swap.hours,
          price: judged.swap.price,
        },
      ];
    });
    return { counts, list: list.sort(bestFirst).slice(0, LISTED) };
  }

  /**
   * @param kind of the many
   * @param side on which the many stand
   * @param shelf specimens of that kind, judged beside the patterns
   */
  async whatElse(asked: PartyRef, kind: KindId, side: 'donor' | 'recipient', shelf: readonly Specimen[]): Promise<Takings> {
    const part = partyOf(this.catalogue, await this.known(asked), this.circumstances.drawer).parts[0]?.part;
    const none: Takings = { counts: { fits: 0, fitsWithWork: 0, cannotTell: 0, doesNotFit: 0 }, list: [] };
    if (!part) return none;
    const taken = await Promise.all(shelf.map((specimen) => this.takenFor(specimen)));
    const onShelf = shelf.map((specimen, at) => partFromShelf(this.catalogue, specimen, taken[at], this.circumstances.drawer));
    const self = 'pattern' in asked ? asked.pattern : undefined;
    const many = [...onShelf, ...this.partsOf(kind).filter(({ pattern }) => pattern !== self)];
    const meet = side === 'recipient' ? recipientsFor(part.kind).includes(kind) : recipientsFor(kind).includes(part.kind);
    if (many.length === 0 || !meet) return none;
    const { best, counts, refused } = new WhatElse(part.kind, many, side, this.setting).ask(part, LISTED);
    const taking = (at: number, verdict: Verdict, hours: number, price: number): Taking => {
      const [mine, specimen] = [many[at], shelf[at]];
      const pattern = this.catalogue.pattern(mine?.pattern);
      return {
        ref: specimen ? `specimen:${specimen.id}` : `pattern:${pattern?.id ?? ''}`,
        name: specimen?.name ?? pattern?.name ?? '',
        family: specimen ? 'On the shelf' : pattern?.family === undefined ? '' : this.catalogue.familyLabel(pattern.family),
        verdict,
        hours,
        price,
        ...(specimen || mine?.price === undefined ? {} : { partPrice: mine.price }),
      };
    };
    return {
      counts,
      list: [...best.map(({ at, swap }) => taking(at, swap.verdict, swap.hours, swap.price)), ...refused.map((at) => taking(at, 'doesNotFit', 0, 0))].slice(
        0,
        LISTED,
      ),
    };
  }

  /** Lays out a grid; its rows are then asked for. Undefined where the kinds do not meet or one has no patterns. */
  openGrid(donor: KindId, recipient: KindId, most: number): GridSides | undefined {
    const [donors, recipients] = [this.partsOf(donor).slice(0, most), this.partsOf(recipient).slice(0, most)];
    if (donors.length === 0 || recipients.length === 0 || !recipientsFor(donor).includes(recipient)) return undefined;
    this.grid = new Grid(donors, recipients, this.setting);
    this.rows = [];
    const named = ({ pattern = '', label }: Part): OnSide => ({ id: pattern, name: label, short: this.short(pattern) });
    return { donors: donors.map(named), recipients: recipients.map(named), joints: this.grid.joints.map(({ id, name }) => ({ id, name })) };
  }

  /** Rows of the grid from one on: as many as are worked out in one turn. */
  gridRows(from: number): readonly Uint32Array[] {
    const began = performance.now();
    const { grid } = this;
    let at = from;
    while (grid && at < grid.donors.length && performance.now() - began < TURN_MS) {
      this.rows[at] ??= grid.row(at);
      at++;
    }
    return this.rows.slice(from, at);
  }

  /** The order in which what interchanges freely stands together. Wants all rows. */
  gridOrder(): Order {
    return orderOf(this.rows, this.grid?.recipients.length ?? 0);
  }

  /** Groups that are drop-in for one another, of all or of those that drop into one recipient. Wants all rows. */
  gridGroups(into: number | undefined): readonly InterchangeGroup[] {
    return groupsOf(this.rows, into);
  }

  /** What is asked about, with the pattern a specimen is taken for where it is not said. */
  private async known(ref: PartyRef): Promise<PartyRef> {
    if (!('specimen' in ref)) return ref;
    const as = ref.as === AS_MEASURED ? undefined : (ref.as ?? (await this.takenFor(ref.specimen)));
    return { specimen: ref.specimen, ...(as === undefined ? {} : { as }) };
  }

  private short(id: string): string {
    const pattern = this.catalogue.pattern(id);
    return [this.catalogue.family(pattern?.family)?.name, pattern?.name].filter(Boolean).join(', ');
  }

  private get setting(): Setting {
    this.madeSetting ??= settingOf(this.catalogue, this.circumstances.rules);
    return this.madeSetting;
  }

  private partsOf(kind: KindId): readonly Part[] {
    const known = this.parts.get(kind) ?? this.catalogue.ofKind(kind).map((pattern) => partFromPattern(pattern, this.catalogue.label(pattern.id)));
    this.parts.set(kind, known);
    return known;
  }
}

const bestFirst = (a: Taking, b: Taking): number =>
  VERDICTS.indexOf(a.verdict) - VERDICTS.indexOf(b.verdict) || a.price - b.price || (a.name < b.name ? -1 : 1);
