import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Workshop, type QuestionName, type Requests } from '@which-bore/core';
import { defer, firstValueFrom, of } from 'rxjs';
import { CATALOGUE } from '../testing/demo';
import { Questions } from './questions';
import { SmallSearches } from './smallSearches';

const WORKSHOP = new Workshop(CATALOGUE);
const JOB = '6b7c3f2e-0d54-4c1b-9a55-3d2f8e1c4a10';
const id = (at: number): string => `7a0d5a1e-3f7f-4f43-8f25-${String(at).padStart(12, '0')}`;
const BUILD = { id: id(1), name: 'A Lumen', variant: 'lumen-4-77', places: [], sizes: [], job: JOB };
const demands = (...slots: string[]): Requests['planSets']['demands'] => ({
  places: slots.map((slot) => ({ slot, from: 'any' as const })),
});

describe('small searches', () => {
  let asked: { name: QuestionName; request: Requests['planSets'] }[];
  /** How many options a large catalogue would have. */
  let options: number | undefined;
  const search = (request: Requests['planSets']) => firstValueFrom(TestBed.inject(SmallSearches).asTyped(request));

  beforeEach(() => {
    [asked, options] = [[], undefined];
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        {
          provide: Questions,
          useValue: {
            askOnce: (name: QuestionName, request: Requests['planSets']) =>
              defer(() => {
                asked.push({ name, request });
                const answer = WORKSHOP.ask(name, request);
                if (options === undefined || !('numbers' in answer)) return of(answer);
                return of({ ...answer, options: [{ slot: 'piston', name: 'Pistons', count: options }] });
              }),
          },
        },
      ],
    });
  });

  it('are answered here', async () => {
    const found = await search({ build: BUILD, demands: demands('piston') });
    const piston = found?.sets[0]?.parts.find(({ slot }) => slot === 'piston');
    expect(piston?.pattern).toBeDefined();
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

  it('say nothing of demands that make no sense yet', async () => {
    expect(await search({ build: { ...BUILD, variant: 'no-such' }, demands: demands('piston') })).toBeUndefined();
  });
});
