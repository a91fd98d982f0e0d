import { TestBed } from '@angular/core/testing';
import { HOUSE_RULES, OPERATION_IDS, USUAL_SHOP, type StoredShop } from '@which-bore/core';
import { ShopData } from '../data/shopData';
import { UndoBar } from '../data/undoBar';
import { settled } from '../testing/settled';
import { button, click, server, setUp, show, text, until } from '../testing/setUp';
import { RulesStation } from './rulesStation';

async function open() {
  setUp();
  TestBed.inject(ShopData);
  server()
    .expectOne('/api/shop')
    .flush({ ...USUAL_SHOP, version: 3 });
  const shown = await show(RulesStation);
  const rows = (table: string) => shown.page.querySelectorAll(`${table} tbody tr`).length;
  await until(
    () =>
      rows('table.work') === OPERATION_IDS.length &&
      rows('section[aria-labelledby=instruments-title] table') === USUAL_SHOP.instruments.length,
  );
  return shown;
}

const type = async (page: HTMLElement, label: string, value: string) => {
  const field = [...page.querySelectorAll('input')].find((each) => each.getAttribute('aria-label') === label);
  if (!field) throw new Error(`no ${label}`);
  field.value = value;
  field.dispatchEvent(new Event('change'));
  await settled();
};

describe('house rules and instruments', () => {
  it('state every school with its reason, the usual one marked', async () => {
    const { page } = await open();
    expect(page.querySelectorAll('fieldset').length).toBe(Object.keys(HOUSE_RULES).length);
    expect(text(page)).toContain('Trust marks (usual)');
  });

  it('save a choice, with the version seen and the way back', async () => {
    const { fixture, page } = await open();
    const choice = [...page.querySelectorAll<HTMLInputElement>('input[type=radio]')].find(
      (each) => each.value === 'measure',
    );
    choice?.click();
    await fixture.whenStable();
    await settled();
    const request = server().expectOne((each) => each.method === 'PUT');
    expect(request.request.body).toEqual(jasmine.objectContaining({ rules: { marks: 'measure' }, version: 3 }));
    request.flush({ ...USUAL_SHOP, rules: { marks: 'measure' }, version: 4 });
    await settled();
    TestBed.inject(UndoBar).take();
    await settled();
    const back = server().expectOne((each) => each.method === 'PUT');
    expect(back.request.body).toEqual(jasmine.objectContaining({ rules: {}, version: 4 }));
  });

  it('save what the shop reckons for work, and refuse what is no price', async () => {
    const { page } = await open();
    await type(page, 'Price of Line bore', '510');
    const request = server().expectOne((each) => each.method === 'PUT');
    expect(request.request.body).toEqual(jasmine.objectContaining({ rules: { work: { lineBore: { price: 510 } } } }));
    request.flush({ ...USUAL_SHOP, rules: { work: { lineBore: { price: 510 } } }, version: 4 });
    await type(page, 'Hours for Line bore', 'long');
    expect(text(page.querySelector('[role=alert]'))).toContain('“long” is no time for “Line bore”');
  });

  it('save a changed instrument, and refuse what is no size with a reason', async () => {
    const { fixture, page } = await open();
    await type(page, 'Permissible error of Caliper, 0 to 150 mm', '0,05');
    const request = server().expectOne((each) => each.method === 'PUT');
    const { instruments } = request.request.body as typeof USUAL_SHOP;
    expect(instruments.find(({ sort }) => sort === 'caliper')?.permissibleError).toBe(0.05);
    request.flush({ ...USUAL_SHOP, instruments, version: 4 });
    await type(page, 'Largest size of Steel rule', 'long');
    await fixture.whenStable();
    expect(text(page.querySelector('[role=alert]'))).toContain('“long” is no size');
    server().expectNone((each) => each.method === 'PUT');
  });

  it('mark an instrument whose calibration has run out', async () => {
    setUp();
    TestBed.inject(ShopData);
    const [first] = USUAL_SHOP.instruments;
    if (!first) throw new Error('no instrument');
    server()
      .expectOne('/api/shop')
      .flush({ instruments: [{ ...first, calibrated: '2020-01-01', everyMonths: 12 }], rules: {}, version: 1 });
    const { page } = await show(RulesStation);
    expect(text(page.querySelector('tr.late'))).toContain('run out');
  });

  it('go on top of what somebody else saved meanwhile, which is shown', async () => {
    const { fixture, page } = await open();
    await click(fixture, button(page, 'Another instrument'));
    server()
      .expectOne((each) => each.method === 'PUT')
      .flush(
        { error: 'Changed meanwhile.', current: { ...USUAL_SHOP, instruments: [], version: 9 } },
        { status: 409, statusText: 'changed' },
      );
    await settled();
    const again = server().expectOne((each) => each.method === 'PUT');
    const { instruments, version } = again.request.body as StoredShop;
    expect([instruments.map(({ name }) => name), version]).toEqual([['Another micrometer'], 9]);
    again.flush({ ...USUAL_SHOP, instruments, version: 10 });
    await fixture.whenStable();
    expect(page.querySelectorAll('section[aria-labelledby=instruments-title] table tbody tr').length).toBe(1);
  });

  it('take a figure of thumb of the shop’s own, say beside its field what is wrong with one, and go back to the usual', async () => {
    const { page } = await open();
    await type(page, 'End float of the crank', '0.05 to 0.15');
    const own = { rules: { figures: { 'bearings.endFloat': { low: 0.05, high: 0.15 } } } };
    const request = server().expectOne((each) => each.method === 'PUT');
    expect(request.request.body).toEqual(jasmine.objectContaining(own));
    request.flush({ ...USUAL_SHOP, ...own, version: 4 });
    await settled();
    await type(page, 'Squish', 'tight');
    const alert = page.querySelector('td [role=alert]');
    expect(text(alert?.closest('tr')?.querySelector('th') ?? null)).toBe('Squish');
    expect(text(alert)).toContain('“tight” is no figure: write one figure, like 0.900 mm.');
    [...page.querySelectorAll('button')]
      .find((each) => each.getAttribute('aria-label') === 'As usual: End float of the crank')
      ?.click();
    await settled();
    expect(server().expectOne((each) => each.method === 'PUT').request.body).toEqual(
      jasmine.objectContaining({ rules: { figures: {} } }),
    );
  });

  it('find a figure of thumb by its words', async () => {
    const { page } = await open();
    const find = page.querySelector<HTMLInputElement>('#figure-find');
    if (!find) throw new Error('nothing to find with');
    find.value = 'spacing';
    find.dispatchEvent(new Event('input'));
    await settled();
    expect([...page.querySelectorAll('wb-figures-of-thumb tbody th')].map(text)).toEqual([
      'Main spacing',
      'Bore spacing',
    ]);
  });
});
