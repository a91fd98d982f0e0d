import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { throwError } from 'rxjs';
import { AuditPage } from './catalogue/auditPage';
import { CatalogueStation } from './catalogue/catalogueStation';
import { ChangesPage } from './catalogue/changesPage';
import { EditPage } from './catalogue/editPage';
import { FamilyPage } from './catalogue/familyPage';
import { barsOf } from './catalogue/fitmentBars';
import { ImportPage } from './catalogue/importPage';
import { OverviewPage } from './catalogue/overviewPage';
import { PatternPage } from './catalogue/patternPage';
import { VariantPage } from './catalogue/variantPage';
import { CompareStation } from './compare/compareStation';
import { Compared } from './data/compared';
import { Preferences } from './data/preferences';
import { Questions } from './data/questions';
import { ID, specimen, VIEW } from './testing/demo';
import { settled } from './testing/settled';
import { button, click, server, setUp, show, text, until } from './testing/setUp';

afterAll(() => localStorage.clear());

const input = async (page: HTMLElement, id: string, value: string) => {
  const found = () => page.querySelector<HTMLInputElement>(`[id="${id}"]`);
  await until(() => found() !== null);
  const field = found();
  if (!field) throw new Error(`no field ${id}`);
  field.value = value;
  field.dispatchEvent(new Event('input'));
  await settled();
  return field;
};

describe('the Catalogue', () => {
  it('finds as one types, and says why', async () => {
    setUp();
    const { fixture, page } = await show(CatalogueStation, { find: 'bs1o4187' });
    await settled();
    fixture.detectChanges();
    expect(text(page.querySelector('.hits li .label'))).toBe('Brackmere Sluice, 3.375 forged, small journal');
    expect(text(page.querySelector('.hits li small'))).toContain('part number BS-104187, read with a slip');
    fixture.componentRef.setInput('find', 'xyzzy');
    await settled();
    expect(text(page.querySelector('.help'))).toContain('Nothing has xyzzy.');
  });

  it('goes on after a search that failed', async () => {
    setUp();
    const questions = TestBed.inject(Questions);
    const ask = questions.ask.bind(questions);
    const complaints = spyOn(console, 'error');
    spyOn(questions, 'ask').and.callFake((name, request) =>
      JSON.stringify(request).includes('breaks') ? throwError(() => new Error('It broke.')) : ask(name, request),
    );
    const { fixture, page } = await show(CatalogueStation, { find: 'breaks' });
    await until(() => complaints.calls.count() > 0);
    fixture.componentRef.setInput('find', 'bs104187');
    await until(() => page.querySelector('.hits li .label') !== null);
    expect(text(page.querySelector('.hits li .label'))).toBe('Brackmere Sluice, 3.375 forged, small journal');
  });

  it('reads a number that no record bears: a bearing, a vehicle, a casting date', async () => {
    setUp();
    const { fixture, page } = await show(CatalogueStation, { find: '6305-2Z/C3' });
    expect(text(page.querySelector('.reads'))).toContain('bore 25 mm, outside 62 mm, width 17 mm (ISO 15)');
    fixture.componentRef.setInput('find', '11111111111111111');
    await fixture.whenStable();
    await settled();
    expect(text(page.querySelector('.reads'))).toContain('The check digit agrees.');
    fixture.componentRef.setInput('find', 'C147');
    await fixture.whenStable();
    await settled();
    expect(text(page.querySelector('.reads'))).toContain(
      'Brackmere casting date: month letter March, day 14, year figure 7; 1967 or 1977 or 1987',
    );
    fixture.componentRef.setInput('find', 'piston 97');
    await fixture.whenStable();
    await settled();
    expect(page.querySelector('.reads')).toBeNull();
  });

  it('has a tree of makers, families and variants', async () => {
    setUp();
    const { page, fixture } = await show(CatalogueStation);
    expect([...page.querySelectorAll('.maker')].map(text)).toEqual(VIEW.catalogue.makers.map((maker) => maker.name));
    await click(fixture, button(page, 'Variants of Skerry'));
    expect([...page.querySelectorAll('.tree ul ul a')].map(text)).toEqual(
      VIEW.variantsOf('skerry').map((variant) => variant.code),
    );
  });

  it('counts patterns, sizes, looks and mark places of every kind', async () => {
    setUp();
    const { page } = await show(OverviewPage);
    expect(page.querySelectorAll('tbody tr').length).toBe(21);
    expect(
      [...page.querySelectorAll('tbody .number:nth-child(2)')]
        .map((cell) => Number(text(cell)))
        .every((count) => count > 0),
    ).toBeTrue();
  });
});

describe('the page of a pattern', () => {
  it('shows a dispute plainly, with every voice', async () => {
    setUp();
    const { page } = await show(PatternPage, { id: 'skerry-crank-4-112' });
    expect(text(page.querySelector('.warn'))).toContain('One value is disputed');
    const row = page.querySelector('[data-value="crank.mainJournal.diameter"]');
    expect(row?.classList.contains('disputed')).toBeTrue();
    expect(row?.querySelector('details')?.open).toBeTrue();
    expect([...(row?.querySelectorAll('li') ?? [])].map(text)).toEqual([
      jasmine.stringMatching(/^79\.450 to 79\.470 mm measured here \(Larch Hollow, 2025-03-14\), used\. Two cranks/),
      '79.450 to 79.470 mm maker’s sheet (Halvorn workshop sheet, 1984), agrees.',
      '78.950 to 78.970 mm supplier’s list (Valley shell list, 1996), says otherwise. Page 12',
    ]);
    expect(page.querySelectorAll('details[open]').length).toBe(1);
  });

  it('follows the reader’s units, and keeps what was given', async () => {
    setUp();
    const { fixture, page } = await show(PatternPage, { id: 'sluice-crank-3375-forged' });
    TestBed.inject(Preferences).units.set('inch');
    await fixture.whenStable();
    expect(text(page.querySelector('[data-value="crank.stroke"] .value'))).toMatch(/^3\.37\d\d to 3\.37\d\d in$/);
  });

  it('tells what replaced a number, and what goes with the part', async () => {
    setUp();
    const pattern = VIEW.catalogue.patterns.find((each) =>
      each.companions?.some((companion) => companion.relation === 'onlyWith'),
    );
    const { page } = await show(PatternPage, { id: pattern?.id ?? '' });
    expect(text(page)).toContain('only valid together with');
    const replaced = VIEW.catalogue.patterns.find((each) => each.numbers.some((number) => number.replacedBy));
    expect(text((await show(PatternPage, { id: replaced?.id ?? '' })).page)).toContain('replaced by');
  });

  it('reads the designation of a bearing', async () => {
    setUp();
    const { page } = await show(PatternPage, { id: 'bearing-6203-2z' });
    expect(text(page)).toContain('bore 17 mm, outside 40 mm, width 12 mm (ISO 15)');
  });

  it('that is not there says so', async () => {
    setUp();
    expect(text((await show(PatternPage, { id: 'nothing' })).page)).toContain(
      'The catalogue has no pattern “nothing”.',
    );
    expect(text((await show(VariantPage, { id: 'nothing' })).page)).toContain('no variant “nothing”');
    expect(text((await show(FamilyPage, { id: 'nothing' })).page)).toContain('no family “nothing”');
  });
});

describe('the chart of a family', () => {
  const bars = (slot: string) => barsOf(VIEW, VIEW.variantsOf('sluice'), slot);

  it('has the planted exceptions: a few months, and a share of the engines', () => {
    expect(
      bars('block')
        .filter((bar) => bar.exception)
        .map((bar) => bar.says),
    ).toEqual([
      '357 D: low deck, large journal, wet intake, 1986 to 1986-05. Only the first five months of 1986: new designation, old architecture.',
    ]);
    const shared = VIEW.catalogue.variants
      .flatMap((variant) => barsOf(VIEW, [variant], 'rod'))
      .filter((bar) => bar.fitment.share !== undefined);
    expect(shared.length).toBeGreaterThan(0);
    expect(shared.every((bar) => bar.exception)).toBeTrue();
  });

  it('draws a month as a twelfth of a year', () => {
    const months = bars('block').find((bar) => bar.exception);
    expect((months?.to ?? 0) - (months?.from ?? 0)).toBeCloseTo(5 / 12, 9);
  });

  it('opens at the place with most exceptions and tells them in words', async () => {
    setUp();
    const { page } = await show(FamilyPage, { id: 'sluice' });
    expect(page.querySelector('canvas')?.getAttribute('aria-label')).toContain('357 D');
    expect(page.querySelectorAll('h2 + .plain li').length).toBeGreaterThan(0);
  });
});

describe('the audit', () => {
  it('lists what was planted, each with the place to mend it', async () => {
    setUp();
    const { page } = await show(AuditPage);
    expect(text(page.querySelector('[role=status]'))).toContain('18 findings');
    const displacement = page.querySelector('[data-rule="displacement"] li');
    expect(text(displacement)).toContain('make 1588.4 cc, and 1690.0 cc is stated.');
    expect(displacement?.querySelector('a[nz-button]')?.getAttribute('href')).toBe(
      '/catalogue/edit/variant/ambit-1590-h?at=variant.displacement',
    );
  });
});

describe('editing', () => {
  const open = async (type: string, id: string) => {
    setUp();
    const shown = await show(EditPage, { type, id });
    const record = type === 'pattern' ? VIEW.pattern(id) : VIEW.scheme(id);
    server().expectOne(`/api/records/${type}/${id}`).flush({ record, version: 4 });
    await settled();
    return shown;
  };

  it('says at its field what cannot be read, and saves nothing until it is mended', async () => {
    const { page } = await open('pattern', 'sluice-crank-3115');
    await input(page, 's-crank.stroke', '3.115 furlongs');
    expect(text(page)).toContain('“furlongs” after the figures is no unit of stroke');
    expect(button(page, 'Save')?.disabled).toBeTrue();
    await input(page, 's-crank.stroke', '3.115 mm');
    expect(text(page)).toContain('3.115 mm is no plausible size');
    await input(page, 's-crank.stroke', '3 1/8"');
    expect(button(page, 'Save')?.disabled).toBeFalse();
  });

  it('keeps what is typed over a reload, and sends it with the version it was begun from', async () => {
    const { page, fixture } = await open('pattern', 'sluice-pin');
    await input(page, 'f-name', 'Another name');
    fixture.destroy();
    const again = await show(EditPage, { type: 'pattern', id: 'sluice-pin' });
    server()
      .expectOne('/api/records/pattern/sluice-pin')
      .flush({ record: VIEW.pattern('sluice-pin'), version: 5 });
    await settled();
    expect(again.page.querySelector<HTMLInputElement>('#f-name')?.value).toBe('Another name');
    TestBed.inject(Preferences).name.set('Zoë');
    await click(again.fixture, button(again.page, 'Save'));
    const sent = server().expectOne('/api/records/pattern/sluice-pin');
    expect([
      sent.request.method,
      (sent.request.body as { version: number }).version,
      sent.request.headers.get('x-who'),
    ]).toEqual(['PUT', 4, 'Zo%C3%AB']);
    sent.flush(
      { error: 'Changed meanwhile.', current: { record: VIEW.pattern('sluice-pin'), version: 5 } },
      { status: 409, statusText: '' },
    );
    await settled();
    expect(text(again.page.querySelector('[role=alert]'))).toContain('What you typed is kept here');
    expect(button(again.page, 'Keep mine')).toBeDefined();
  });

  it('adds and removes items of a list', async () => {
    const { page, fixture } = await open('pattern', 'sluice-crank-3115');
    await until(() => button(page, 'Another mark') !== undefined);
    const before = page.querySelectorAll('[data-at="marks"] fieldset').length;
    await click(fixture, button(page, 'Another mark'));
    expect(page.querySelectorAll('[data-at="marks"] fieldset').length).toBe(before + 1);
    expect(text(page)).toContain('text is needed.');
    await click(fixture, button(page, `Remove mark ${before + 1}`));
    expect(page.querySelectorAll('[data-at="marks"] fieldset').length).toBe(before);
  });

  it('tries a scheme live, and leaves ambiguous years open', async () => {
    const { page } = await open('scheme', 'brackmere-date');
    expect(text(page.querySelector('wb-scheme-trial li'))).toContain('1967, 1977 or 1987: the number leaves it open');
    await input(page, 'try', 'Z147');
    expect(text(page.querySelector('wb-scheme-trial li'))).toContain('“Z147” cannot be month letter');
  });
});

describe('Compare', () => {
  const of = 'pattern:skerry-crank-4-112,pattern:skerry-crank-6-112,pattern:skerry-crank-4-104';

  it('shows what differs, folds what does not, and tells a dispute', async () => {
    setUp();
    const { page, fixture } = await show(CompareStation, { of });
    const disputed = page.querySelector('.disputed');
    if (!disputed) await click(fixture, button(page, 'The same'));
    expect(text(page.querySelector('[data-row="crank.mainJournal.diameter"] .disputed'))).toContain(
      'supplier’s list (Valley shell list, 1996) says 78.950 to 78.970 mm',
    );
    expect(text(page.querySelector('[data-row="crank.stroke"] .apart'))).toContain('−8.000 mm');
    expect(page.querySelectorAll('wb-overlay .part').length).toBe(3);
  });

  it('lights on the drawing what a row is about', async () => {
    setUp();
    const { page, fixture } = await show(CompareStation, { of });
    page.querySelector('[data-row="crank.stroke"]')?.dispatchEvent(new Event('mouseenter'));
    page
      .querySelector('[data-row="crank.crankpin.diameter"], [data-row="crank.swing"]')
      ?.dispatchEvent(new Event('mouseenter'));
    await fixture.whenStable();
    expect(page.querySelectorAll('wb-overlay .lit').length).toBe(3);
  });

  it('holds a part on the bench against the catalogue', async () => {
    setUp(specimen('main 2.3478in mic 8 weights'));
    const { page } = await show(CompareStation, { of: `pattern:sluice-crank-3375-forged,specimen:${ID}` });
    expect(text(page.querySelector('[data-row="crank.mainJournal.diameter"] .worn'))).toContain('what wear takes');
  });

  it('refuses two kinds, and offers only its own', async () => {
    setUp();
    const { page } = await show(CompareStation, { of: 'pattern:sluice-pin,pattern:sluice-crank-3115' });
    expect(text(page.querySelector('[role=alert]'))).toContain('Only parts of one kind can be compared');
    const compared = TestBed.inject(Compared);
    // What kinds they are is asked when it is first wanted.
    compared.with('pattern:sluice-crank-3115');
    compared.with('pattern:skerry-pin-40');
    await settled();
    expect(compared.with('pattern:sluice-crank-3115')).toEqual(['pattern:sluice-crank-3115']);
    expect(compared.with('pattern:skerry-pin-40')).toEqual(['pattern:sluice-pin', 'pattern:skerry-pin-40']);
  });

  it('comes back to what was compared last', async () => {
    setUp();
    await show(CompareStation, { of });
    const navigate = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await show(CompareStation, {});
    expect(navigate.calls.mostRecent().args[1]?.queryParams).toEqual({ of });
  });
});

describe('an import on the screen', () => {
  const IMPORT = {
    id: ID,
    fileName: 'cranks.csv',
    bytes: 1,
    who: 'Zoë',
    progress: 1,
    choices: {},
    createdAt: '2026-11-01T08:00:00Z',
  };

  it('shows what would happen, lets columns be mended, and asks before leaving rows out', async () => {
    setUp();
    const { page, fixture } = await show(ImportPage, { id: ID });
    server()
      .expectOne(`/api/imports/${ID}`)
      .flush({
        ...IMPORT,
        state: 'read',
        tables: [
          {
            source: 'cranks.csv',
            table: 'crank',
            rows: 3,
            headers: [
              { header: 'Snout', as: 'crank.nose.diameter', label: 'Nose', how: 'byName' },
              { header: 'Colour', how: 'notAtAll' },
            ],
          },
        ],
        counts: [
          { type: 'pattern', outcome: 'added', count: 2 },
          { type: 'pattern', outcome: 'refused', count: 1 },
        ],
      });
    await settled();
    server()
      .expectOne(`/api/imports/${ID}/rows?outcome=refused`)
      .flush([
        {
          position: 1,
          place: 'cranks.csv, line 3',
          type: 'pattern',
          id: 'x',
          outcome: 'refused',
          problems: [{ where: 'Snout', what: 'is wrong.' }],
        },
      ]);
    await settled();
    await fixture.whenStable();
    expect(text(page.querySelector('.rows li'))).toBe('cranks.csv, line 3 xSnout is wrong.');
    expect([...page.querySelectorAll('.headers .figures')].map(text)).toEqual(['Snout', 'Colour']);
    await click(fixture, button(page, 'Import the 2 others'));
    const apply = server().expectOne(`/api/imports/${ID}/apply`);
    expect(apply.request.body).toEqual({ leaveOutRefused: true });
    apply.flush({ ...IMPORT, state: 'applied', tables: [], counts: [] });
    await settled();
    expect(text(page)).toContain('In the catalogue');
  });

  it('says why a file cannot be read', async () => {
    setUp();
    const { page } = await show(ImportPage, { id: ID });
    server()
      .expectOne(`/api/imports/${ID}`)
      .flush({ ...IMPORT, state: 'failed', problem: 'cranks.csv is empty.', tables: [], counts: [] });
    await settled();
    expect(text(page.querySelector('[role=alert]'))).toBe('cranks.csv is empty.');
  });
});

describe('the changes of the catalogue', () => {
  it('say what was changed, from what to what', async () => {
    setUp();
    const { page } = await show(ChangesPage);
    const pin = VIEW.pattern('skerry-pin-40');
    const change = (id: string, name: string) => ({
      id,
      batch: id,
      at: '2026-11-01T08:00:00Z',
      who: 'Zoë',
      operation: 'changed',
      type: 'pattern',
      record: 'skerry-pin-40',
      before: { ...pin, name },
    });
    server()
      .expectOne('/api/changes')
      .flush([change('2', 'Second name'), change('1', 'First name')]);
    await settled();
    expect([...page.querySelectorAll('.what li')].map(text)).toEqual([
      `name: Second name to ${pin?.name ?? ''}`,
      'name: First name to Second name',
    ]);
  });

  it('tells changes made together together, and takes them back together', async () => {
    setUp();
    const { page, fixture } = await show(ChangesPage);
    const change = (id: string, batch: string, record: string) => ({
      id,
      batch,
      at: '2026-11-01T08:00:00Z',
      who: 'Zoë',
      operation: 'changed',
      type: 'pattern',
      record,
      before: {},
    });
    server()
      .expectOne('/api/changes')
      .flush([change('3', 'b', 'sluice-pin'), change('2', 'b', 'skerry-pin-40'), change('1', 'a', 'skerry-pin-42')]);
    await settled();
    expect([...page.querySelectorAll('ul > li > button')].map(text)).toEqual(['Take all back', 'Take back']);
    await click(fixture, button(page, 'Take all back'));
    server().expectOne('/api/batches/b/undo').flush({ records: 2 });
    await settled();
    server().expectOne('/api/changes').flush([]);
  });
});
