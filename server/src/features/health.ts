import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { declared } from './declared.js';
import { RESOURCES } from '@which-bore/core';
import type { Database } from '../database/database.js';

const ASK_WITHIN_MS = 2000;

/** `GET /api/health`: asks the database, and does not only say that the server runs. */
export const health: FastifyPluginAsyncTypebox<{ database: Database }> = async (app, { database }) => {
  const asked = async (): Promise<boolean> => {
    let timer: NodeJS.Timeout | undefined;
    const late = new Promise<never>(
      (_resolve, reject) =>
        (timer = setTimeout(() => reject(new Error('The database did not answer in time.')), ASK_WITHIN_MS)),
    );
    try {
      await Promise.race([database.connection.query('SELECT 1'), late]);
      return true;
    } catch (error) {
      app.log.warn({ err: error }, 'health: database away');
      return false;
    } finally {
      clearTimeout(timer);
    }
  };
  app.route({
    ...declared(RESOURCES.server.health),
    handler: async (_request, reply) => {
      const there = await asked();
      return reply
        .status(there ? 200 : 503)
        .send(there ? { status: 'well', database: true } : { status: 'database away', database: false });
    },
  });
};
