import { PassThrough } from 'node:stream';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { Type } from '@sinclair/typebox';
import { isOver, MOST_SEARCHES, QUESTIONS, SetsAskedSchema, SetSearchSchema } from '@which-bore/core';
import type { Live } from '../live.js';
import { NOBODY } from '../edge.js';
import type { SetSearchStore } from '../searches/setSearchStore.js';
import type { Workshops } from '../workshop/workshops.js';

/** A line that means nothing, so that proxies and browsers know the server is there still, ms. */
const BREATHES_EVERY = 20_000;

const Params = Type.Object({
  id: Type.String({ format: 'uuid', examples: ['00000000-0000-4000-8000-000000000000'] }),
});

/**
 * Searches for sets that may take long: begun here, done by whichever server is free, looked at from anywhere, and told
 * of as they go.
 */
export const setSearches: FastifyPluginAsyncTypebox<{
  searches: SetSearchStore;
  workshops: Workshops;
  live: Live;
}> = async (app, { searches, workshops, live }) => {
  const open = new Set<() => void>();
  app.addHook('preClose', async () => open.forEach((end) => end()));

  app.post(
    '/plan/searches',
    {
      schema: {
        summary: `Begin a search for sets; where there is none, it goes on to look why. At most ${MOST_SEARCHES} of one person at a time`,
        tags: ['builds'],
        body: { ...SetsAskedSchema, examples: [QUESTIONS.planSets.example] },
        response: { 202: SetSearchSchema },
      },
    },
    async (request, reply) => {
      const { units = 'metric', ...asked } = request.body;
      // What makes no sense is refused where it was typed, and not by whoever takes it on.
      await workshops.ask('planChoices', asked, 'metric');
      const person = request.who === NOBODY ? `${NOBODY} at ${request.ip}` : request.who;
      return reply.code(202).send(await searches.begin(person, asked, units));
    },
  );
  app.get(
    '/plan/searches/:id',
    {
      schema: {
        summary: 'How a search for sets stands, and what came of it',
        tags: ['builds'],
        params: Params,
        response: { 200: SetSearchSchema },
      },
    },
    (request) => searches.get(request.params.id),
  );
  app.delete(
    '/plan/searches/:id',
    {
      schema: {
        summary: 'Stop a search for sets; what it has found so far stays',
        tags: ['builds'],
        params: Params,
        response: { 200: SetSearchSchema },
      },
    },
    (request) => searches.stop(request.params.id),
  );
  app.get(
    '/plan/searches/:id/events',
    {
      compress: false,
      schema: {
        summary: 'A search for sets as it goes: server-sent events, each the whole of how it stands; ends with it',
        tags: ['builds'],
        params: Params,
        response: { 200: Type.Unsafe<unknown>({ ...SetSearchSchema }) },
      },
    },
    async (request, reply) => {
      const { id } = request.params;
      const first = await searches.get(id);
      const out = new PassThrough();
      const breath = setInterval(() => out.write(': \n\n'), BREATHES_EVERY);
      let [reading, again] = [false, false];
      const end = (): void => {
        clearInterval(breath);
        stop();
        out.end();
        open.delete(end);
      };
      const tell = (search: typeof first): void => {
        if (out.writableEnded) return;
        out.write(`data: ${JSON.stringify(search)}\n\n`);
        if (isOver(search)) end();
      };
      const look = async (): Promise<void> => {
        again = true;
        if (reading) return;
        reading = true;
        try {
          while (again && !out.writableEnded) {
            again = false;
            tell(await searches.get(id));
          }
        } catch {
          // The database is away: it says so itself when it is back.
        } finally {
          reading = false;
        }
      };
      const stop = live.followSearches(
        (told) => {
          if (told === id) void look();
        },
        () => void look(),
      );
      open.add(end);
      reply.raw.once('close', end);
      out.write('retry: 1000\n\n');
      tell(first);
      // What came between the first look and now.
      void look();
      return reply
        .type('text/event-stream; charset=utf-8')
        .header('cache-control', 'no-store')
        .header('x-accel-buffering', 'no')
        .send(out);
    },
  );
};
