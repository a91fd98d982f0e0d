import { answer, indexCatalogue, normaliseMark, random, simulatedCases, type KindId } from '@which-bore/core';
import { Client } from 'pg';
import { demoCatalogue, testDatabaseUrl } from './testing.js';

describe('identification against PostgreSQL’s pg_trgm (PostgreSQL documentation, appendix F, pg_trgm)', () => {
  const client = new Client({ connectionString: testDatabaseUrl() });

  beforeAll(async () => {
    await client.connect();
    await client.query('CREATE EXTENSION IF NOT EXISTS pg_trgm');
    await client.query('CREATE TEMP TABLE mark_text (kind text, pattern text, mark text)');
    const { patterns } = await demoCatalogue();
    const rows = patterns.flatMap(({ kind, id, marks, numbers }) =>
      [...marks.map(({ text }) => text), ...numbers.map(({ number }) => number)].map(
        (text) => [kind, id, normaliseMark(text)] as const,
      ),
    );
    await client.query(
      'INSERT INTO mark_text SELECT * FROM unnest($1::text[], $2::text[], $3::text[])',
      [0, 1, 2].map((at) => rows.map((row) => row[at])),
    );
  });
  afterAll(() => client.end());

  async function mostAlike(kind: KindId, read: readonly string[]): Promise<string | undefined> {
    if (read.length === 0) return undefined;
    const { rows } = await client.query<{ pattern: string }>(
      'SELECT pattern FROM mark_text, unnest($2::text[]) AS read WHERE kind = $1 GROUP BY pattern ORDER BY max(similarity(mark, read)) DESC, pattern LIMIT 1',
      [kind, read],
    );
    return rows[0]?.pattern;
  }

  it('names the part on simulated readings more often than the most similar mark does', async () => {
    const catalogue = await demoCatalogue();
    let [known, ours, theirs] = [0, 0, 0];
    for (const [at, kind] of (['crank', 'head', 'cam', 'rod'] as const).entries()) {
      const index = indexCatalogue(kind, catalogue);
      for (const each of simulatedCases(kind, catalogue.patterns, index, 120, random(300 + at))) {
        if (each.part.pattern === undefined) continue;
        known++;
        if (answer(index, each).right) ours++;
        const read = each.readings.flatMap((reading) =>
          reading.sort === 'mark' && reading.characters !== ''
            ? [normaliseMark(reading.characters.replaceAll('?', ''))]
            : [],
        );
        if ((await mostAlike(kind, read)) === each.part.pattern) theirs++;
      }
    }
    expect(known).toBeGreaterThan(400);
    expect(theirs).toBeGreaterThan(0);
    expect(ours / known).toBeGreaterThan((1.5 * theirs) / known);
  });
});
