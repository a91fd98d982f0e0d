import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import {
  Workshop,
  type Offer,
  type QuestionName,
  type Requests,
  type Reservation,
  type Specimen,
} from '@which-bore/core';
import { firstValueFrom, of, throwError } from 'rxjs';
import { CATALOGUE } from '../testing/demo';
import { Api, ApiError } from './api';
import { Questions } from './questions';
import { SmallSearches } from './smallSearches';
import { Specimens } from './specimens';

const WORKSHOP = new Workshop(CATALOGUE);
const JOB = '6b7c3f2e-0d54-4c1b-9a55-3d2f8e1c4a10';
const id = (at: number): string => `7a0d5a1e-3f7f-4f43-8f25-${String(at).padStart(12, '0')}`;
const BUILD = { id: id(1), name: 'A Lumen', variant: 'lumen-4-77', places: [], sizes: [], job: JOB };
const demands = (...slots: string[]): Requests['planSets']['demands'] => ({
  places: slots.map((slot) => ({ slot, from: 'any' as const })),
});

describe('small searches', () => {
  let asked: { name: QuestionName; request: Requests['planSets'] }[];
  let shelf: readonly Specimen[];
  let reservations: readonly Reservation[];
  let offers: readonly Offer[];
  let isAway: boolean;
  /** How many options a large catalogue would have. */
  let options: number | undefined;
  const away = () => throwError(() => new ApiError('away', 'The server is away.'));
  const search = (request: Requests['planSets']) => firstValueFrom(TestBed.inject(SmallSearches).asTyped(request));
  const lastAsked = () => asked.at(-1)?.request;

  beforeEach(() => {
    [asked, shelf, reservations, offers, isAway, options] = [[], [], [], [], false, undefined];
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        {
          provide: Questions,
          useValue: {
            askOnce: (name: QuestionName, request: Requests['planSets']) => {
              asked.push({ name, request });
              const answer = WORKSHOP.ask(name, request);
              if (options === undefined || !('numbers' in answer)) return of(answer);
              return of({ ...answer, options: [{ slot: 'piston', name: 'Pistons', count: options }] });
            },
          },
        },
        {
          provide: Specimens,
          useValue: {
            get all$() {
              return of(shelf);
            },
            opened: (parts: readonly { readonly id: string }[]) =>
              of(shelf.filter((each) => parts.some((part) => part.id === each.id))),
          },
        },
        {
          provide: Api,
          useValue: {
            reservations: () => (isAway ? away() : of(reservations)),
            suppliers: () =>
              isAway ? away() : of([{ id: 'shed', name: 'The shed', currency: 'EUR', lines: 1, leftOut: [] }]),
            offers: () => (isAway ? away() : of(offers)),
          },
        },
      ],
    });
  });

  it('are answered here, with what lists have', async () => {
    offers = [{ supplier: 'shed', currency: 'EUR', number: 'TW-7202', price: 1, stock: 9, days: 2 }];
    const found = await search({ build: BUILD, demands: demands('piston') });
    const piston = found?.sets[0]?.parts.find(({ slot }) => slot === 'piston');
    expect([piston?.supplier, piston?.price, piston?.days]).toEqual(['The shed', 4, 2]);
    expect(asked.map(({ name }) => name)).toEqual(['planChoices', 'planSets']);
  });

  it('are not begun where there is much to look through, or several engines are wanted', async () => {
    expect(
      await search({ build: BUILD, demands: demands('crank', 'rod', 'pin', 'piston', 'head', 'headGasket') }),
    ).toBeUndefined();
    expect(asked.map(({ name }) => name)).toEqual(['planChoices']);
    expect(await search({ build: BUILD, demands: { ...demands('piston'), engines: 2 } })).toBeUndefined();
    expect(asked.length).toBe(1);
  });

  it('are not laid out again where a place has had too many options', async () => {
    options = 30_000;
    expect(await search({ build: BUILD, demands: demands('piston') })).toBeUndefined();
    expect(await search({ build: BUILD, demands: { ...demands('piston'), limits: { price: 900 } } })).toBeUndefined();
    expect(asked.map(({ name }) => name)).toEqual(['planChoices']);
    options = undefined;
    expect(await search({ build: BUILD, demands: demands('rod') })).toBeDefined();
  });

  it('take from the shelf what is of no job or of this one, and not what is sold or put aside for another', async () => {
    const part = (at: number, more: Partial<Specimen> = {}): Specimen => ({
      id: id(at),
      name: `Piston ${at}`,
      kind: 'piston',
      readings: [],
      ...more,
    });
    shelf = [
      part(2),
      part(3, { job: JOB }),
      part(4, { job: id(9) }),
      part(5, { shelf: { gone: { how: 'sold', on: '2026-11-02' } } }),
      part(6),
      part(7),
      part(8, { kind: 'crank' }),
    ];
    const held = (specimen: string, job: string): Reservation => ({
      specimen,
      job,
      who: 'Anna',
      at: '2026-11-02T08:00:00Z',
    });
    reservations = [held(id(6), id(9)), held(id(7), JOB)];
    await search({ build: BUILD, demands: demands('piston') });
    expect(lastAsked()?.shelf?.map((each) => each.id)).toEqual([id(2), id(3), id(7)]);
  });

  it('do without lists and reservations while the server is away', async () => {
    isAway = true;
    const found = await search({ build: BUILD, demands: demands('piston') });
    expect(found?.sets.length).toBeGreaterThan(0);
    expect(lastAsked()?.sellers).toEqual([]);
  });

  it('say nothing of demands that make no sense yet', async () => {
    expect(await search({ build: { ...BUILD, variant: 'no-such' }, demands: demands('piston') })).toBeUndefined();
  });
});
