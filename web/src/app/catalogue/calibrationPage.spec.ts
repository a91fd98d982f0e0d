import { TestBed } from '@angular/core/testing';
import { ShopData } from '../data/shopData';
import { specimen } from '../testing/demo';
import { click, setUp, show, text, until } from '../testing/setUp';
import { CalibrationPage } from './calibrationPage';

afterAll(() => localStorage.clear());

describe('the calibration page', () => {
  const known = (text: string, pattern: string, at: number) => ({
    ...specimen(text),
    id: `7a0d5a1e-3f7f-4f43-8f25-00000000100${at}`,
    name: `Crank ${at}`,
    confirmed: { pattern, by: 'fitted' as const, at: '2026-05-01T08:00:00.000Z' },
  });

  it('says what is missing while nothing is known for sure', async () => {
    setUp(specimen('cast 4187'));
    const { page } = await show(CalibrationPage);
    await until(() => text(page).includes('known for sure'));
    expect(page.querySelector('table')).toBeNull();
  });

  it('tells how often what was said was so, in words beside the picture', async () => {
    setUp(
      known('cast 4187 main 2.3495in mic forged', 'sluice-crank-3375-forged', 1),
      known('cast 4187 main 2.3495in mic', 'sluice-crank-3115', 2),
    );
    const { page } = await show(CalibrationPage);
    await until(() => text(page).includes('1 of 2 parts were named right'));
    expect(text(page)).toContain('So few tell little');
    expect(page.querySelector('canvas')?.getAttribute('aria-label')).toContain('How often what was said was so');
    expect(text(page)).toContain('Brackmere Sluice, 3.115');
  });

  it('takes a chance over only when it is told to, and gives it back', async () => {
    setUp(known('cast 4187 main 2.3495in mic forged', 'sluice-crank-3375-forged', 1));
    const { fixture, page } = await show(CalibrationPage);
    const row = () => page.querySelector<HTMLElement>('[data-chance=sizeMistaken]');
    const own = () => TestBed.inject(ShopData).peek('00000000-0000-4000-8000-000000000001')?.rules.assumptions;
    await until(() => row() !== null);
    expect(own()).toBeUndefined();
    await click(fixture, row()?.querySelector('button'));
    await until(() => text(row()).includes('the shop’s own'));
    expect(own()?.sizeMistaken).toBeLessThan(0.0031);
    await click(fixture, row()?.querySelector('button'));
    await until(() => text(row()).includes('Take over'));
    expect(own()).toBeUndefined();
  });
});
