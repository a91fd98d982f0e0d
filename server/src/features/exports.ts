import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { declared } from './declared.js';
import { RESOURCES } from '@which-bore/core';
import type { FastifyReply } from 'fastify';
import type { Readable } from 'node:stream';
import { writeCsv, writeJson, writeXlsx, writeZip } from '../transfer/writeTable.js';
import type { CatalogueStore } from './catalogueStore.js';

const send = (reply: FastifyReply, name: string, type: string, content: Readable) =>
  reply.header('content-type', type).header('content-disposition', `attachment; filename="${name}"`).send(content);

/** The catalogue in its open formats, streamed as it is read. */
export const exports: FastifyPluginAsyncTypebox<{ catalogue: CatalogueStore }> = async (app, { catalogue }) => {
  app.route({
    ...declared(RESOURCES.exports.json),
    handler: (_request, reply) =>
      catalogue.reading((records) =>
        send(reply, 'catalogue.json', 'application/json; charset=utf-8', writeJson(records)),
      ),
  });
  app.route({
    ...declared(RESOURCES.exports.zip),
    handler: (_request, reply) =>
      catalogue.reading((records) => send(reply, 'catalogue.zip', 'application/zip', writeZip(records))),
  });
  app.route({
    ...declared(RESOURCES.exports.xlsx),
    handler: (_request, reply) =>
      catalogue.reading((records) =>
        send(
          reply,
          'catalogue.xlsx',
          'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
          writeXlsx(records),
        ),
      ),
  });
  app.route({
    ...declared(RESOURCES.exports.table),
    handler: (request, reply) =>
      catalogue.reading(async (records) =>
        send(
          reply,
          `${request.params.table}.csv`,
          'text/csv; charset=utf-8',
          await writeCsv(records, request.params.table),
        ),
      ),
  });
};
