/**
 * Import of a catalogue against PostgreSQL's own COPY of the same rows, and the memory it takes:
 * DATABASE_URL=postgres://… node bench/import.mjs [patterns]
 *
 * Works in a schema of its own database, made and dropped here. The plain COPY puts the finished documents into a bare
 * table: no reading, no checking, no comparing, no constraints, no history.
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
await admin.query(`CREATE DATABASE ${name}`);
const databaseUrl = base.replace(/\/[^/]*$/, `/${name}`);
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
  await client.query('UPDATE import SET revision = $2 WHERE id = $1', [id, read.revision]);
  const [applied, applying] = await run({ does: 'apply', who: 'bench' });
  clearInterval(watch);
  if (applied.did !== 'apply') throw new Error(JSON.stringify(applied));
  const { rows: counted } = await client.query('SELECT count(*)::int AS patterns FROM pattern');

  await client.query('CREATE TABLE bare (id text, document jsonb)');
  const escaped = (text) =>
    text.replace(/[\\\t\n\r]/g, (each) => ({ '\\': '\\\\', '\t': '\\t', '\n': '\\n', '\r': '\\r' })[each]);
  // The lines are made beforehand, so that only COPY itself is timed.
  const lines = [];
  for (const records of madeUp(patterns))
    for (const type of Object.keys(LIST_OF))
      for (const record of records[type]) lines.push(`${record.id}\t${escaped(JSON.stringify(record))}\n`);
  const chunks = [];
  for (let at = 0; at < lines.length; at += 500) chunks.push(lines.slice(at, at + 500).join(''));
  lines.length = 0;
  const from = performance.now();
  await pipeline(Readable.from(chunks), client.query(copyFrom('COPY bare FROM STDIN')));
  const bare = seconds(from);
  chunks.length = 0;
  await client.query('DROP TABLE bare');

  console.log(`${rows} records, ${counted[0].patterns} of them patterns`);
  console.log(`COPY of the documents into a bare table   ${bare.toFixed(1)} s`);
  console.log(
    `Dry run: read, check, compare             ${reading.toFixed(1)} s   ${(reading / bare).toFixed(1)} times`,
  );
  console.log(
    `Apply: constraints, links, history        ${applying.toFixed(1)} s   ${(applying / bare).toFixed(1)} times`,
  );
  console.log(
    `Memory above the start, at most           ${((most - start) / 1e6).toFixed(0)} MB, for a file of ${((await import('node:fs')).statSync(file).size / 1e6).toFixed(0)} MB`,
  );
  await client.end();
  await database.close();
} finally {
  await admin.query(`DROP DATABASE ${name} WITH (FORCE)`);
  await admin.end();
  await rm(folder, { recursive: true, force: true });
}
