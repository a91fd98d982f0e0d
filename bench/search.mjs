/**
 * Search by a worn number over many patterns: DATABASE_URL=postgres://… node bench/search.mjs [patterns]
 *
 * All look for the same numbers, worn in one of five ways, and all have their index: ours in memory, the others in
 * PostgreSQL. Baselines: a column in which look-alikes are folded into one, asked by LIKE with a wildcard for what
 * cannot be read, over an index in order and one of trigrams; and the twenty most similar by pg_trgm. How often the
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

/** Characters that are taken for one another, as one: the least of all that lead to it. */
const FOLDED = new Map();
for (const [character, others] of Object.entries(ALIKE)) {
  const group = new Set([character, ...others].flatMap((each) => FOLDED.get(each) ?? [each]));
  for (const each of group) FOLDED.set(each, [...group].sort());
}
const folded = (code) => [...code].map((each) => FOLDED.get(each)?.[0] ?? each).join('');

const put = (characters, at, ...by) => characters.toSpliced(at, 1, ...by);
const somewhere = (characters) => Math.floor(next() * characters.length);
const misread = (characters) => {
  const swaps = characters.flatMap((character, at) => (ALIKE[character] ? [at] : []));
  if (swaps.length === 0) return characters;
  const at = pick(swaps);
  return put(characters, at, pick(ALIKE[characters[at]]));
};
const unread = (characters) => put(characters, somewhere(characters), '?');

/** The ways in which a number is worn or read wrong. */
const WORN = {
  'one taken for a look-alike': misread,
  'one not read': unread,
  'one of each': (characters) => unread(misread(characters)),
  'one lost': (characters) => put(characters, somewhere(characters)),
  'one doubled': (characters) => {
    const at = somewhere(characters);
    return put(characters, at, characters[at], characters[at]);
  },
};

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
  const wanted = Object.entries(WORN).map(([how, wear]) => ({
    how,
    searches: Array.from({ length: SEARCHES }, () => pick(long)).map((code) => ({
      code,
      read: wear([...code]).join(''),
    })),
  }));

  const from = performance.now();
  const before = process.memoryUsage();
  const index = new CodeIndex(all);
  const after = process.memoryUsage();
  console.log(`${count} patterns, ${all.length} different numbers and marks`);
  console.log(
    `Index in memory made in ${((performance.now() - from) / 1000).toFixed(1)} s, ${((after.heapUsed + after.arrayBuffers - before.heapUsed - before.arrayBuffers) / 1e6).toFixed(0)} MB`,
  );
  const client = new pg.Client({ connectionString: base.replace(/\/[^/]*$/, `/${name}`) });
  await client.connect();
  await client.query('CREATE EXTENSION pg_trgm');
  await client.query('CREATE TABLE number (code text, folded text)');
  for (let at = 0; at < all.length; at += 20_000)
    await client.query('INSERT INTO number SELECT * FROM unnest($1::text[], $2::text[])', [
      all.slice(at, at + 20_000),
      all.slice(at, at + 20_000).map(folded),
    ]);
  for (const column of ['code', 'folded'])
    await client.query(`CREATE INDEX ON number USING gin (${column} gin_trgm_ops)`);
  // What stands before the first wildcard is looked up in order.
  await client.query('CREATE INDEX ON number (folded text_pattern_ops)');
  await client.query('VACUUM ANALYZE number');
  await client.query('SET pg_trgm.similarity_threshold = 0.2');
  // A pattern is looked up only where it is known when the query is planned.
  await client.query('SET plan_cache_mode = force_custom_plan');
  const asked = (name, text) => async (value) =>
    (await client.query({ name, text, values: [value] })).rows.map(({ code }) => code);
  const like = asked('like', 'SELECT code FROM number WHERE folded LIKE $1 LIMIT 5');
  const similar = asked(
    'similar',
    'SELECT code FROM number WHERE code % $1 ORDER BY similarity(code, $1) DESC LIMIT 5',
  );
  const ways = {
    'Look-alike pairs, then aligned': async (read) => index.find(read, 5).map((match) => index.codes[match.code]),
    'Folded column by LIKE': (read) => like(folded(read).replaceAll('?', '_')),
    'Most similar by pg_trgm': similar,
  };
  for (const { how, searches } of wanted) {
    console.log(`  ${how}`);
    let ours;
    for (const [way, find] of Object.entries(ways)) {
      for (const { read } of searches.slice(0, 30)) await find(read); // warm
      const begun = performance.now();
      let right = 0;
      for (const { code, read } of searches) if ((await find(read)).includes(code)) right++;
      const took = (performance.now() - begun) / SEARCHES;
      ours ??= took;
      console.log(
        `    ${way.padEnd(32)}${took.toFixed(2).padStart(7)} ms, ${(took / ours).toFixed(1).padStart(5)} times ours; right one among five ${((100 * right) / SEARCHES).toFixed(0)} %`,
      );
    }
  }
  await client.end();
} finally {
  await admin.query(`DROP DATABASE ${name} WITH (FORCE)`);
  await admin.end();
}
