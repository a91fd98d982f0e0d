/**
 * Import of a catalogue against PostgreSQL's own COPY of the same rows, and the memory it takes:
 * DATABASE_URL=postgres://… node bench/import.mjs [patterns]
 *
 * Works in databases of its own, made and dropped here. Baselines: COPY of the finished documents into the real tables
 * with their keys, links and history, in one transaction, as a program would that trusts its file (no reading, no
 * checking, no comparing, nothing looked at before); and into a bare table, which is the least any way can take.
 */
import { mkdtemp, rm } from 'node:fs/promises';
import { createWriteStream } from 'node:fs';
import { once } from 'node:events';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { MessageChannel } from 'node:worker_threads';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { randomUUID } from 'node:crypto';
import { LIST_OF } from '@which-bore/core';
import pg from 'pg';
import { from as copyFrom } from 'pg-copy-streams';
import { Database } from '../server/dist/database/database.js';
import importTask from '../server/dist/transfer/importTask.js';
import { madeUp } from './makeCatalogue.mjs';

const patterns = Number(process.argv[2] ?? 100_000);
const base = process.env.DATABASE_URL;
if (!base) throw new Error('Give DATABASE_URL a PostgreSQL whose user may make databases.');
const name = `bench_${Date.now()}`;
const admin = new pg.Client({ connectionString: base });
await admin.connect();
const copied = `${name}_copied`;
for (const each of [name, copied]) await admin.query(`CREATE DATABASE ${each}`);
const urlOf = (each) => base.replace(/\/[^/]*$/, `/${each}`);
const databaseUrl = urlOf(name);
const folder = await mkdtemp(join(tmpdir(), 'which-bore-bench-'));
const seconds = (from) => (performance.now() - from) / 1000;

try {
  const database = new Database(databaseUrl, () => undefined);
  await database.open();

  // The file, and the same documents as lines for COPY.
  const file = join(folder, 'catalogue.json');
  const out = createWriteStream(file);
  const put = async (text) => out.write(text) || once(out, 'drain');
  await put('{"format":"which-bore-catalogue","version":2');
  let rows = 0;
  for (const [type, list] of Object.entries(LIST_OF)) {
    let before = '';
    await put(`,"${list}":[`);
    for (const records of madeUp(patterns))
      for (const record of records[type]) {
        await put(before + JSON.stringify(record));
        before = ',\n';
        rows++;
      }
    await put(']');
  }
  await put('}');
  out.end();
  await once(out, 'finish');

  const client = new pg.Client({ connectionString: databaseUrl });
  client.on('error', () => undefined); // it is cut off where the bench fails and drops its database
  await client.connect();

  const id = randomUUID();
  await client.query(
    `INSERT INTO import (id, file_name, bytes, who, state) VALUES ($1, 'catalogue.json', 0, 'bench', 'reading')`,
    [id],
  );
  let most = 0;
  globalThis.gc?.();
  const start = process.memoryUsage().rss;
  const watch = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 20);
  const run = async (work) => {
    const { port1, port2 } = new MessageChannel();
    const begun = performance.now();
    const result = await importTask({ databaseUrl, id, port: port2, work });
    port1.close();
    return [result, seconds(begun)];
  };
  const [read, reading] = await run({ does: 'read', path: file, name: 'catalogue.json', choices: {} });
  await client.query('UPDATE import SET revision = $2, counts = $3 WHERE id = $1', [
    id,
    read.revision,
    JSON.stringify(read.counts),
  ]);
  const [applied, applying] = await run({ does: 'apply', who: 'bench' });
  clearInterval(watch);
  if (applied.did !== 'apply') throw new Error(JSON.stringify(applied));
  const { rows: counted } = await client.query('SELECT count(*)::int AS patterns FROM pattern');

  await client.query('CREATE TABLE bare (id text, document jsonb)');
  const escaped = (text) =>
    text.replace(/[\\\t\n\r]/g, (each) => ({ '\\': '\\\\', '\t': '\\t', '\n': '\\n', '\r': '\\r' })[each]);
  // The lines are made beforehand, so that only COPY itself is timed.
  const lines = new Map(Object.keys(LIST_OF).map((type) => [type, []]));
  for (const records of madeUp(patterns))
    for (const [type, of] of lines)
      for (const record of records[type]) of.push(`${record.id}\t${escaped(JSON.stringify(record))}\n`);
  for (const [type, of] of lines) {
    const chunks = [];
    for (let at = 0; at < of.length; at += 500) chunks.push(of.slice(at, at + 500).join(''));
    lines.set(type, chunks);
  }
  const copy = async (into, tableOf) => {
    const from = performance.now();
    await into.query('BEGIN');
    for (const [type, chunks] of lines)
      await pipeline(Readable.from(chunks), into.query(copyFrom(`COPY ${tableOf(type)} (id, document) FROM STDIN`)));
    await into.query('COMMIT');
    return seconds(from);
  };
  const bare = await copy(client, () => 'bare');
  const real = new Database(urlOf(copied), () => undefined);
  await real.open();
  const keyedClient = new pg.Client({ connectionString: urlOf(copied) });
  await keyedClient.connect();
  const keyed = await copy(keyedClient, (type) => type);
  await keyedClient.end();
  await real.close();
  await client.query('DROP TABLE bare');

  console.log(`${rows} records, ${counted[0].patterns} of them patterns`);
  const row = (what, took) =>
    console.log(
      `${what.padEnd(42)}${took.toFixed(1).padStart(6)} s   ${(took / keyed).toFixed(1)} times the real tables, ${(took / bare).toFixed(1)} times the bare one`,
    );
  row('COPY into a bare table', bare);
  row('COPY into the real tables', keyed);
  row('Dry run: read, check, compare', reading);
  row('Apply: constraints, links, history', applying);
  row('Both together (wanted: 2 or less)', reading + applying);
  console.log(
    `Memory above the start, at most           ${((most - start) / 1e6).toFixed(0)} MB, for a file of ${((await import('node:fs')).statSync(file).size / 1e6).toFixed(0)} MB`,
  );
  await client.end();
  await database.close();
} finally {
  for (const each of [name, copied]) await admin.query(`DROP DATABASE ${each} WITH (FORCE)`);
  await admin.end();
  await rm(folder, { recursive: true, force: true });
}
