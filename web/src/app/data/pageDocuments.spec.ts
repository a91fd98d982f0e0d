import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import {
  needsOf,
  numbersToBuy,
  resolveNeeds,
  Workshop,
  type Build,
  type Job,
  type Offer,
  type Reservation,
  type Specimen,
} from '@which-bore/core';
import { heldDocuments, questionsOfDocuments, QUESTIONS_WITH_NEEDS } from '@which-bore/core/hundredQuestions';
import { BehaviorSubject, of, Subject, throwError } from 'rxjs';
import buildFile from '../../../../demo-data/builds.json';
import jobFile from '../../../../demo-data/jobs.json';
import specimenFile from '../../../../demo-data/specimens.json';
import { CATALOGUE, FakeSpecimens } from '../testing/demo';
import { Api, ApiError } from './api';
import { Builds } from './builds';
import { Jobs } from './jobs';
import { ServerEvents, type HeardEvent } from './serverEvents';
import { PageDocuments } from './pageDocuments';
import { Specimens } from './specimens';

const WORKSHOP = new Workshop(CATALOGUE);
const SPECIMENS = specimenFile.specimens as unknown as Specimen[];
const JOBS = jobFile.jobs as unknown as Job[];
const BUILDS = buildFile.builds as unknown as Build[];
const SELLERS = [{ id: 'shed', name: 'The shed', currency: 'EUR' as const }];
const OFFERS: Offer[] = [{ supplier: 'shed', currency: 'EUR', number: 'TW-7202', price: 1, stock: 9, days: 2 }];
const held = (specimen: string, job: string): Reservation => ({ specimen, job, who: 'Anna', at: '2026-11-02T08:00Z' });
const RESERVATIONS = [held(SPECIMENS[0]?.id ?? '', JOBS[0]?.id ?? ''), held(SPECIMENS[3]?.id ?? '', JOBS[1]?.id ?? '')];

/** Documents of a kind, all of them here. */
const heldHere = <T extends { readonly id: string }>(all: readonly T[]) => ({
  all$: of(all),
  open: (id: string) => Promise.resolve(all.some((each) => each.id === id) ? 'there' : 'missing'),
  peek: (id: string) => all.find((each) => each.id === id),
});

describe('the documents of the page', () => {
  let isAway: boolean;
  let jobs: BehaviorSubject<readonly Job[]>;
  let events: Subject<HeardEvent>;
  const known = { numbersToBuy: (plan: Parameters<typeof numbersToBuy>[1]) => numbersToBuy(WORKSHOP, plan) };
  const documents = () => TestBed.inject(PageDocuments);

  beforeEach(() => {
    [isAway, jobs, events] = [false, new BehaviorSubject<readonly Job[]>(JOBS), new Subject()];
    const told = <T>(answer: T) => (isAway ? throwError(() => new ApiError('away', 'Away.')) : of(answer));
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: Specimens, useValue: new FakeSpecimens(...SPECIMENS) },
        { provide: Jobs, useValue: { ...heldHere(JOBS), all$: jobs } },
        { provide: Builds, useValue: heldHere(BUILDS) },
        { provide: ServerEvents, useValue: { events$: events } },
        {
          provide: Api,
          useValue: {
            reservations: () => told(RESERVATIONS),
            suppliers: () => told(SELLERS.map((each) => ({ ...each, lines: 1, leftOut: [] }))),
            offers: (numbers: readonly string[]) => told(numbers.includes('TW7202') ? OFFERS : []),
          },
        },
      ],
    });
  });

  it('fill every question in as documents in memory do', async () => {
    const inMemory = {
      specimens: SPECIMENS,
      jobs: JOBS,
      builds: BUILDS,
      reservations: RESERVATIONS,
      sellers: SELLERS,
      offers: OFFERS,
    };
    const all = questionsOfDocuments(inMemory);
    expect(new Set(all.map(({ name }) => name))).toEqual(new Set(QUESTIONS_WITH_NEEDS));
    for (const { name, request } of all)
      expect(await resolveNeeds(needsOf(name), request, documents(), known))
        .withContext(name)
        .toEqual(await resolveNeeds(needsOf(name), request, heldDocuments(inMemory), known));
  });

  it('look for what is not here once, and not again with each change that comes of looking', async () => {
    const open = spyOn(TestBed.inject(Jobs), 'open').and.callThrough();
    const missing = '4c2f3f5e-8f0e-4a4e-9c1b-0d8c54a7b001';
    expect(await documents().job(missing)).toBeUndefined();
    expect(await documents().job(missing)).toBeUndefined();
    expect(await documents().job(JOBS[0]?.id ?? '')).toBe(JOBS[0]);
    expect(open.calls.allArgs()).toEqual([[missing]]);
  });

  it('do without lists and reservations while the server is away', async () => {
    isAway = true;
    expect(await documents().sellers()).toEqual([]);
    expect(await documents().offers(['TW7202'], 10)).toEqual([]);
    expect(await documents().putAside(JOBS[0]?.id ?? '')).toEqual([]);
    const [crank] = SPECIMENS.filter(({ kind, job }) => kind === 'crank' && job === undefined);
    const found = await documents().specimens({ kinds: ['crank'], job: 'none', freeFor: '', most: 100 });
    expect(found.map(({ id }) => id)).toContain(crank?.id ?? '');
  });

  it('tell of a change of what was asked for, of orders only where they count', () => {
    const heard: string[] = [];
    documents()
      .changes(['job'])
      .subscribe(() => heard.push('job'));
    documents()
      .changes(['sellers'])
      .subscribe(() => heard.push('sellers'));
    documents()
      .changes([])
      .subscribe(() => heard.push('nothing'));
    expect(heard).withContext('what is there at the beginning is no change').toEqual([]);
    events.next({ of: 'order' });
    expect(heard).toEqual(['sellers']);
    jobs.next([]);
    expect(heard).toEqual(['sellers', 'job', 'sellers']);
  });
});
