import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { Bench } from '../data/bench';
import { Photographs } from '../data/photographs';
import { UndoBar } from '../data/undoBar';
import { ID, lineUp, readings, specimen, VIEW } from '../testing/demo';
import { settled } from '../testing/settled';
import { button, click, server, setUp, show, text, until } from '../testing/setUp';
import { BenchCard } from './benchCard';
import { BenchStation } from './benchStation';
import { NextCheck } from './nextCheck';
import { ReadingHistory } from './readingHistory';
import { Tray } from './tray';

const inputs = (words: string, more: object = {}) => {
  const { next, status } = lineUp(words);
  return { advice: next, status, ...more };
};

describe('the next check', () => {
  it('says what, how, with what, how long, and what it should settle', async () => {
    setUp();
    const { page } = await show(NextCheck, inputs('no mark on web main 2.6088in mic stroke 3.590in rule 6 weights'));
    const said = text(page);
    expect(said).toMatch(/min/);
    expect(said).toContain('of what is uncertain');
    expect(said).toContain('Other checks worth doing');
  });

  it('lets a look be answered at one press', async () => {
    setUp();
    const given = inputs('no mark on web main 2.6088in mic stroke 3.590in rule 6 weights');
    const look = given.advice.checks.find(({ sort }) => sort === 'look');
    if (!look) throw new Error('no look to check');
    const { fixture, page } = await show(NextCheck, { ...given, advice: { ...given.advice, checks: [look] } });
    const seen: unknown[] = [];
    fixture.componentInstance.seen.subscribe((each) => seen.push(each));
    await click(fixture, page.querySelector('.doing button'));
    expect(seen).toEqual([jasmine.objectContaining({ feature: look.id })]);
  });

  it('begins the entry of a size with its word, and skips what cannot be reached', async () => {
    setUp();
    const given = inputs('no mark on web main 2.6088in mic stroke 3.590in rule 6 weights');
    const size = given.advice.checks.find(({ sort }) => sort === 'size');
    if (!size) throw new Error('no size to check');
    const { fixture, page } = await show(NextCheck, { ...given, advice: { ...given.advice, checks: [size] } });
    const [proposed, skipped]: string[][] = [[], []];
    fixture.componentInstance.propose.subscribe((each) => proposed?.push(each));
    fixture.componentInstance.skip.subscribe((each) => skipped?.push(each));
    await click(fixture, button(page, 'Enter it'));
    await click(fixture, button(page, 'Skip'));
    expect(proposed?.[0]).toMatch(/ $/);
    expect(skipped).toEqual([`size ${size.id}`]);
  });

  it('says that nothing is needed once the part is named, and what cannot be told', async () => {
    setUp();
    const settled = await show(
      NextCheck,
      inputs('cast 4187 main 2.3495in mic pin 2.0495in mic stroke 3.375in caliper forged 8 weights'),
    );
    expect(text(settled.page)).toContain('nothing more needs checking');
    const twins = inputs('forged');
    const alike = {
      between: ['a', 'b'],
      names: ['the a', 'the b'],
      state: 'alike' as const,
      blockedBy: [],
      tooClose: [],
    };
    const { page } = await show(NextCheck, { ...twins, advice: { ...twins.advice, separation: alike } });
    expect(text(page)).toContain('tells the a from the b: as far as the catalogue knows they may be one part');
    const blocked = await show(NextCheck, {
      ...twins,
      advice: {
        ...twins.advice,
        separation: { ...alike, state: 'blocked' as const, blockedBy: ['Stroke, by caliper'] },
      },
    });
    expect(text(blocked.page)).toContain('Only this could still tell the a from the b: Stroke, by caliper.');
  });

  it('lists what cannot be reached, to be brought back', async () => {
    setUp();
    const { fixture, page } = await show(
      NextCheck,
      inputs('forged', { skipped: ['size crank.stroke', 'mark crank.web'] }),
    );
    const back: string[] = [];
    fixture.componentInstance.unskip.subscribe((each) => back.push(each));
    expect(text(page)).toContain('Can’t be reached: 2');
    await click(fixture, button(page, 'stroke of the crank'));
    expect(back).toEqual(['size crank.stroke']);
  });
});

describe('the bench', () => {
  it('puts a skipped check and the state of teardown on the specimen', async () => {
    setUp(specimen('forged'));
    const bench = TestBed.inject(Bench);
    bench.specimenId.set(ID);
    await settled();
    TestBed.tick();
    bench.skip('size crank.stroke', true);
    bench.setState('headOff');
    await settled();
    expect(bench.access()).toEqual({ state: 'headOff', skipped: ['size crank.stroke'] });
    bench.skip('size crank.stroke', false);
    await settled();
    expect(bench.access().skipped).toEqual([]);
  });

  it('takes down what a part turned out to be, and takes it back', async () => {
    setUp(specimen('cast 4187 main 2.3495in mic'));
    const { page, fixture } = await show(BenchStation, { specimen: ID });
    const press = async (name: string) => {
      await until(() => button(page, name) !== undefined);
      await click(fixture, button(page, name));
      fixture.detectChanges();
    };
    await press('Known for sure what it is?');
    const byNumber = [...page.querySelectorAll<HTMLInputElement>('wb-confirm-name [type=radio]')][1];
    byNumber?.dispatchEvent(new Event('change'));
    await press('That is known');
    expect(TestBed.inject(Bench).specimen()?.confirmed).toEqual(
      jasmine.objectContaining({ pattern: 'sluice-crank-3375-forged', by: 'number' }),
    );
    await until(() => page.querySelector('.known') !== null);
    expect(text(page.querySelector('.known'))).toContain('its number was found later');
    await press('Take back');
    expect(TestBed.inject(Bench).specimen()?.confirmed).toBeUndefined();
  });

  it('takes down what lies with a part, and tells what nobody has said from what is not there', async () => {
    setUp(specimen('piston number HV-8421'));
    TestBed.inject(Bench).setKind('piston');
    const { page, fixture } = await show(BenchStation, { specimen: ID });
    TestBed.inject(Bench).setKind('piston');
    await settled();
    fixture.detectChanges();
    const boxes = () => [...page.querySelectorAll<HTMLInputElement>('wb-comes-with input')];
    expect(page.querySelector('wb-comes-with')?.textContent).toContain('not said');
    expect(boxes().length).toBe(2);
    boxes()[0]?.click();
    await settled();
    fixture.detectChanges();
    expect(TestBed.inject(Bench).specimen()?.completeWith).toEqual(['pin']);
    boxes()[0]?.click();
    await settled();
    fixture.detectChanges();
    expect(TestBed.inject(Bench).specimen()?.completeWith).toEqual([]);
    expect(page.querySelector('wb-comes-with')?.textContent).toContain('nothing');
  });

  it('adds a part that nothing fits to the catalogue in one step, with the way back', async () => {
    setUp(specimen('cast K880 main 58.12 mic pin 48.03 mic stroke 88.4 caliper', 'Crank from the river pump'));
    const { fixture, page } = await show(BenchStation, { specimen: ID });
    await settled();
    await fixture.whenStable();
    expect(text(page)).toContain(`None of the ${VIEW.ofKind('crank').length} cranks`);
    await click(fixture, button(page, 'Add it as a new pattern'));
    const request = server().expectOne(
      (each) => each.method === 'PUT' && each.url.startsWith('/api/records/pattern/crank-from-the-river-pump'),
    );
    const { record } = request.request.body as {
      record: { dimensions: Record<string, { low: string }>; source: { kind: string } };
    };
    expect(record.dimensions['crank.mainJournal.diameter']?.low).toBe('58.12');
    expect(record.source.kind).toBe('measuredHere');
    request.flush({ record, version: 1 });
    await settled();
    expect(TestBed.inject(Router).url).toContain('/catalogue/pattern/crank-from-the-river-pump');
    expect(TestBed.inject(UndoBar).offered()?.says).toContain('Added');
  });

  it('shows place by place what was measured so', async () => {
    setUp(specimen('cast 41?7 main 1 2.3490in mic main 3 2.3471in mic pins 2.0494/2.0492in mic'));
    const { fixture, page } = await show(BenchStation, { specimen: ID });
    await settled();
    await fixture.whenStable();
    expect(text(page)).toContain('Main journal 3');
    expect(text(page)).toContain('Crankpin 1 to 2');
    const rows = [...page.querySelectorAll('wb-size-table tbody tr')].map((row) => text(row as HTMLElement));
    expect(rows.find((row) => row.startsWith('Main journal'))).toMatch(/1 59\.665 *3 59\.616/);
    expect(rows.find((row) => row.startsWith('Crankpin'))).toMatch(/1 52\.055 *2 52\.050/);
  });

  it('lays the calculation behind a weight open on request', async () => {
    setUp(specimen('main 2.3482in mic'));
    const { fixture, page } = await show(BenchStation, { specimen: ID });
    await settled();
    await fixture.whenStable();
    await click(fixture, page.querySelector('.weight button'));
    const lines = text(page.querySelector('.lines'));
    expect(lines).toContain('JCGM 100:2008');
    expect(lines).toContain('decibans');
    await click(fixture, page.querySelector('.weight button'));
    expect(page.querySelector('.lines')).toBeNull();
  });
});

describe('the tray', () => {
  const open = async (words: string) => {
    setUp(specimen(words));
    TestBed.inject(Bench).specimenId.set(ID);
    const shown = await show(Tray);
    server()
      .match((request) => request.url.endsWith('/photographs'))
      .forEach((request) => request.flush([]));
    return shown;
  };

  it('groups claims and service sizes apart', async () => {
    const { page } = await open('main 10 under year 1962 forged');
    expect([...page.querySelectorAll('section h2')].map(text)).toEqual(['Service sizes', 'Looks', 'Claims']);
    expect(text(page)).toContain('10 thou under');
  });

  it('sends a photograph to its reading, shows it small, and tells why one is refused', async () => {
    const { fixture, page } = await open('forged');
    const send = (name: string) => {
      const photographs = TestBed.inject(Photographs);
      photographs.add(new File(['x'], name, { type: 'image/png' }), readings('forged')[0]?.id);
      return server().expectOne((request) => request.method === 'POST' && request.url.endsWith('/photographs'));
    };
    send('web.png').flush({
      id: 'p1',
      reading: readings('forged')[0]?.id,
      name: 'web.png',
      width: 9,
      height: 9,
      at: '2026-03-02T08:10:00.000Z',
      who: 'Tilda',
    });
    await fixture.whenStable();
    expect(page.querySelector('img')?.getAttribute('src')).toBe('/api/photographs/p1/thumbnail');
    send('program.png').flush(
      { error: '“program.png” cannot be opened as a picture, whatever its name says.' },
      { status: 415, statusText: 'no' },
    );
    await fixture.whenStable();
    expect(text(page.querySelector('[role=alert]'))).toContain('cannot be opened as a picture');
  });

  it('tells what became of the readings when asked', async () => {
    setUp();
    const { fixture, page } = await show(ReadingHistory, { specimen: ID });
    const details = page.querySelector('details');
    if (!details) throw new Error('no history');
    details.open = true;
    await settled();
    server()
      .expectOne(`/api/specimens/${ID}/history`)
      .flush([
        {
          reading: 'a',
          at: '2026-03-02T08:10:00.000Z',
          who: 'Tilda',
          operation: 'changed',
          before: { sort: 'look', text: 'cast' },
          after: { sort: 'look', text: 'forged' },
        },
      ]);
    await fixture.whenStable();
    expect(text(page)).toMatch(/corrected by Tilda: cast ?forged/);
  });
});

describe('the bench card', () => {
  it('has on one sheet what was read, what it is and why, and what is left to check', async () => {
    setUp(specimen('cast 41?7 main 2.3482in mic year 1962', 'Crank, bin 4'));
    const { page } = await show(BenchCard, { specimen: ID });
    const said = text(page);
    for (const part of [
      'Crank, bin 4',
      '2.3482',
      '41?7',
      'What it may be',
      'None of these',
      'Why:',
      'qualified machinist',
    ])
      expect(said).withContext(part).toContain(part);
  });
});
