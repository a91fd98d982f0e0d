import { identify, indexCatalogue, readEntry, say, type Catalogue } from '@which-bore/core';
import type { FastifyInstance } from 'fastify';
import { BODY_LIMIT } from '../app.js';
import { appWithDemo, demoCatalogue } from './testing.js';

const ENTRY = 'cast 41?7 main 2.3482in mic pin 52.05 mic stroke 3.375" forged 8 weights';

interface LineUpAnswer {
  status: string;
  none: number;
  candidates: { pattern: string; probability: number; pulls: { decibans: number; why: string }[] }[];
}
interface InterchangeAnswer {
  swaps: {
    recipient: string;
    verdict: string;
    says: string;
    needs: { id: string }[];
    joints: { checks: { id: string; because: string; work: { says: string }[] }[] }[];
  }[];
}

describe('the API', () => {
  let app: FastifyInstance;
  let catalogue: Catalogue;

  beforeAll(async () => {
    app = await appWithDemo();
    catalogue = await demoCatalogue();
  });
  afterAll(() => app.close());

  const post = (url: string, payload: object | string) =>
    app.inject({ method: 'POST', url, payload, headers: { 'content-type': 'application/json' } });

  it('identifies with the numbers of the core itself', async () => {
    const answer = (await post('/api/identify', { kind: 'crank', entry: ENTRY, most: 3 })).json<LineUpAnswer>();
    const core = identify(indexCatalogue('crank', catalogue), readEntry(ENTRY, 'crank').words, 3);
    expect(answer.status).toBe(core.status);
    expect(answer.none).toBe(core.none);
    expect(
      answer.candidates.map((each) => [
        each.pattern,
        each.probability,
        each.pulls.map((pull) => [pull.decibans, pull.why]),
      ]),
    ).toEqual(
      core.candidates.map((each) => [
        each.pattern,
        each.probability,
        each.pulls.map((pull) => [pull.decibans, say(pull.why, 'metric')]),
      ]),
    );
  });

  it('writes its sentences in the units asked for', async () => {
    const answer = (
      await post('/api/identify', { kind: 'crank', entry: 'main 2.3482in mic', most: 1, units: 'inch' })
    ).json<LineUpAnswer>();
    expect(answer.candidates[0]?.pulls[0]?.why).toBe(
      '0.0008 in under the standard limits 2.3490 to 2.3500 in: worn, or a light polish.',
    );
  });

  it('says how words are understood', async () => {
    const answer = (await post('/api/read', { kind: 'block', entry: 'crank main 2.349 mm' })).json<{
      kind: string;
      words: { reason: string }[];
    }>();
    expect(answer.kind).toBe('crank');
    expect(answer.words[0]?.reason).toContain('Did you mean 2.349 in?');
  });

  it('gives each of the four verdicts', async () => {
    const recipients = [
      'sluice-block-low-small',
      'sluice-block-low-large',
      'sluice-block-pump',
      'skerry-block-4-early',
    ];
    const { swaps } = (
      await post('/api/interchange', {
        donors: [{ pattern: 'sluice-crank-3375-forged' }],
        recipients: recipients.map((pattern) => ({ pattern })),
      })
    ).json<InterchangeAnswer>();
    expect(swaps.map((each) => each.verdict)).toEqual(['fits', 'fitsWithWork', 'cannotTell', 'doesNotFit']);
    expect(swaps[2]?.needs.map(({ id }) => id)).toEqual(['block.crankcase.swing']);
    expect(swaps[1]?.joints[0]?.checks.find((check) => check.id === 'oilClearance')?.work[0]?.says).toContain(
      'spacer shells',
    );
  });

  it('takes a specimen as it was measured, or with the rest of a pattern', async () => {
    const specimen = {
      id: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11',
      name: 'Mine',
      kind: 'crank',
      readings: readEntry(ENTRY, 'crank').words.map((is, at) => ({
        id: `7a0d5a1e-3f7f-4f43-8f25-00000000000${at}`,
        at: '2026-03-02T08:10:00.000Z',
        is,
      })),
    };
    const verdict = async (donor: object) =>
      (
        await post('/api/interchange', { donors: [donor], recipients: [{ pattern: 'sluice-block-low-large' }] })
      ).json<InterchangeAnswer>().swaps[0]?.verdict;
    expect(await verdict({ specimen, as: 'nothing' })).toBe('cannotTell');
    expect(await verdict({ specimen, as: 'sluice-crank-3375-forged' })).toBe('fitsWithWork');
    // Where nothing is said it is taken for what it most likely is, as the page takes it.
    expect(await verdict({ specimen })).toBe('fitsWithWork');
  });

  it('answers bad input with what, where and what to do', async () => {
    const size =
      '{"sort":"size","text":"x","parameter":"crank.stroke","values":[NUMBER],"unit":"mm","instrument":"rule"}';
    const cases: [string, object | string, number, RegExp][] = [
      ['/api/identify', '{"kind":', 400, /not JSON/],
      ['/api/identify', `{"kind":"crank","readings":[${size.replace('NUMBER', 'NaN')}]}`, 400, /no NaN/],
      ['/api/identify', `{"kind":"crank","readings":[${size.replace('NUMBER', '1e999')}]}`, 400, /values\[0\].*number/],
      [
        '/api/identify',
        `{"kind":"crank","readings":[${size.replace('NUMBER', '"Infinity"')}]}`,
        400,
        /values\[0\].*number/,
      ],
      ['/api/identify', { kind: 'wing' }, 400, /block, crank, mainShell/],
      ['/api/identify', { kind: 'crank', entry: 'x'.repeat(BODY_LIMIT) }, 413, /at most 1024 KiB/],
      [
        '/api/interchange',
        { donors: [{ pattern: 'no-such' }], recipients: [{ pattern: 'ambit-block-3' }] },
        404,
        /donors\[0\]\.pattern.*no-such/,
      ],
      [
        '/api/interchange',
        { donors: [{ pattern: 'ambit-crank-3' }], recipients: [{ pattern: 'no-such' }] },
        404,
        /recipients\[0\].*no-such/,
      ],
      [
        '/api/interchange',
        { donors: [{ pattern: 'ambit-valve-intake-34' }], recipients: [{ pattern: 'ambit-block-3' }] },
        400,
        /do not meet in any joint/,
      ],
      ['/api/interchange', { donors: [{}], recipients: [{ pattern: 'ambit-block-3' }] }, 400, /body\.donors/],
      [
        '/api/interchange',
        {
          donors: [{ pattern: 'ambit-crank-3', specimenId: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11' }],
          recipients: [{ pattern: 'ambit-block-3' }],
        },
        400,
        /exactly one/,
      ],
    ];
    for (const [url, payload, status, said] of cases) {
      const answer = await post(url, payload);
      expect(answer.statusCode).withContext(`${url} ${answer.body}`).toBe(status);
      expect(answer.body).toMatch(said);
    }
  });

  it('takes ten thousand characters of nonsense and gives them back unread', async () => {
    const answer = (await post('/api/identify', { kind: 'crank', entry: 'nonsense '.repeat(1111) })).json<
      LineUpAnswer & { readings: { sort: string; reason: string }[] }
    >();
    expect(answer.status).toBe('noEvidence');
    expect(answer.readings[0]?.reason).toMatch(/the line takes 2,000/);
  });

  it('serves the catalogue in its open format, and not again while it is unchanged', async () => {
    const full = await app.inject({ url: '/api/catalogue' });
    expect(new Set(full.json<Catalogue>().patterns.map((pattern) => pattern.id))).toEqual(
      new Set(catalogue.patterns.map((pattern) => pattern.id)),
    );
    const again = await app.inject({ url: '/api/catalogue', headers: { 'if-none-match': String(full.headers.etag) } });
    expect([again.statusCode, again.body]).toEqual([304, '']);
  });

  it('documents every route with an example', async () => {
    const { paths } = (await app.inject({ url: '/api/docs/json' })).json<{
      paths: Record<string, Record<string, { summary?: string }>>;
    }>();
    expect(Object.keys(paths).length).toBeGreaterThan(8);
    for (const [path, methods] of Object.entries(paths)) {
      for (const [method, route] of Object.entries(methods)) {
        expect(route.summary).withContext(`${method} ${path}`).toBeTruthy();
        expect(JSON.stringify(route))
          .withContext(`${method} ${path}`)
          .toMatch(/"examples?"/);
      }
    }
  });

  it('sends a strict content policy', async () => {
    const policy = String((await app.inject({ url: '/api/health' })).headers['content-security-policy']);
    expect(policy).toContain("default-src 'self'");
    expect(policy).not.toContain('unsafe');
  });
});
