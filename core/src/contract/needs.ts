/**
 * What questions take of what the shop keeps beside its catalogue: parts, jobs, builds, suppliers. A question names its
 * needs beside its route; one resolver fetches them, from the database on the server and from what is held in the
 * browser. What is sent along with a question counts, and is not fetched.
 */
export const NEEDS = {
  donors: { into: 'donors', says: 'the stored parts, jobs and builds that `donors` name' },
  recipients: { into: 'recipients', says: 'the stored parts, jobs and builds that `recipients` name' },
  part: { into: 'part', says: 'the stored part, job or build that `part` names' },
  subjects: { into: 'subjects', says: 'the stored parts that `subjects` name' },
  specimen: { into: 'specimen', says: 'the stored part that `specimenId` names' },
  partsOfBuild: { into: 'specimens', says: 'the stored parts in the places of the build' },
  partsOfJob: { into: 'specimens', says: 'the parts of the job that `jobId` names' },
  job: { into: 'job', says: 'the job that `jobId` names, with the build that is decided on and the parts of both' },
  openJobs: { into: 'jobs', says: 'the jobs under way that have a build, each with its build and parts' },
  confirmed: { into: 'specimens', says: 'the confirmed parts' },
  shelfOfKind: { into: 'shelf', says: 'the stored parts of that kind, but for those that are sold or scrapped' },
  shelfOfShells: { into: 'shelf', says: 'the free shells of the shelf' },
  shelfForBuild: { into: 'shelf', says: 'the free parts of the shelf, and those of the job of the build' },
  shelfForJob: { into: 'shelf', says: 'the free parts of the shelf, and which of them are put aside for the job' },
  sellers: { into: 'sellers', says: 'the suppliers' },
  offers: { into: 'offers', says: 'what suppliers’ lists have of what could be bought' },
} as const satisfies Readonly<Record<string, { readonly into: string; readonly says: string }>>;

export type NeedName = keyof typeof NEEDS;
