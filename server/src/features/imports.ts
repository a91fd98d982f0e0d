import multipart from '@fastify/multipart';
import { uploadedName } from '../edge.js';
import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { DataError, RECORD_TYPES, TABLE_IDS, type RecordType, type TableId } from '@which-bore/core';
import { stringify } from 'csv-stringify';
import { IMPORT_STATES, OUTCOMES, type ImportRow } from '../database/entities.js';
import { disarmed } from '../transfer/writeTable.js';
import type { Choices, TakenHeader } from '../transfer/source.js';
import type { ImportStore } from './importStore.js';

const oneOf = <T extends string>(words: readonly T[], description: string) => Type.Unsafe<T>({ type: 'string', enum: [...words], description });

const Params = Type.Object({ id: Type.String({ format: 'uuid', examples: ['0b3c0a52-5a9c-4b51-9d0e-0f6b1c2d3e4f'] }) });
const Outcome = oneOf(OUTCOMES, 'What becomes of a record');

const TableSchema = Type.Object({
  source: Type.String({ description: 'Name of the file or sheet' }),
  table: Type.Optional(oneOf<TableId>(TABLE_IDS, 'What its rows are')),
  headers: Type.Unsafe<readonly TakenHeader[]>(
    Type.Array(
      Type.Object({
        header: Type.String(),
        as: Type.Optional(Type.String({ description: 'Header the column has in an export' })),
        label: Type.Optional(Type.String()),
        how: Type.String({ description: 'exactly, byName, chosen, leftOut or notAtAll' }),
        problem: Type.Optional(Type.String()),
      }),
    ),
  ),
  rows: Type.Integer(),
  problem: Type.Optional(Type.String()),
});

const ChoicesSchema = Type.Unsafe<Choices>(
  Type.Record(
    Type.String({ maxLength: 200 }),
    Type.Object(
      {
        table: Type.Optional(oneOf<TableId>(TABLE_IDS, 'What the rows of this file or sheet are')),
        columns: Type.Optional(
          Type.Record(Type.String({ maxLength: 200 }), Type.String({ maxLength: 200 }), { description: 'For a header, that of the export; - to leave it out' }),
        ),
      },
      { additionalProperties: false },
    ),
    {
      description: 'By the name of the file or sheet',
      examples: [{ 'cranks.csv': { table: 'crank', columns: { Snout: 'crank.nose.diameter [mm]', Colour: '-' } } }],
    },
  ),
);

const ImportSchema = Type.Object({
  id: Type.String({ format: 'uuid', examples: ['0b3c0a52-5a9c-4b51-9d0e-0f6b1c2d3e4f'] }),
  fileName: Type.String({ examples: ['cranks.csv'] }),
  bytes: Type.Number(),
  who: Type.String(),
  state: oneOf(IMPORT_STATES, 'How far it is'),
  progress: Type.Number({ minimum: 0, maximum: 1 }),
  problem: Type.Optional(Type.String()),
  tables: Type.Array(TableSchema),
  choices: ChoicesSchema,
  counts: Type.Array(Type.Object({ type: oneOf<RecordType>(RECORD_TYPES, 'Type of record'), outcome: Outcome, count: Type.Integer() })),
  batch: Type.Optional(Type.String({ format: 'uuid', description: 'Its changes have this batch' })),
  createdAt: Type.String({ format: 'date-time' }),
});

const RowSchema = Type.Object({
  position: Type.Integer(),
  place: Type.String({ examples: ['cranks.csv, line 3'] }),
  type: oneOf<RecordType>(RECORD_TYPES, 'Type of record'),
  id: Type.String(),
  outcome: Type.String(),
  problems: Type.Array(Type.Object({ where: Type.String(), what: Type.String(), remark: Type.Optional(Type.Boolean()) })),
});

const shown = ({ problem, batch, bytes, createdAt, ...row }: ImportRow) => ({
  ...row,
  bytes: Number(bytes),
  createdAt: createdAt.toISOString(),
  ...(problem === null ? {} : { problem }),
  ...(batch === null ? {} : { batch }),
});

/** The file is larger than is taken. */
export class TooLargeError extends Error {
  constructor(most: number) {
    super(`The file is larger than ${Math.round(most / 1024 ** 2)} MB, the most that is taken. Split it, or import it on the server with “load”.`);
    this.name = 'TooLargeError';
  }
}

const MOST_ROWS = 200;
const REPORT_BATCH = 1000;

/** Files on their way into the catalogue: uploaded, looked at, then applied whole or not at all. */
export const imports: FastifyPluginAsyncTypebox<{ imports: ImportStore; largestUpload: number }> = async (app, { imports: store, largestUpload }) => {
  await app.register(multipart, { limits: { files: 1, fileSize: largestUpload, fields: 4 } });

  app.post(
    '/imports',
    {
      bodyLimit: largestUpload,
      schema: {
        summary: 'Upload a catalogue (JSON, CSV, ZIP of CSV, XLSX); it is read and compared, and nothing is changed',
        tags: ['catalogue'],
        consumes: ['multipart/form-data'],
        response: { 202: ImportSchema },
      },
    },
    async (request, reply) => {
      const part = await request.file();
      if (!part)
        throw new DataError('There is no file in the request.', [
          { where: 'body.file', what: 'send the file as multipart/form-data, in a field called “file”.' },
        ]);
      const row = await store.begin(uploadedName(part.filename), part.file, request.who, () => new TooLargeError(largestUpload));
      return reply.code(202).send(shown(row));
    },
  );
  app.get('/imports', { schema: { summary: 'The last imports, newest first', tags: ['catalogue'], response: { 200: Type.Array(ImportSchema) } } }, async () =>
    (await store.all()).map(shown),
  );
  app.get(
    '/imports/:id',
    { schema: { summary: 'How far an import is, and what it would do', tags: ['catalogue'], params: Params, response: { 200: ImportSchema } } },
    async (request) => shown(await store.get(request.params.id)),
  );
  app.get(
    '/imports/:id/rows',
    {
      schema: {
        summary: 'What becomes of each record, in the order of the file',
        tags: ['catalogue'],
        params: Params,
        querystring: Type.Object({
          outcome: Type.Optional(Outcome),
          after: Type.Optional(Type.String({ pattern: '^\\d+$', description: 'Position of the last row seen' })),
        }),
        response: { 200: Type.Array(RowSchema) },
      },
    },
    async (request) => {
      await store.get(request.params.id);
      return store.rows(request.params.id, request.query.outcome, Number(request.query.after ?? -1), MOST_ROWS);
    },
  );
  app.get(
    '/imports/:id/report.csv',
    {
      schema: {
        summary: 'The same as a table',
        tags: ['catalogue'],
        params: Params,
        response: { 200: { description: 'CSV', type: 'string', examples: ['place,type,record,outcome,where,what'] } },
      },
    },
    async (request, reply) => {
      const { id } = request.params;
      await store.get(id);
      const table = stringify({ header: true, columns: ['place', 'type', 'record', 'outcome', 'where', 'what'], bom: true, record_delimiter: 'windows' });
      void (async () => {
        for (let after = -1; ;) {
          const rows = await store.rows(id, undefined, after, REPORT_BATCH);
          for (const row of rows)
            for (const { where, what } of row.problems.length > 0 ? row.problems : [{ where: '', what: '' }])
              if (!table.write([row.place, row.type, row.id, row.outcome, where, what].map(disarmed)))
                await new Promise((resolve) => table.once('drain', resolve));
          const last = rows.at(-1);
          if (!last) break;
          after = last.position;
        }
        table.end();
      })().catch((error: unknown) => table.destroy(error as Error));
      return reply.header('content-type', 'text/csv; charset=utf-8').header('content-disposition', 'attachment; filename="import-report.csv"').send(table);
    },
  );
  app.post(
    '/imports/:id/read',
    {
      schema: {
        summary: 'Read the file again, with columns as chosen',
        tags: ['catalogue'],
        params: Params,
        body: Type.Object({ choices: Type.Optional(ChoicesSchema) }, { additionalProperties: false }),
        response: { 202: ImportSchema },
      },
    },
    async (request, reply) => {
      await store.read(request.params.id, request.body.choices ?? (await store.get(request.params.id)).choices);
      return reply.code(202).send(shown(await store.get(request.params.id)));
    },
  );
  app.post(
    '/imports/:id/apply',
    {
      schema: {
        summary: 'Put what was read into the catalogue, all of it or nothing',
        tags: ['catalogue'],
        params: Params,
        body: Type.Object(
          { leaveOutRefused: Type.Optional(Type.Boolean({ description: 'Import the rest where some rows are refused' })) },
          { additionalProperties: false },
        ),
        response: { 202: ImportSchema },
      },
    },
    async (request, reply) => {
      await store.apply(request.params.id, request.who, request.body.leaveOutRefused ?? false);
      return reply.code(202).send(shown(await store.get(request.params.id)));
    },
  );
  app.delete(
    '/imports/:id',
    { schema: { summary: 'Stop an import, or clear it away', tags: ['catalogue'], params: Params, response: { 204: Type.Null() } } },
    async (request, reply) => {
      await store.cancel(request.params.id);
      return reply.code(204).send(null);
    },
  );
};
