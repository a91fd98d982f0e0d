import { audit, CatalogueLookup, compare, indexSearch, say, searchCatalogue } from '@which-bore/core';
import type { FastifyInstance } from 'fastify';
import { appWithDemo, demoCatalogue } from './testing.js';

interface Hit {
  readonly type: string;
  readonly id: string;
  readonly label: string;
  readonly because: readonly string[];
}
interface SearchAnswer {
  readonly count: number;
  readonly without: readonly string[];
  readonly hits: readonly Hit[];
}
interface CompareAnswer {
  readonly columns: readonly string[];
  readonly rows: readonly {
    readonly id: string;
    readonly agrees: boolean;
    readonly cells: readonly { readonly low?: number; readonly says?: string; readonly disputed?: boolean }[];
  }[];
}

describe('what can be asked of the catalogue', () => {
  let app: FastifyInstance;
  let lookup: CatalogueLookup;
  beforeAll(async () => {
    app = await appWithDemo();
    lookup = new CatalogueLookup(await demoCatalogue());
  });
  afterAll(() => app.close());

  const get = (url: string) => app.inject({ url });
  const post = (url: string, payload: object) => app.inject({ method: 'POST', url, payload });
  const search = async (q: string, units = 'metric') =>
    (await get(`/api/search?q=${encodeURIComponent(q)}&units=${units}`)).json<SearchAnswer>();

  it('is searched as the core searches it', async () => {
    const index = indexSearch(lookup);
    for (const q of ['bs 1o4 l87', 'piston 116 +0.5', '41?7', 'gudgeon pin 40', 'orchard fan']) {
      const core = searchCatalogue(index, q);
      const answer = await search(q);
      expect(answer.hits.map((hit) => `${hit.type} ${hit.id}`))
        .withContext(q)
        .toEqual(core.hits.map((hit) => `${hit.type} ${hit.id}`));
      expect(answer.count).toBe(core.count);
    }
    expect((await search('crank main 59.67', 'inch')).hits[0]?.because[0]).toMatch(/ in$/);
    expect((await search('skerry xyzzy')).without).toEqual(['xyzzy']);
    expect((await get('/api/search')).statusCode).toBe(400);
    expect((await get(`/api/search?q=${'x'.repeat(300)}`)).statusCode).toBe(400);
  });

  it('finds what was changed a moment ago', async () => {
    const { record, version } = (await get('/api/records/pattern/ambit-pin-20')).json<{
      record: { name: string };
      version: number;
    }>();
    await app.inject({
      method: 'PUT',
      url: '/api/records/pattern/ambit-pin-20',
      payload: { record: { ...record, name: 'Quicksilver pin' }, version },
    });
    expect((await search('quicksilver')).hits.map((hit) => hit.id)).toEqual(['ambit-pin-20']);
    await app.inject({
      method: 'PUT',
      url: '/api/records/pattern/ambit-pin-20',
      payload: { record, version: version + 1 },
    });
    expect((await search('quicksilver')).count).toBe(0);
  });

  it('is audited as the core audits it', async () => {
    const { findings, rules } = (await get('/api/audit')).json<{
      findings: { rule: string; says: string; where: { id: string; at?: string } }[];
      rules: { id: string }[];
    }>();
    expect(findings.map((finding) => [finding.rule, finding.where.id, finding.says])).toEqual(
      audit(lookup).map((finding) => [finding.rule, finding.where.id, say(finding.says, 'metric')]),
    );
    for (const { rule } of findings) expect(rules.map((each) => each.id)).toContain(rule);
  });

  it('is laid side by side as the core does, disputes and all', async () => {
    const subjects = [{ pattern: 'skerry-crank-4-112' }, { pattern: 'skerry-crank-4-104' }];
    const answer = (await post('/api/compare', { subjects })).json<CompareAnswer>();
    const core = compare(lookup, [
      { sort: 'pattern', id: 'skerry-crank-4-112' },
      { sort: 'pattern', id: 'skerry-crank-4-104' },
    ]);
    expect(answer.rows.map((row) => [row.id, row.agrees])).toEqual(core.rows.map((row) => [row.id, row.agrees]));
    expect(answer.rows.find((row) => row.id === 'crank.mainJournal.diameter')?.cells[0]?.disputed).toBeTrue();
    expect(answer.rows.find((row) => row.id === 'crank.stroke')?.cells[1]?.says).toContain('−8.000 mm');
  });

  it('takes a specimen into a comparison', async () => {
    const id = '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a22';
    const is = {
      sort: 'size',
      text: 'main 79.40 mic',
      parameter: 'crank.mainJournal.diameter',
      values: [79.4],
      unit: 'mm',
      instrument: 'micrometer',
    };
    const readings = [{ id: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a23', at: '2026-03-02T08:10:00.000Z', is }];
    expect(
      (
        await app.inject({
          method: 'PUT',
          url: `/api/specimens/${id}`,
          payload: { name: 'Worn crank', kind: 'crank', readings, version: 0 },
        })
      ).statusCode,
    ).toBe(200);
    const answer = (
      await post('/api/compare', { subjects: [{ pattern: 'skerry-crank-4-112' }, { specimen: id }] })
    ).json<CompareAnswer>();
    expect(answer.columns).toEqual([lookup.label('skerry-crank-4-112'), 'Worn crank']);
    expect(answer.rows.find((row) => row.id === 'crank.mainJournal.diameter')?.cells[1]?.says).toContain(
      'what wear takes',
    );
  });

  it('refuses a comparison that makes no sense, with the reason', async () => {
    for (const [subjects, status, says] of [
      [[{ pattern: 'sluice-pin' }], 400, 'From 2 to 6 parts can be compared'],
      [[{ pattern: 'sluice-pin' }, { pattern: 'sluice-crank-3115' }], 400, 'Only parts of one kind'],
      [[{ pattern: 'sluice-pin' }, { pattern: 'nothing' }], 400, 'no pattern “nothing”'],
      [[{ pattern: 'sluice-pin' }, { specimen: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a99' }], 404, ''],
      [[{ pattern: 'sluice-pin' }, {}], 400, ''],
    ] as const) {
      const answer = await post('/api/compare', { subjects });
      expect(answer.statusCode).withContext(answer.body).toBe(status);
      expect(answer.body).toContain(says);
    }
  });

  it('says what numbers say, by its own schemes and by one that is only tried', async () => {
    const numbers = ['C147', 'Z1'];
    const [date, wrong] = (await post('/api/decode', { scheme: 'brackmere-date', numbers })).json<
      { readings: { years: number[] }[]; problem?: string }[]
    >();
    expect(date?.readings[0]?.years).toEqual([1967, 1977, 1987]);
    expect(wrong?.problem).toContain('cannot be month letter');
    const tried = {
      id: 'tried',
      name: 'Tried',
      kinds: [],
      segments: [{ name: 'All', characters: 'digits', least: 2, most: 4, gives: 'serial' }],
    };
    expect(
      (await post('/api/decode', { scheme: tried, numbers: ['123', '12345'] }))
        .json<{ problem?: string }[]>()
        .map((each) => each.problem === undefined),
    ).toEqual([true, false]);
    expect((await post('/api/decode', { scheme: 'nothing', numbers })).statusCode).toBe(404);
    expect((await post('/api/decode', { scheme: { id: 'half' }, numbers })).statusCode).toBe(400);
  });

  it('reads bearings and vehicle numbers, and says why it cannot', async () => {
    expect((await get('/api/bearings/6305-2Z')).body).toContain('bore 25 mm, outside 62 mm, width 17 mm (ISO 15)');
    const nonsense = await get('/api/bearings/banana');
    expect([nonsense.statusCode, nonsense.body]).toEqual([400, jasmine.stringContaining('is no bearing number')]);
    expect((await get('/api/vehicle-numbers/11111111111111111')).body).toContain('The check digit agrees.');
    expect((await get('/api/vehicle-numbers/O1111111111111111')).body).toContain('I, O and Q');
  });
});

describe('an export', () => {
  let app: FastifyInstance;
  beforeAll(async () => (app = await appWithDemo()));
  afterAll(() => app.close());

  it('is one record a line, in the order of types and ids', async () => {
    const { payload } = await app.inject({ url: '/api/exports/catalogue.json' });
    const catalogue = JSON.parse(payload) as Awaited<ReturnType<typeof demoCatalogue>>;
    const ids = catalogue.patterns.map((pattern) => pattern.id);
    expect(ids).toEqual([...ids].sort());
    expect(payload.split('\n').filter((line) => line.startsWith('{"id"')).length).toBe(
      catalogue.makers.length +
        catalogue.families.length +
        catalogue.patterns.length +
        catalogue.variants.length +
        catalogue.schemes.length +
        catalogue.swaps.length,
    );
  });

  it('holds the whole demo, to the last digit', async () => {
    const catalogue = JSON.parse((await app.inject({ url: '/api/exports/catalogue.json' })).payload) as Awaited<
      ReturnType<typeof demoCatalogue>
    >;
    const sorted = <T extends { id: string }>(records: readonly T[]) =>
      [...records].sort((a, b) => (a.id < b.id ? -1 : 1));
    const demo = await demoCatalogue();
    expect(catalogue.patterns).toEqual(sorted(demo.patterns));
    expect(catalogue.variants).toEqual(sorted(demo.variants));
  });

  it('of a table has the units in its headers, and UTF-8 with its mark', async () => {
    const { payload, headers } = await app.inject({ url: '/api/exports/crank.csv' });
    expect(payload.startsWith('\uFEFFid,family,name,')).toBeTrue();
    expect(payload.split('\r\n')[0]).toContain('crank.stroke [mm],crank.stroke [in]');
    expect(headers['content-disposition']).toBe('attachment; filename="crank.csv"');
    expect((await app.inject({ url: '/api/exports/wheelbarrow.csv' })).statusCode).toBe(400);
  });
});
