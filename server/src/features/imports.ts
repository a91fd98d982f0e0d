import createError from '@fastify/error';
import multipart from '@fastify/multipart';
import { uploadedName } from '../edge.js';
import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import {
  DataError,
  ImportChoicesSchema,
  ImportRowSchema,
  ImportSchema,
  ImportOutcomeSchema,
  UuidSchema,
  type Import,
} from '@which-bore/core';
import type { ImportRow } from '../database/entities.js';
import { reportOf } from './importReport.js';
import { csvOf } from '../transfer/writeTable.js';
import { IMPORT_EXAMPLE } from './examples.js';
import type { ImportStore } from './importStore.js';

const Params = Type.Object({ id: { ...UuidSchema, examples: ['0b3c0a52-5a9c-4b51-9d0e-0f6b1c2d3e4f'] } });
const ChoicesSchema = {
  ...ImportChoicesSchema,
  description: 'By the name of the file or sheet',
  examples: [{ 'cranks.csv': { table: 'crank', columns: { Snout: 'crank.nose.diameter [mm]', Colour: '-' } } }],
};

const Shown = { ...ImportSchema, examples: [IMPORT_EXAMPLE] };

const shown = ({ problem, batch, bytes, createdAt, ...row }: ImportRow): Import => ({
  ...row,
  bytes: Number(bytes),
  createdAt: createdAt.toISOString(),
  ...(problem === null ? {} : { problem }),
  ...(batch === null ? {} : { batch }),
});

/** The file is larger than is taken. */
class TooLargeError extends createError('TOO_LARGE', '%s', 413) {
  constructor(most: number) {
    super(
      `The file is larger than ${Math.round(most / 1024 ** 2)} MB, the most that is taken. Split it, or import it on the server with “load”.`,
    );
  }
}

const MOST_ROWS = 200;

/** Files on their way into the catalogue: uploaded, looked at, then applied whole or not at all. */
export const imports: FastifyPluginAsyncTypebox<{ imports: ImportStore; largestUpload: number }> = async (
  app,
  { imports: store, largestUpload },
) => {
  await app.register(multipart, { limits: { files: 1, fileSize: largestUpload, fields: 4 } });

  app.post(
    '/imports',
    {
      bodyLimit: largestUpload,
      schema: {
        summary: 'Upload a catalogue (JSON, CSV, ZIP of CSV, XLSX); it is read and compared, and nothing is changed',
        tags: ['catalogue'],
        consumes: ['multipart/form-data'],
        response: { 202: Shown },
      },
    },
    async (request, reply) => {
      const part = await request.file();
      if (!part)
        throw new DataError('There is no file in the request.', [
          { where: 'body.file', what: 'send the file as multipart/form-data, in a field called “file”.' },
        ]);
      const row = await store.begin(
        uploadedName(part.filename),
        part.file,
        request.who,
        () => new TooLargeError(largestUpload),
      );
      return reply.code(202).send(shown(row));
    },
  );
  app.get(
    '/imports',
    {
      schema: { summary: 'The last imports, newest first', tags: ['catalogue'], response: { 200: Type.Array(Shown) } },
    },
    async () => (await store.all()).map(shown),
  );
  app.get(
    '/imports/:id',
    {
      schema: {
        summary: 'How far an import is, and what it would do',
        tags: ['catalogue'],
        params: Params,
        response: { 200: Shown },
      },
    },
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
          outcome: Type.Optional(ImportOutcomeSchema),
          after: Type.Optional(Type.String({ pattern: '^\\d+$', description: 'Position of the last row seen' })),
        }),
        response: { 200: Type.Array(ImportRowSchema) },
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
      return reply
        .header('content-type', 'text/csv; charset=utf-8')
        .header('content-disposition', 'attachment; filename="import-report.csv"')
        .send(csvOf(reportOf(store, id)));
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
        response: { 202: Shown },
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
          {
            leaveOutRefused: Type.Optional(
              Type.Boolean({ description: 'Import the rest where some rows are refused' }),
            ),
          },
          { additionalProperties: false },
        ),
        response: { 202: Shown },
      },
    },
    async (request, reply) => {
      await store.apply(request.params.id, request.who, request.body.leaveOutRefused ?? false);
      return reply.code(202).send(shown(await store.get(request.params.id)));
    },
  );
  app.delete(
    '/imports/:id',
    {
      schema: {
        summary: 'Stop an import, or clear it away',
        tags: ['catalogue'],
        params: Params,
        response: { 204: Type.Null() },
      },
    },
    async (request, reply) => {
      await store.cancel(request.params.id);
      return reply.code(204).send(null);
    },
  );
};
