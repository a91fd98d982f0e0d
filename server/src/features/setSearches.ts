import { PassThrough } from 'node:stream';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { declared } from './declared.js';
import { isOver, RESOURCES } from '@which-bore/core';
import type { ChangeFeed } from '../changeFeed.js';
import { NOBODY } from '../edge.js';
import type { SetSearchStore } from '../searches/setSearchStore.js';
import type { Workshops } from '../workshop/workshops.js';

/** A line that means nothing, so that proxies and browsers know the server is there still, ms. */
const BREATHES_EVERY = 20_000;

/**
 * Searches for sets that may take long: begun here, done by whichever server is free, looked at from anywhere, and told
 * of as they go.
 */
export const setSearches: FastifyPluginAsyncTypebox<{
  searches: SetSearchStore;
  workshops: Workshops;
  changeFeed: ChangeFeed;
}> = async (app, { searches, workshops, changeFeed }) => {
  const open = new Set<() => void>();
  app.addHook('preClose', async () => open.forEach((end) => end()));

  app.route({
    ...declared(RESOURCES.setSearches.begin),
    handler: async (request, reply) => {
      const { units = 'metric', ...asked } = request.body;
      // What makes no sense is refused where it was typed, and not by whoever takes it on.
      await workshops.ask('planChoices', asked, 'metric');
      const person = request.who === NOBODY ? `${NOBODY} at ${request.ip}` : request.who;
      return reply.code(202).send(await searches.begin(person, asked, units));
    },
  });
  app.route({ ...declared(RESOURCES.setSearches.look), handler: (request) => searches.get(request.params.id) });
  app.route({ ...declared(RESOURCES.setSearches.stop), handler: (request) => searches.stop(request.params.id) });
  app.route({
    ...declared(RESOURCES.setSearches.follow),
    compress: false,
    handler: async (request, reply) => {
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
      const stop = changeFeed.followSearches(
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
  });
};
