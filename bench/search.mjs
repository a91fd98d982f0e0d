/**
 * Search by a worn number over many patterns against pg_trgm on the same machine: DATABASE_URL=postgres://… node
 * bench/search.mjs [patterns]
 *
 * Both look for the same numbers, of each two characters misread as a look-alike or not read at all, and both have
 * their index: the one in memory, the other a GIN index in PostgreSQL, asked for its twenty most similar. How often the
 * right number is among the first five is counted beside the time.
 */
import pg from 'pg';
import { CodeIndex, normaliseMark } from '@which-bore/core';
import { random } from './random.mjs';
import { madeUp } from './makeCatalogue.mjs';

const patterns = Number(process.argv[2] ?? 200_000);
const base = process.env.DATABASE_URL;
if (!base) throw new Error('Give DATABASE_URL a PostgreSQL whose user may make databases.');
const SEARCHES = 300;
const name = `bench_${Date.now()}`;
const admin = new pg.Client({ connectionString: base });
await admin.connect();
await admin.query(`CREATE DATABASE ${name}`);

const ALIKE = { 0: 'OD', 1: 'I7', 2: 'Z', 5: 'S', 8: 'B', B: '8', S: '5', 6: 'G', 7: '1', 3: '8', 4: 'A', 9: '6' };
const next = random(7);
const pick = (from) => from[Math.floor(next() * from.length)];

/** A number as it is read on a worn part: one look-alike, one character not read. */
function worn(code) {
  const characters = [...code];
  const swaps = characters.flatMap((character, at) => (ALIKE[character] ? [at] : []));
  if (swaps.length > 0) {
    const at = pick(swaps);
    characters[at] = pick(ALIKE[characters[at]]);
  }
  characters[Math.floor(next() * characters.length)] = '?';
  return characters.join('');
}

try {
  const codes = new Set();
  let count = 0;
  for (const records of madeUp(patterns))
    for (const pattern of records.pattern) {
      count++;
      for (const each of pattern.numbers) codes.add(normaliseMark(each.number));
      for (const mark of pattern.marks) codes.add(normaliseMark(mark.text));
    }
  const all = [...codes];
  const long = all.filter((code) => code.length >= 6);
  const wanted = Array.from({ length: SEARCHES }, () => pick(long)).map((code) => ({ code, read: worn(code) }));

  let from = performance.now();
  const before = process.memoryUsage();
  const index = new CodeIndex(all);
  const after = process.memoryUsage();
  console.log(`${count} patterns, ${all.length} different numbers and marks`);
  console.log(
    `Index in memory made in ${((performance.now() - from) / 1000).toFixed(1)} s, ${((after.heapUsed + after.arrayBuffers - before.heapUsed - before.arrayBuffers) / 1e6).toFixed(0)} MB`,
  );
  for (const { read } of wanted.slice(0, 30)) index.find(read, 20); // warm
  from = performance.now();
  let right = 0;
  for (const { code, read } of wanted)
    if (index.find(read, 5).some((match) => index.codes[match.code] === code)) right++;
  const mine = (performance.now() - from) / SEARCHES;

  const client = new pg.Client({ connectionString: base.replace(/\/[^/]*$/, `/${name}`) });
  await client.connect();
  await client.query('CREATE EXTENSION pg_trgm');
  await client.query('CREATE TABLE number (code text)');
  for (let at = 0; at < all.length; at += 20_000)
    await client.query('INSERT INTO number SELECT unnest($1::text[])', [all.slice(at, at + 20_000)]);
  await client.query('CREATE INDEX ON number USING gin (code gin_trgm_ops)');
  await client.query('VACUUM ANALYZE number');
  await client.query('SET pg_trgm.similarity_threshold = 0.2');
  const ask = async (read) =>
    (
      await client.query({
        name: 'find',
        text: 'SELECT code FROM number WHERE code % $1 ORDER BY similarity(code, $1) DESC LIMIT 5',
        values: [read],
      })
    ).rows;
  for (const { read } of wanted.slice(0, 30)) await ask(read); // warm
  from = performance.now();
  let theirsRight = 0;
  for (const { code, read } of wanted) if ((await ask(read)).some((row) => row.code === code)) theirsRight++;
  const theirs = (performance.now() - from) / SEARCHES;
  await client.end();
  console.log(
    `Index of look-alike pairs, then aligned   ${mine.toFixed(2)} ms a search, right one among five ${((100 * right) / SEARCHES).toFixed(0)} %`,
  );
  console.log(
    `pg_trgm with a GIN index                  ${theirs.toFixed(2)} ms a search, right one among five ${((100 * theirsRight) / SEARCHES).toFixed(0)} %`,
  );
  console.log(`pg_trgm takes ${(theirs / mine).toFixed(1)} times as long`);
} finally {
  await admin.query(`DROP DATABASE ${name} WITH (FORCE)`);
  await admin.end();
}
