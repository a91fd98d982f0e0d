import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import {
  checkOwnAssumptions,
  checkOwnFigures,
  DataError,
  FIGURES_OF_THUMB,
  RESOURCES,
  type Shop,
} from '@which-bore/core';
import type { ShopStore } from '../documents/shopStore.js';
import { declared } from './declared.js';

/** What is wrong with the instruments of a shop. */
const instrumentProblems = ({ instruments }: Shop) =>
  instruments.flatMap((each, at) => [
    ...(each.from >= each.to
      ? [
          {
            where: `body.instruments[${at}]`,
            what: `${each.name} measures from ${each.from} to ${each.to}: the second must be the larger.`,
          },
        ]
      : []),
    ...(instruments.findIndex(({ id }) => id === each.id) < at
      ? [
          {
            where: `body.instruments[${at}].id`,
            what: `two instruments have the id "${each.id}"; give each its own.`,
          },
        ]
      : []),
  ]);

/** The shop's own instruments and house rules. */
export const shop: FastifyPluginAsyncTypebox<{ shop: ShopStore }> = async (app, { shop: store }) => {
  app.route({ ...declared(RESOURCES.shop.read), handler: () => store.get() });
  app.route({ ...declared(RESOURCES.shop.versions), handler: () => store.history() });
  app.route({
    ...declared(RESOURCES.shop.write),
    handler: (request) => {
      const { version, ...given } = request.body;
      const problems = [
        ...instrumentProblems(given),
        ...checkOwnFigures(given.rules.figures ?? {}, FIGURES_OF_THUMB, 'body.rules.figures'),
        ...checkOwnAssumptions(given.rules.assumptions ?? {}, 'body.rules.assumptions'),
      ];
      if (problems.length > 0) throw new DataError('The shop’s rules cannot be kept so.', problems);
      return store.save(given, version, request.who);
    },
  });
};
