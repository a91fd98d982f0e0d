import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Catalogue } from '@which-bore/core';
import { clear } from 'idb-keyval';
import { defer, firstValueFrom, of, throwError, toArray, take } from 'rxjs';
import { CATALOGUE } from '../testing/demo';
import { Api, ApiError } from './api';
import { CatalogueData } from './catalogueData';

describe('the catalogue in the browser', () => {
  let away: boolean;
  let asked: number;
  let current: Catalogue;

  function visit(): CatalogueData {
    TestBed.resetTestingModule();
    const api = {
      catalogue: () =>
        defer(() => {
          asked++;
          return away ? throwError(() => new ApiError('away', 'away')) : of({ catalogue: current, tag: `"catalogue-${asked}"` });
        }),
    };
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection(), { provide: Api, useValue: api }] });
    return TestBed.inject(CatalogueData);
  }

  beforeEach(async () => {
    await clear();
    away = false;
    asked = 0;
    current = CATALOGUE;
  });
  afterAll(() => clear());

  it('is fetched once for all who want it', async () => {
    const data = visit();
    const [one, other] = await Promise.all([firstValueFrom(data.view$), firstValueFrom(data.view$)]);
    expect(one).toBe(other);
    expect(asked).toBe(1);
    expect(one.ofKind('crank').length).toBe(CATALOGUE.patterns.filter((pattern) => pattern.kind === 'crank').length);
  });

  it('is that of the last visit while the server is away', async () => {
    await firstValueFrom(visit().view$);
    away = true;
    const kept = await firstValueFrom(visit().view$);
    expect(kept.catalogue.patterns.length).toBe(CATALOGUE.patterns.length);
  });

  it('is first that of the last visit, then the newer one', async () => {
    await firstValueFrom(visit().view$);
    current = { ...CATALOGUE, patterns: CATALOGUE.patterns.slice(0, 3) };
    const views = await firstValueFrom(visit().view$.pipe(take(2), toArray()));
    expect(views.map((view) => view.catalogue.patterns.length)).toEqual([CATALOGUE.patterns.length, 3]);
  });

  it('comes by itself when the server is back', async () => {
    away = true;
    const coming = firstValueFrom(visit().view$);
    await new Promise((resolve) => setTimeout(resolve, 200));
    expect(asked).toBe(1);
    away = false;
    expect((await coming).catalogue).toBe(CATALOGUE);
  }, 10_000);
});
