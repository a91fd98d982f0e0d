import { TestBed } from '@angular/core/testing';
import { ActivatedRoute, convertToParamMap, Router } from '@angular/router';
import { Workshop, type Build, type StoredBuild } from '@which-bore/core';
import { BehaviorSubject, map, of, type Observable } from 'rxjs';
import buildFile from '../../../../demo-data/builds.json';
import jobFile from '../../../../demo-data/jobs.json';
import specimenFile from '../../../../demo-data/specimens.json';
import { Builds } from '../data/builds';
import { Jobs } from '../data/jobs';
import { UndoBar } from '../data/undoBar';
import { CATALOGUE } from '../testing/demo';
import { button, click, setUp, show, text, until } from '../testing/setUp';
import { settled } from '../testing/settled';
import { BuildList } from './buildList';
import { CompareBuilds } from './compareBuilds';

afterAll(() => localStorage.clear());

const WORKSHOP = new Workshop(CATALOGUE);
const BUILDS = buildFile.builds as unknown as readonly Build[];
const SPECIMENS = specimenFile.specimens as unknown as Parameters<typeof setUp>;
const JOBS = jobFile.jobs;
const named = (name: string): Build => {
  const found = BUILDS.find((each) => each.name === name);
  if (!found) throw new RangeError(`The demo has no build "${name}".`);
  return found;
};
const STROKER = named('336 with the long crank, old pistons');

/** The builds of the demo, kept in memory. */
class FakeBuilds {
  readonly all$: BehaviorSubject<readonly StoredBuild[]>;
  readonly begun: Omit<Build, 'id'>[] = [];
  readonly removed: string[] = [];
  readonly broughtBack: string[] = [];

  constructor(builds: readonly Build[]) {
    this.all$ = new BehaviorSubject<readonly StoredBuild[]>(
      builds.map((build) => ({ ...build, version: 1, updatedAt: '2026-11-02T08:00:00.000Z' })),
    );
  }
  watch(id: string): Observable<Build | undefined> {
    return this.all$.pipe(
      map((all) => all.find((each) => each.id === id)),
      map((stored) => {
        if (!stored) return undefined;
        const { version: _version, updatedAt: _at, ...build } = stored;
        return build;
      }),
    );
  }
  open(): Promise<'there'> {
    return Promise.resolve('there');
  }
  refresh(): void {
    // All are here.
  }
  begin(build: Omit<Build, 'id'>): string {
    this.begun.push(build);
    return 'begun';
  }
  remove(id: string): void {
    this.removed.push(id);
  }
  bringBack(id: string): void {
    this.broughtBack.push(id);
  }
}

let builds: FakeBuilds;
let went: jasmine.Spy;
function prepare(of_: readonly string[] = []): void {
  setUp(...SPECIMENS);
  builds = new FakeBuilds(BUILDS);
  TestBed.overrideProvider(Builds, { useValue: builds });
  TestBed.overrideProvider(Jobs, { useValue: { all$: of(JOBS) } });
  TestBed.overrideProvider(ActivatedRoute, {
    useValue: { queryParamMap: of(convertToParamMap({ of: of_.join(',') })) },
  });
  went = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
}

describe('the list of builds', () => {
  it('names each with its job and what it changes', async () => {
    prepare();
    const { page } = await show(BuildList);
    await until(() => page.querySelectorAll('tbody tr').length === BUILDS.length);
    const rows = [...page.querySelectorAll<HTMLElement>('tbody tr')].map(text);
    const own = rows.find((row) => row.includes(STROKER.name)) ?? '';
    expect(own).toContain(STROKER.places.length === 1 ? '1 part chosen' : `${STROKER.places.length} parts chosen`);
    const ofJob = BUILDS.find(({ job }) => job !== undefined);
    const job = JOBS.find(({ id }) => id === ofJob?.job)?.name ?? 'none';
    expect(rows.find((row) => row.includes(ofJob?.name ?? ''))).toContain(job);
  });

  it('begins one from the parts of a job, in their places', async () => {
    prepare();
    const { fixture, page } = await show(BuildList);
    const job = JOBS.find(({ name }) => name.startsWith('Pump of the lower terrace'));
    const list = fixture.componentInstance as unknown as { job: { set(id: string): void } };
    list.job.set(job?.id ?? '');
    await click(fixture, button(page, 'Begin'));
    await until(() => builds.begun.length === 1);
    const [begun] = builds.begun;
    expect(begun?.name).toContain('Pump of the lower terrace');
    expect(begun?.job).toBe(job?.id);
    const lying = SPECIMENS.filter((each) => each.job === job?.id);
    const places = WORKSHOP.ask('buildBegin', { specimens: lying }).places;
    expect(begun?.places).toEqual([...places]);
    expect(went).toHaveBeenCalledWith(['/plan', 'begun']);
  });

  it('deletes one, which can be had back', async () => {
    prepare();
    const { fixture, page } = await show(BuildList);
    await click(fixture, button(page, `Delete ${STROKER.name}`));
    expect(builds.removed).toEqual([STROKER.id]);
    const offered = TestBed.inject(UndoBar).offered();
    expect(offered?.says).toContain(STROKER.name);
    offered?.undo();
    expect(builds.broughtBack).toEqual([STROKER.id]);
  });

  it('lays up to four side by side, the last that were ticked', async () => {
    prepare();
    const { fixture, page } = await show(BuildList);
    await until(() => page.querySelectorAll('tbody tr').length === BUILDS.length);
    const boxes = [...page.querySelectorAll<HTMLInputElement>('tbody input[type=checkbox]')];
    for (const box of boxes.slice(0, 5)) {
      box.click();
      await fixture.whenStable();
    }
    const link = page.querySelector<HTMLAnchorElement>('header a');
    expect(text(link)).toBe('4 side by side');
    const listed = builds.all$.value.slice(1, 5).map(({ id }) => id);
    expect(decodeURIComponent(link?.href ?? '')).toContain(listed.join(','));
  });
});

describe('builds side by side', () => {
  const other = BUILDS.find(({ id, variant }) => id !== STROKER.id && variant !== undefined) ?? STROKER;

  it('have each figure in a row, with what differs marked, and what is not known said', async () => {
    prepare([STROKER.id, other.id]);
    const { page } = await show(CompareBuilds);
    await until(() => page.querySelector('tr.subject') !== null);
    const row = (name: string) =>
      [...page.querySelectorAll<HTMLElement>('tbody tr')].find((each) => text(each.querySelector('th')) === name);
    const cells = (name: string) => [...(row(name)?.querySelectorAll('td') ?? [])].map(text);
    const value = (build: Build) =>
      WORKSHOP.ask('buildSheet', { build }).figures.find(({ id }) => id === 'displacement')?.found[0]?.value ??
      Number.NaN;
    const shown = cells('Displacement').map((each) => Number.parseFloat(each));
    expect(shown[0]).toBeCloseTo(value(STROKER), 0);
    expect(shown[1]).toBeCloseTo(value(other), 0);
    expect(row('Displacement')?.classList.contains('differs')).toBe(Math.abs(value(STROKER) - value(other)) > 0.5);
    // The price of what would mend it stands in the same unit as in the sheet of the joints.
    const judged = WORKSHOP.ask('buildJoints', { build: STROKER }).judged;
    expect(cells('Work that would mend it, price and hours')[0]).toContain(`${Math.round(judged?.price ?? 0)}`);
  });

  it('go on without one that is there no more, and ask for two where none is named', async () => {
    prepare([STROKER.id, 'gone']);
    const { page } = await show(CompareBuilds);
    await until(() => page.querySelector('tr.subject') !== null);
    expect(page.querySelectorAll('thead th').length).toBe(2);
    TestBed.resetTestingModule();
    prepare();
    const none = await show(CompareBuilds);
    expect(text(none.page)).toContain('Choose two builds and more');
  });

  it('change with the build that is changed', async () => {
    prepare([STROKER.id]);
    const { page } = await show(CompareBuilds);
    await until(() => page.querySelector('tr.subject') !== null);
    const ratio = () =>
      text(
        [...page.querySelectorAll<HTMLElement>('tbody tr')]
          .find((each) => text(each.querySelector('th')) === 'Compression ratio')
          ?.querySelector('td') ?? null,
      );
    const before = ratio();
    builds.all$.next(
      builds.all$.value.map((each) =>
        each.id === STROKER.id
          ? { ...each, sizes: [...each.sizes, { of: 'head.chamber.volume', value: 40, unit: 'cc' as const }] }
          : each,
      ),
    );
    await settled();
    await until(() => ratio() !== before);
    expect(Number.parseFloat(ratio())).toBeGreaterThan(Number.parseFloat(before));
  });
});
