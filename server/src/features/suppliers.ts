import type { FastifyPluginAsyncTypebox, TypeBoxTypeProvider } from '@fastify/type-provider-typebox';
import { declared } from './declared.js';
import { DataError, RESOURCES, StockToldSchema, type StockTold } from '@which-bore/core';
import { Ajv } from 'ajv';
import { LARGEST_LIST, NoListError, readList } from '../order/fetchList.js';
import type { SupplierStore } from '../order/supplierStore.js';

const isStockTold = new Ajv().compile<StockTold>({ ...StockToldSchema, additionalProperties: true });

interface Options {
  readonly suppliers: SupplierStore;
  /** Where an address without a host leads: this server. */
  readonly origin: () => URL;
  /** Hosts, with their ports, that lists may be fetched from. */
  readonly supplierHosts: readonly string[];
}

/** Suppliers with their lists. */
export const suppliers: FastifyPluginAsyncTypebox<Options> = async (
  app,
  { suppliers: store, origin, supplierHosts },
) => {
  app.route({ ...declared(RESOURCES.suppliers.list), handler: () => store.list() });
  app.route({
    ...declared(RESOURCES.suppliers.write),
    handler: (request) => {
      const { address } = request.body;
      if (address !== undefined) checkAddress(address, supplierHosts);
      return store.save({ ...request.body, id: request.params.id });
    },
  });
  app.route({
    ...declared(RESOURCES.suppliers.remove),
    handler: async (request, reply) => {
      await store.remove(request.params.id);
      return reply.status(204).send(null);
    },
  });
  app.route({
    ...declared(RESOURCES.suppliers.refresh),
    handler: (request) => store.refresh(request.params.id, origin()),
  });
  app.route({
    ...declared(RESOURCES.suppliers.ask),
    handler: async (request) => {
      const said = await store.ask(request.params.id, request.body.number, origin());
      if (!isStockTold(said)) throw new NoListError('The supplier’s answer is not as docs/price-lists.md has it.');
      return said;
    },
  });
  app.route({ ...declared(RESOURCES.suppliers.offers), handler: (request) => store.offers(request.body.numbers) });

  // A list comes as it is, and may be larger than what else is sent.
  await app.register(async (plain) => {
    const lists = plain.withTypeProvider<TypeBoxTypeProvider>();
    lists.removeAllContentTypeParsers();
    lists.addContentTypeParser('*', { parseAs: 'string', bodyLimit: LARGEST_LIST }, (_request, body, done) =>
      done(null, body),
    );
    lists.route({
      ...declared(RESOURCES.suppliers.takeList),
      bodyLimit: LARGEST_LIST,
      handler: (request) =>
        store.take(request.params.id, readList(request.body, (request.headers['content-type'] ?? '').includes('json'))),
    });
  });
};

/** Lists are fetched by the server: only from hosts that whoever runs it has named, so that nobody sends it about. */
function checkAddress(address: string, hosts: readonly string[]): void {
  if (/^\/simulated\/suppliers\/[a-z0-9-]+$/.test(address)) return;
  const url = URL.canParse(address) ? new URL(address) : undefined;
  const problem =
    !url || !['http:', 'https:'].includes(url.protocol) || url.username !== ''
      ? 'it is no address of the form https://parts.example/list.'
      : hosts.includes(url.host)
        ? undefined
        : `${url.host} is not among the hosts this server may fetch from. Whoever runs it adds it to SUPPLIER_HOSTS; until then send the list as a file.`;
  if (problem !== undefined)
    throw new DataError('This address cannot be used.', [{ where: 'body.address', what: problem }]);
}
