import { Readable } from 'node:stream';
import type { TSchema } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { declared } from './declared.js';
import {
  curvesTable,
  NEEDS,
  needsOf,
  QUESTION_NAMES,
  QUESTIONS,
  RESOURCES,
  type Answers,
  type Question,
  type QuestionName,
  type Wording,
} from '@which-bore/core';
import type { FastifyReply, FastifyRequest } from 'fastify';
import { csvOf, workbookOf } from '../transfer/writeTable.js';
import type { Workshops } from '../workshop/workshops.js';

/** Tells when who asked has gone before the answer was out. */
function goneSignal(reply: FastifyReply): AbortSignal {
  const gone = new AbortController();
  reply.raw.once('close', () => {
    if (!reply.raw.writableFinished) gone.abort();
  });
  return gone.signal;
}

/** For the documentation: what is fetched for a question where it is not sent along. */
function takenOfTheShop(name: QuestionName): { readonly description?: string } {
  const needs = needsOf(name);
  return needs.length === 0
    ? {}
    : { description: `Fetched where it is not sent along: ${needs.map((need) => NEEDS[need].says).join('; ')}.` };
}

/** Answers a question of a workshop. */
export async function answer(
  workshops: Workshops,
  request: FastifyRequest,
  reply: FastifyReply,
  name: QuestionName,
  asked: unknown,
): Promise<never> {
  const { units = 'metric' } = asked as { readonly units?: Wording };
  const bytes = await workshops.ask(name, asked, units, goneSignal(reply));
  // Bytes as they came from the thread: there is no value of the answer here, and none is wanted.
  return reply
    .type('application/json; charset=utf-8')
    .send(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength)) as never;
}

const FILES = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
} as const;

const GRID_FILES = { csv: RESOURCES.links.gridCsv, xlsx: RESOURCES.links.gridXlsx };
const CURVES_FILES = { csv: RESOURCES.links.curvesCsv, xlsx: RESOURCES.links.curvesXlsx };

/**
 * Every question of a workshop, each on the route that its contract says; two of them also as plain links, and grids as
 * files.
 */
export const questions: FastifyPluginAsyncTypebox<{ workshops: Workshops }> = async (app, { workshops }) => {
  for (const name of QUESTION_NAMES) {
    const { path, summary, subject, request, answer: response, example }: Question = QUESTIONS[name];
    const description = takenOfTheShop(name);
    const body = { ...request, examples: [example] } as TSchema;
    app.post(
      path,
      { schema: { summary, ...description, tags: [subject], body, response: { 200: response } } },
      (asked, reply) => answer(workshops, asked, reply, name, asked.body),
    );
  }

  app.route({
    ...declared(RESOURCES.links.search),
    handler: (request, reply) =>
      answer(workshops, request, reply, 'search', { text: request.query.q, units: request.query.units ?? 'metric' }),
  });
  app.route({
    ...declared(RESOURCES.links.audit),
    handler: (request, reply) => answer(workshops, request, reply, 'audit', request.query),
  });

  for (const [ending, type] of Object.entries(FILES) as [keyof typeof FILES, string][]) {
    app.route({
      ...declared(GRID_FILES[ending]),
      handler: async (request, reply) => {
        const bytes = await workshops.gridFile(ending, request.body, goneSignal(reply));
        return reply
          .type(type)
          .header('content-disposition', `attachment; filename="grid.${ending}"`)
          .send(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength));
      },
    });
    app.route({
      ...declared(CURVES_FILES[ending]),
      handler: async (request, reply) => {
        const { units = 'metric', ...asked } = request.body;
        const bytes = await workshops.ask('buildCurves', asked, units, goneSignal(reply));
        const { angles, curves } = JSON.parse(new TextDecoder().decode(bytes)) as Answers['buildCurves'];
        const rows = curvesTable(angles, curves, units);
        return reply
          .type(type)
          .header('content-disposition', `attachment; filename="curves.${ending}"`)
          .send(
            ending === 'csv' ? csvOf(Readable.from(rows)) : workbookOf([{ name: 'Curves', rows: Readable.from(rows) }]),
          );
      },
    });
  }
};
