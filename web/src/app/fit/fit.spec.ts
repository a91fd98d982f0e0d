import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { sheetFor, type Reservation, type Specimen, type SpecimenSummary } from '@which-bore/core';
import { BehaviorSubject } from 'rxjs';
import specimenFile from '../../../../demo-data/specimens.json';
import { Orders } from '../data/orders';
import { Questions } from '../data/questions';
import { Specimens } from '../data/specimens';
import { button, click, setUp, show, text, until } from '../testing/setUp';
import type { FakeQuestions } from '../testing/demo';
import { settled } from '../testing/settled';
import { BoresPanel } from './boresPanel';
import { FitStation } from './fitStation';
import { MeasuringSheet } from './measuringSheet';
import { SetsPanel } from './setsPanel';
import { ShellsPanel } from './shellsPanel';

afterAll(() => localStorage.clear());

const SPECIMENS = specimenFile.specimens as unknown as Specimen[];
const named = (begins: string): Specimen[] => SPECIMENS.filter(({ name }) => name.startsWith(begins));
const one = (name: string): Specimen => {
  const [found] = named(name);
  if (!found) throw new RangeError(`The demo has no ${name}.`);
  return found;
};
const summaries = (parts: readonly Specimen[]): readonly SpecimenSummary[] =>
  parts.map(({ id, name, kind, readings }) => ({
    id,
    name,
    kind,
    readings: readings.length,
    version: 1,
    updatedAt: '',
  }));
/** A size of a part as it was measured, place by place. */
const size = (
  parameter: string,
  values: readonly number[],
  unit: 'mm' | 'g' = 'mm',
  instrument: 'boreGauge' | 'depthMicrometer' | 'scale' | 'sleeve' = 'boreGauge',
): Specimen['readings'][number] => ({
  id: crypto.randomUUID(),
  at: '2026-10-05T09:00:00.000Z',
  is: {
    sort: 'size',
    text: parameter,
    parameter,
    values: [...values],
    ...(values.length > 1 ? { positions: values.map((_, at) => at + 1) } : {}),
    unit,
    instrument,
  },
});

const sheetOf = async (part: Specimen | readonly Specimen[], sheet: string) => {
  const parts = Array.isArray(part) ? (part as readonly Specimen[]) : [part as Specimen];
  setUp(...parts);
  const shown = await show(MeasuringSheet, { specimenIds: parts.map(({ id }) => id), layout: sheetFor(sheet) });
  await until(() => (shown.fixture.detectChanges(), shown.page.querySelector('input') !== null));
  const fields = () => [...shown.page.querySelectorAll<HTMLInputElement>('input.figures')];
  const enter = async (at: number, typed: string) => {
    const field = fields()[at];
    if (!field) throw new RangeError(`There is no cell ${at}.`);
    field.value = typed;
    field.dispatchEvent(new Event('input'));
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', cancelable: true }));
    await shown.fixture.whenStable();
    await settled();
  };
  const kept = (of = parts[0]?.id ?? '') => TestBed.inject(Specimens).peek(of)?.readings ?? [];
  return { ...shown, fields, enter, kept };
};

describe('a measuring sheet on the page', () => {
  it('has the cylinders of a vee in two rows, and goes along one bank and then the other', async () => {
    const { page, fields } = await sheetOf(one('Upper orchard block'), 'block.bore');
    const banks = [...page.querySelectorAll('.bank')].map((bank) =>
      [...bank.querySelectorAll('.place')].map((place) => place.getAttribute('data-place')),
    );
    expect(banks).toEqual([
      ['1', '3', '5', '7'],
      ['2', '4', '6', '8'],
    ]);
    expect(fields()[6]?.getAttribute('aria-label')).toContain('Bores 3, top');
  });

  it('takes weights in grams or ounces, and no lengths in their place', async () => {
    const { page, enter, kept } = await sheetOf(one('Upper orchard rod 1'), 'rod.mass');
    await enter(0, '59.64 mm');
    expect(text(page.querySelector('[role=alert]'))).toContain('is no figure');
    await enter(0, '9');
    expect(text(page.querySelector('[role=alert]'))).toContain('one between 60 and 6000 g is wanted');
    await enter(0, '21.6 oz');
    const [reading] = kept().filter(({ is }) => is.sort === 'size' && is.parameter === 'rod.mass');
    expect(reading?.is).toEqual(jasmine.objectContaining({ values: [21.6], unit: 'oz', instrument: 'scale' }));
    expect(page.querySelector('dl')).toBeNull();
  });

  it('lies over all rods of an engine, and goes on from one to the next', async () => {
    const rods = named('Terrace rod');
    const { page, enter, fields, kept } = await sheetOf(rods, 'rod.mass.bigEnd');
    expect(fields().length).toBe(rods.length);
    expect([...page.querySelectorAll('.place')].map((place) => place.getAttribute('data-place'))).toEqual(
      rods.map(({ name }) => name),
    );
    await enter(0, '402.5');
    expect(document.activeElement).toBe(fields()[1] ?? null);
    await enter(1, '404.0');
    const weighed = (id: string | undefined) =>
      kept(id).flatMap(({ is }) => (is.sort === 'size' && is.parameter === 'rod.mass.bigEnd' ? is.values : []));
    expect(rods.map(({ id }) => weighed(id))).toEqual([[402.5], [404], ...rods.slice(2).map(() => [])]);
    await until(() => text(page).includes('Largest less smallest'));
    // A slipped digit is seen against the rods beside it.
    await enter(2, '4020');
    expect(text(page.querySelector('[role=alert]'))).toContain('lies far from the others');
  });

  it('holds what no pattern states by a rule of thumb, and says so', async () => {
    const { page, enter } = await sheetOf(one('Upper orchard rod 1'), 'rod.twist');
    await enter(0, '0.15');
    await until(() => page.querySelector('.says') !== null);
    expect(text(page.querySelector('.place'))).toContain('A rod may be twisted by a thou to the inch');
    expect(page.querySelector('.place.bad')).not.toBeNull();
  });
});

describe('the station Fit', () => {
  const at = async (job: string, query: Readonly<Record<string, string>>, ...parts: Specimen[]) => {
    const specimens = setUp(...parts);
    await TestBed.inject(Router).navigate(['/fit'], { queryParams: { job, ...query } });
    const shown = await show(FitStation);
    const names = () => [...shown.page.querySelectorAll('aside a.part')].map(text);
    return { ...shown, specimens, names };
  };
  const terrace = () => SPECIMENS.filter(({ job }) => job === one('Terrace pump crank').job);

  it('measures all rods in one go, and asks for each of them once', async () => {
    const parts = terrace();
    const { fixture, page, specimens, names } = await at(
      parts[0]?.job ?? '',
      { all: 'rod', sheet: 'rod.mass.bigEnd' },
      ...parts,
    );
    await until(() => (fixture.detectChanges(), page.querySelectorAll('.place').length === 4));
    expect(names()).toContain('All 4 rods');
    expect(names()).toContain('All 11 pistons');
    expect(page.querySelector('aside [aria-current=page]')?.textContent).toBe('Weight of the big end');
    // Every part that comes changes the list of parts, which must not ask for them anew.
    expect([...specimens.asked].sort()).toEqual(
      named('Terrace rod')
        .map(({ id }) => id)
        .sort(),
    );
  });

  it('puts the cursor back into the sheet when that which is open is pressed', async () => {
    const parts = terrace();
    const { fixture, page } = await at(parts[0]?.job ?? '', {}, ...parts);
    await until(() => (fixture.detectChanges(), document.activeElement?.matches('input.figures') === true));
    const cell = document.activeElement;
    const open = page.querySelector<HTMLElement>('aside [aria-current=page]');
    open?.focus();
    expect(document.activeElement).toBe(open);
    open?.click();
    expect(document.activeElement).toBe(cell);
  });

  it('has what was sold no more, nor what is of another job', async () => {
    const parts = terrace().filter(({ kind }) => kind === 'rod');
    const sold = parts.map((each, which) =>
      which === 0 ? { ...each, shelf: { gone: { how: 'sold' as const, on: '2026-11-02' } } } : each,
    );
    const { names } = await at(parts[0]?.job ?? '', {}, ...sold, one('Upper orchard rod 1'));
    expect(names()).toEqual(['All 3 rods', 'Terrace rod 2', 'Terrace rod 3', 'Terrace rod 4']);
  });
});

describe('shells on the page', () => {
  const terrace = () => [one('Terrace pump crank'), one('Terrace pump case'), ...named('Terrace rod')];

  it('name the maker’s table where it gives them', async () => {
    const parts = terrace();
    setUp(...parts);
    const { fixture, page } = await show(ShellsPanel, { parts: summaries(parts) });
    await click(fixture, button(page, 'Big ends'));
    expect([...page.querySelectorAll('tr[data-place] small')].map(text)).toEqual(
      Array.from({ length: 4 }, () => 'Tarrow table of rod shells'),
    );
    expect(text(page)).toContain('Either shell leaves a clearance as is wanted');
  });

  it('are named from the shelf where they do, but for those that are put aside for another job', async () => {
    const parts = terrace();
    const shells = one('Green shells');
    setUp(...parts, shells);
    const reservations$ = new BehaviorSubject<readonly Reservation[]>([]);
    const hold = jasmine.createSpy('hold').and.resolveTo();
    TestBed.overrideProvider(Orders, { useValue: { reservations$, hold } });
    const asked = { parts: summaries(parts), job: parts[0]?.job ?? '' };
    const { fixture, page } = await show(ShellsPanel, asked);
    expect(page.querySelector('tr[data-shelf]')).toBeNull();
    await click(fixture, button(page, 'Big ends'));
    const row = page.querySelector<HTMLElement>('tr[data-shelf]');
    expect(text(row as HTMLElement)).toContain('On the shelf: Green shells');
    await click(fixture, button(row as HTMLElement, 'Put aside'));
    expect(hold).toHaveBeenCalledOnceWith(shells.id, asked.job);
    (TestBed.inject(Questions) as unknown as FakeQuestions).held = {
      reservations: [{ specimen: shells.id, job: 'another' }],
    };
    const { fixture: later, page: since } = await show(ShellsPanel, asked);
    await click(later, button(since, 'Big ends'));
    expect(since.querySelector('tr[data-place]')).not.toBeNull();
    expect(since.querySelector('tr[data-shelf]')).toBeNull();
  });

  it('stand beside the crush strip once its thread is named', async () => {
    const [crank, ...others] = terrace();
    if (!crank) throw new RangeError('The demo has no crank.');
    const squeezed = {
      ...crank,
      readings: [...crank.readings, size('crank.mainJournal.strip', [2, 1.9, 1.8, 1.9, 1.8], 'mm', 'sleeve')],
    };
    setUp(squeezed, ...others);
    const { fixture, page } = await show(ShellsPanel, { parts: summaries([squeezed, ...others]) });
    expect(text(page)).not.toContain('By the strip');
    (fixture.componentInstance as unknown as { strip: { set(to: string): void } }).strip.set('thin');
    await fixture.whenStable();
    await settled();
    await fixture.whenStable();
    expect(text(page)).toContain('By the strip');
    expect(page.querySelectorAll('tr[data-place] td:nth-of-type(4) wb-verdict').length).toBe(5);
  });
});

describe('cylinders on the page', () => {
  it('tell which piston goes where once bores and skirts are measured', async () => {
    const pistons = named('Terrace piston');
    const block = one('Terrace pump case');
    const measured = { ...block, readings: [...block.readings, size('block.bore', [78.005, 78.012, 78.008, 77.98])] };
    setUp(measured, ...pistons);
    const { page } = await show(BoresPanel, { parts: summaries([measured, ...pistons]) });
    await until(() => page.querySelector('[data-seat]') !== null);
    expect(page.querySelectorAll('[data-seat]').length).toBe(4);
    expect(text(page.querySelector('[data-seat="4"]'))).toMatch(/Terrace piston \d+.*to.*mm/);
  });

  it('ask for what is not measured yet', async () => {
    const parts = [one('Terrace pump case'), ...named('Terrace piston')];
    setUp(...parts);
    const { page } = await show(BoresPanel, { parts: summaries(parts) });
    await until(() => text(page).includes('Measure every bore'));
    expect(page.querySelector('[data-seat]')).toBeNull();
  });
});

describe('sets on the page', () => {
  it('go with rods and pins, and tell the bobweight with the share that is put in', async () => {
    const weigh = (part: Specimen, kind: Specimen['kind'], sizes: Readonly<Record<string, number>>): Specimen => ({
      ...part,
      id: kind === part.kind ? part.id : part.id.replace(/^./, 'a'),
      kind,
      readings: Object.entries(sizes).map(([id, value]) => size(id, [value], 'g', 'scale')),
    });
    const pistons = named('Terrace piston').slice(0, 4);
    const rods = named('Terrace rod').map((rod, at) =>
      weigh(rod, 'rod', { 'rod.mass': 430 + at, 'rod.mass.bigEnd': 300, 'rod.mass.smallEnd': 130 + at }),
    );
    const pins = named('Terrace rod').map((rod, at) => weigh(rod, 'pin', { 'pin.mass': 80 + at }));
    setUp(...pistons, ...rods, ...pins);
    const { fixture, page } = await show(SetsPanel, { parts: summaries([...pistons, ...rods, ...pins]) });
    await until(() => page.querySelector('[data-pair]') !== null);
    expect(page.querySelectorAll('[data-pair]').length).toBe(4);
    expect(page.querySelectorAll('[data-pair] td').length).toBe(4 * 4);
    const bobweight = () => Number(/Bobweight: ([\d.]+)/.exec(text(page))?.[1]);
    const half = bobweight();
    const share = page.querySelector<HTMLInputElement>('#set-share');
    if (!share) throw new Error('no field');
    share.value = '100';
    share.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    await settled();
    await fixture.whenStable();
    // 300 g go round; the other half of what goes up and down is hung on as well.
    expect(bobweight()).toBeCloseTo(300 + 2 * (half - 300), 0);
    share.value = '140';
    share.dispatchEvent(new Event('change'));
    await fixture.whenStable();
    expect(bobweight()).toBeCloseTo(300 + 2 * (half - 300), 0);
  });

  it('serve several engines from one pool, the shelf with it', async () => {
    const pistons = named('Terrace piston');
    const [mine, lying] = [pistons.slice(0, 5), pistons.slice(5)];
    setUp(...pistons);
    const { fixture, page } = await show(SetsPanel, { parts: summaries(mine), shelf: summaries(lying) });
    const sets = () => [...page.querySelectorAll('[role=group]')].map((each) => each.getAttribute('aria-label'));
    await until(() => sets().length === 1);
    const engines = page.querySelector<HTMLInputElement>('#set-engines');
    const shelf = page.querySelector<HTMLInputElement>('#set-shelf');
    if (!engines || !shelf) throw new Error('no field');
    engines.value = '2';
    engines.dispatchEvent(new Event('change'));
    await until(() => (fixture.detectChanges(), text(page.querySelector('[role=status]')).includes('There are no 2')));
    expect(sets()).toEqual([]);
    shelf.click();
    await until(() => (fixture.detectChanges(), sets().length === 2));
    expect(sets()).toEqual(['Set 1', 'Set 2']);
    const taken = [...page.querySelectorAll('[data-piece] th')].map(text);
    expect(new Set(taken).size).toBe(8);
    engines.value = 'many';
    engines.dispatchEvent(new Event('change'));
    expect(engines.value).toBe('2');
  });

  // Common practice, no source: the long rod takes the low piston, and all crowns come as high.
  it('bring all pistons as high, by rod and compression height', async () => {
    const at = (part: Specimen, is: Specimen['readings'][number]): Specimen => ({ ...part, readings: [is] });
    const pistons = named('Terrace piston')
      .slice(0, 4)
      .map((each, which) => at(each, size('piston.compressionHeight', [32 + which / 10], 'mm', 'depthMicrometer')));
    const rods = named('Terrace rod').map((each, which) =>
      at(each, size('rod.length', [121.5 + which / 10], 'mm', 'depthMicrometer')),
    );
    setUp(...pistons, ...rods);
    const { fixture, page } = await show(SetsPanel, { parts: summaries([...pistons, ...rods]) });
    (fixture.componentInstance as unknown as { alike: { set(alike: string): void } }).alike.set('height');
    fixture.detectChanges();
    await until(() => (fixture.detectChanges(), page.querySelectorAll('[data-pair]').length === 4));
    const pairs = [...page.querySelectorAll('[data-pair]')].map((row) => [...row.querySelectorAll('td')].map(text));
    expect(pairs.map(([rod, piston]) => `${rod?.at(-1)}${piston?.at(-1)}`)).toEqual(['14', '23', '32', '41']);
    expect(text(page)).toContain('all pistons come as high within 0.000 mm');
  });
});
