import { randomUUID } from 'node:crypto';
import type { Answers, Build, BuildFile, StoredBuild } from '@which-bore/core';
import type { FastifyInstance } from 'fastify';
import { JobStore } from '../documents/jobStore.js';
import { SpecimenStore } from '../documents/specimenStore.js';
import { Database } from '../database/database.js';
import { appWithDemo, demoBuilds, demoJobs, demoSpecimens, testDatabaseUrl } from './testing.js';

const LONG_CRANK = '336 with the long crank, old pistons';

describe('builds', () => {
  let app: FastifyInstance;
  let builds: readonly Build[];

  beforeAll(async () => {
    app = await appWithDemo();
    builds = (await demoBuilds()).builds;
    const database = new Database(testDatabaseUrl(), () => undefined);
    await database.open();
    for (const job of (await demoJobs()).jobs) await new JobStore(database).save(job, 0, 'demo');
    for (const specimen of (await demoSpecimens()).specimens)
      await new SpecimenStore(database).save(specimen, 0, 'demo');
    await database.close();
  });
  afterAll(() => app.close());

  const put = (id: string, payload: object) => app.inject({ method: 'PUT', url: `/api/builds/${id}`, payload });
  const ask = async <T>(path: string, payload: object) => {
    const answer = await app.inject({ method: 'POST', url: `/api/builds/${path}`, payload });
    expect(answer.statusCode).withContext(answer.body).toBe(200);
    return answer.json<T>();
  };
  const named = (name: string): Build => {
    const found = builds.find((build) => build.name === name);
    if (!found) throw new Error(`The demo has no build ${name}.`);
    return found;
  };

  it('are kept whole, with versions, deleted and brought back, and go out as a file', async () => {
    const { id, ...build } = named('Upper orchard fan, pistons mixed');
    expect((await put(id, { ...build, version: 0 })).statusCode).toBe(200);
    const kept = (await app.inject({ url: `/api/builds/${id}` })).json<StoredBuild>();
    const { version, updatedAt, ...same } = kept;
    expect(same).toEqual({ id, ...build });
    expect([version, Number.isNaN(Date.parse(updatedAt))]).toEqual([1, false]);
    // Two people: the second sees what the first has done.
    expect((await put(id, { ...build, name: 'Mine', version: 1 })).statusCode).toBe(200);
    const late = await put(id, { ...build, name: 'Too late', version: 1 });
    expect(late.statusCode).toBe(409);
    expect(late.json<{ current: StoredBuild }>().current.name).toBe('Mine');
    const file = (await app.inject({ url: '/api/exports/builds.json' })).json<BuildFile>();
    expect(file.format).toBe('which-bore-builds');
    expect(file.builds.map((each) => each.name)).toEqual(['Mine']);
    expect((await app.inject({ method: 'DELETE', url: `/api/builds/${id}` })).statusCode).toBe(204);
    expect((await app.inject({ url: `/api/builds/${id}` })).statusCode).toBe(404);
    expect((await app.inject({ url: '/api/builds/bin' })).json<StoredBuild[]>().length).toBe(1);
    expect((await app.inject({ method: 'POST', url: `/api/builds/${id}/restore` })).json<StoredBuild>().name).toBe(
      'Mine',
    );
    const history = (await app.inject({ url: `/api/builds/${id}/versions` })).json<{ operation: string }[]>();
    expect(history.map(({ operation }) => operation)).toEqual(['added', 'changed', 'removed', 'restored']);
  });

  it('of a job that is not there, or in another shape, are refused with where and what', async () => {
    const { id: _id, ...build } = named(LONG_CRANK);
    const other = await put(randomUUID(), { ...build, job: randomUUID(), version: 0 });
    expect(other.statusCode).toBe(400);
    expect(other.body).toContain('There is no job');
    for (const [more, where] of [
      [
        { places: [{ slot: 'crank', work: [{ operation: 'weld', by: { value: 1, unit: 'mm' } }] }] },
        'places[0].work[0].operation',
      ],
      [{ sizes: [{ of: 'rod.length', value: 'long', unit: 'mm' }] }, 'sizes[0].value'],
      [{ sizes: [{ of: 'rod.length', at: 40, value: 1, unit: 'mm' }] }, 'sizes[0].at'],
      [{ colour: 'blue' }, 'body'],
    ] as const) {
      const refused = await put(randomUUID(), { ...build, ...more, version: 0 });
      expect(refused.statusCode).withContext(where).toBe(400);
      expect(refused.body).withContext(where).toContain(where);
    }
  });

  it('tell what follows from them: ratio and squish as worked by hand, against the engine as it was', async () => {
    const build = named(LONG_CRANK);
    const sheet = await ask<Answers['buildSheet']>('sheet', { build, units: 'inch' });
    const found = (id: string) => sheet.figures.find((figure) => figure.id === id)?.found[0];
    // By hand: 9.000 - 3.590 / 2 - 5.700 - 1.595 = -0.090 in to a few thou; half of the longer stroke went up.
    expect((found('belowDeck')?.value ?? 0) / 25.4).toBeCloseTo(-0.087, 2);
    expect(((found('belowDeck')?.value ?? 0) - (found('belowDeck')?.base ?? 0)) / 25.4).toBeCloseTo(
      -(3.59 - 3.375) / 2,
      3,
    );
    expect(found('belowDeck')?.verdict).toBe('doesNotFit');
    expect(found('belowDeck')?.says as unknown as string).toMatch(
      /^Less than −0\.0354 in: the crown comes near the head/,
    );
    expect(sheet.engine).toBe('Brackmere Sluice 336');
    expect(sheet.cylinders).toBe(8);
    expect(sheet.parts.filter(({ taken }) => !taken).map(({ slot }) => slot)).toEqual(['crank']);
    const joints = await ask<Answers['buildJoints']>('joints', { build, units: 'metric' });
    expect(joints.judged?.verdict).toBe('doesNotFit');
  });

  it('have the stored specimens they name, as measured, without their being sent along', async () => {
    const build = named('Winch engine as it lies on the bench');
    const sheet = await ask<Answers['buildSheet']>('sheet', { build });
    expect(sheet.problems).toEqual([]);
    expect(sheet.parts.filter(({ label }) => label.startsWith('Winch')).length).toBe(4);
    const given = sheet.figures
      .find(({ id }) => id === 'belowDeck')
      ?.found[0]?.arguments.find(({ name }) => name === 'deck');
    expect(given?.from).toContain('Winch block');
    expect(sheet.mixed.map(({ slot }) => slot)).toEqual(['rod']);
    // One that was deleted is named; the rest goes on.
    const gone = build.places.map((place) =>
      place.slot === 'liner' ? { slot: 'liner', specimen: randomUUID() } : place,
    );
    const without = await ask<Answers['buildSheet']>('sheet', { build: { ...build, places: gone } });
    expect(without.problems.map(({ where }) => where)).toEqual(['build.places[3]']);
  });

  it('are solved backwards, with the nearest part on record', async () => {
    const build = named(LONG_CRANK);
    const solved = await ask<Answers['buildSolve']>('solve', {
      build,
      figure: 'squish',
      wanted: 1.524,
      size: 'piston.compressionHeight',
    });
    // The pistons of the larger engine stand on record for just that.
    expect((solved.size ?? 0) / 25.4).toBeCloseTo(1.488, 3);
    expect(solved.nearest[0]?.pattern).toContain('sluice-piston-398-3590');
    expect(solved.nearest[0]?.verdict).toBe('fits');
    const none = await ask<Answers['buildSolve']>('solve', {
      build,
      figure: 'squish',
      wanted: 60,
      size: 'headGasket.thickness',
    });
    expect(none.size).toBeUndefined();
    expect(none.reached?.high).toBeLessThan(60);
  });

  it('are swept over one size, two, or a list of parts', async () => {
    const build = named('357 with small-chamber heads');
    const one = await ask<Answers['buildSweep']>('sweep', {
      build,
      figures: ['squish', 'ratio'],
      over: [{ size: 'headGasket.thickness', from: 0.5, to: 1.5, steps: 11 }],
    });
    const squish = one.figures[0]?.values ?? [];
    // A thicker gasket gives as much more squish, to the last digit.
    expect((squish[10] ?? 0) - (squish[0] ?? 0)).toBeCloseTo(1, 9);
    expect(one.figures[0]?.required?.low).toBe(0.9);
    const map = await ask<Answers['buildSweep']>('sweep', {
      build,
      figures: ['ratio'],
      over: [
        { size: 'headGasket.thickness', from: 0.5, to: 1.5, steps: 200 },
        { size: 'head.chamber.volume', from: 50, to: 70, steps: 200 },
      ],
    });
    expect(map.figures[0]?.values.length).toBe(40_000);
    const parts = await ask<Answers['buildSweep']>('sweep', {
      build,
      figures: ['ratio'],
      parts: { slot: 'head', patterns: ['sluice-head-58', 'sluice-head-74'] },
    });
    expect(parts.labels.length).toBe(2);
    const [small = 0, large = 0] = parts.figures[0]?.values ?? [];
    expect(small).toBeGreaterThan(large ?? 0);
    const unclear = await app.inject({
      method: 'POST',
      url: '/api/builds/sweep',
      payload: { build, figures: ['ratio'] },
    });
    expect(unclear.statusCode).toBe(400);
    const unknown = await app.inject({
      method: 'POST',
      url: '/api/builds/sweep',
      payload: { build, figures: ['ratio'], over: [{ size: 'rod.colour', from: 0, to: 1, steps: 2 }] },
    });
    expect(unknown.body).toContain('body.over[0].size');
  });

  it('tell how a figure comes out in many engines, the same for the same seed', async () => {
    const asked = { build: named('357 on a longer rod'), figure: 'squish', engines: 500, seed: 5 };
    const drawn = await ask<Answers['buildTolerance']>('tolerance', asked);
    expect(drawn.drawn.engines).toBe(500);
    expect(drawn.drawn.places).toBe(8);
    expect(drawn.drawn.bins.reduce((so, count) => so + count, 0)).toBe(4000);
    expect(await ask<Answers['buildTolerance']>('tolerance', asked)).toEqual(drawn);
    const pump = await ask<Answers['buildTolerance']>('tolerance', {
      ...asked,
      build: named('Copy of the pump with the pump’s own piston'),
      figure: 'inertia',
    });
    expect(pump.needs.length).toBeGreaterThan(0);
    expect(pump.value).toBeUndefined();
  });

  it('begin from the parts of a job, and run over the crank angle', async () => {
    const [, winch] = (await demoJobs()).jobs;
    const begun = await ask<Answers['buildBegin']>('begin', { jobId: winch?.id });
    expect(begun.places.map(({ slot, at }) => `${slot}${at ?? ''}`).sort()).toEqual([
      'block',
      'crank',
      'liner',
      'rod1',
      'rod2',
    ]);
    const curves = await ask<Answers['buildCurves']>('curves', { build: named(LONG_CRANK) });
    expect(curves.angles.length).toBe(361);
    const fall = curves.curves.find(({ id }) => id === 'fall');
    expect(Math.max(...(fall?.values ?? []))).toBeGreaterThan(Math.max(...(fall?.base ?? [])));
  });

  it('of an engine that is not in the catalogue are refused where that is said', async () => {
    const answer = await app.inject({
      method: 'POST',
      url: '/api/builds/sheet',
      payload: { build: { ...named(LONG_CRANK), variant: 'no-such-engine' } },
    });
    expect(answer.statusCode).toBe(400);
    expect(answer.body).toContain('body.build.variant');
  });
});
