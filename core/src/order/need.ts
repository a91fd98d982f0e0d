import type { BuildEngine, SoldBy } from '../build/index.js';
import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { KindId } from '../dictionary/dictionary.js';
import type { ShellFound } from '../fit/index.js';
import type { Job } from '../job/job.js';
import type { Sentence } from '../quantity/sentence.js';
import type { NumberToOrder } from './numbers.js';

/** Something that must be there before the engine can be put together. */
export interface Need {
  /** Stays the same as long as what is needed does. */
  readonly id: string;
  /** Why it stands on the list. */
  readonly group: 'chosen' | 'anew' | 'companion' | 'consumable' | 'unaccounted' | 'other';
  readonly slot?: string;
  readonly kind?: KindId;
  readonly pattern?: string;
  readonly name: string;
  /** Which cylinders, mains or crankpins it is for; empty where it is for all. */
  readonly at: readonly number[];
  readonly quantity: number;
  readonly by: SoldBy;
  /** How many the maker sells together. */
  readonly pieces?: number;
  readonly size?: Sentence;
  /** The same, from standard, signed, millimetres. */
  readonly step?: number;
  readonly because: Sentence;
  /** What must be known before it may be ordered. */
  readonly open: readonly Sentence[];
  readonly numbers: readonly NumberToOrder[];
  /** Of one of what is counted, by the catalogue, in the shop's money. */
  readonly price?: number;
  /** Specimens of the shelf that are this. */
  readonly shelf: readonly string[];
  /** How many are put aside from the shelf, are ordered, and have come. */
  readonly reserved: number;
  readonly ordered: number;
  readonly received: number;
  /** How many are still to be ordered. */
  readonly left: number;
}

/** A part on the shelf, by what it is taken for. */
export interface OnShelf {
  readonly specimen: string;
  readonly pattern: string;
  /** The size it is in, from standard, signed, millimetres. */
  readonly step: number;
  /** It is put aside for this job. */
  readonly reserved?: boolean;
}

/** What an order list is worked out from. */
export interface OrderAsked {
  readonly engine: BuildEngine;
  readonly catalogue: CatalogueLookup;
  readonly job?: Pick<Job, 'orders'>;
  /** Kinds of which a part lies in the job: of what nobody chose in the build these are at hand. */
  readonly atHand: ReadonlySet<KindId>;
  readonly shells: Readonly<Partial<Record<'mainShell' | 'rodShell', readonly ShellFound[]>>>;
  readonly shelf: readonly OnShelf[];
}

/** What is needed, before it is known what of it there is. */
export type Wanted = Omit<
  Need,
  'shelf' | 'reserved' | 'ordered' | 'received' | 'left' | 'numbers' | 'price' | 'pieces'
>;
