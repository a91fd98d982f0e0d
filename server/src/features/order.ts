import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox, TypeBoxTypeProvider } from '@fastify/type-provider-typebox';
import {
  DataError,
  DocumentParamsSchema,
  OfferSchema,
  ReservationSchema,
  StockToldSchema,
  StoredSupplierSchema,
  SupplierSchema,
  UuidSchema,
  type StockTold,
} from '@which-bore/core';
import { Ajv } from 'ajv';
import { LARGEST_LIST, NoListError, readList } from '../order/fetchList.js';
import type { ReservationStore } from '../order/reservationStore.js';
import type { SupplierStore } from '../order/supplierStore.js';

const tags = ['order'];
const supplierParams = Type.Object({ id: { ...SupplierSchema.properties.id, examples: ['ridge-road'] } });

const EXAMPLE = { name: 'Ridge Road Parts', currency: 'EUR', address: '/simulated/suppliers/ridge-road' };
const STORED = { ...EXAMPLE, id: 'ridge-road', lines: 120, asOf: '2026-03-02T08:10:04.000Z', leftOut: [] };
const HELD = {
  specimen: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11',
  job: '5d2f9f52-6c1e-4d0e-8f0b-2a7c3b1d9e10',
  who: 'Ansgar',
  at: '2026-03-02T08:10:04.000Z',
};
const OFFER = { number: 'TW-7202', price: 39.5, stock: 8, days: 2, supplier: 'ridge-road', currency: 'EUR' };

const isStockTold = new Ajv().compile<StockTold>({ ...StockToldSchema, additionalProperties: true });

interface Options {
  readonly reservations: ReservationStore;
  readonly suppliers: SupplierStore;
  /** Where an address without a host leads: this server. */
  readonly origin: () => URL;
  /** Hosts, with their ports, that lists may be fetched from. */
  readonly supplierHosts: readonly string[];
}

/** Parts put aside for jobs, and suppliers with their lists. */
export const order: FastifyPluginAsyncTypebox<Options> = async (
  app,
  { reservations, suppliers, origin, supplierHosts },
) => {
  app.get(
    '/reservations',
    {
      schema: {
        summary: 'Parts of the shelf that are put aside for jobs',
        tags,
        response: { 200: Type.Array(ReservationSchema, { examples: [[HELD]] }) },
      },
    },
    () => reservations.held(),
  );
  app.put(
    '/reservations/:id',
    {
      schema: {
        summary: 'Put a part aside for a job; 409 where another job has it',
        tags,
        params: DocumentParamsSchema,
        body: Type.Object({ job: UuidSchema }, { additionalProperties: false, examples: [{ job: HELD.job }] }),
        response: { 200: ReservationSchema },
      },
    },
    (request) => reservations.hold(request.params.id, request.body.job, request.who),
  );
  app.delete(
    '/reservations/:id',
    {
      schema: {
        summary: 'Give a part back to the shelf',
        tags,
        params: DocumentParamsSchema,
        response: { 204: Type.Null() },
      },
    },
    async (request, reply) => {
      await reservations.release(request.params.id, request.who);
      return reply.status(204).send(null);
    },
  );
  app.get(
    '/specimens/:id/reservations',
    {
      schema: {
        summary: 'For whom a part was put aside, last first',
        tags,
        params: DocumentParamsSchema,
        response: { 200: Type.Array(ReservationSchema, { examples: [[HELD]] }) },
      },
    },
    (request) => reservations.history(request.params.id),
  );

  app.get(
    '/suppliers',
    {
      schema: {
        summary: 'Suppliers, and how their lists stand',
        tags,
        response: { 200: Type.Array(StoredSupplierSchema, { examples: [[STORED]] }) },
      },
    },
    () => suppliers.list(),
  );
  app.put(
    '/suppliers/:id',
    {
      schema: {
        summary: 'Write a supplier',
        tags,
        params: supplierParams,
        body: Type.Object(
          {
            name: SupplierSchema.properties.name,
            currency: SupplierSchema.properties.currency,
            address: SupplierSchema.properties.address,
          },
          { additionalProperties: false, examples: [EXAMPLE] },
        ),
        response: { 200: StoredSupplierSchema },
      },
    },
    (request) => {
      const { address } = request.body;
      if (address !== undefined) checkAddress(address, supplierHosts);
      return suppliers.save({ ...request.body, id: request.params.id });
    },
  );
  app.delete(
    '/suppliers/:id',
    {
      schema: {
        summary: 'Delete a supplier with his list',
        tags,
        params: supplierParams,
        response: { 204: Type.Null() },
      },
    },
    async (request, reply) => {
      await suppliers.remove(request.params.id);
      return reply.status(204).send(null);
    },
  );
  app.post(
    '/suppliers/:id/fetch',
    {
      schema: {
        summary: 'Fetch a supplier’s list anew; where he gives none, `problem` says why and the list before stands',
        tags,
        params: supplierParams,
        response: { 200: StoredSupplierSchema },
      },
    },
    (request) => suppliers.refresh(request.params.id, origin()),
  );
  app.post(
    '/suppliers/:id/ask',
    {
      schema: {
        summary: 'Ask a supplier what he has of one number now, whatever his list says',
        tags,
        params: supplierParams,
        body: Type.Object(
          { number: Type.String({ minLength: 1, maxLength: 60 }) },
          { additionalProperties: false, examples: [{ number: 'TW-7202' }] },
        ),
        response: { 200: StockToldSchema },
      },
    },
    async (request) => {
      const said = await suppliers.ask(request.params.id, request.body.number, origin());
      if (!isStockTold(said)) throw new NoListError('The supplier’s answer is not as docs/price-lists.md has it.');
      return said;
    },
  );
  app.post(
    '/suppliers/offers',
    {
      schema: {
        summary: 'What suppliers ask for numbers, however they are spaced or dashed',
        tags,
        body: Type.Object(
          { numbers: Type.Array(Type.String({ minLength: 1, maxLength: 60 }), { maxItems: 2000 }) },
          { additionalProperties: false, examples: [{ numbers: ['TW-7202'] }] },
        ),
        response: { 200: Type.Array(OfferSchema, { examples: [[OFFER]] }) },
      },
    },
    (request) => suppliers.offers(request.body.numbers),
  );

  // A list comes as it is, and may be larger than what else is sent.
  await app.register(async (plain) => {
    const lists = plain.withTypeProvider<TypeBoxTypeProvider>();
    lists.removeAllContentTypeParsers();
    lists.addContentTypeParser('*', { parseAs: 'string', bodyLimit: LARGEST_LIST }, (_request, body, done) =>
      done(null, body),
    );
    lists.put(
      '/suppliers/:id/list',
      {
        bodyLimit: LARGEST_LIST,
        schema: {
          summary: 'Take a supplier’s list as a file: JSON of the open format, or CSV with headings',
          tags,
          params: supplierParams,
          body: Type.Unsafe<string>({ type: 'string', examples: ['number,price\nTW-7202,39.50'] }),
          response: { 200: StoredSupplierSchema },
        },
      },
      (request) =>
        suppliers.take(
          request.params.id,
          readList(request.body, (request.headers['content-type'] ?? '').includes('json')),
        ),
    );
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
