import { Type, type Static } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { DRILL_LEVELS, KindIdSchema } from '@which-bore/core';
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

const DrillSchema = Type.Object(
  {
    id: Type.String({ format: 'uuid', description: 'Chosen by the sender, so that a drill sent twice counts once' }),
    level: Type.Unsafe<string>({ type: 'string', enum: DRILL_LEVELS.map(({ id }) => id), description: 'How hard it was' }),
    kind: KindIdSchema,
    pattern: Type.Optional(Type.String({ maxLength: 80, description: 'What it was; absent for a part in no catalogue' })),
    named: Type.Optional(Type.String({ maxLength: 80, description: 'What it was named; absent for "in no catalogue"' })),
    minutes: Type.Number({ minimum: 0, maximum: 1e5 }),
    engineMinutes: Type.Number({ minimum: 0, maximum: 1e5, description: 'What the next check would have taken' }),
    wasted: Type.Integer({ minimum: 0, maximum: 1000, description: 'Readings that could not have told anything' }),
    score: Type.Integer({ minimum: 0, maximum: 100 }),
  },
  {
    additionalProperties: false,
    examples: [EXAMPLE],
  },
);
const Recorded = Type.Object({ ...DrillSchema.properties, at: Type.String(), who: Type.String(), right: Type.Boolean() });
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
        querystring: Type.Object({ who: Type.Optional(Type.String({ maxLength: 200, description: 'Only those of one person' })) }),
        response: { 200: Type.Array(Recorded, { examples: [[RECORDED_EXAMPLE]] }) },
      },
    },
    async (request) => {
      const { who } = request.query;
      const rows = await database.connection
        .getRepository(DrillEntity)
        .find({ ...(who === undefined ? {} : { where: { who } }), order: { at: 'DESC', id: 'ASC' }, take: MOST });
      return rows.map(({ pattern, named, at, correct, kind, ...row }): Static<typeof Recorded> => ({
        ...row,
        kind: kind as Static<typeof KindIdSchema>,
        ...(pattern === null ? {} : { pattern }),
        ...(named === null ? {} : { named }),
        right: correct,
        at: at.toISOString(),
      }));
    },
  );
  app.post(
    '/drills',
    { schema: { summary: 'Put a drill on record', tags: ['drill'], body: DrillSchema, response: { 201: Type.Null() } } },
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
