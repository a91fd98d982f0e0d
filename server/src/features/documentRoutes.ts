import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import type { RESOURCES } from '@which-bore/core';
import type { DocumentRow, VersionedStore } from '../documents/versionedStore.js';
import { declared } from './declared.js';

/** Documents of a sort: their routes as the contract has them, and what keeps them. */
interface Documents<T extends { readonly id: string }, Row extends DocumentRow> {
  readonly routes: Pick<
    (typeof RESOURCES)['jobs' | 'builds' | 'specimens'],
    'list' | 'bin' | 'read' | 'write' | 'versions' | 'remove' | 'restore'
  >;
  readonly store: VersionedStore<T, Row>;
  /** What is listed of each, where that is not the whole. */
  readonly list?: () => Promise<readonly object[]>;
  /** Throws a DataError where a document cannot be kept. */
  readonly check?: (document: T) => void;
}

/** The routes that documents with versions have alike: list, bin, read, write, versions, delete, bring back. */
export const documentRoutes =
  <T extends { readonly id: string }, Row extends DocumentRow>({
    routes,
    store,
    list = () => store.list(),
    check,
  }: Documents<T, Row>): FastifyPluginAsyncTypebox =>
  async (app) => {
    app.route({ ...declared(routes.list), handler: () => list() as never });
    app.route({ ...declared(routes.bin), handler: () => store.bin() as never });
    app.route({ ...declared(routes.read), handler: (request) => store.get(request.params.id) as never });
    app.route({
      ...declared(routes.write),
      handler: (request) => {
        const { version, ...rest } = request.body;
        const document = { ...rest, id: request.params.id } as unknown as T;
        check?.(document);
        return store.save(document, version, request.who) as never;
      },
    });
    app.route({ ...declared(routes.versions), handler: (request) => store.history(request.params.id) });
    app.route({
      ...declared(routes.remove),
      handler: async (request, reply) => {
        await store.remove(request.params.id, request.who);
        return reply.status(204).send(null);
      },
    });
    app.route({
      ...declared(routes.restore),
      handler: (request) => store.restore(request.params.id, request.who) as never,
    });
  };
