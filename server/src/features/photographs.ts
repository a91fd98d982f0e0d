import multipart from '@fastify/multipart';
import { uploadedName } from '../edge.js';
import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { DataError, PhotographSchema } from '@which-bore/core';
import { LARGEST_PHOTOGRAPH, PhotographTooLargeError, type PhotographStore } from '../documents/photographStore.js';

const Specimen = Type.Object({
  id: Type.String({ format: 'uuid', examples: ['7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11'] }),
});
const Params = Type.Object({ id: Type.String({ format: 'uuid', examples: ['9c1d5a1e-3f7f-4f43-8f25-5b8f4f4a1a22'] }) });
const DAY_S = 86_400;

/** Photographs of parts and of single readings: kept without what the camera added, shown whole or small. */
export const photographs: FastifyPluginAsyncTypebox<{ photographs: PhotographStore }> = async (
  app,
  { photographs: store },
) => {
  await app.register(multipart, { limits: { files: 1, fields: 0, fileSize: LARGEST_PHOTOGRAPH } });
  app.get(
    '/specimens/:id/photographs',
    {
      schema: {
        summary: 'The photographs of a specimen, oldest first',
        tags: ['bench'],
        params: Specimen,
        response: { 200: Type.Array(PhotographSchema) },
      },
    },
    (request) => store.of(request.params.id),
  );
  app.post(
    '/specimens/:id/photographs',
    {
      schema: {
        summary: 'Add a photograph: multipart/form-data with a field “file”; JPEG, PNG or WebP, at most 12 MiB',
        tags: ['bench'],
        consumes: ['multipart/form-data'],
        params: Specimen,
        querystring: Type.Object({
          reading: Type.Optional(Type.String({ format: 'uuid', description: 'The reading it shows' })),
        }),
        response: { 201: PhotographSchema },
      },
      // The multipart plugin takes files that reach their limit for an error of its own; the message is ours.
      bodyLimit: 2 * LARGEST_PHOTOGRAPH,
    },
    async (request, reply) => {
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
  );
  for (const [which, path] of [
    ['image', '/photographs/:id'],
    ['thumbnail', '/photographs/:id/thumbnail'],
  ] as const)
    app.get(
      path,
      {
        schema: {
          summary: which === 'image' ? 'A photograph' : 'A photograph, small',
          tags: ['bench'],
          params: Params,
          response: { 200: Type.Unsafe<Buffer>({ type: 'string', format: 'binary', description: 'image/jpeg' }) },
        },
      },
      async (request, reply) => {
        const picture = await store.picture(request.params.id, which);
        void reply.header('content-type', 'image/jpeg').header('cache-control', `private, max-age=${DAY_S}, immutable`);
        return reply.send(picture);
      },
    );
  app.delete(
    '/photographs/:id',
    {
      schema: {
        summary: 'Delete a photograph; it can be brought back',
        tags: ['bench'],
        params: Params,
        response: { 204: Type.Null() },
      },
    },
    async (request, reply) => {
      await store.remove(request.params.id, request.who);
      return reply.status(204).send(null);
    },
  );
  app.post(
    '/photographs/:id/restore',
    {
      schema: {
        summary: 'Bring a deleted photograph back',
        tags: ['bench'],
        params: Params,
        response: { 200: PhotographSchema },
      },
    },
    (request) => store.restore(request.params.id, request.who),
  );
};
