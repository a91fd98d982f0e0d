import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { DataError, ShopSchema, USUAL_SHOP } from '@which-bore/core';
import type { ShopStore } from './shopStore.js';

const EXAMPLE = { ...USUAL_SHOP, instruments: USUAL_SHOP.instruments.slice(0, 1), version: 0 };
const Stored = Type.Object({ ...ShopSchema.properties, version: Type.Integer({ minimum: 0 }) }, { additionalProperties: false, examples: [EXAMPLE] });

/** The shop's own instruments and house rules. */
export const shop: FastifyPluginAsyncTypebox<{ shop: ShopStore }> = async (app, { shop: store }) => {
  app.get('/shop', { schema: { summary: 'The shop’s instruments and house rules', tags: ['bench'], response: { 200: Stored } } }, () => store.get());
  app.put(
    '/shop',
    {
      schema: {
        summary: 'Write them whole; 409 when they were changed meanwhile',
        tags: ['bench'],
        body: Stored,
        response: { 200: Stored },
      },
    },
    (request) => {
      const { version, ...shop } = request.body;
      const problems = shop.instruments.flatMap((each, at) => [
        ...(each.from >= each.to
          ? [{ where: `body.instruments[${at}]`, what: `${each.name} measures from ${each.from} to ${each.to}: the second must be the larger.` }]
          : []),
        ...(shop.instruments.findIndex(({ id }) => id === each.id) < at
          ? [{ where: `body.instruments[${at}].id`, what: `two instruments have the id "${each.id}"; give each its own.` }]
          : []),
      ]);
      if (problems.length > 0) throw new DataError('The table of instruments cannot be kept.', problems);
      return store.save(shop, version);
    },
  );
};
