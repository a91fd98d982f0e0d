import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { declared } from './declared.js';
import { RESOURCES, type RecordedRound } from '@which-bore/core';
import type { Database } from '../database/database.js';
import { PracticeEntity } from '../database/entities.js';

const MOST = 1000;

/** The record of rounds: each as it ended, so that progress can be seen. */
export const practice: FastifyPluginAsyncTypebox<{ database: Database }> = async (app, { database }) => {
  app.route({
    ...declared(RESOURCES.practice.list),
    handler: async (request) => {
      const { who } = request.query;
      const rows = await database.connection
        .getRepository(PracticeEntity)
        .find({ ...(who === undefined ? {} : { where: { who } }), order: { at: 'DESC', id: 'ASC' }, take: MOST });
      return rows.map(({ pattern, named, at, correct, kind, ...row }): RecordedRound => ({
        ...row,
        kind: kind as RecordedRound['kind'],
        ...(pattern === null ? {} : { pattern }),
        ...(named === null ? {} : { named }),
        right: correct,
        at: at.toISOString(),
      }));
    },
  });
  app.route({
    ...declared(RESOURCES.practice.record),
    handler: async (request, reply) => {
      const { pattern = null, named = null, ...rest } = request.body;
      await database.connection
        .getRepository(PracticeEntity)
        .createQueryBuilder()
        .insert()
        .values({ ...rest, pattern, named, correct: pattern === named, at: new Date(), who: request.who })
        .orIgnore()
        .execute();
      return reply.status(201).send(null);
    },
  });
};
