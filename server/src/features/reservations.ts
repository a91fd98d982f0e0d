import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { RESOURCES } from '@which-bore/core';
import type { ReservationStore } from '../order/reservationStore.js';
import { declared } from './declared.js';

/** Parts of the shelf put aside for jobs. */
export const reservations: FastifyPluginAsyncTypebox<{ reservations: ReservationStore }> = async (
  app,
  { reservations: store },
) => {
  app.route({ ...declared(RESOURCES.reservations.list), handler: () => store.held() });
  app.route({
    ...declared(RESOURCES.reservations.hold),
    handler: (request) => store.hold(request.params.id, request.body.job, request.who),
  });
  app.route({
    ...declared(RESOURCES.reservations.release),
    handler: async (request, reply) => {
      await store.release(request.params.id, request.who);
      return reply.status(204).send(null);
    },
  });
  app.route({ ...declared(RESOURCES.specimens.reservations), handler: (request) => store.history(request.params.id) });
};
