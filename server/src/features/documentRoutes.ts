import { Type, type TSchema } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { DocumentChangeSchema, DocumentParamsSchema } from '@which-bore/core';
import type { DocumentRow, VersionedStore } from '../documents/versionedStore.js';

/** Documents of a sort as the interface to other programs has them. */
interface Documents<T extends { readonly id: string }, Row extends DocumentRow> {
  /** As in the address: `jobs`. */
  readonly path: string;
  /** As in a sentence. */
  readonly name: string;
  readonly plural: string;
  /** What is said where one is deleted. */
  readonly stays?: string;
  readonly tag: string;
  readonly store: VersionedStore<T, Row>;
  readonly stored: TSchema;
  readonly body: TSchema;
  readonly example: object;
  /** Throws a DataError where a document cannot be kept. */
  readonly check?: (document: T) => void;
}

/** The routes that documents with versions have alike: list, bin, read, write, versions, delete, bring back. */
export const documentRoutes =
  <T extends { readonly id: string }, Row extends DocumentRow>({
    path,
    name,
    plural,
    stays = '',
    tag,
    store,
    stored,
    body,
    example,
    check,
  }: Documents<T, Row>): FastifyPluginAsyncTypebox =>
  async (app) => {
    const tags = [tag];
    const params = DocumentParamsSchema;
    const of = (summary: string, response: TSchema) => ({ summary, tags, params, response: { 200: response } });
    const listed = {
      ...example,
      id: '5d2f9f52-6c1e-4d0e-8f0b-2a7c3b1d9e10',
      version: 1,
      updatedAt: '2026-03-02T08:10:04.000Z',
    };
    app.get(
      `/${path}`,
      {
        schema: {
          summary: `All ${plural}, last changed first`,
          tags,
          response: { 200: Type.Array(stored, { examples: [[listed]] }) },
        },
      },
      () => store.list(),
    );
    app.get(
      `/${path}/bin`,
      {
        schema: {
          summary: `${plural[0]?.toUpperCase() ?? ''}${plural.slice(1)} that are deleted and can be brought back`,
          tags,
          response: { 200: Type.Array(stored, { examples: [[]] }) },
        },
      },
      () => store.bin(),
    );
    app.get(`/${path}/:id`, { schema: of(`One ${name}`, stored) }, (request) => store.get(request.params.id));
    app.put(
      `/${path}/:id`,
      {
        schema: {
          ...of(`Write a ${name} whole; 409 when it was changed meanwhile`, stored),
          body: { ...body, examples: [example] },
        },
      },
      (request) => {
        const { version, ...rest } = request.body as T & { readonly version: number };
        const document = { ...rest, id: request.params.id } as unknown as T;
        check?.(document);
        return store.save(document, version, request.who);
      },
    );
    app.get(
      `/${path}/:id/versions`,
      { schema: of(`Who did what to a ${name}`, Type.Array(DocumentChangeSchema)) },
      (request) => store.history(request.params.id),
    );
    app.delete(
      `/${path}/:id`,
      {
        schema: {
          summary: `Delete a ${name}; it can be brought back${stays}`,
          tags,
          params,
          response: { 204: Type.Null() },
        },
      },
      async (request, reply) => {
        await store.remove(request.params.id, request.who);
        return reply.status(204).send(null);
      },
    );
    app.post(`/${path}/:id/restore`, { schema: of(`Bring a deleted ${name} back`, stored) }, (request) =>
      store.restore(request.params.id, request.who),
    );
  };
