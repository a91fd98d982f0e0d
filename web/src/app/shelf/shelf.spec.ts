import { TestBed } from '@angular/core/testing';
import type { Answers, Job, Reservation, Specimen, StoredJob } from '@which-bore/core';
import { BehaviorSubject, of, throwError, type Observable } from 'rxjs';
import jobFile from '../../../../demo-data/jobs.json';
import specimenFile from '../../../../demo-data/specimens.json';
import { Api, ApiError } from '../data/api';
import { Jobs } from '../data/jobs';
import { Orders } from '../data/orders';
import { Specimens } from '../data/specimens';
import { button, click, setUp, show, text, until } from '../testing/setUp';
import type { FakeSpecimens } from '../testing/demo';
import { Labels } from './labels';
import { ShelfPart } from './shelfPart';
import { ShelfStation } from './shelfStation';

afterAll(() => localStorage.clear());

const SPECIMENS = specimenFile.specimens as unknown as Specimen[];
const [FIRST, SECOND] = SPECIMENS.filter(({ job, kind }) => job === undefined && kind === 'crank');
if (!FIRST || !SECOND) throw new Error('The demo has no cranks on the shelf.');
const JOBS = (jobFile.jobs as unknown as Job[]).map((job): StoredJob => ({ ...job, version: 1, updatedAt: '' }));
const OPEN = JOBS[0] ?? { id: '', name: '' };
const NOBODY: Answers['wantedBy'] = { variants: [], jobs: [] };

let held: BehaviorSubject<readonly Reservation[]>;
let orders: { readonly held: string[]; readonly released: string[]; refuses?: string };

/** A shelf with these on it, and some of them put aside. */
function prepare(
  shelf: readonly Specimen[],
  aside: readonly Reservation[] = [],
  wanted: () => Observable<Answers['wantedBy']> = () => of(NOBODY),
): FakeSpecimens {
  const specimens = setUp(...shelf);
  held = new BehaviorSubject(aside);
  orders = { held: [], released: [] };
  const answer = (list: string[], id: string) => {
    if (orders.refuses) return Promise.reject(new ApiError('changed', orders.refuses));
    list.push(id);
    return Promise.resolve();
  };
  TestBed.overrideProvider(Orders, {
    useValue: {
      reservations$: held,
      hold: (id: string) => answer(orders.held, id),
      release: (id: string) => answer(orders.released, id),
    },
  });
  TestBed.overrideProvider(Jobs, { useValue: { all$: of(JOBS) } });
  const api = TestBed.inject(Api);
  spyOn(api, 'ask').and.callFake((() => wanted()) as never);
  spyOn(api, 'reservedFor').and.callFake((id) => of(held.value.filter(({ specimen }) => specimen === id)));
  return specimens;
}
const kept = (id: string) => TestBed.inject(Specimens).peek(id)?.shelf;
const fieldOf = (page: HTMLElement, label: string): HTMLInputElement => {
  const found = [...page.querySelectorAll('label')].find((each) => text(each).includes(label))?.querySelector('input');
  if (!found) throw new RangeError(`There is no field ${label}.`);
  return found;
};
const write = async (shown: Awaited<ReturnType<typeof show>>, label: string, value: string) => {
  const field = fieldOf(shown.page, label);
  field.value = value;
  field.dispatchEvent(new Event('change'));
  await shown.fixture.whenStable();
};

describe('a part on offer', () => {
  it('keeps where it lies, what it is like, what is asked and what that includes; what is emptied is gone', async () => {
    prepare([FIRST]);
    const shown = await show(ShelfPart, { id: FIRST.id });
    await write(shown, 'Where it lies', ' rack 4, low ');
    await write(shown, 'What it is like', 'x'.repeat(400));
    await write(shown, 'Asked for it', '1.234,50');
    await write(shown, 'What that includes', 'bare');
    expect(kept(FIRST.id)).toEqual({
      ...FIRST.shelf,
      place: 'rack 4, low',
      condition: 'x'.repeat(400),
      price: 1234.5,
      includes: 'bare',
    });
    await write(shown, 'Where it lies', '  ');
    expect(kept(FIRST.id)?.place).toBeUndefined();
    expect(kept(FIRST.id)?.price).toBe(1234.5);
  });

  it('takes no price that can be read two ways, and keeps the one before', async () => {
    prepare([{ ...FIRST, shelf: { price: 90 } }]);
    const shown = await show(ShelfPart, { id: FIRST.id });
    for (const doubtful of ['1.234', '12 or 13', '-5']) {
      await write(shown, 'Asked for it', doubtful);
      expect(text(shown.page.querySelector('[role=alert]')))
        .withContext(doubtful)
        .toContain('read one way only');
      expect(kept(FIRST.id)?.price).toBe(90);
    }
    await write(shown, 'Asked for it', '95');
    expect(shown.page.querySelector('[role=alert]')).toBeNull();
    expect(kept(FIRST.id)?.price).toBe(95);
  });

  it('says who wants it, by what, and why that cannot be told', async () => {
    const wanted: Answers['wantedBy'] = {
      taken: 'Brackmere Sluice, a crank',
      variants: [{ id: 'sluice-336', name: 'Brackmere Sluice 336' }],
      jobs: [{ job: OPEN.id, name: OPEN.name, need: 'Crank', verdict: 'fits', says: ['It drops in.'] }],
    };
    prepare([FIRST], [], () => of(wanted));
    const { page } = await show(ShelfPart, { id: FIRST.id });
    expect(text(page)).toContain('Brackmere Sluice, a crank');
    expect(text(page)).toContain(OPEN.name);
    expect(text(page)).toContain('It drops in.');
    expect(text(page)).toContain('On record in');
    TestBed.resetTestingModule();
    prepare([FIRST], [], () => throwError(() => new ApiError('away', 'The server cannot be reached.')));
    const away = await show(ShelfPart, { id: FIRST.id });
    expect(text(away.page.querySelector('[role=status]'))).toBe('The server cannot be reached.');
  });

  it('is put aside and given back, and says why where somebody was faster', async () => {
    prepare([FIRST]);
    const { fixture, page } = await show(ShelfPart, { id: FIRST.id });
    await click(fixture, button(page, 'Put aside'));
    expect(orders.held).toEqual([FIRST.id]);
    held.next([{ specimen: FIRST.id, job: OPEN.id, who: 'Amina', at: '2026-11-02T09:00:00Z' }]);
    await fixture.whenStable();
    expect(text(page)).toContain(`Put aside for ${OPEN.name} by Amina`);
    await click(fixture, button(page, 'Give back'));
    expect(orders.released).toEqual([FIRST.id]);
    held.next([]);
    await fixture.whenStable();
    orders.refuses = 'Brahim has put it aside for another job.';
    await click(fixture, button(page, 'Put aside'));
    await fixture.whenStable();
    expect(text(page.querySelector('[role=alert]'))).toContain('Brahim has put it aside');
  });

  it('is sold with to whom, comes back, and is not sold while it is put aside', async () => {
    prepare([FIRST], [{ specimen: FIRST.id, job: OPEN.id, who: 'Amina', at: '2026-11-02T09:00:00Z' }]);
    const { fixture, page } = await show(ShelfPart, { id: FIRST.id });
    await click(fixture, button(page, 'Sold'));
    expect(text(page.querySelector('[role=alert]'))).toContain('give it back to the shelf first');
    expect(kept(FIRST.id)?.gone).toBeUndefined();
    held.next([]);
    await fixture.whenStable();
    fieldOf(page, 'To whom').value = ' the winch owner ';
    await click(fixture, button(page, 'Sold'));
    expect(kept(FIRST.id)?.gone).toEqual(jasmine.objectContaining({ how: 'sold', to: 'the winch owner' }) as never);
    expect(text(page)).toContain('sold on');
    await click(fixture, button(page, 'It is back'));
    expect(kept(FIRST.id)?.gone).toBeUndefined();
  });
});

describe('the shelf', () => {
  const priced = (of_: Specimen, shelf: Specimen['shelf']): Specimen => ({ ...of_, ...(shelf ? { shelf } : {}) });
  const rows = (page: HTMLElement) => [...page.querySelectorAll('tbody th')].map(text);

  it('adds up what is asked for all that is there, and hides what is gone until it is asked for', async () => {
    prepare([
      priced(FIRST, { price: 120, place: 'rack 4' }),
      priced(SECOND, { price: 80, gone: { how: 'sold', on: '2026-11-02' } }),
    ]);
    const { fixture, page } = await show(ShelfStation);
    await until(() => (fixture.detectChanges(), rows(page).length === 1));
    expect(text(page)).toContain('Asked for all: 120');
    page.querySelector<HTMLInputElement>('input[type=checkbox]')?.click();
    await until(() => (fixture.detectChanges(), rows(page).length === 2));
    expect(text(page)).toContain('sold');
    // What is gone is worth nothing any more.
    expect(text(page)).toContain('Asked for all: 120');
  });

  it('is looked through by name, kind and place, and takes those that were found to their labels', async () => {
    prepare([priced(FIRST, { place: 'rack 4' }), priced(SECOND, { place: 'yard' })]);
    const { fixture, page } = await show(ShelfStation, { find: 'RACK' });
    await until(() => (fixture.detectChanges(), rows(page).length === 1));
    expect(rows(page)).toEqual([FIRST.name]);
    const labels = [...page.querySelectorAll('a')].find((each) => text(each) === 'Labels');
    expect(labels?.getAttribute('href')).toContain(`parts=${FIRST.id}&find=RACK`);
    const find = page.querySelector<HTMLInputElement>('#find');
    if (!find) throw new Error('no field');
    find.value = 'no such thing';
    find.dispatchEvent(new Event('input'));
    await until(() => (fixture.detectChanges(), text(page).includes('No part on the shelf is called that')));
  });
});

describe('labels', () => {
  it('have name, place and price, and a code that opens the part', async () => {
    prepare([{ ...FIRST, shelf: { place: 'rack 4', price: 120, includes: 'with its caps' } }, SECOND]);
    const { page } = await show(Labels, { parts: `${FIRST.id},${SECOND.id}` });
    const labels = [...page.querySelectorAll('li')].map(text);
    expect(labels.length).toBe(2);
    expect(labels[0]).toContain('rack 4');
    expect(labels[0]).toContain('120');
    expect(labels[0]).toContain('with its caps');
    expect(page.querySelectorAll('nz-qrcode').length).toBe(2);
    expect(page.querySelector('nz-qrcode')?.getAttribute('aria-label')).toBe(`Code of ${FIRST.name}`);
    expect(text(page.querySelector('.bar'))).toContain('2 labels');
  });

  it('say where there are none, and how many of those asked for are not there', async () => {
    prepare([FIRST]);
    const { page } = await show(Labels, { parts: `${FIRST.id},${SECOND.id}` });
    expect(text(page.querySelector('.bar'))).toContain('1 label of 2: the others are not on the shelf');
    TestBed.resetTestingModule();
    prepare([FIRST]);
    const none = await show(Labels);
    expect(text(none.page)).toContain('No part of the shelf is meant');
  });
});
