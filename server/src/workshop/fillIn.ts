import {
  MOST_CONFIRMED,
  MOST_OF_JOB,
  MOST_OF_SHELF,
  MOST_OFFERS,
  numbersToBuy,
  type Build,
  type Job,
  type KindId,
  type Offer,
  type PartRef,
  type QuestionName,
  type Requests,
  type Specimen,
  type Workshop,
} from '@which-bore/core';
import type pg from 'pg';

interface SpecimenFound {
  readonly id: string;
  readonly name: string;
  readonly kind: KindId;
  readonly job: string | null;
  readonly state: Specimen['state'] | null;
  readonly skipped: string[];
  readonly completeWith: KindId[] | null;
  readonly confirmed: Specimen['confirmed'] | null;
  readonly shelf: Specimen['shelf'] | null;
  readonly readings: Specimen['readings'] | null;
}

/** Stored specimens with their readings, last changed first. */
async function specimens(
  client: pg.ClientBase,
  where: string,
  values: readonly unknown[],
  most = MOST_OF_SHELF,
): Promise<Specimen[]> {
  const { rows } = await client.query<SpecimenFound>(
    `SELECT id, name, kind, job_id AS job, state, skipped, complete_with AS "completeWith", confirmed, shelf,
       (SELECT json_agg(json_build_object('id', reading.id, 'at', to_char(at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'), 'is', content) ORDER BY position)
        FROM reading WHERE specimen_id = specimen.id) AS readings
     FROM specimen WHERE deleted_at IS NULL AND ${where} ORDER BY updated_at DESC, id LIMIT ${most}`,
    [...values],
  );
  return rows.map(({ job, state, skipped, completeWith, confirmed, shelf, readings, ...rest }) => ({
    ...rest,
    readings: readings ?? [],
    ...(job === null ? {} : { job }),
    ...(state ? { state } : {}),
    ...(skipped.length > 0 ? { skipped } : {}),
    ...(completeWith ? { completeWith } : {}),
    ...(confirmed ? { confirmed } : {}),
    ...(shelf ? { shelf } : {}),
  }));
}

/** What was sold or scrapped is on no shelf. */
const NOT_GONE = `(shelf IS NULL OR NOT shelf ? 'gone')`;

/** What was put aside for another job than the first value names is for nobody else. */
const FREE = `${NOT_GONE} AND NOT EXISTS
  (SELECT 1 FROM reservation WHERE specimen_id = specimen.id AND released_at IS NULL AND job_id IS DISTINCT FROM $1)`;

type ById = ReadonlyMap<string, Specimen>;

async function byId(client: pg.ClientBase, ids: readonly (string | undefined)[]): Promise<ById> {
  const wanted = ids.filter((id) => id !== undefined);
  return new Map(
    (wanted.length === 0 ? [] : await specimens(client, 'id = ANY ($1)', [wanted])).map((each) => [each.id, each]),
  );
}

/** References with the stored specimens and jobs they name; what is not there is left to the workshop to refuse. */
async function filledRefs(client: pg.ClientBase, refs: readonly PartRef[]): Promise<PartRef[]> {
  const found = await byId(
    client,
    refs.map(({ specimenId }) => specimenId),
  );
  const filled: PartRef[] = [];
  for (const ref of refs) {
    if (ref.build !== undefined || ref.buildId !== undefined) {
      filled.push(await filledBuild(client, ref));
      continue;
    }
    const { specimenId, ...rest } = ref;
    const specimen = specimenId === undefined || ref.specimen ? undefined : found.get(specimenId);
    filled.push(specimen ? { ...rest, specimen } : await withJob(client, ref));
  }
  return filled;
}

/** A build that is named, with the specimens in its places. */
async function filledBuild(client: pg.ClientBase, ref: PartRef): Promise<PartRef> {
  const { buildId, ...rest } = ref;
  let { build } = ref;
  if (!build) {
    const { rows } = await client.query<{
      readonly name: string;
      readonly variant: string | null;
      readonly content: Omit<Build, 'id' | 'name' | 'job' | 'variant'>;
    }>('SELECT name, variant, content FROM build WHERE id = $1 AND deleted_at IS NULL', [buildId]);
    const [found] = rows;
    if (!found) return ref;
    const { name, variant, content } = found;
    build = { id: buildId ?? '', name, ...(variant === null ? {} : { variant }), ...content };
  }
  return { ...rest, ...(await withSpecimens(client, { ...rest, build })) };
}

/** A job that is named, with its parts. */
async function withJob(client: pg.ClientBase, ref: PartRef): Promise<PartRef> {
  if (ref.jobId === undefined || ref.specimens) return ref;
  const { rows } = await client.query<{ readonly name: string }>(
    'SELECT name FROM job WHERE id = $1 AND deleted_at IS NULL',
    [ref.jobId],
  );
  const [job] = rows;
  return job
    ? { ...ref, name: ref.name ?? job.name, specimens: await specimens(client, 'job_id = $1', [ref.jobId]) }
    : ref;
}

/** What is learnt from confirmed parts is learnt from all that are stored, unless some are given. */
const withConfirmed = async <R extends { readonly specimens?: readonly Specimen[] }>(
  client: pg.ClientBase,
  request: R,
): Promise<R> =>
  request.specimens
    ? request
    : { ...request, specimens: await specimens(client, 'confirmed IS NOT NULL', [], MOST_CONFIRMED) };

/** A build with the stored specimens that are in its places. */
const withSpecimens = async <R extends { readonly build: Build; readonly specimens?: Specimen[] }>(
  client: pg.ClientBase,
  request: R,
): Promise<R> =>
  request.specimens
    ? request
    : {
        ...request,
        specimens: [
          ...(
            await byId(
              client,
              request.build.places.map(({ specimen }) => specimen),
            )
          ).values(),
        ],
      };

type OfJob = Requests['jobStages'];

/** A job that is named, with its build and the parts of both; what is sent along counts. */
async function withOrder<R extends OfJob>(client: pg.ClientBase, request: R): Promise<R> {
  const { jobId } = request;
  let { job, build } = request;
  if (!job && jobId !== undefined) {
    const { rows } = await client.query<Pick<Job, 'name' | 'readings'> & { content: object; note: string | null }>(
      'SELECT name, readings, content, note FROM job WHERE id = $1 AND deleted_at IS NULL',
      [jobId],
    );
    const [found] = rows;
    if (found) {
      const { name, readings, content, note } = found;
      job = { id: jobId, name, readings, ...content, ...(note === null ? {} : { note }) };
    }
  }
  if (!build && job?.build !== undefined) build = (await filledBuild(client, { buildId: job.build })).build;
  if (request.specimens) return { ...request, ...(job ? { job } : {}), ...(build ? { build } : {}) };
  const named = build?.places.flatMap(({ specimen }) => specimen ?? []) ?? [];
  return {
    ...request,
    ...(job ? { job } : {}),
    ...(build ? { build } : {}),
    specimens:
      job || named.length > 0
        ? await specimens(client, '(job_id = $1 OR id = ANY ($2))', [job?.id ?? null, named], MOST_OF_JOB)
        : [],
  };
}

/** The parts of no job that may be taken, and those of them that are put aside for this one. */
async function withShelf(client: pg.ClientBase, request: Requests['orderList']): Promise<Requests['orderList']> {
  const filled = await withOrder(client, request);
  if (filled.shelf) return filled;
  const job = filled.job?.id ?? null;
  const { rows } = await client.query<{ readonly id: string }>(
    'SELECT specimen_id AS id FROM reservation WHERE released_at IS NULL AND job_id = $1',
    [job],
  );
  return {
    ...filled,
    shelf: await specimens(client, `job_id IS NULL AND ${FREE}`, [job]),
    reserved: rows.map(({ id }) => id),
  };
}

/** Who sells what a plan could buy, and what their lists have of it. */
async function withSellers(
  client: pg.ClientBase,
  request: Requests['planSets'],
  on: Workshop,
): Promise<Requests['planSets']> {
  if (request.sellers) return request;
  const { rows: sellers } = await client.query<NonNullable<Requests['planSets']['sellers']>[number]>(
    'SELECT id, name, currency FROM supplier ORDER BY id',
  );
  if (sellers.length === 0 || request.offers) return { ...request, sellers };
  const { rows } = await client.query<{ readonly supplier: string; readonly content: Omit<Offer, 'supplier'> }>(
    `SELECT supplier_id AS supplier, content FROM price_line WHERE sought = ANY ($1)
     ORDER BY supplier_id, position LIMIT ${MOST_OFFERS}`,
    [numbersToBuy(on, request)],
  );
  return { ...request, sellers, offers: rows.map(({ supplier, content }) => ({ ...content, supplier })) };
}

/** The parts that a plan may take: of no job, or of that of its build; none that is put aside for another. */
async function withTakeable(
  client: pg.ClientBase,
  request: Requests['planSets'],
  on: Workshop,
): Promise<Requests['planSets']> {
  const filled = await withSellers(client, await withSpecimens(client, request), on);
  if (filled.shelf) return filled;
  const own = `(job_id IS NULL OR job_id = $1) AND ${FREE}`;
  return { ...filled, shelf: await specimens(client, own, [filled.build.job ?? null]) };
}

/** Open jobs that are looked at when it is asked who wants a part, last changed first. */
const MOST_JOBS = 60;

async function withOpenJobs(client: pg.ClientBase, request: Requests['wantedBy']): Promise<Requests['wantedBy']> {
  const { specimenId } = request;
  const specimen =
    request.specimen ?? (specimenId === undefined ? undefined : (await byId(client, [specimenId])).get(specimenId));
  let { jobs } = request;
  if (!jobs) {
    const { rows } = await client.query<{ readonly id: string }>(
      `SELECT id FROM job WHERE deleted_at IS NULL AND content ? 'build' AND NOT content ? 'handedOver'
       ORDER BY updated_at DESC, id LIMIT ${MOST_JOBS}`,
    );
    jobs = [];
    for (const { id } of rows) jobs.push(await withOrder(client, { jobId: id }));
  }
  return { ...request, ...(specimen ? { specimen } : {}), jobs };
}

/** A stored specimen that is named, in its place. */
async function withSpecimen<R extends { readonly specimen?: Specimen; readonly specimenId?: string }>(
  client: pg.ClientBase,
  request: R,
): Promise<R> {
  if (request.specimen || request.specimenId === undefined) return request;
  const found = (await byId(client, [request.specimenId])).get(request.specimenId);
  return found ? { ...request, specimen: found } : request;
}

/** Questions that may name what only the database has. */
const FILLING: {
  readonly [N in QuestionName]?: (client: pg.ClientBase, request: Requests[N], on: Workshop) => Promise<Requests[N]>;
} = {
  interchange: async (client, request) => {
    const [donors, recipients] = [
      await filledRefs(client, request.donors),
      await filledRefs(client, request.recipients),
    ];
    return { ...request, donors, recipients };
  },
  engines: async (client, request) => {
    return { ...request, donors: await filledRefs(client, request.donors) };
  },
  whatElse: async (client, request) => {
    const [part = request.part] = await filledRefs(client, [request.part]);
    const { shelf = true } = request;
    return {
      ...request,
      part,
      shelf: shelf === true ? await specimens(client, `kind = $1 AND ${NOT_GONE}`, [request.kind]) : shelf,
    };
  },
  buildSheet: withSpecimens,
  buildJoints: withSpecimens,
  buildCurves: withSpecimens,
  buildSolve: withSpecimens,
  buildSweep: withSpecimens,
  buildTolerance: withSpecimens,
  buildBegin: async (client, request) =>
    request.specimens || request.jobId === undefined
      ? request
      : { ...request, specimens: await specimens(client, 'job_id = $1', [request.jobId]) },
  fitSheet: withSpecimen,
  fitBores: withSpecimen,
  fitShells: async (client, request) => {
    const { jobId } = request;
    const parts =
      request.specimens ?? (jobId === undefined ? undefined : await specimens(client, 'job_id = $1', [jobId]));
    const shelf =
      request.shelf ??
      (await specimens(client, `kind = $2 AND job_id IS NULL AND ${FREE}`, [
        jobId ?? null,
        request.bearing === 'mains' ? 'mainShell' : 'rodShell',
      ]));
    return { ...request, ...(parts ? { specimens: parts } : {}), shelf };
  },
  planChoices: withTakeable,
  planSets: withTakeable,
  planWorth: withTakeable,
  planConflicts: withTakeable,
  orderList: withShelf,
  shopSheet: withOrder,
  assemblyNotes: withOrder,
  jobStages: withOrder,
  wantedBy: withOpenJobs,
  calibration: withConfirmed,
  audit: withConfirmed,
  compare: async (client, request) => {
    const found = await byId(
      client,
      request.subjects.map(({ specimen }) => (typeof specimen === 'string' ? specimen : undefined)),
    );
    return {
      ...request,
      subjects: request.subjects.map((subject) => {
        const stored = typeof subject.specimen === 'string' ? found.get(subject.specimen) : undefined;
        return stored ? { ...subject, specimen: stored } : subject;
      }),
    };
  },
};

/** A question with what it names of the database put in its place: specimens, jobs, price lists. */
export async function filledIn<N extends QuestionName>(
  client: pg.ClientBase,
  name: N,
  request: Requests[N],
  on: Workshop,
): Promise<Requests[N]> {
  const filling = FILLING[name];
  return filling ? filling(client, request, on) : request;
}
