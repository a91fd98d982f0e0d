import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { RoundRecordSchema, RecordedRoundSchema, type RecordedRound } from '@which-bore/core';
import type { Database } from '../database/database.js';
import { PracticeEntity } from '../database/entities.js';

const EXAMPLE = {
  id: '1f0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a33',
  level: 'used',
  kind: 'crank',
  pattern: 'ambit-crank-3',
  named: 'ambit-crank-3',
  minutes: 5,
  engineMinutes: 4,
  wasted: 1,
  score: 90,
};

const RoundSchema = { ...RoundRecordSchema, examples: [EXAMPLE] };
const RECORDED_EXAMPLE = { ...EXAMPLE, at: '2026-03-02T08:10:04.000Z', who: 'Ansgar', right: true };

const MOST = 1000;

/** The record of rounds: each as it ended, so that progress can be seen. */
export const practice: FastifyPluginAsyncTypebox<{ database: Database }> = async (app, { database }) => {
  app.get(
    '/practice',
    {
      schema: {
        summary: 'Rounds gone through, last first',
        tags: ['practice'],
        querystring: Type.Object({
          who: Type.Optional(Type.String({ maxLength: 200, description: 'Only those of one person' })),
        }),
        response: { 200: Type.Array(RecordedRoundSchema, { examples: [[RECORDED_EXAMPLE]] }) },
      },
    },
    async (request) => {
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
  );
  app.post(
    '/practice',
    {
      schema: {
        summary: 'Put a round of practice on record',
        tags: ['practice'],
        body: RoundSchema,
        response: { 201: Type.Null() },
      },
    },
    async (request, reply) => {
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
  );
};
