import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { declared } from './declared.js';
import { checkRecord, DataError, RECORD_ROUTES, RECORD_TYPES, RESOURCES } from '@which-bore/core';
import type { CatalogueStore } from './catalogueStore.js';

const MOST_CHANGES = 200;

/** Single records of the catalogue: read, changed, removed, and what was ever done to them. */
export const records: FastifyPluginAsyncTypebox<{ catalogue: CatalogueStore }> = async (app, { catalogue: store }) => {
  for (const type of RECORD_TYPES) {
    const { read, write, remove } = RECORD_ROUTES[type];
    app.route({ ...declared(read), handler: (request) => store.record(type, request.params.id) as never });
    app.route({
      ...declared(write),
      handler: async (request) => {
        const { record, version } = request.body;
        if (record.id !== request.params.id)
          throw new DataError('The record cannot be saved.', [
            {
              where: 'body.record.id',
              what: `it is “${record.id}” and the address says “${request.params.id}”; make them the same.`,
            },
          ]);
        const problems = checkRecord(type, record, 'record');
        if (problems.length > 0) throw new DataError('The record cannot be saved.', problems);
        return store.put(type, record, version, request.who) as never;
      },
    });
    app.route({
      ...declared(remove),
      handler: async (request, reply) => {
        await store.remove(type, request.params.id, Number(request.query.version), request.who);
        return reply.code(204).send(null);
      },
    });
  }

  app.route({
    ...declared(RESOURCES.changes.list),
    handler: async (request) => {
      const found = await store.changes(request.query, MOST_CHANGES);
      return found.map(({ recordType, recordId, at, ...change }) => ({
        ...change,
        at: at.toISOString(),
        type: recordType,
        record: recordId,
      }));
    },
  });

  app.route({
    ...declared(RESOURCES.changes.undo),
    handler: async (request, reply) => {
      await store.undo(request.params.id, request.who);
      return reply.code(204).send(null);
    },
  });

  app.route({
    ...declared(RESOURCES.changes.undoBatch),
    handler: async (request) => ({ records: await store.undoBatch(request.params.batch, request.who) }),
  });
};
