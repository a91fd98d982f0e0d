import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { TABLE_IDS, type TableId } from '@which-bore/core';
import type { FastifyReply } from 'fastify';
import type { Readable } from 'node:stream';
import { writeCsv, writeJson, writeXlsx, writeZip } from '../transfer/writeTable.js';
import type { CatalogueStore } from './catalogueStore.js';

const schemaOf = (summary: string, description: string, example = 'a file') => ({
  summary,
  tags: ['catalogue'],
  response: { 200: { description, type: 'string', examples: [example] } },
});

const send = (reply: FastifyReply, name: string, type: string, content: Readable) =>
  reply.header('content-type', type).header('content-disposition', `attachment; filename="${name}"`).send(content);

/** The catalogue in its open formats, streamed as it is read. */
export const exports: FastifyPluginAsyncTypebox<{ catalogue: CatalogueStore }> = async (app, { catalogue }) => {
  app.get(
    '/exports/catalogue.json',
    { schema: schemaOf('The catalogue as JSON', 'See /api/catalogue.schema.json') },
    (_request, reply) =>
      catalogue.reading((records) =>
        send(reply, 'catalogue.json', 'application/json; charset=utf-8', writeJson(records)),
      ),
  );
  app.get(
    '/exports/catalogue.zip',
    { schema: schemaOf('The catalogue as CSV files in a ZIP', 'ZIP') },
    (_request, reply) =>
      catalogue.reading((records) => send(reply, 'catalogue.zip', 'application/zip', writeZip(records))),
  );
  app.get('/exports/catalogue.xlsx', { schema: schemaOf('The catalogue as a workbook', 'XLSX') }, (_request, reply) =>
    catalogue.reading((records) =>
      send(
        reply,
        'catalogue.xlsx',
        'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
        writeXlsx(records),
      ),
    ),
  );
  app.get(
    '/exports/:table.csv',
    {
      schema: {
        ...schemaOf('One table of the catalogue as CSV', 'CSV'),
        params: Type.Object({
          table: Type.Unsafe<TableId>({ type: 'string', enum: [...TABLE_IDS], examples: ['crank'] }),
        }),
      },
    },
    (request, reply) =>
      catalogue.reading(async (records) =>
        send(
          reply,
          `${request.params.table}.csv`,
          'text/csv; charset=utf-8',
          await writeCsv(records, request.params.table),
        ),
      ),
  );
};
