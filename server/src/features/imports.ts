import createError from '@fastify/error';
import multipart from '@fastify/multipart';
import { uploadedName } from '../edge.js';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { declared } from './declared.js';
import { DataError, RESOURCES, type Import } from '@which-bore/core';
import type { ImportRow } from '../database/entities.js';
import { reportOf } from './importReport.js';
import { csvOf } from '../transfer/writeTable.js';
import type { ImportStore } from './importStore.js';

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

  app.route({
    ...declared(RESOURCES.imports.begin),
    bodyLimit: largestUpload,
    handler: async (request, reply) => {
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
  });
  app.route({ ...declared(RESOURCES.imports.list), handler: async () => (await store.all()).map(shown) });
  app.route({
    ...declared(RESOURCES.imports.look),
    handler: async (request) => shown(await store.get(request.params.id)),
  });
  app.route({
    ...declared(RESOURCES.imports.rows),
    handler: async (request) => {
      await store.get(request.params.id);
      return store.rows(request.params.id, request.query.outcome, Number(request.query.after ?? -1), MOST_ROWS);
    },
  });
  app.route({
    ...declared(RESOURCES.imports.report),
    handler: async (request, reply) => {
      const { id } = request.params;
      await store.get(id);
      return reply
        .header('content-type', 'text/csv; charset=utf-8')
        .header('content-disposition', 'attachment; filename="import-report.csv"')
        .send(csvOf(reportOf(store, id)));
    },
  });
  app.route({
    ...declared(RESOURCES.imports.read),
    handler: async (request, reply) => {
      await store.read(request.params.id, request.body.choices ?? (await store.get(request.params.id)).choices);
      return reply.code(202).send(shown(await store.get(request.params.id)));
    },
  });
  app.route({
    ...declared(RESOURCES.imports.apply),
    handler: async (request, reply) => {
      await store.apply(request.params.id, request.who, request.body.leaveOutRefused ?? false);
      return reply.code(202).send(shown(await store.get(request.params.id)));
    },
  });
  app.route({
    ...declared(RESOURCES.imports.cancel),
    handler: async (request, reply) => {
      await store.cancel(request.params.id);
      return reply.code(204).send(null);
    },
  });
};
