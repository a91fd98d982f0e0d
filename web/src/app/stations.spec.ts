import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { LineUpList } from './ui/lineUp/lineUpList';
import { SizeTable } from './bench/sizeTable';
import { Tray } from './bench/tray';
import { Bench } from './data/bench';
import { Builds } from './data/builds';
import { Jobs } from './data/jobs';
import { Preferences } from './data/preferences';
import { UndoBar } from './data/undoBar';
import { EntryLine } from './frame/entryLine';
import { Labels } from './shelf/labels';
import { ShelfStation } from './shelf/shelfStation';
import { GridPage } from './swap/gridPage';
import { SwapStation } from './swap/swapStation';
import { ID, lineUp, specimen, VIEW } from './testing/demo';
import { settled } from './testing/settled';
import { button, click, setUp, show, text } from './testing/setUp';
import { partFromSpecimen } from '@which-bore/core';

afterAll(() => localStorage.clear());

describe('the tray', () => {
  it('groups the readings, and shows what was not understood with its reason', async () => {
    setUp(specimen('cast 41?7 main 2.349in mic forged, wobble'));
    TestBed.inject(Bench).specimenId.set(ID);
    const { page } = await show(Tray);
    expect([...page.querySelectorAll('section h2')].map(text)).toEqual(['Marks', 'Sizes', 'Looks', 'Not understood']);
    expect(text(page.querySelector('section.unread'))).toContain('No word of a crank');
  });

  it('puts what was meant in place at one press', async () => {
    setUp(specimen('main 2.349 mm mic'));
    const bench = TestBed.inject(Bench);
    bench.specimenId.set(ID);
    const { fixture, page } = await show(Tray);
    await click(fixture, button(page, 'Yes, main 2.349 in mic'));
    expect(bench.readings().map((reading) => reading.is.sort)).toEqual(['size']);
  });

  it('corrects in place on Enter, and leaves it on Escape', async () => {
    setUp(specimen('8 weights'));
    const bench = TestBed.inject(Bench);
    bench.specimenId.set(ID);
    const { fixture, page } = await show(Tray);
    const correct = async (to: string, key: string) => {
      await click(fixture, page.querySelector('.words'));
      const field = page.querySelector<HTMLInputElement>('input.edit');
      if (!field) throw new Error('no field');
      field.value = to;
      field.dispatchEvent(new KeyboardEvent('keydown', { key }));
      await fixture.whenStable();
    };
    await correct('4 weights', 'Escape');
    expect(bench.readings()[0]?.is.text).toBe('8 weights');
    await correct('6 weights', 'Enter');
    expect(bench.readings()[0]?.is.text).toBe('6 weights');
  });

  it('offers to bring a removed reading back', async () => {
    setUp(specimen('8 weights forged'));
    const bench = TestBed.inject(Bench);
    bench.specimenId.set(ID);
    const { fixture, page } = await show(Tray);
    await click(fixture, page.querySelector('.remove'));
    expect(bench.readings().length).toBe(1);
    const bar = TestBed.inject(UndoBar);
    expect(bar.offered()?.says).toContain('8 weights');
    bar.take();
    expect(bar.offered()).toBeUndefined();
    await settled();
    expect(bench.readings().length).toBe(2);
  });

  it('of an empty bench says what goes here', async () => {
    setUp();
    const { page } = await show(Tray);
    expect(text(page)).toContain('Readings go here');
  });
});

describe('the line-up', () => {
  it('puts none of these where its probability puts it', async () => {
    setUp();
    const names = (page: HTMLElement) => [...page.querySelectorAll('.who b')].map(text);
    const found = await show(LineUpList, {
      lineUp: lineUp('cast 4187 main 2.349in mic forged'),

      chosen: 'sluice-crank-3375-forged',
    });
    expect(names(found.page)[0]).toBe('3.375 forged, small journal');
    expect(found.page.querySelectorAll('tbody tr').length).toBe(3);
    const unknown = await show(LineUpList, {
      lineUp: lineUp('main 58.12 mic pin 48.03 mic stroke 88.4'),
      chosen: undefined,
    });
    expect(names(unknown.page)[0]).toBe('None of these');
    expect(text(unknown.page.querySelector('header'))).toContain('Matches nothing here');
    expect(unknown.page.querySelector('table')).toBeNull();
  });

  it('speaks of a size in the units in which it was typed, whatever is chosen for the rest', async () => {
    setUp();
    const { fixture, page } = await show(LineUpList, {
      lineUp: lineUp('main 2.3482in mic, pin 52.05 mic'),
      chosen: 'sluice-crank-3115',
    });
    for (const units of ['metric', 'inch'] as const) {
      TestBed.inject(Preferences).units.set(units);
      fixture.componentRef.setInput('chosen', undefined);
      fixture.componentRef.setInput('chosen', 'sluice-crank-3115');
      await fixture.whenStable();
      expect(text(page)).withContext(units).toContain('0.0008 in under the standard limits');
      expect(text(page))
        .withContext(units)
        .toMatch(/limits 52\.\d+ to 52\.\d+ mm/);
    }
  });

  it('opens a candidate at a press', async () => {
    setUp();
    const { fixture, page } = await show(LineUpList, { lineUp: lineUp('forged'), chosen: undefined });
    const chosen: string[] = [];
    fixture.componentInstance.choose.subscribe((id) => chosen.push(id));
    await click(fixture, page.querySelector('button.row'));
    expect(chosen).toEqual([lineUp('forged').candidates[0]?.pattern ?? '']);
  });
});

describe('the table of sizes', () => {
  it('holds what was found against the candidate', async () => {
    setUp();
    const part = partFromSpecimen(specimen('main 2.3482in mic pin 52.05 mic 6 weights'));
    const { page } = await show(SizeTable, { part, against: VIEW.pattern('sluice-crank-3375-forged') });
    const row = (name: string) =>
      [
        ...([...page.querySelectorAll('tbody tr')].find((each) => text(each.querySelector('th')) === name)?.children ??
          []),
      ].map(text);
    expect(row('Main journal')).toEqual(['Main journal', '59.644', '59.665 – 59.690', '−0.020']);
    expect(row('Crankpin')[3]).toBe('inside');
    expect(row('Counterweights')).toEqual(['Counterweights', '6', '8', 'differs']);
  });
});

describe('the entry line', () => {
  it('shows each word as it is understood, and enters on the key itself', async () => {
    setUp();
    const bench = TestBed.inject(Bench);
    const { fixture, page } = await show(EntryLine);
    const field = page.querySelector<HTMLInputElement>('#entry');
    if (!field) throw new Error('no field');
    field.value = 'crank main 2.349in mic wobble';
    field.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect([...page.querySelectorAll('.word')].map((each) => each.className)).toEqual([
      'word kind',
      'word size',
      'word unread',
    ]);
    // A scanner sends its characters and Enter at once: the last ones must not be missed.
    field.value = 'crank main 2.349in mic 8 weights';
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', cancelable: true }));
    await settled();
    expect(bench.readings().map((reading) => reading.is.text)).toEqual(['main 2.349in mic', '8 weights']);
    expect(bench.draft()).toBe('');
  });
});

describe('labels', () => {
  it('have name, place and a code of the address for each part that is meant', async () => {
    const part = specimen('8 weights forged');
    setUp({ ...part, name: 'Fan crank', shelf: { place: 'bin 4', price: 140, includes: 'bare' } });
    const { page } = await show(Labels, { parts: `${ID},not-there` });
    expect([...page.querySelectorAll('li')].map(text)).toEqual([`Fan crankCrankbin 4140bare${ID.slice(0, 8)}`]);
    expect(page.querySelector('nz-qrcode svg')).not.toBeNull();
    expect(text(page)).toContain('1 label of 2: the others are not on the shelf');
  });

  it('say what to do where none is meant', async () => {
    setUp();
    const { page } = await show(Labels);
    expect(text(page)).toContain('find some there');
  });
});

describe('what is found elsewhere', () => {
  const found = async (typed: string) => {
    setUp();
    TestBed.inject(Builds).begin({ name: 'Terrace pump, bored over', places: [], sizes: [] });
    TestBed.inject(Jobs).begin('Pump of the lower terrace');
    const { fixture, page } = await show(EntryLine);
    const field = page.querySelector<HTMLInputElement>('#entry');
    if (!field) throw new Error('no field');
    field.value = typed;
    field.dispatchEvent(new Event('input'));
    await settled();
    return { fixture, page, links: [...page.querySelectorAll('wb-elsewhere a')].map(text) };
  };

  it('are jobs, builds and records that bear words no part is described by', async () => {
    const { fixture, page, links } = await found('crank main 2.349in mic terrace');
    expect(links).toEqual(['Job Pump of the lower terrace', 'Build Terrace pump, bored over']);
    await click(fixture, page.querySelector('wb-elsewhere a'));
    // What was looked up goes, and what was read of the part stays.
    expect(TestBed.inject(Bench).draft()).toBe('crank main 2.349in mic');
  });

  it('is a number of the catalogue, of whatever kind', async () => {
    const { links } = await found('HV-8421');
    expect(links.join()).toContain('Skerry');
  });

  it('is nothing where every word is a reading', async () => {
    const { links } = await found('crank main 2.349in mic');
    expect(links).toEqual([]);
  });
});

describe('Swap', () => {
  const verdict = (page: HTMLElement) => text(page.querySelector('.judged .verdict'));

  it('judges every block for a crank of the catalogue, the best first', async () => {
    setUp();
    const { page } = await show(SwapStation, { donor: 'pattern:sluice-crank-3375-forged' });
    expect(verdict(page)).toBe('fits');
    expect(page.querySelectorAll('.blocks button').length).toBe(VIEW.ofKind('block').length);
    const counts = [...page.querySelectorAll('.tally .figures')].map((each) => Number(text(each)));
    expect(counts.reduce((sum, each) => sum + each)).toBe(VIEW.ofKind('block').length);
    expect(
      [...page.querySelectorAll('.blocks wb-verdict svg')].slice(0, 3).map((each) => each.getAttribute('aria-label')),
    ).toEqual(['fits', 'fits', 'fits with work']);
  });

  it('finds a block by name', async () => {
    setUp();
    const { fixture, page } = await show(SwapStation, { donor: 'pattern:sluice-crank-3375-forged' });
    const field = page.querySelector<HTMLInputElement>('#filter');
    if (!field) throw new Error('no field');
    field.value = 'six, late';
    field.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect([...page.querySelectorAll('.blocks button')].map(text)).toEqual([
      jasmine.stringMatching(/^Halvorn Skerrysix, late, grooved case/),
    ]);
  });

  it('shows both directions, the records, and turns round at a press of x', async () => {
    setUp();
    const { fixture, page } = await show(SwapStation, {
      donor: 'pattern:sluice-crank-3375-forged',
      into: 'sluice-block-low-large',
    });
    expect(text(page.querySelector('.turned'))).toContain('The other way');
    expect(text(page.querySelector('.one-way'))).toBe('one way only');
    expect(text(page.querySelector('.known'))).toContain('On record: it went in with work');
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'x' }));
    await fixture.whenStable();
    await settled();
    expect(TestBed.inject(Router).url).toContain('into=sluice-block-low-small');
  });

  it('judges a piston in an engine, asks for what belongs to it, and takes it along', async () => {
    setUp();
    const { fixture, page } = await show(SwapStation, {
      donor: 'pattern:skerry-piston-112-160-super',
      into: 'variant:skerry-47',
    });
    expect(text(page.querySelector('.needs'))).toContain('Halvorn Skerry, 216, drilled, 42 pin');
    await click(fixture, button(page, 'Judge them together'));
    expect(decodeURIComponent(TestBed.inject(Router).url)).toContain('pattern:skerry-rod-drilled-42');
  });

  it('lists what else fits where a part is', async () => {
    setUp();
    const { page } = await show(SwapStation, {
      donor: 'pattern:sluice-crank-3375-cast',
      into: 'sluice-block-low-small',
      list: 'fits',
    });
    const names = [...page.querySelectorAll('.blocks button')].map(text);
    expect(names.length).toBe(VIEW.ofKind('crank').length);
    expect(names[0]).toContain('Brackmere Sluice');
  });

  it('says what joints want a part, and what work does elsewhere', async () => {
    setUp();
    const { page } = await show(SwapStation, {
      donor: 'pattern:sluice-piston-398-3375-90',
      into: 'sluice-block-low-large',
    });
    expect(text(page.querySelector('.left-out'))).toContain('Compression');
  });

  it('takes a specimen with the rest of what it is, or as measured alone', async () => {
    setUp(specimen('cast 4187 main 2.349in mic pin 52.05 mic stroke 3.375in forged 8 weights'));
    const { fixture, page } = await show(SwapStation, { donor: `specimen:${ID}`, into: 'sluice-block-low-small' });
    expect(text(page.querySelector('.basis'))).toContain('Brackmere Sluice, 3.375 forged');
    expect(verdict(page)).not.toBe('');
    fixture.componentRef.setInput('as', 'nothing');
    await fixture.whenStable();
    await settled();
    await fixture.whenStable();
    expect(verdict(page)).toBe('cannot tell');
    expect(text(page.querySelector('.judged header'))).toContain('Crank: ');
  });

  it('says what goes here before a part is chosen', async () => {
    setUp();
    const { page } = await show(SwapStation);
    expect(text(page.querySelector('.judged'))).toContain('Choose a part on the left');
  });
});

describe('the grid', () => {
  it('fills, counts, is walked by keyboard and opened at a cell', async () => {
    setUp();
    const { fixture, page } = await show(GridPage, { donors: 'crank', recipients: 'block' });
    await settled();
    const [cranks, blocks] = [VIEW.ofKind('crank').length, VIEW.ofKind('block').length];
    expect(text(page.querySelector('.progress'))).toContain(`${cranks} × ${blocks} judged.`);
    const counts = [...page.querySelectorAll('.tally .figures')].map((each) => Number(text(each)));
    // The four verdicts; what follows are those of the open ones that nothing is against.
    expect(counts.slice(0, 4).reduce((sum, each) => sum + each)).toBe(cranks * blocks);
    expect(counts[4]).toBeLessThanOrEqual(counts[2] ?? 0);
    const grid = page.querySelector('.scroller');
    for (const key of ['ArrowRight', 'ArrowDown'])
      grid?.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
    await fixture.whenStable();
    expect(text(page.querySelector('.looked'))).toContain('into');
    grid?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await settled();
    expect(TestBed.inject(Router).url).toMatch(/^\/swap\?donor=pattern:.*&into=/);
  });

  it('leaves out rows and columns without what is looked for', async () => {
    setUp();
    const { page } = await show(GridPage, { donors: 'crank', recipients: 'block', verdict: 'cannotTell' });
    await settled();
    const shown = Number(page.querySelector('.scroller')?.getAttribute('aria-rowcount'));
    expect(shown).toBeGreaterThan(0);
    expect(shown).toBeLessThan(VIEW.ofKind('crank').length);
  });

  it('shows the groups that drop into a recipient', async () => {
    setUp();
    const { page } = await show(GridPage, {
      donors: 'crank',
      recipients: 'block',
      view: 'groups',
      into: 'sluice-block-low-small',
    });
    await settled();
    expect(text(page.querySelector('.groups'))).toContain('3.375 forged, small journal');
    expect(text(page.querySelector('.groups'))).not.toContain('3.375 cast, large journal');
  });
});

describe('the Shelf', () => {
  it('lists, finds, renames and deletes, and offers to bring back', async () => {
    const specimens = setUp(specimen('forged', 'Winch crank'));
    const { fixture, page } = await show(ShelfStation);
    expect(text(page.querySelector('tbody tr'))).toContain('Winch crank');
    await click(fixture, button(page, 'Rename Winch crank'));
    const field = page.querySelector<HTMLInputElement>('tbody input');
    if (!field) throw new Error('no field');
    field.value = 'Saw crank';
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await settled();
    await fixture.whenStable();
    expect(specimens.peek(ID)?.name).toBe('Saw crank');
    await click(fixture, button(page, 'Delete Saw crank'));
    expect(specimens.removed).toEqual([ID]);
    TestBed.inject(UndoBar).take();
    expect(specimens.removed).toEqual([]);
  });

  it('when empty says what will be here', async () => {
    setUp();
    const { page } = await show(ShelfStation);
    expect(text(page)).toContain('The shelf is empty');
  });

  it('clears the bench for another part', async () => {
    setUp(specimen('forged'));
    const bench = TestBed.inject(Bench);
    bench.specimenId.set(ID);
    const { fixture, page } = await show(ShelfStation);
    await click(fixture, button(page, 'Another part'));
    expect(bench.specimenId()).toBeUndefined();
    expect(TestBed.inject(Router).url).toBe('/bench');
  });
});
