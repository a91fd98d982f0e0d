import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { DrillRecordSchema, RecordedDrillSchema, type RecordedDrill } from '@which-bore/core';
import type { Database } from '../database/database.js';
import { DrillEntity } from '../database/entities.js';

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

const DrillSchema = { ...DrillRecordSchema, examples: [EXAMPLE] };
const RECORDED_EXAMPLE = { ...EXAMPLE, at: '2026-03-02T08:10:04.000Z', who: 'Ansgar', right: true };

const MOST = 1000;

/** The record of drills: each as it ended, so that progress can be seen. */
export const drills: FastifyPluginAsyncTypebox<{ database: Database }> = async (app, { database }) => {
  app.get(
    '/drills',
    {
      schema: {
        summary: 'Drills gone through, last first',
        tags: ['drill'],
        querystring: Type.Object({
          who: Type.Optional(Type.String({ maxLength: 200, description: 'Only those of one person' })),
        }),
        response: { 200: Type.Array(RecordedDrillSchema, { examples: [[RECORDED_EXAMPLE]] }) },
      },
    },
    async (request) => {
      const { who } = request.query;
      const rows = await database.connection
        .getRepository(DrillEntity)
        .find({ ...(who === undefined ? {} : { where: { who } }), order: { at: 'DESC', id: 'ASC' }, take: MOST });
      return rows.map(({ pattern, named, at, correct, kind, ...row }): RecordedDrill => ({
        ...row,
        kind: kind as RecordedDrill['kind'],
        ...(pattern === null ? {} : { pattern }),
        ...(named === null ? {} : { named }),
        right: correct,
        at: at.toISOString(),
      }));
    },
  );
  app.post(
    '/drills',
    {
      schema: { summary: 'Put a drill on record', tags: ['drill'], body: DrillSchema, response: { 201: Type.Null() } },
    },
    async (request, reply) => {
      const { pattern = null, named = null, ...rest } = request.body;
      await database.connection
        .getRepository(DrillEntity)
        .createQueryBuilder()
        .insert()
        .values({ ...rest, pattern, named, correct: pattern === named, at: new Date(), who: request.who })
        .orIgnore()
        .execute();
      return reply.status(201).send(null);
    },
  );
};
