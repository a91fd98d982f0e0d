import {
  MOST_CONFIRMED,
  MOST_OF_JOB,
  MOST_OF_SHELF,
  MOST_OFFERS,
  MOST_TOGETHER,
  type NeedName,
  type PartRef,
  type QuestionName,
  type Requests,
} from '../../contract/index.js';
import type { KindId } from '../../dictionary/dictionary.js';
import { slotOf } from '../../dictionary/slots.js';
import type { Specimen } from '../../readings/reading.js';
import type { Documents } from './documents.js';

/** What is known of the catalogue where needs are resolved. */
interface Known {
  /** Numbers by which lists may have what a plan could buy. */
  numbersToBuy(asked: Pick<Plan, 'build' | 'demands' | 'specimens'>): Promise<readonly string[]> | readonly string[];
}

type Plan = Requests['planSets'];
type Whole = Requests['jobStages'];
type Filled<N extends QuestionName> = (
  documents: Documents,
  request: Requests[N],
  known: Known,
) => Promise<Partial<Requests[N]>>;

/** Jobs that are looked at when it is asked who wants a part. */
const MOST_JOBS = 60;

async function byId(
  documents: Documents,
  ids: readonly (string | undefined)[],
): Promise<ReadonlyMap<string, Specimen>> {
  const wanted = ids.filter((id) => id !== undefined);
  const found = wanted.length === 0 ? [] : await documents.specimens({ ids: wanted, most: MOST_OF_SHELF });
  return new Map(found.map((each) => [each.id, each]));
}

const inPlaces = async (documents: Documents, { places }: Plan['build']): Promise<Specimen[]> => [
  ...(
    await byId(
      documents,
      places.map(({ specimen }) => specimen),
    )
  ).values(),
];

/** A reference with the stored part, job or build that it names; what is not there the workshop refuses. */
async function named(documents: Documents, ref: PartRef, found: ReadonlyMap<string, Specimen>): Promise<PartRef> {
  const { specimenId, buildId, jobId } = ref;
  if (ref.build !== undefined || buildId !== undefined) {
    const build = ref.build ?? (await documents.build(buildId ?? ''));
    if (!build) return ref;
    const { buildId: _id, ...rest } = ref;
    return { ...rest, build, specimens: ref.specimens ?? (await inPlaces(documents, build)) };
  }
  const specimen = specimenId === undefined || ref.specimen ? undefined : found.get(specimenId);
  if (specimen) {
    const { specimenId: _id, ...rest } = ref;
    return { ...rest, specimen };
  }
  if (jobId === undefined || ref.specimens) return ref;
  const job = await documents.job(jobId);
  return job
    ? { ...ref, name: ref.name ?? job.name, specimens: [...(await ofJob(documents, jobId, MOST_TOGETHER))] }
    : ref;
}

async function allNamed(documents: Documents, refs: readonly PartRef[]): Promise<PartRef[]> {
  const found = await byId(
    documents,
    refs.map(({ specimenId }) => specimenId),
  );
  return Promise.all(refs.map((ref) => named(documents, ref, found)));
}

const ofJob = (documents: Documents, job: string, most: number): Promise<readonly Specimen[]> =>
  documents.specimens({ job, most });

/** A job with its build and the parts of both, each as it was sent or as it is kept. */
async function wholeJob(documents: Documents, { jobId, job, build, specimens }: Whole): Promise<Whole> {
  const ownJob = job ?? (jobId === undefined ? undefined : await documents.job(jobId));
  const ownBuild = build ?? (ownJob?.build === undefined ? undefined : await documents.build(ownJob.build));
  const orIds = ownBuild?.places.flatMap(({ specimen }) => specimen ?? []) ?? [];
  const asked = ownJob ? { job: ownJob.id, orIds } : orIds.length > 0 ? { ids: orIds } : undefined;
  return {
    ...(ownJob ? { job: ownJob } : {}),
    ...(ownBuild ? { build: ownBuild } : {}),
    specimens: specimens ?? (asked ? [...(await documents.specimens({ ...asked, most: MOST_OF_JOB }))] : []),
  };
}

const SHELLS: Readonly<Record<Requests['fitShells']['bearing'], KindId>> = { mains: 'mainShell', bigEnds: 'rodShell' };

/** How each need is met: what of the request it fills, where nothing was sent. */
const FILLING: Readonly<Record<NeedName, (documents: Documents, request: never, known: Known) => Promise<object>>> = {
  donors: (async (documents, { donors }) => ({
    donors: await allNamed(documents, donors),
  })) satisfies Filled<'interchange'>,
  recipients: (async (documents, { recipients }) => ({
    recipients: await allNamed(documents, recipients),
  })) satisfies Filled<'interchange'>,
  part: (async (documents, { part }) => {
    const [filled = part] = await allNamed(documents, [part]);
    return { part: filled };
  }) satisfies Filled<'whatElse'>,
  subjects: (async (documents, { subjects }) => {
    const found = await byId(
      documents,
      subjects.map(({ specimen }) => (typeof specimen === 'string' ? specimen : undefined)),
    );
    return {
      subjects: subjects.map((subject) => {
        const stored = typeof subject.specimen === 'string' ? found.get(subject.specimen) : undefined;
        return stored ? { ...subject, specimen: stored } : subject;
      }),
    };
  }) satisfies Filled<'compare'>,
  specimen: (async (documents, { specimen, specimenId }) => {
    if (specimen || specimenId === undefined) return {};
    const found = (await byId(documents, [specimenId])).get(specimenId);
    return found ? { specimen: found } : {};
  }) satisfies Filled<'fitSheet' | 'wantedBy'>,
  partsOfBuild: (async (documents, { build, specimens }) => ({
    specimens: specimens ?? (await inPlaces(documents, build)),
  })) satisfies Filled<'buildSheet'>,
  partsOfJob: (async (documents, { jobId, specimens }) =>
    specimens || jobId === undefined
      ? {}
      : { specimens: [...(await ofJob(documents, jobId, MOST_TOGETHER))] }) satisfies Filled<
    'buildBegin' | 'fitShells'
  >,
  job: wholeJob,
  openJobs: (async (documents, { jobs }) => ({
    jobs:
      jobs ??
      (await Promise.all(
        (await documents.openJobs(MOST_JOBS)).map(async (jobId) => ({
          jobId,
          ...(await wholeJob(documents, { jobId })),
        })),
      )),
  })) satisfies Filled<'wantedBy'>,
  confirmed: (async (documents, { specimens }) => ({
    specimens: specimens ?? [...(await documents.specimens({ confirmed: true, most: MOST_CONFIRMED }))],
  })) satisfies Filled<'calibration'>,
  shelfOfKind: (async (documents, { kind, shelf = true }) => ({
    shelf:
      shelf === true ? [...(await documents.specimens({ kinds: [kind], there: true, most: MOST_OF_SHELF }))] : shelf,
  })) satisfies Filled<'whatElse'>,
  shelfOfShells: (async (documents, { bearing, jobId, shelf }) => ({
    shelf: shelf ?? [
      ...(await documents.specimens({
        kinds: [SHELLS[bearing]],
        job: 'none',
        there: true,
        freeFor: jobId ?? '',
        most: MOST_OF_SHELF,
      })),
    ],
  })) satisfies Filled<'fitShells'>,
  shelfForBuild: (async (documents, { build: { job = '' }, demands, shelf }) => {
    if (shelf) return {};
    const kinds = [...new Set(demands.places.flatMap(({ slot }) => slotOf(slot)?.kind ?? []))];
    const asked = { kinds, there: true, freeFor: job, most: MOST_OF_SHELF } as const;
    const [free, own] = [
      await documents.specimens({ ...asked, job: 'none' }),
      job === '' ? [] : await documents.specimens({ ...asked, job }),
    ];
    return { shelf: [...own, ...free].slice(0, MOST_OF_SHELF) };
  }) satisfies Filled<'planSets'>,
  shelfForJob: (async (documents, { job, shelf, reserved }) => {
    if (shelf) return {};
    const id = job?.id ?? '';
    return {
      shelf: [...(await documents.specimens({ job: 'none', there: true, freeFor: id, most: MOST_OF_SHELF }))],
      reserved: reserved ?? (id === '' ? [] : [...(await documents.putAside(id))]),
    };
  }) satisfies Filled<'orderList'>,
  sellers: (async (documents, { sellers }) => ({
    sellers: sellers ?? [...(await documents.sellers())],
  })) satisfies Filled<'planSets'>,
  offers: (async (documents, { sellers = [], offers, ...plan }, known) =>
    offers || sellers.length === 0
      ? {}
      : {
          offers: [...(await documents.offers(await known.numbersToBuy(plan), MOST_OFFERS))],
        }) satisfies Filled<'planSets'>,
};

/**
 * A question with what it needs of the documents in its place. What was sent along stays, so that a question that was
 * resolved once, in a page for one, is not filled in a second time.
 *
 * @param needs what the question needs, as its contract says
 */
export async function resolveNeeds<Request extends object>(
  needs: readonly NeedName[],
  request: Request,
  documents: Documents,
  known: Known,
): Promise<Request> {
  let whole = request;
  for (const need of needs) whole = { ...whole, ...(await FILLING[need](documents, whole as never, known)) };
  return whole;
}
