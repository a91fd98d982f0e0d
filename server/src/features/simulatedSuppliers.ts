import { createHash } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { normaliseMark, PRICE_LIST_FORMAT, type Pattern, type PriceLine, type PriceList } from '@which-bore/core';
import type { CatalogueStore } from './catalogueStore.js';
import { csvOf } from '../transfer/writeTable.js';
import { Readable } from 'node:stream';

/** How a supplier behaves that is only there to be tried out. */
interface Manner {
  readonly id: string;
  readonly name: string;
  readonly currency: string;
  /** How it writes numbers. */
  readonly writes: (number: string) => string;
  readonly mark: number;
  readonly as: 'json' | 'csv';
  /** How long it takes over each answer, ms. */
  readonly slow: number;
  /** Whether what it says it has in its list is not there when one asks. */
  readonly lies: boolean;
}

/** Invented, like everything in the demo: one is slow, the other lies about its stock. */
const SIMULATED: readonly Manner[] = [
  {
    id: 'ridge-road',
    name: 'Ridge Road Parts',
    currency: 'EUR',
    writes: (number) => number.replaceAll('-', ' '),
    mark: 1.1,
    as: 'json',
    slow: 1500,
    lies: false,
  },
  {
    id: 'tin-shed',
    name: 'The Tin Shed',
    currency: 'EUR',
    writes: (number) => number.toLowerCase(),
    mark: 0.92,
    as: 'csv',
    slow: 0,
    lies: true,
  },
];

/** A number between 0 and 1 that is always the same for the same words. */
const chance = (words: string): number => createHash('sha256').update(words).digest().readUInt32BE(0) / 2 ** 32;

/** What a supplier has of a catalogue: most of what can be had, at his own prices. */
function linesOf(patterns: readonly Pattern[], { id, writes, mark, lies }: Manner): readonly PriceLine[] {
  return patterns.flatMap(({ price, pieces, numbers, name }): readonly PriceLine[] =>
    numbers.flatMap(({ number, replacedBy }): readonly PriceLine[] => {
      const drawn = chance(`${id} ${number}`);
      if (price === undefined || drawn < 0.15) return [];
      const stock = drawn < 0.3 && !lies ? 0 : 1 + Math.floor(drawn * 24);
      return [
        {
          number: writes(number),
          name: name.slice(0, 200),
          price: Math.round(price * (mark + 0.1 * drawn) * 100) / 100,
          ...(pieces === undefined ? {} : { pieces }),
          includes: drawn > 0.6 ? 'without tax and carriage' : 'with tax, carriage extra',
          stock,
          days: lies ? 1 : 2 + Math.floor(drawn * 9),
          ...(replacedBy === undefined ? {} : { replacedBy: writes(replacedBy) }),
        },
      ];
    }),
  );
}

/**
 * Suppliers to try the ordering out with: they answer by the same protocol as real ones. `GET …/list` with conditional
 * requests, `GET …/stock/NUMBER`.
 */
export const simulatedSuppliers: FastifyPluginAsyncTypebox<{
  catalogue: Pick<CatalogueStore, 'priced'>;
}> = async (app, { catalogue }) => {
  for (const manner of SIMULATED) {
    const { id, name, currency, as, slow, lies } = manner;
    const schema = { hide: true };
    app.get(`/${id}/list`, { schema }, async (request, reply) => {
      await wait(slow);
      const lines = linesOf(await catalogue.priced(), manner);
      const etag = `"${createHash('sha256').update(JSON.stringify(lines)).digest('base64url').slice(0, 22)}"`;
      if (request.headers['if-none-match'] === etag) return reply.status(304).send();
      void reply.header('etag', etag);
      if (as === 'json') {
        const list: PriceList = { format: PRICE_LIST_FORMAT, version: 1, supplier: name, currency, lines: [...lines] };
        return reply.send(list);
      }
      const rows = [
        ['Part number', 'Description', 'Price', 'Pack', 'Including', 'In stock', 'Lead time', 'Replaced by'],
        ...lines.map((line) => [
          line.number,
          line.name ?? '',
          line.price.toFixed(2).replace('.', ','),
          String(line.pieces ?? 1),
          line.includes ?? '',
          String(line.stock ?? ''),
          String(line.days ?? ''),
          line.replacedBy ?? '',
        ]),
      ];
      return reply.type('text/csv; charset=utf-8').send(csvOf(Readable.from(rows)));
    });
    app.get(
      `/${id}/stock/:number`,
      { schema: { ...schema, params: Type.Object({ number: Type.String({ maxLength: 60 }) }) } },
      async (request, reply) => {
        await wait(slow);
        const sought = normaliseMark(request.params.number);
        const line = linesOf(await catalogue.priced(), manner).find((each) => normaliseMark(each.number) === sought);
        if (!line) return reply.status(404).send({ error: `${name} does not carry ${request.params.number}.` });
        return reply.send({ number: line.number, stock: lies ? 0 : (line.stock ?? 0), days: line.days ?? 0 });
      },
    );
  }
};
