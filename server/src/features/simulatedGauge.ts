import websocket from '@fastify/websocket';
import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { GAUGE_PROTOCOLS, MANNERS, simulatedLine, type Manner } from '@which-bore/core';

const isManner = (word: string): word is Manner => (MANNERS as readonly string[]).includes(word);

/** Largest message that is listened to, bytes: a request for a figure is two or three characters. */
const LONGEST_MESSAGE = 64;

/**
 * A gauge to try things out with, over a WebSocket: it answers in the line protocol that is asked for, with its own
 * error and drift, and goes wrong in turn as it is told to.
 */
export const simulatedGauge: FastifyPluginAsyncTypebox = async (app) => {
  await app.register(websocket, { options: { maxPayload: LONGEST_MESSAGE } });
  app.get(
    '/gauge',
    {
      websocket: true,
      schema: {
        hide: true,
        querystring: Type.Object({
          protocol: Type.Optional(Type.String({ maxLength: 20 })),
          truth: Type.Optional(Type.String({ pattern: '^\\d{1,5}([.]\\d{1,6})?$' })),
          error: Type.Optional(Type.String({ pattern: '^-?\\d{1,3}([.]\\d{1,6})?$' })),
          drift: Type.Optional(Type.String({ pattern: '^-?\\d{1,3}([.]\\d{1,6})?$' })),
          manners: Type.Optional(Type.String({ maxLength: 200 })),
        }),
      },
    },
    (socket, request) => {
      const { protocol: id, truth = '78.02', error = '0', drift = '0', manners = 'ok' } = request.query;
      const protocol = GAUGE_PROTOCOLS.find((each) => each.id === id) ?? GAUGE_PROTOCOLS[0];
      if (!protocol) return socket.close();
      const gauge = {
        truth: Number(truth),
        error: Number(error),
        drift: Number(drift),
        resolution: 0.001,
        manners: manners.split(',').filter(isManner),
      };
      let time = 0;
      // Whatever is sent asks for its figure, as a foot on the pedal does.
      socket.on('message', () => {
        const line = simulatedLine(gauge, protocol, time);
        time += 1;
        if (line !== '') socket.send(line);
      });
    },
  );
};
