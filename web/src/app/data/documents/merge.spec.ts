import type { Build, Job, Reading, Specimen } from '@which-bore/core';
import { mergeBuilds, mergeJobs, mergeRead } from './merge';

const reading = (id: string, text = id): Reading => ({
  id,
  at: '2026-03-02T08:10:00.000Z',
  is: { sort: 'unread', text },
});
const specimen = (name: string, ...readings: Reading[]): Specimen => ({ id: 'one', name, kind: 'crank', readings });
const ids = (of: Specimen) =>
  of.readings.map((each) => (each.is.text === each.id ? each.id : `${each.id}:${each.is.text}`));

describe('merging a specimen edited in two places', () => {
  const base = specimen('Crank', reading('a'), reading('b'));

  it('keeps what was added on either side', () => {
    const merged = mergeRead(
      base,
      specimen('Crank', reading('a'), reading('b'), reading('mine')),
      specimen('Crank', reading('a'), reading('b'), reading('theirs')),
    );
    expect(ids(merged)).toEqual(['a', 'b', 'mine', 'theirs']);
  });

  it('lets go what was removed on either side', () => {
    expect(ids(mergeRead(base, specimen('Crank', reading('b')), specimen('Crank', reading('a'))))).toEqual([]);
  });

  it('keeps an edit against a removal, and the own edit against another', () => {
    expect(
      ids(mergeRead(base, specimen('Crank', reading('a', 'new'), reading('b')), specimen('Crank', reading('b')))),
    ).toEqual(['a:new', 'b']);
    expect(
      ids(
        mergeRead(
          base,
          specimen('Crank', reading('a', 'mine'), reading('b')),
          specimen('Crank', reading('a', 'theirs'), reading('b')),
        ),
      ),
    ).toEqual(['a:mine', 'b']);
  });

  it('takes the other’s edit and name where nothing was changed here', () => {
    const merged = mergeRead(base, base, specimen('Renamed', reading('a', 'theirs'), reading('b')));
    expect(merged.name).toBe('Renamed');
    expect(ids(merged)).toEqual(['a:theirs', 'b']);
  });

  it('loses nothing of two that never had a common beginning', () => {
    expect(ids(mergeRead(undefined, specimen('A', reading('a')), specimen('B', reading('b'))))).toEqual(['a', 'b']);
  });

  it('keeps the job, the teardown and what was skipped: mine where changed here, else theirs', () => {
    const job = '8298c813-593c-4153-81ca-3b9414c8478e';
    const merged = mergeRead(
      base,
      { ...base, skipped: ['size crank.stroke'] },
      { ...base, job, state: 'headOff', skipped: [] },
    );
    expect(merged.job).toBe(job);
    expect(merged.state).toBe('headOff');
    expect(merged.skipped).toEqual(['size crank.stroke']);
  });

  it('lets a part be taken out of its job while somebody else reads on it', () => {
    const job = '8298c813-593c-4153-81ca-3b9414c8478e';
    const merged = mergeRead({ ...base, job }, base, {
      ...specimen('Crank', reading('a'), reading('b'), reading('c')),
      job,
    });
    expect(merged.job).toBeUndefined();
    expect(ids(merged)).toEqual(['a', 'b', 'c']);
  });
});

describe('merging a job changed in two places', () => {
  const line = (id: string, state: 'wanted' | 'ordered' | 'received') =>
    ({ id, need: 'gasket', name: 'Gasket', quantity: 1, state }) as const;
  const start: Job = { id: 'one', name: 'Pump', readings: [], orders: [line('a', 'wanted')] };

  it('keeps what each added to its lists, and counts nothing twice', () => {
    const merged = mergeJobs(
      start,
      { ...start, customer: 'Growers', orders: [line('a', 'ordered'), line('b', 'wanted')] },
      {
        ...start,
        orders: [line('a', 'wanted'), line('c', 'received')],
        log: [{ id: 'l', at: '2026-11-30T08:00:00.000Z', says: 'It came.' }],
      },
    );
    expect(merged.customer).toBe('Growers');
    expect(merged.orders?.map(({ id, state }) => `${id} ${state}`)).toEqual(['a ordered', 'b wanted', 'c received']);
    expect(merged.log?.length).toBe(1);
    expect(merged.decisions).toBeUndefined();
  });

  it('lets go what was taken off elsewhere, unless it was changed here', () => {
    const gone = { ...start, orders: [] };
    expect(mergeJobs(start, start, gone).orders).toEqual([]);
    expect(mergeJobs(start, { ...start, orders: [line('a', 'received')] }, gone).orders?.length).toBe(1);
  });
});

describe('merging a build changed in two places', () => {
  const base: Build = {
    id: 'one',
    name: 'Build',
    variant: 'sluice-357',
    places: [{ slot: 'crank', pattern: 'a' }],
    sizes: [{ of: 'rod.length', value: 145, unit: 'mm' }],
  };

  it('keeps places and figures of both, place by place and cylinder by cylinder', () => {
    const merged = mergeBuilds(
      base,
      { ...base, places: [...base.places, { slot: 'piston', at: 1, pattern: 'mine' }] },
      {
        ...base,
        name: 'Renamed',
        places: [...base.places, { slot: 'piston', at: 2, pattern: 'theirs' }],
        sizes: [...base.sizes, { of: 'running.speed', value: 3000, unit: 'rpm' }],
      },
    );
    expect(merged.name).toBe('Renamed');
    expect(merged.places.map(({ slot, at, pattern }) => `${slot}${at ?? ''} ${pattern ?? ''}`)).toEqual([
      'crank a',
      'piston1 mine',
      'piston2 theirs',
    ]);
    expect(merged.sizes.map(({ of }) => of)).toEqual(['rod.length', 'running.speed']);
  });

  it('keeps the own change of a place against another, and lets go what was taken out elsewhere', () => {
    const merged = mergeBuilds(
      base,
      { ...base, places: [{ slot: 'crank', pattern: 'mine' }] },
      { ...base, places: [{ slot: 'crank', pattern: 'theirs' }], sizes: [] },
    );
    expect(merged.places).toEqual([{ slot: 'crank', pattern: 'mine' }]);
    expect(merged.sizes).toEqual([]);
  });
});
