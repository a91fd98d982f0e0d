/**
 * How good the identification is, on parts drawn from the demo catalogue with wear, service sizes, instrument errors,
 * worn characters and misjudged looks, one in twenty in no catalogue: `node bench/simulate.mjs [cases] [seed]`.
 * Prints calibration, the comparison with looking things up, and what following the next check saves. The same cases
 * against PostgreSQL's pg_trgm when DATABASE_URL is set.
 */
import { readFile } from 'node:fs/promises';
import {
  answer,
  bandsOf,
  brier,
  byExactNumber,
  byNearestSizes,
  drawPart,
  drawStranger,
  showsItsOwn,
  indexCatalogue,
  KIND_IDS,
  normaliseMark,
  random,
  sheetOf,
  simulatedCases,
  solve,
  solveBySheet,
  STRANGERS,
} from '@which-bore/core';

const demo = JSON.parse(await readFile(new URL('../demo-data/catalogue.json', import.meta.url), 'utf8'));
const [cases, seed] = [Number(process.argv[2] ?? 8000), Number(process.argv[3] ?? 1)];
const kinds = KIND_IDS.filter((kind) => demo.patterns.filter((pattern) => pattern.kind === kind).length >= 5);
const percent = (share) => `${(100 * share).toFixed(1)} %`;

/** Which marks are most like those read, by trigrams, asked of PostgreSQL. */
async function trigrams() {
  if (!process.env.DATABASE_URL) return undefined;
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: process.env.DATABASE_URL });
  await client.connect();
  await client.query(
    'CREATE EXTENSION IF NOT EXISTS pg_trgm; CREATE TEMP TABLE mark_text (kind text, pattern text, mark text)',
  );
  const rows = demo.patterns.flatMap((pattern) =>
    [...pattern.marks.map(({ text }) => text), ...pattern.numbers.map(({ number }) => number)].map((text) => [
      pattern.kind,
      pattern.id,
      normaliseMark(text),
    ]),
  );
  await client.query(
    'INSERT INTO mark_text SELECT * FROM unnest($1::text[], $2::text[], $3::text[])',
    [0, 1, 2].map((at) => rows.map((row) => row[at])),
  );
  return {
    async find(kind, readings) {
      const read = readings
        .filter((reading) => reading.sort === 'mark' && reading.characters !== '')
        .map((reading) => normaliseMark(reading.characters.replaceAll('?', '')));
      if (read.length === 0) return undefined;
      const { rows: found } = await client.query(
        'SELECT pattern FROM mark_text, unnest($2::text[]) AS read WHERE kind = $1 GROUP BY pattern ORDER BY max(similarity(mark, read)) DESC, pattern LIMIT 1',
        [kind, read],
      );
      return found[0]?.pattern;
    },
    end: () => client.end(),
  };
}

const trgm = await trigrams();
const next = random(seed);
const answers = [];
const right = { ours: 0, number: 0, nearest: 0, trigrams: 0 };
let known = 0;
for (const kind of kinds) {
  const index = indexCatalogue(kind, demo);
  const patterns = demo.patterns.filter((pattern) => pattern.kind === kind);
  for (const each of simulatedCases(kind, demo.patterns, index, Math.ceil(cases / kinds.length), next)) {
    const given = answer(index, each);
    answers.push(given);
    if (each.part.pattern === undefined) continue;
    known++;
    if (given.right) right.ours++;
    if (byExactNumber(patterns, each.readings) === each.part.pattern) right.number++;
    if (byNearestSizes(patterns, each.readings) === each.part.pattern) right.nearest++;
    if (trgm && (await trgm.find(kind, each.readings)) === each.part.pattern) right.trigrams++;
  }
}
await trgm?.end();
console.log(
  `Calibration, ${answers.length.toLocaleString('en')} parts of ${kinds.length} kinds with one to seven readings, ${percent(STRANGERS)} in no catalogue`,
);
console.log('  said           cases   mean said   right     two standard errors');
for (const { from, count, right: were, said, within } of bandsOf(answers)) {
  if (count < 200) continue;
  const share = were / count;
  const off = Math.abs(share - said);
  console.log(
    `  ${(100 * from).toFixed(0).padStart(3)} to ${(100 * from + 10).toFixed(0).padStart(3)} %  ${String(count).padStart(6)}   ${percent(said).padStart(7)}   ${percent(share).padStart(7)}   ${percent(within)}${off > within ? '  (outside)' : ''}`,
  );
}
console.log(`  Brier score ${brier(answers).toFixed(4)} (0 is perfect)`);
console.log('Right, of the parts that are in the catalogue, on the same readings');
console.log(`  Which Bore                    ${percent(right.ours / known)}`);
console.log(`  exact number                  ${percent(right.number / known)}`);
console.log(`  nearest sizes                 ${percent(right.nearest / known)}`);
console.log(
  `  pg_trgm on the marks          ${trgm ? percent(right.trigrams / known) : 'not asked: set DATABASE_URL'}`,
);

let [minutes, sheetMinutes, fullSheet, settled, settledWrong, strangers, strangersFound, both, disowned] = [
  0, 0, 0, 0, 0, 0, 0, 0, 0,
];
known = 0;
const perKind = Math.ceil(cases / 10 / kinds.length);
for (const kind of kinds) {
  const index = indexCatalogue(kind, demo);
  const patterns = demo.patterns.filter((pattern) => pattern.kind === kind);
  const sheet = sheetOf(kind, index);
  for (let at = 0; at < perKind; at++) {
    const pattern = patterns[Math.floor(next() * patterns.length)];
    const stranger = next() < STRANGERS;
    const other = patterns[Math.floor(next() * patterns.length)];
    const part = stranger ? drawStranger(pattern, next, other) : drawPart(pattern, next);
    const advised = solve(part, index, next);
    const { status, candidates } = advised.lineUp;
    const isNone = status === 'nothingFits' || status === 'sister';
    const shown = showsItsOwn(
      part,
      advised.steps.map(({ reading }) => reading),
    );
    if (status === 'settled' && (!stranger || shown)) {
      settled++;
      if (candidates[0].pattern !== part.pattern) settledWrong++;
    }
    if (stranger) {
      if (shown && advised.steps.length >= 3) {
        strangers++;
        if (isNone) strangersFound++;
      }
      continue;
    }
    known++;
    if (isNone) disowned++;
    const bySheet = solveBySheet(part, index, sheet, next);
    if (advised.lineUp.status !== 'settled' || bySheet.lineUp.status !== 'settled') continue;
    both++;
    minutes += advised.minutes;
    sheetMinutes += bySheet.minutes;
    fullSheet += sheet.reduce((sum, line) => sum + line.minutes, 0);
  }
}
console.log(`Following the next check, ${(perKind * kinds.length).toLocaleString('en')} parts`);
console.log(
  `  settled ${settled}, of them wrong ${settledWrong}: ${percent(settledWrong / settled)} (wanted: under 1 %)`,
);
console.log(
  `  in no catalogue, with what is its own measured, and called a sister or none: ${strangersFound} of ${strangers}: ${percent(strangersFound / Math.max(1, strangers))} (wanted: 85 % or more)`,
);
console.log(
  `  in the catalogue and said to be in none: ${disowned} of ${known}: ${percent(disowned / Math.max(1, known))} (wanted: under 2 %)`,
);
console.log(
  `  minutes to settled: ${(minutes / both).toFixed(1)}; by a sheet in its order, stopped once settled, ${(sheetMinutes / both).toFixed(1)}: ${percent(minutes / sheetMinutes)} of it; the whole sheet takes ${(fullSheet / both).toFixed(1)}: ${percent(minutes / fullSheet)} of it (wanted: 60 % or less)`,
);
