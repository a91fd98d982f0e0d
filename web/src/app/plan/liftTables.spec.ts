import { TestBed } from '@angular/core/testing';
import { signal } from '@angular/core';
import type { Build } from '@which-bore/core';
import { Preferences } from '../data/preferences';
import { button, click, setUp, show, text } from '../testing/setUp';
import { LiftTables } from './liftTables';
import { PlanState } from './planState';

afterAll(() => localStorage.clear());

const CURVE = '-60 0\n-30 4\n0 8\n30 4\n60 0';

async function shown(lifts?: Build['lifts']) {
  setUp();
  const build = signal<Build>({ id: 'made', name: 'Made up', places: [], sizes: [], ...(lifts ? { lifts } : {}) });
  const says: string[] = [];
  const alter = (why: string, change: (build: Build) => Build): void => {
    says.push(why);
    build.update(change);
  };
  TestBed.configureTestingModule({ providers: [{ provide: PlanState, useValue: { build, alter } }] });
  const { fixture, page } = await show(LiftTables);
  const area = () => page.querySelector('textarea');
  const take = async (typed: string) => {
    const field = area();
    if (!field) throw new RangeError('No table is open.');
    field.value = typed;
    await click(fixture, button(page, 'Take this curve'));
  };
  return { fixture, page, build, says, area, take };
}

describe('a lift curve that was measured', () => {
  it('is typed point by point, and goes before the cam card', async () => {
    const { fixture, page, build, says, area, take } = await shown();
    expect(area()).toBeNull();
    await click(fixture, button(page, 'Measured lift, intake'));
    await take(CURVE);
    expect(build().lifts?.intake?.length).toBe(5);
    expect(build().lifts?.exhaust).toBeUndefined();
    expect(says).toEqual(['Lift of the intake valve as measured.']);
    expect(area()).toBeNull();
    expect(text(page)).toContain('Lift measured: 5 points, intake');
  });

  it('is laid open again as it stands, in the units of the shop', async () => {
    const { fixture, page, area } = await shown({
      exhaust: [
        [-60, 0],
        [0, 10.16],
        [60, 0],
      ],
    });
    TestBed.inject(Preferences).units.set('inch');
    await fixture.whenStable();
    await click(fixture, button(page, 'Lift measured: 3 points, exhaust'));
    expect(area()?.value).toBe('-60\t0\n0\t0.4\n60\t0');
    expect(text(page.querySelector('label'))).toContain('exhaust valve in in');
  });

  it('with a fault names the line, and keeps what was typed', async () => {
    const { fixture, page, build, area, take } = await shown();
    await click(fixture, button(page, 'Measured lift, exhaust'));
    await take('-60 0\nwide open\n60 0');
    expect(text(page.querySelector('[role=alert]'))).toMatch(/^Line 2: /);
    expect(area()?.value).toContain('wide open');
    expect(build().lifts).toBeUndefined();
    // Looked at again, it stands there without the fault of before.
    await click(fixture, button(page, 'Measured lift, exhaust'));
    await click(fixture, button(page, 'Measured lift, exhaust'));
    expect(page.querySelector('[role=alert]')).toBeNull();
  });

  it('is given up for the cam card, which takes the last of them out of the build', async () => {
    const { fixture, page, build, says } = await shown({
      intake: [
        [-60, 0],
        [0, 9],
        [60, 0],
      ],
    });
    await click(fixture, button(page, 'Lift measured: 3 points, intake'));
    await click(fixture, button(page, 'By the cam card again'));
    expect(says).toEqual(['Lift of the intake valve by the cam card.']);
    expect(Object.hasOwn(build(), 'lifts')).toBeFalse();
  });
});
