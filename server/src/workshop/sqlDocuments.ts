import type { Build, Documents, Job, KindId, OfferTold, Seller, Specimen, SpecimensAsked } from '@which-bore/core';
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

const specimenOf = ({
  job,
  state,
  skipped,
  completeWith,
  confirmed,
  shelf,
  readings,
  ...rest
}: SpecimenFound): Specimen => ({
  ...rest,
  readings: readings ?? [],
  ...(job === null ? {} : { job }),
  ...(state ? { state } : {}),
  ...(skipped.length > 0 ? { skipped } : {}),
  ...(completeWith ? { completeWith } : {}),
  ...(confirmed ? { confirmed } : {}),
  ...(shelf ? { shelf } : {}),
});

/** The conditions under which a stored part is asked for, each value as the parameter that stands for it. */
function conditionsOf(
  { ids, kinds, job, orIds = [], confirmed, there, freeFor }: SpecimensAsked,
  value: (of: unknown) => string,
): readonly string[] {
  return [
    'deleted_at IS NULL',
    ...(ids === undefined ? [] : [`id = ANY (${value(ids)})`]),
    ...(kinds === undefined ? [] : [`kind = ANY (${value(kinds)})`]),
    ...(job === undefined
      ? []
      : [`(${job === 'none' ? 'job_id IS NULL' : `job_id = ${value(job)}`} OR id = ANY (${value(orIds)}))`]),
    ...(confirmed === undefined ? [] : ['confirmed IS NOT NULL']),
    ...(there === undefined ? [] : [`(shelf IS NULL OR NOT shelf ? 'gone')`]),
    ...(freeFor === undefined
      ? []
      : [
          `NOT EXISTS (SELECT 1 FROM reservation
            WHERE specimen_id = specimen.id AND released_at IS NULL AND job_id::text <> ${value(freeFor)})`,
        ]),
  ];
}

/**
 * The documents as the database has them, over the one connection of a thread: plain SQL, since a thread that made the
 * entities of TypeORM first would begin a second later, and the readings of a part come gathered in one row.
 */
export function sqlDocuments(client: pg.ClientBase): Documents {
  const rowsOf = async <T extends pg.QueryResultRow>(sql: string, values: readonly unknown[] = []): Promise<T[]> =>
    (await client.query<T>(sql, [...values])).rows;
  const idsOf = async (sql: string, values: readonly unknown[] = []): Promise<string[]> =>
    (await rowsOf<{ readonly id: string }>(sql, values)).map(({ id }) => id);
  return {
    async specimens(asked) {
      const values: unknown[] = [];
      const conditions = conditionsOf(asked, (of) => `$${values.push(of)}`);
      const found = await rowsOf<SpecimenFound>(
        `SELECT id, name, kind, job_id AS job, state, skipped, complete_with AS "completeWith", confirmed, shelf,
           (SELECT json_agg(json_build_object('id', reading.id, 'at', to_char(at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'), 'is', content) ORDER BY position)
            FROM reading WHERE specimen_id = specimen.id) AS readings
         FROM specimen WHERE ${conditions.join(' AND ')} ORDER BY updated_at DESC, id LIMIT ${asked.most}`,
        values,
      );
      return found.map(specimenOf);
    },
    async job(id) {
      const [found] = await rowsOf<Pick<Job, 'name' | 'readings'> & { content: object; note: string | null }>(
        'SELECT name, readings, content, note FROM job WHERE id = $1 AND deleted_at IS NULL',
        [id],
      );
      if (!found) return undefined;
      const { name, readings, content, note } = found;
      return { id, name, readings, ...content, ...(note === null ? {} : { note }) };
    },
    async build(id) {
      const [found] = await rowsOf<{
        readonly name: string;
        readonly job: string | null;
        readonly variant: string | null;
        readonly content: Omit<Build, 'id' | 'name' | 'job' | 'variant'>;
      }>('SELECT name, job_id AS job, variant, content FROM build WHERE id = $1 AND deleted_at IS NULL', [id]);
      if (!found) return undefined;
      const { name, job, variant, content } = found;
      return {
        id,
        name,
        ...(job === null ? {} : { job }),
        ...(variant === null ? {} : { variant }),
        ...content,
      };
    },
    openJobs: (most) =>
      idsOf(
        `SELECT id FROM job WHERE deleted_at IS NULL AND content ? 'build' AND NOT content ? 'handedOver'
         ORDER BY updated_at DESC, id LIMIT $1`,
        [most],
      ),
    putAside: (job) =>
      idsOf('SELECT specimen_id AS id FROM reservation WHERE released_at IS NULL AND job_id = $1 ORDER BY id', [job]),
    sellers: () => rowsOf<Seller>('SELECT id, name, currency FROM supplier ORDER BY id'),
    async offers(numbers, most) {
      const found = await rowsOf<{ readonly supplier: string; readonly content: Omit<OfferTold, 'supplier'> }>(
        `SELECT supplier_id AS supplier, content FROM price_line WHERE sought = ANY ($1)
         ORDER BY supplier_id, position LIMIT $2`,
        [numbers, most],
      );
      return found.map(({ supplier, content }) => ({ ...content, supplier }));
    },
  };
}
