import { Readable } from 'node:stream';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { declared } from './declared.js';
import { CatalogueSchema, KINDS, readBearing, readVehicleNumber, RESOURCES } from '@which-bore/core';
import type { CatalogueStore } from './catalogueStore.js';

/**
 * The catalogue as a whole in its open format and what became of it since, one pattern of it, the schema of the format,
 * the dictionary, and what designations say.
 */
export const catalogue: FastifyPluginAsyncTypebox<{ catalogue: CatalogueStore }> = async (
  app,
  { catalogue: store },
) => {
  app.route({
    ...declared(RESOURCES.catalogue.whole),
    handler: async (request, reply) => {
      const tag = `"${await store.tag()}"`;
      void reply.header('etag', tag).header('cache-control', 'no-cache');
      if (request.headers['if-none-match'] === tag) return reply.code(304).send(undefined);
      return reply.type('application/json; charset=utf-8').send(Readable.from(store.text(), { objectMode: false }));
    },
  });
  app.route({
    ...declared(RESOURCES.catalogue.changesSince),
    handler: (request) => store.changesSince(request.query.since),
  });
  app.route({
    ...declared(RESOURCES.catalogue.schema),
    handler: () => ({ $schema: 'http://json-schema.org/draft-07/schema#', ...CatalogueSchema }),
  });
  app.route({
    ...declared(RESOURCES.catalogue.pattern),
    handler: async (request) => (await store.record('pattern', request.params.id)).record,
  });
  app.route({ ...declared(RESOURCES.catalogue.dictionary), handler: () => KINDS });
  app.route({
    ...declared(RESOURCES.catalogue.bearing),
    handler: ({ params: { designation } }) => ({ says: readBearing(designation).says.map((each) => ({ ...each })) }),
  });
  app.route({
    ...declared(RESOURCES.catalogue.vehicleNumber),
    handler: ({ params: { number } }) => {
      const read = readVehicleNumber(number);
      return { says: [{ text: read.number, says: read.says }] };
    },
  });
};
