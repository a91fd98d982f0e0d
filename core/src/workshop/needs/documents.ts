import type { Build } from '../../build/index.js';
import type { Requests } from '../../contract/index.js';
import type { KindId } from '../../dictionary/dictionary.js';
import type { Job } from '../../job/job.js';
import type { Specimen } from '../../readings/reading.js';

/** Which stored parts are asked for: those of which all that is said holds. */
export interface SpecimensAsked {
  readonly ids?: readonly string[];
  readonly kinds?: readonly KindId[];
  /** Parts of this job; `none` for parts of no job. */
  readonly job?: string;
  /** These as well, whatever job they are of: those that its build names. */
  readonly orIds?: readonly string[];
  readonly confirmed?: true;
  /** Neither sold nor scrapped. */
  readonly there?: true;
  /** Put aside for no job but this one; an empty name for no job at all. */
  readonly freeFor?: string;
  readonly most: number;
}

type Plan = Requests['planSets'];
export type Seller = NonNullable<Plan['sellers']>[number];
export type OfferTold = NonNullable<Plan['offers']>[number];

/**
 * What a question may ask of the documents that the shop keeps. The server answers from its database, a page from what
 * it holds with what waits to go up. Lists come last changed first.
 */
export interface Documents {
  specimens(asked: SpecimensAsked): Promise<readonly Specimen[]>;
  /** Undefined where there is none, or it was deleted. */
  job(id: string): Promise<Job | undefined>;
  build(id: string): Promise<Build | undefined>;
  /** Ids of jobs that have a build and are not handed over. */
  openJobs(most: number): Promise<readonly string[]>;
  /** Ids of the parts that are put aside for a job. */
  putAside(job: string): Promise<readonly string[]>;
  sellers(): Promise<readonly Seller[]>;
  /** @param numbers as `numbersToBuy` has them: without spaces and dashes */
  offers(numbers: readonly string[], most: number): Promise<readonly OfferTold[]>;
}

/** A part as it stands on a list, with for whom it is put aside. */
export type Listed = Pick<Specimen, 'id' | 'kind' | 'job' | 'shelf'> & { readonly confirmed?: unknown };

/**
 * Whether a part is among those asked for.
 *
 * @param heldFor the job a part is put aside for, by its id
 */
export function isAmong(asked: SpecimensAsked, part: Listed, heldFor: ReadonlyMap<string, string>): boolean {
  const { ids, kinds, job, orIds = [], confirmed, there, freeFor } = asked;
  const held = heldFor.get(part.id);
  return (
    (ids === undefined || ids.includes(part.id)) &&
    (kinds === undefined || kinds.includes(part.kind)) &&
    (job === undefined || orIds.includes(part.id) || (job === 'none' ? part.job === undefined : part.job === job)) &&
    (confirmed === undefined || Boolean(part.confirmed)) &&
    (there === undefined || part.shelf?.gone === undefined) &&
    (freeFor === undefined || held === undefined || held === freeFor)
  );
}
