import type { RecordOf, RecordType } from '@which-bore/core';
import type { FastifyInstance } from 'fastify';
import { appWithDemo } from './testing.js';

const BY = { 'x-who': encodeURIComponent('Zoë at the lathe') };

interface Stored<T extends RecordType> {
  readonly record: RecordOf[T];
  readonly version: number;
}
interface Change {
  readonly id: string;
  readonly who: string;
  readonly operation: string;
  readonly before: { readonly name?: string } | null;
}

describe('a record of the catalogue', () => {
  let app: FastifyInstance;
  beforeEach(async () => {
    app = await appWithDemo();
  });
  afterEach(() => app.close());

  const get = async <T extends RecordType>(type: T, id: string) =>
    (await app.inject({ url: `/api/records/${type}/${id}` })).json<Stored<T>>();
  const put = <T extends RecordType>(type: T, record: RecordOf[T], version: number) =>
    app.inject({ method: 'PUT', url: `/api/records/${type}/${record.id}`, payload: { record, version }, headers: BY });
  const changes = async (type: RecordType, id: string) =>
    (await app.inject({ url: `/api/changes?type=${type}&id=${id}` })).json<Change[]>();
  const undo = (id: string | undefined) =>
    app.inject({ method: 'POST', url: `/api/changes/${id ?? ''}/undo`, headers: BY });

  it('is changed under the name of who changes it, and brought back', async () => {
    const { record, version } = await get('pattern', 'sluice-crank-3115');
    const saved = await put('pattern', { ...record, name: 'Renamed' }, version);
    expect([saved.statusCode, saved.json<Stored<'pattern'>>().version]).toEqual([200, version + 1]);
    const [change] = await changes('pattern', record.id);
    expect([change?.who, change?.operation, change?.before?.name]).toEqual([
      'Zoë at the lathe',
      'changed',
      record.name,
    ]);
    expect((await undo(change?.id)).statusCode).toBe(204);
    expect((await get('pattern', record.id)).record).toEqual(record);
    // Taking back is a change as well, and can be taken back.
    expect((await undo((await changes('pattern', record.id))[0]?.id)).statusCode).toBe(204);
    expect((await get('pattern', record.id)).record.name).toBe('Renamed');
  });

  it('is not saved over what somebody else saved meanwhile', async () => {
    const { record, version } = await get('maker', 'vesk');
    expect((await put('maker', { ...record, note: 'One' }, version)).statusCode).toBe(200);
    const late = await put('maker', { ...record, note: 'Two' }, version);
    expect(late.statusCode).toBe(409);
    expect(late.json<{ current: Stored<'maker'> }>().current.record.note).toBe('One');
    expect((await put('maker', record, 0)).statusCode).toBe(409);
  });

  it('added is gone when its adding is undone; removed is back', async () => {
    const maker: RecordOf['maker'] = { id: 'larch', name: 'Larch' };
    expect((await put('maker', maker, 0)).statusCode).toBe(200);
    await undo((await changes('maker', maker.id))[0]?.id);
    expect((await app.inject({ url: '/api/records/maker/larch' })).statusCode).toBe(404);
    const { version } = await get('scheme', 'tarrow-mains');
    expect(
      (await app.inject({ method: 'DELETE', url: `/api/records/scheme/tarrow-mains?version=${version}` })).statusCode,
    ).toBe(204);
    await undo((await changes('scheme', 'tarrow-mains'))[0]?.id);
    expect((await get('scheme', 'tarrow-mains')).record.name).toBe('Tarrow main journal classes');
  });

  it('on which others stand cannot go, and one that leads nowhere cannot come', async () => {
    const { record, version } = await get('pattern', 'sluice-pin');
    const removed = await app.inject({ method: 'DELETE', url: `/api/records/pattern/sluice-pin?version=${version}` });
    expect([removed.statusCode, removed.json<{ error: string }>().error]).toEqual([
      409,
      '“sluice-pin” is still named by a fitment of a variant; take it out there first.',
    ]);
    const lost = await put('pattern', { ...record, family: 'nobody' }, version);
    expect([lost.statusCode, lost.json<{ error: string }>().error]).toEqual([
      409,
      'A pattern names “nobody”, which is not there; add it first.',
    ]);
    expect((await get('pattern', 'sluice-pin')).version).toBe(version);
  });

  it('is refused with place and mend where it makes no sense', async () => {
    const { record, version } = await get('pattern', 'sluice-pin');
    const wrong = {
      ...record,
      dimensions: { ...record.dimensions, 'pin.length': { low: '3', high: '2', unit: 'in' as const } },
    };
    const answer = await put('pattern', wrong, version);
    expect(answer.statusCode).toBe(400);
    expect(answer.body).toContain('low 3 is above high 2; exchange them.');
    const elsewhere = await app.inject({
      method: 'PUT',
      url: '/api/records/pattern/other',
      payload: { record, version: 0 },
    });
    expect([elsewhere.statusCode, elsewhere.body]).toEqual([400, jasmine.stringContaining('make them the same')]);
  });
});
