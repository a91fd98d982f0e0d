import multipart from '@fastify/multipart';
import { uploadedName } from '../edge.js';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { declared } from './declared.js';
import { DataError, RESOURCES } from '@which-bore/core';
import { LARGEST_PHOTOGRAPH, PhotographTooLargeError, type PhotographStore } from '../documents/photographStore.js';

const DAY_S = 86_400;

/** Photographs of parts and of single readings: kept without what the camera added, shown whole or small. */
export const photographs: FastifyPluginAsyncTypebox<{ photographs: PhotographStore }> = async (
  app,
  { photographs: store },
) => {
  await app.register(multipart, { limits: { files: 1, fields: 0, fileSize: LARGEST_PHOTOGRAPH } });
  app.route({ ...declared(RESOURCES.specimens.photographs), handler: (request) => store.of(request.params.id) });
  app.route({
    ...declared(RESOURCES.specimens.addPhotograph),
    // The multipart plugin takes files that reach their limit for an error of its own; the message is ours.
    bodyLimit: 2 * LARGEST_PHOTOGRAPH,
    handler: async (request, reply) => {
      const part = await request.file();
      if (!part)
        throw new DataError('There is no photograph in the request.', [
          { where: 'body.file', what: 'send it as multipart/form-data in a field called “file”.' },
        ]);
      const file = await part.toBuffer().catch((error: unknown) => {
        if (
          part.file.truncated ||
          (error instanceof Error && 'code' in error && error.code === 'FST_REQ_FILE_TOO_LARGE')
        )
          throw new PhotographTooLargeError(part.filename);
        throw error;
      });
      return reply
        .status(201)
        .send(
          await store.add(request.params.id, request.query.reading, uploadedName(part.filename), file, request.who),
        );
    },
  });
  for (const which of ['image', 'thumbnail'] as const)
    app.route({
      ...declared(RESOURCES.photographs[which]),
      handler: async (request, reply) => {
        const picture = await store.picture(request.params.id, which);
        void reply.header('content-type', 'image/jpeg').header('cache-control', `private, max-age=${DAY_S}, immutable`);
        return reply.send(picture);
      },
    });
  app.route({
    ...declared(RESOURCES.photographs.remove),
    handler: async (request, reply) => {
      await store.remove(request.params.id, request.who);
      return reply.status(204).send(null);
    },
  });
  app.route({
    ...declared(RESOURCES.photographs.restore),
    handler: (request) => store.restore(request.params.id, request.who),
  });
};
