import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { firstValueFrom } from 'rxjs';
import { specimen } from '../testing/demo';
import { Api, ApiError } from './api';
import { BrowserStorage } from './browserStorage';
import { Preferences } from './preferences';

describe('the API as the browser sees it', () => {
  let api: Api;
  let http: HttpTestingController;

  beforeEach(() => {
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), provideHttpClient(), provideHttpClientTesting()],
    });
    api = TestBed.inject(Api);
    http = TestBed.inject(HttpTestingController);
  });
  afterEach(() => http.verify());

  const failure = async (status: number, body: object | null): Promise<ApiError> => {
    const asked = firstValueFrom(api.specimens());
    http.expectOne('/api/specimens').flush(body, { status, statusText: 'x' });
    try {
      await asked;
    } catch (error) {
      if (error instanceof ApiError) return error;
    }
    throw new Error('It did not fail as it should.');
  };

  it('sends a specimen whole with the version last seen', async () => {
    const part = specimen('main 59.67 mic');
    const asked = firstValueFrom(api.save(part, 3));
    const { request } = http.expectOne(`/api/specimens/${part.id}`);
    expect([request.method, request.body]).toEqual([
      'PUT',
      { name: part.name, kind: 'crank', readings: part.readings, version: 3 },
    ]);
    http.match(() => true);
    await Promise.race([asked, Promise.resolve()]);
  });

  it('says whose name a change goes under, removals and restorations too, and asks without a name', () => {
    TestBed.inject(Preferences).name.set('Änne');
    const id = '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11';
    for (const change of [
      api.remove(id),
      api.restore(id),
      api.removeJob(id),
      api.restoreJob(id),
      api.removeBuild(id),
      api.restoreBuild(id),
      api.removePhotograph(id),
      api.restorePhotograph(id),
      api.cancelImport(id),
      api.readImport(id, {}),
      api.removeRecord('pattern', 'a b', 2),
    ])
      change.subscribe();
    const changes = http.match(() => true);
    expect(changes.length).toBe(11);
    for (const { request } of changes)
      expect(request.headers.get('x-who')).withContext(`${request.method} ${request.url}`).toBe('%C3%84nne');
    expect(changes.at(-1)?.request.urlWithParams).toBe('/api/records/pattern/a%20b?version=2');
    api.specimens().subscribe();
    expect(http.expectOne('/api/specimens').request.headers.has('x-who')).toBeFalse();
    TestBed.inject(Preferences).name.set('');
  });

  it('tells by the answer what can be done about a failure', async () => {
    expect((await failure(503, { error: 'The database is away.' })).kind).toBe('away');
    expect((await failure(502, null)).kind).toBe('away');
    expect((await failure(404, { error: 'There is none.' })).kind).toBe('missing');
    const changed = await failure(409, {
      error: 'Changed.',
      current: { ...specimen('forged'), version: 2, updatedAt: '' },
    });
    expect([changed.kind, changed.current]).toEqual(['changed', jasmine.objectContaining({ version: 2 })]);
    const refused = await failure(400, {
      error: 'Some readings cannot be kept.',
      problems: [{ where: 'body.readings[0]', what: 'no such size.' }],
    });
    expect([refused.kind, refused.message]).toEqual([
      'refused',
      'Some readings cannot be kept. body.readings[0]: no such size.',
    ]);
  });

  it('takes no answer at all for a server that is away', async () => {
    const asked = firstValueFrom(api.specimens());
    http.expectOne('/api/specimens').error(new ProgressEvent('error'));
    await expectAsync(asked).toBeRejectedWith(jasmine.objectContaining({ kind: 'away' }));
  });
});

describe('what is kept in the browser', () => {
  let kept: BrowserStorage;
  beforeEach(() => {
    localStorage.clear();
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    kept = TestBed.inject(BrowserStorage);
  });
  afterAll(() => localStorage.clear());

  it('comes back as it was, or not at all', () => {
    expect(kept.write('units', { a: [1, 'x'] })).toBeTrue();
    expect(kept.read('units')).toEqual({ a: [1, 'x'] });
    kept.write('units', undefined);
    expect(kept.read('units')).toBeUndefined();
    localStorage.setItem('which-bore.units', '{broken');
    expect(kept.read('units')).toBeUndefined();
  });

  it('is listed by the beginning of its name, other applications’ left out', () => {
    localStorage.setItem('specimen.other', '1');
    kept.write('specimen.a', 1);
    kept.write('specimen.b', 2);
    kept.write('units', 3);
    expect(kept.names('specimen.').sort()).toEqual(['specimen.a', 'specimen.b']);
  });

  it('says so when the browser will not keep it', () => {
    spyOn(Storage.prototype, 'setItem').and.throwError('QuotaExceededError');
    expect(kept.write('big', 'x')).toBeFalse();
  });
});
