import type { Build } from '../../build/index.js';
import { normaliseMark } from '../../marks/markText.js';
import type { Job } from '../../job/job.js';
import type { Specimen } from '../../readings/reading.js';
import { isAmong, type Documents, type OfferTold, type Seller } from './documents.js';

/** Documents that are held whole, each list last changed first. */
export interface Held {
  readonly specimens?: readonly Specimen[];
  readonly jobs?: readonly Job[];
  readonly builds?: readonly Build[];
  readonly reservations?: readonly { readonly specimen: string; readonly job: string }[];
  readonly sellers?: readonly Seller[];
  readonly offers?: readonly OfferTold[];
}

/** What questions need, out of documents in memory: what the adapters of database and page are held to. */
export function heldDocuments(held: Held): Documents {
  const { specimens = [], jobs = [], builds = [], reservations = [], sellers = [], offers = [] } = held;
  const heldFor = new Map(reservations.map(({ specimen, job }) => [specimen, job]));
  const told = <T>(answer: T): Promise<T> => Promise.resolve(answer);
  return {
    specimens: (asked) => told(specimens.filter((each) => isAmong(asked, each, heldFor)).slice(0, asked.most)),
    job: (id) => told(jobs.find((each) => each.id === id)),
    build: (id) => told(builds.find((each) => each.id === id)),
    openJobs: (most) =>
      told(
        jobs
          .filter(({ build, handedOver }) => build !== undefined && handedOver === undefined)
          .map(({ id }) => id)
          .slice(0, most),
      ),
    putAside: (job) =>
      told(
        reservations
          .filter((each) => each.job === job)
          .map(({ specimen }) => specimen)
          .sort(),
      ),
    sellers: () => told([...sellers].sort((a, b) => (a.id < b.id ? -1 : 1))),
    offers: (numbers, most) => {
      const wanted = new Set(numbers);
      return told(offers.filter(({ number }) => wanted.has(normaliseMark(number))).slice(0, most));
    },
  };
}
