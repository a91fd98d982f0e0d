import type { Catalogue } from '../catalogue/catalogue.js';
import { CatalogueLookup } from '../catalogue/lookup.js';
import type { Part } from '../catalogue/part.js';
import type { Pattern } from '../catalogue/pattern.js';
import type { KindId } from '../dictionary/dictionary.js';
import { Grid, isNothingAgainst, verdictOf } from './grid.js';
import { DONOR_KINDS, recipientsFor } from './pairing.js';
import { swapParts, type Swap } from './swap.js';
import { swapContextOf } from './swapContext.js';
import { WhatElse, type Taker } from './whatElse.js';

/**
 * A catalogue of which nobody knows all: every size, look and face of its patterns is left out with the same chance.
 *
 * @param share of what is left out, from 0 to 1
 * @param next numbers from 0 to below 1
 */
export function thinned(catalogue: Catalogue, share: number, next: () => number): Catalogue {
  const some = <T extends object>(entries: T | undefined): T =>
    Object.fromEntries(Object.entries(entries ?? {}).filter(() => next() >= share)) as T;
  return {
    ...catalogue,
    patterns: catalogue.patterns.map((pattern): Pattern => {
      const [dimensions, features, interfaces] = [
        some(pattern.dimensions),
        some(pattern.features),
        some(pattern.interfaces),
      ];
      const known: object = { ...dimensions, ...features, ...interfaces };
      // What is left out nobody says anything of.
      const claims = pattern.claims?.filter(({ about }) => about in known);
      return { ...pattern, dimensions, features, interfaces, ...(claims ? { claims } : {}) };
    }),
  };
}

/** How far one comes with less data, against what is answered with all of it. Counts of pairs and of parts. */
interface HalfKnown {
  /** Pairs that fit, as all data tell. */
  readonly fits: number;
  /** Of those, told as *fits* or as having nothing against them. */
  readonly fitsTold: number;
  /** Pairs that fit of which at least half of what decides is known, and of those, told so. */
  readonly fitsWithData: number;
  readonly fitsWithDataTold: number;
  /** Of those, refused. */
  readonly fitsRefused: number;
  /** Pairs that are told to fit and do not drop in. */
  readonly wrongFits: number;
  /** Pairs that are refused, as all data tell, and of those, refused still. */
  readonly refused: number;
  readonly refusedStill: number;
  /** Parts that drop into something, and of those, the ones that find one they drop into among the first three. */
  readonly asked: number;
  readonly rightAmongThree: number;
  /** The same, had nobody recorded which parts are in one engine or family. */
  readonly rightWithoutRecords: number;
}

const FIRST = 3;

/**
 * Judges every pair of a catalogue with all of its data and with some of it.
 *
 * @param less the same catalogue with less data
 * @param donors kinds that are put to all they meet; every kind where nothing is said
 */
export function halfKnown(full: Catalogue, less: Catalogue, donors: readonly KindId[] = DONOR_KINDS): HalfKnown {
  const [all, some] = [full, less].map((catalogue) => {
    const lookup = new CatalogueLookup(catalogue);
    return {
      context: swapContextOf(lookup),
      of: (kind: KindId): readonly Part[] => lookup.partsOfKind(kind),
    };
  }) as [Side, Side];
  const sums = {
    fits: 0,
    fitsTold: 0,
    fitsWithData: 0,
    fitsWithDataTold: 0,
    fitsRefused: 0,
    wrongFits: 0,
    refused: 0,
    refusedStill: 0,
    asked: 0,
    rightAmongThree: 0,
    rightWithoutRecords: 0,
  };
  for (const donor of donors)
    for (const recipient of recipientsFor(donor)) {
      const [whole, less] = [all, some].map(({ of }) => ({ donors: of(donor), recipients: of(recipient) }));
      if (donor === recipient || !whole?.donors.length || !whole.recipients.length || !less) continue;
      const list = new WhatElse(donor, less.recipients, 'recipient', some.context);
      const { enginesWith: _engines, familyOf: _families, ...bare } = some.context;
      const bareList = new WhatElse(donor, less.recipients, 'recipient', bare);
      const [truths, tolds] = [
        new Grid(whole.donors, whole.recipients, all.context),
        new Grid(less.donors, less.recipients, some.context),
      ];
      whole.donors.forEach((_, row) => {
        const thin = less.donors[row];
        if (!thin) return;
        const right = new Set<number>();
        const told = tolds.row(row);
        truths.row(row).forEach((cell, column) => {
          const other = less.recipients[column];
          if (!other) return;
          const [truth, now] = [verdictOf(cell), verdictOf(told[column] ?? 0)];
          if (truth === 'fits') {
            right.add(column);
            sums.fits++;
            const isTold = now === 'fits' || isNothingAgainst(told[column] ?? 0);
            if (isTold) sums.fitsTold++;
            if (hasData(swapParts(thin, other, some.context))) {
              sums.fitsWithData++;
              if (isTold) sums.fitsWithDataTold++;
            }
            if (now === 'doesNotFit') sums.fitsRefused++;
          } else if (now === 'fits') sums.wrongFits++;
          if (truth === 'doesNotFit') {
            sums.refused++;
            if (now === 'doesNotFit') sums.refusedStill++;
          }
        });
        if (right.size === 0) return;
        sums.asked++;
        const isRight = ({ at }: Taker) => right.has(at);
        if (list.ask(thin, FIRST).best.some(isRight)) sums.rightAmongThree++;
        if (bareList.ask(thin, FIRST).best.some(isRight)) sums.rightWithoutRecords++;
      });
    }
  return sums;
}

/** Whether at least half of the checks that decide had what they go by. */
function hasData({ joints }: Swap): boolean {
  const decisive = joints.flatMap(({ checks }) => checks.filter(({ confirming }) => !confirming));
  return 2 * decisive.filter(({ verdict }) => verdict !== 'cannotTell').length >= decisive.length;
}

interface Side {
  readonly context: ReturnType<typeof swapContextOf>;
  readonly of: (kind: KindId) => readonly Part[];
}
