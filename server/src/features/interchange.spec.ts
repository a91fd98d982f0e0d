import {
  CatalogueLookup,
  judgeSwap,
  say,
  swapContextOf,
  VERDICT_WORDS,
  type Catalogue,
  type StoredShop,
  OPERATIONS,
} from '@which-bore/core';
import { parse } from 'csv-parse/sync';
import ExcelJS from 'exceljs';
import { readFile } from 'node:fs/promises';
import type { FastifyInstance } from 'fastify';
import { appWithDemo, demoCatalogue, demoJobs, demoSpecimens } from './testing.js';

interface Answer {
  readonly donor: string;
  readonly swaps: readonly {
    readonly donor: string;
    readonly recipient: string;
    readonly verdict: string;
    readonly says: string;
    readonly companions: readonly string[];
    readonly leftOut: readonly { readonly joint: string }[];
    readonly known: readonly { readonly result: string; readonly who?: string }[];
    readonly reverse?: { readonly verdict: string; readonly donor: string };
    readonly joints: readonly {
      readonly id: string;
      readonly checks: readonly {
        readonly id: string;
        readonly verdict: string;
        readonly because: string;
        readonly work: readonly { readonly price: number; readonly elsewhere: readonly { readonly check: string }[] }[];
      }[];
    }[];
  }[];
}
interface GridAnswer {
  readonly donors: readonly string[];
  readonly recipients: readonly string[];
  readonly joints: readonly { readonly id: string }[];
  readonly verdicts: readonly string[];
  readonly refusedBy: readonly (readonly (readonly number[])[])[];
}

interface WhatElse {
  readonly counts: Record<string, number>;
  readonly best: readonly {
    readonly pattern?: string;
    readonly specimenId?: string;
    readonly name: string;
    readonly verdict: string;
    readonly partPrice?: number;
  }[];
}

const GRID = {
  donors: { kind: 'crank' },
  recipients: { kind: 'block', patterns: ['sluice-block-low-small', 'sluice-block-low-large', 'sluice-block-pump'] },
};

describe('interchange through the API', () => {
  let app: FastifyInstance;
  let catalogue: Catalogue;

  beforeAll(async () => {
    app = await appWithDemo();
    catalogue = await demoCatalogue();
  });
  afterAll(() => app.close());

  const post = (url: string, payload: object) => app.inject({ method: 'POST', url: `/api/interchange${url}`, payload });
  const judged = async (donors: readonly object[], ...recipients: readonly object[]) =>
    (await post('', { donors, recipients })).json<Answer>().swaps;

  it('judges a part for an engine, with what the core itself says, the records and the other way round', async () => {
    const [swap] = await judged([{ pattern: 'skerry-crank-6-112' }], { pattern: 'skerry-block-6-early' });
    const lookup = new CatalogueLookup(catalogue);
    const core = judgeSwap(
      lookup,
      [{ pattern: 'skerry-crank-6-112' }],
      { pattern: 'skerry-block-6-early' },
      swapContextOf(lookup),
    );
    expect(swap?.verdict).toBe(core.swap.verdict);
    expect(swap?.says).toBe(say(core.swap.says, 'metric'));
    expect(swap?.known[0]?.result).toBe('worksWithWork');
    expect(swap?.known[0]?.who).toBe('Fernside Motors');
    expect(swap?.reverse?.donor).toContain('six, stroke 104');
  });

  it('says of every joint, for each of its verdicts, what the core says', async () => {
    const { specimens } = await demoSpecimens();
    // A pattern's id, variant:id, or specimen:name, with =pattern where it is taken for one.
    const party = (text: string): object => {
      const [sort, rest = ''] = text.split(':');
      if (sort === 'variant') return { variant: rest };
      if (sort !== 'specimen') return { pattern: text };
      const [name, as] = rest.split('=');
      return { specimen: specimens.find((each) => each.name === name), as: as ?? 'nothing' };
    };
    const rows = JSON.parse(
      await readFile(new URL('../../../core/src/testing/demoPairs.json', import.meta.url), 'utf8'),
    ) as (readonly string[])[];
    for (const [joint, check, verdict, donor = '', recipient = '', says = ''] of rows) {
      const [swap] = await judged([party(donor)], party(recipient));
      const checks =
        swap?.joints.filter(({ id }) => id === joint).flatMap((each) => each.checks.filter(({ id }) => id === check)) ??
        [];
      expect(checks.some((each) => each.verdict === verdict && each.because.includes(says)))
        .withContext(`${joint} ${check} ${donor} ${recipient}`)
        .toBeTrue();
    }
  });

  it('takes a set, and asks for what belongs to it where it is not whole', async () => {
    const [alone] = await judged([{ pattern: 'skerry-piston-112-160-super' }], { variant: 'skerry-47' });
    expect(alone?.companions).toEqual(['skerry-rod-drilled-42']);
    const kit = ['skerry-piston-112-160-super', 'skerry-rod-drilled-42', 'skerry-pin-42'].map((pattern) => ({
      pattern,
    }));
    const [whole] = await judged(kit, { variant: 'skerry-47' });
    expect([whole?.verdict, whole?.companions]).toEqual(['fits', []]);
  });

  it('puts the internals of one engine into the block of another', async () => {
    const [swap] = await judged([{ variant: 'sluice-306', internals: true }], { variant: 'sluice-357' });
    expect(swap?.joints.map(({ id }) => id)).toEqual(
      jasmine.arrayContaining(['mains', 'location', 'deck', 'squish', 'compression']),
    );
    expect(swap?.verdict).toBe('doesNotFit');
    const skirt = swap?.joints
      .find(({ id }) => id === 'pistonInBlock')
      ?.checks.find(({ id }) => id === 'skirtClearance');
    expect(skirt?.because).toContain('slap');
  });

  it('says what joints it could not look at for want of a part', async () => {
    const [swap] = await judged([{ pattern: 'sluice-piston-398-3375-90' }], { pattern: 'sluice-block-low-large' });
    expect(swap?.leftOut.map(({ joint }) => joint)).toContain('Compression');
  });

  it('prices work by the house rules', async () => {
    const priceOf = async () => {
      const [swap] = await judged([{ pattern: 'sluice-crank-3375-forged' }], { pattern: 'sluice-block-low-large' });
      return swap?.joints[0]?.checks.find(({ id }) => id === 'oilClearance')?.work[0]?.price;
    };
    const usual = await priceOf();
    const { shop } = (await app.inject({ url: '/api/shop' })).json<{ shop?: object }>();
    const current = shop ?? (await app.inject({ url: '/api/shop' })).json<object>();
    const put = await app.inject({
      method: 'PUT',
      url: '/api/shop',
      payload: { ...current, rules: { work: { spacerShells: { price: 999 } } } },
    });
    expect(put.statusCode).withContext(put.body).toBe(200);
    // With the shells that are bought for it, which the catalogue prices before and after.
    expect(await priceOf()).toBe((usual ?? NaN) + 999 - OPERATIONS.spacerShells.price);
  });

  it('judges by the shop’s own figures of thumb, and refuses what is none with its place', async () => {
    const spacing = async () => {
      const [swap] = await judged([{ pattern: 'sluice-crank-3375-forged' }], { pattern: 'sluice-block-low-small' });
      return swap?.joints[0]?.checks.find(({ id }) => id === 'mainSpacing');
    };
    const current = (await app.inject({ url: '/api/shop' })).json<StoredShop>();
    const put = (version: number, figures: object) =>
      app.inject({
        method: 'PUT',
        url: '/api/shop',
        payload: { ...current, version, rules: { ...current.rules, figures } },
      });
    expect(await spacing()).toEqual(
      jasmine.objectContaining({
        verdict: 'fits',
        ruleOfThumb: jasmine.stringContaining('−0.600 to 0.600 mm. Common practice.'),
      }),
    );
    const refused = await put(current.version, {
      'bearings.spacing': { low: 0, high: 1 },
      'deck.squish': { low: 1, high: 2 },
    });
    expect(refused.statusCode).toBe(400);
    expect(refused.json<{ problems: { where: string }[] }>().problems.map(({ where }) => where)).toEqual([
      'body.rules.figures.bearings.spacing',
      'body.rules.figures.deck.squish',
    ]);
    // Nothing lies within a band that begins a millimetre out.
    const kept = await put(current.version, { 'bearings.mainSpacing': { low: 1, high: 2 } });
    expect(kept.statusCode).withContext(kept.body).toBe(200);
    expect(await spacing()).toEqual(
      jasmine.objectContaining({
        verdict: 'doesNotFit',
        ruleOfThumb: jasmine.stringContaining('The shop’s own figure.'),
      }),
    );
    await put(current.version + 1, {});
  });

  it('finds what else takes a part and what else goes where it is', async () => {
    const asked = { part: { pattern: 'sluice-crank-3375-forged' }, kind: 'block', side: 'recipient' };
    const takes = (await post('/what-else', { ...asked, shelf: false })).json<WhatElse>();
    expect(takes.best[0]).toEqual(jasmine.objectContaining({ pattern: 'sluice-block-low-small', verdict: 'fits' }));
    expect(Object.values(takes.counts).reduce((a, b) => a + b)).toBe(
      catalogue.patterns.filter(({ kind }) => kind === 'block').length,
    );
    const goes = (
      await post('/what-else', { part: { pattern: 'sluice-block-low-small' }, kind: 'crank', side: 'donor', most: 3 })
    ).json<WhatElse>();
    expect(goes.best.length).toBe(3);
    expect(goes.best.every(({ verdict }) => verdict === 'fits')).toBeTrue();
  });

  it('judges what lies on the shelf among the others, taken for what it most likely is; it costs nothing', async () => {
    const cranks = (await demoSpecimens()).specimens.filter(({ kind, job }) => kind === 'crank' && job === undefined);
    for (const { id, name, kind, readings } of cranks) {
      const saved = await app.inject({
        method: 'PUT',
        url: `/api/specimens/${id}`,
        payload: { name, kind, readings, version: 0 },
      });
      expect(saved.statusCode).withContext(saved.body).toBe(200);
    }
    const asked = { part: { pattern: 'sluice-block-low-small' }, kind: 'crank', side: 'donor', most: 200 };
    const { best, counts } = (await post('/what-else', asked)).json<WhatElse>();
    expect(Object.values(counts).reduce((a, b) => a + b)).toBe(
      cranks.length + catalogue.patterns.filter(({ kind }) => kind === 'crank').length,
    );
    const lying = best.filter(({ specimenId }) => specimenId !== undefined);
    expect(lying.length).toBeGreaterThan(0);
    for (const each of lying)
      expect(each).toEqual(
        jasmine.objectContaining({ partPrice: 0, name: cranks.find(({ id }) => id === each.specimenId)?.name }),
      );
    const fitting = best.filter(({ verdict }) => verdict === 'fits');
    expect(fitting[0]?.specimenId).withContext('free ones come first').toBeDefined();
    const [first] = lying;
    const without = (
      await post('/what-else', { ...asked, part: { pattern: 'sluice-block-low-small' }, shelf: false })
    ).json<WhatElse>();
    expect(without.best.some(({ specimenId }) => specimenId !== undefined)).toBeFalse();
    const itself = (
      await post('/what-else', { part: { specimenId: first?.specimenId }, kind: 'crank', side: 'donor' })
    ).json<WhatElse>();
    expect(itself.best.some(({ specimenId }) => specimenId === first?.specimenId)).toBeFalse();
  });

  it('works out the grid, and writes it as CSV and as a workbook', async () => {
    const grid = (await post('/grid', GRID)).json<GridAnswer>();
    expect(grid.verdicts.length).toBe(grid.donors.length);
    const [donor, recipient] = [
      grid.donors.indexOf('sluice-crank-3375-large'),
      grid.recipients.indexOf('sluice-block-low-small'),
    ];
    expect(grid.verdicts[donor]?.[recipient]).toBe('x');
    expect(grid.refusedBy[donor]?.[recipient]?.map((at) => grid.joints[at]?.id)).toEqual(['mains']);
    const rows: string[][] = parse((await post('/grid.csv', GRID)).body, { bom: true });
    expect(rows.length).toBe(grid.donors.length + 1);
    expect(rows[donor + 1]?.[recipient + 1]).toBe(VERDICT_WORDS.doesNotFit);
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load((await post('/grid.xlsx', GRID)).rawPayload as unknown as ArrayBuffer);
    const cell = workbook.worksheets[0]?.getRow(donor + 2).getCell(recipient + 2).value;
    expect(cell).toBe(VERDICT_WORDS.doesNotFit);
  });

  it('takes a job with all its parts as recipient and as donor, and says so where there is none', async () => {
    const { jobs } = await demoJobs();
    const { specimens } = await demoSpecimens();
    const [job] = jobs;
    if (!job) throw new Error('the demo has no job');
    const { id: _, ...asked } = job;
    const put = await app.inject({ method: 'PUT', url: `/api/jobs/${job.id}`, payload: { ...asked, version: 0 } });
    expect(put.statusCode).withContext(put.body).toBe(200);
    const none = await post('', { donors: [{ pattern: 'ambit-crank-3' }], recipients: [{ jobId: job.id }] });
    expect(none.statusCode).toBe(400);
    expect(none.body).toContain('There is no part in this job yet.');
    for (const { id, ...rest } of specimens.filter((each) => each.job === job.id))
      await app.inject({ method: 'PUT', url: `/api/specimens/${id}`, payload: { ...rest, version: 0 } });
    const [into] = await judged([{ pattern: 'sluice-crank-3375-large' }], { jobId: job.id });
    expect(into?.recipient).toBe(job.name);
    expect(into?.verdict).toBe('doesNotFit');
    const [out] = await judged([{ jobId: job.id }], { variant: 'sluice-306' });
    expect(out?.donor).toBe(job.name);
    // The shelf is left as it was for the others.
    for (const { id } of specimens.filter((each) => each.job === job.id))
      await app.inject({ method: 'DELETE', url: `/api/specimens/${id}` });
    const lost = await post('', {
      donors: [{ pattern: 'ambit-crank-3' }],
      recipients: [{ jobId: '00000000-0000-4000-8000-000000000000' }],
    });
    expect(lost.statusCode).toBe(404);
    expect(lost.body).toMatch(/recipients\[0\]\.jobId.*no job/);
  });

  it('says what is wrong, where and what to do', async () => {
    const cases: readonly (readonly [string, object, number, RegExp])[] = [
      [
        '',
        { donors: [{ variant: 'no-such' }], recipients: [{ pattern: 'ambit-block-3' }] },
        404,
        /donors\[0\]\.variant.*no-such/,
      ],
      [
        '',
        { donors: [{ pattern: 'ambit-crank-3', variant: 'ambit-1200' }], recipients: [{ pattern: 'ambit-block-3' }] },
        400,
        /exactly one/,
      ],
      ['', { donors: [], recipients: [{ pattern: 'ambit-block-3' }] }, 400, /donors/],
      ['/what-else', { part: { pattern: 'ambit-crank-3' }, kind: 'valve', side: 'recipient' }, 400, /do not meet/],
      ['/grid', { donors: { kind: 'crank' }, recipients: { kind: 'valve' } }, 400, /do not meet/],
      [
        '/grid',
        { donors: { kind: 'crank', patterns: ['ambit-block-3'] }, recipients: { kind: 'block' } },
        404,
        /donors\.patterns.*ambit-block-3/,
      ],
    ];
    for (const [url, payload, status, said] of cases) {
      const answer = await post(url, payload);
      expect(answer.statusCode).withContext(answer.body).toBe(status);
      expect(answer.body).toMatch(said);
    }
  });
});
