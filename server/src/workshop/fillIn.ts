import {
  MOST_OF_SHELF,
  type KindId,
  type PartRef,
  type QuestionName,
  type Requests,
  type Specimen,
} from '@which-bore/core';
import type pg from 'pg';

interface SpecimenFound {
  readonly id: string;
  readonly name: string;
  readonly kind: KindId;
  readonly job: string | null;
  readonly state: Specimen['state'] | null;
  readonly skipped: string[];
  readonly readings: Specimen['readings'] | null;
}

/** Stored specimens with their readings, last changed first. */
async function specimens(client: pg.ClientBase, where: string, value: unknown): Promise<Specimen[]> {
  const { rows } = await client.query<SpecimenFound>(
    `SELECT id, name, kind, job_id AS job, state, skipped,
       (SELECT json_agg(json_build_object('id', reading.id, 'at', to_char(at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'), 'is', content) ORDER BY position)
        FROM reading WHERE specimen_id = specimen.id) AS readings
     FROM specimen WHERE deleted_at IS NULL AND ${where} ORDER BY updated_at DESC, id LIMIT ${MOST_OF_SHELF}`,
    [value],
  );
  return rows.map(({ job, state, skipped, readings, ...rest }) => ({
    ...rest,
    readings: readings ?? [],
    ...(job === null ? {} : { job }),
    ...(state ? { state } : {}),
    ...(skipped.length > 0 ? { skipped } : {}),
  }));
}

type ById = ReadonlyMap<string, Specimen>;

async function byId(client: pg.ClientBase, ids: readonly (string | undefined)[]): Promise<ById> {
  const wanted = ids.filter((id) => id !== undefined);
  return new Map(
    (wanted.length === 0 ? [] : await specimens(client, 'id = ANY ($1)', wanted)).map((each) => [each.id, each]),
  );
}

/** A reference with the stored specimen it names; one that is not there is left to the workshop to refuse. */
function filled(ref: PartRef, found: ById): PartRef {
  const { specimenId, ...rest } = ref;
  const specimen = specimenId === undefined || ref.specimen ? undefined : found.get(specimenId);
  return specimen ? { ...rest, specimen } : ref;
}

const idsOf = (...refs: readonly PartRef[]): readonly (string | undefined)[] =>
  refs.map(({ specimenId }) => specimenId);

/** Questions that may name what only the database has. */
const FILLING: {
  readonly [N in QuestionName]?: (client: pg.ClientBase, request: Requests[N]) => Promise<Requests[N]>;
} = {
  interchange: async (client, request) => {
    const found = await byId(client, idsOf(...request.donors, ...request.recipients));
    return {
      ...request,
      donors: request.donors.map((ref) => filled(ref, found)),
      recipients: request.recipients.map((ref) => filled(ref, found)),
    };
  },
  engines: async (client, request) => {
    const found = await byId(client, idsOf(...request.donors));
    return { ...request, donors: request.donors.map((ref) => filled(ref, found)) };
  },
  whatElse: async (client, request) => {
    const found = await byId(client, idsOf(request.part));
    const { shelf = true } = request;
    return {
      ...request,
      part: filled(request.part, found),
      shelf: shelf === true ? await specimens(client, 'kind = $1', request.kind) : shelf,
    };
  },
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

/** A question with the stored specimens it names put in their places. */
export async function filledIn<N extends QuestionName>(
  client: pg.ClientBase,
  name: N,
  request: Requests[N],
): Promise<Requests[N]> {
  const filling = FILLING[name];
  return filling ? filling(client, request) : request;
}
