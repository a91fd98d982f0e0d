import { PassThrough } from 'node:stream';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { declared } from './declared.js';
import { RESOURCES } from '@which-bore/core';
import type { ChangeFeed } from '../changeFeed.js';

/** A line that means nothing, so that proxies and browsers know the server is there still, ms. */
const BREATHES_EVERY = 20_000;

/** `GET /api/events`: what has another state, as it happens (HTML, server-sent events). */
export const events: FastifyPluginAsyncTypebox<{ changeFeed: ChangeFeed }> = async (app, { changeFeed }) => {
  const open = new Set<() => void>();
  app.addHook('preClose', async () => open.forEach((end) => end()));
  app.route({
    ...declared(RESOURCES.server.events),
    compress: false,
    handler: (_request, reply) => {
      const out = new PassThrough();
      const breath = setInterval(() => out.write(': \n\n'), BREATHES_EVERY);
      const stop = changeFeed.follow(
        (json) => out.write(`data: ${json}\n\n`),
        () => out.write('event: again\ndata: {}\n\n'),
      );
      out.write('retry: 2000\n\n');
      const end = () => {
        clearInterval(breath);
        stop();
        out.end();
        open.delete(end);
      };
      open.add(end);
      reply.raw.once('close', end);
      return reply
        .type('text/event-stream; charset=utf-8')
        .header('cache-control', 'no-store')
        .header('x-accel-buffering', 'no')
        .send(out);
    },
  });
};
