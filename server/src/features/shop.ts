import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import {
  checkOwnAssumptions,
  checkOwnFigures,
  DataError,
  DocumentChangeSchema,
  FIGURES_OF_THUMB,
  StoredShopSchema,
  USUAL_SHOP,
} from '@which-bore/core';
import type { ShopStore } from '../documents/shopStore.js';

const body = {
  ...StoredShopSchema,
  examples: [{ ...USUAL_SHOP, instruments: USUAL_SHOP.instruments.slice(0, 1), version: 0 }],
};
const tags = ['bench'];

/** The shop's own instruments and house rules. */
export const shop: FastifyPluginAsyncTypebox<{ shop: ShopStore }> = async (app, { shop: store }) => {
  app.get(
    '/shop',
    { schema: { summary: 'The shop’s instruments and house rules', tags, response: { 200: body } } },
    () => store.get(),
  );
  app.get(
    '/shop/versions',
    {
      schema: {
        summary: 'Who changed them',
        tags,
        response: { 200: Type.Array(DocumentChangeSchema, { examples: [[]] }) },
      },
    },
    () => store.history(),
  );
  app.put(
    '/shop',
    {
      schema: {
        summary: 'Write them whole; 409 when they were changed meanwhile',
        tags,
        body,
        response: { 200: body },
      },
    },
    (request) => {
      const { version, ...given } = request.body;
      const problems = given.instruments.flatMap((each, at) => [
        ...(each.from >= each.to
          ? [
              {
                where: `body.instruments[${at}]`,
                what: `${each.name} measures from ${each.from} to ${each.to}: the second must be the larger.`,
              },
            ]
          : []),
        ...(given.instruments.findIndex(({ id }) => id === each.id) < at
          ? [
              {
                where: `body.instruments[${at}].id`,
                what: `two instruments have the id "${each.id}"; give each its own.`,
              },
            ]
          : []),
      ]);
      const figures = checkOwnFigures(given.rules.figures ?? {}, FIGURES_OF_THUMB, 'body.rules.figures');
      const assumptions = checkOwnAssumptions(given.rules.assumptions ?? {}, 'body.rules.assumptions');
      if (problems.length + figures.length + assumptions.length > 0)
        throw new DataError('The shop’s rules cannot be kept so.', [...problems, ...figures, ...assumptions]);
      return store.save(given, version, request.who);
    },
  );
};
