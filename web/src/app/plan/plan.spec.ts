import { provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import {
  buildSheetOf,
  CatalogueLookup,
  engineOf,
  FIGURES,
  sectionOf,
  swapContextOf,
  type Answers,
  type Build,
  type FigureTold,
} from '@which-bore/core';
import { CATALOGUE } from '../testing/demo';
import { FigureSheet } from './figureSheet';
import { PlanState } from './planState';
import { SectionView } from './sectionView';

const LOOKUP = new CatalogueLookup(CATALOGUE);
const build = (more: Partial<Build> = {}): Build => ({
  id: 'made',
  name: 'Made up',
  variant: 'sluice-336',
  places: [{ slot: 'crank', pattern: 'sluice-crank-3590' }],
  sizes: [],
  ...more,
});
const engine = (of: Build) =>
  engineOf(of, { catalogue: LOOKUP, context: swapContextOf(LOOKUP), specimens: [], takenFor: () => undefined });

/** Figures as the sheet tells them, of the first cylinder. */
const figuresOf = (of: Build): readonly FigureTold[] => {
  const { figures } = buildSheetOf(engine(of));
  return FIGURES.flatMap((figure) => {
    const found = figures.find((each) => each.figure === figure);
    if (!found) return [];
    const { id, name, says, subject, quantity, per, formula, source } = figure;
    const { value, interval, required, verdict, says: why, atLeast } = found;
    return [
      {
        id,
        name,
        says,
        subject,
        quantity,
        per,
        formula,
        source,
        found: [
          {
            at: [],
            ...(value === undefined ? {} : { value, base: value - 1 }),
            ...(interval ? { between: interval } : {}),
            ...(required ? { required } : {}),
            ...(verdict ? { verdict } : {}),
            ...(why ? { says: why } : {}),
            ...(atLeast ? { atLeast } : {}),
            needs: found.needs.map((need) => ({ id: need, name: need })),
            arguments: found.arguments.map((each) => ({
              name: each.name,
              called: each.figure?.name ?? each.leaf?.name ?? '',
              value: each.value,
              quantity: each.figure?.quantity ?? each.leaf?.quantity ?? ('count' as const),
              from: each.leaf?.of ?? '',
            })),
            assumed: [],
          },
        ],
      },
    ];
  });
};

describe('the sheet of a build', () => {
  const show = async (of: Build) => {
    // Whoever was here before may have gone by inches.
    localStorage.clear();
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
    const fixture = TestBed.createComponent(FigureSheet);
    fixture.componentRef.setInput('figures', figuresOf(of));
    await fixture.whenStable();
    return fixture;
  };
  const text = (of: { readonly nativeElement: unknown }): string =>
    (of.nativeElement as HTMLElement).textContent.replace(/\s+/g, ' ');

  it('has what is out of its limits first, with why, and nothing there where all is well', async () => {
    const bad = await show(build());
    const problems = bad.debugElement.query(By.css('section.problems'));
    expect(text(problems)).toContain('Squish−1.194 mm');
    expect(text(problems)).toContain('the piston strikes the head');
    TestBed.resetTestingModule();
    const well = await show(build({ variant: 'sluice-357', places: [] }));
    expect(well.debugElement.query(By.css('section.problems'))).toBeNull();
  });

  it('shows how a figure changed, and its formula with the figures put in when it is asked', async () => {
    const fixture = await show(build());
    const row = fixture.debugElement.query(By.css('tr[data-figure=squish]'));
    expect(text(row)).toContain('+1.000 mm');
    (row.query(By.css('button')).nativeElement as HTMLButtonElement).click();
    await fixture.whenStable();
    const detail = fixture.debugElement.query(By.css('tr.detail'));
    expect(text(detail)).toContain('below + gasket = −1.194 mm');
    expect(text(detail)).toContain('Thickness, compressed');
    expect(text(detail)).toContain('at least 0.900 mm wanted');
  });

  it('says of what cannot be told what must be known, once for all figures that want it', async () => {
    const fixture = await show(build());
    const loads = fixture.debugElement.query(By.css('section[data-subject=loads] button'));
    (loads.nativeElement as HTMLButtonElement).click();
    await fixture.whenStable();
    const untold = fixture.debugElement.query(By.css('section[data-subject=loads] .untold'));
    expect(text(untold).match(/running\.firingPressure is not known/g)?.length).toBe(1);
    expect(text(untold)).toContain('side thrust');
  });
});

describe('the section on the screen', () => {
  const sizes = sectionOf(engine(build()), 1);
  const sheet = signal({ section: sizes, figures: figuresOf(build()) } as unknown as Answers['buildSheet']);
  const state = { sheet, angle: signal(0), cylinder: signal(1) };
  const show = async () => {
    state.angle.set(0);
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), { provide: PlanState, useValue: state }],
    });
    const fixture = TestBed.createComponent(SectionView);
    await fixture.whenStable();
    return fixture;
  };

  it('turns its crank by keys, and says where it stands', async () => {
    const fixture = await show();
    const svg = (fixture.nativeElement as HTMLElement).querySelector('svg');
    const press = async (key: string, shiftKey = false) => {
      svg?.dispatchEvent(new KeyboardEvent('keydown', { key, shiftKey }));
      await fixture.whenStable();
    };
    await press('ArrowRight');
    expect(state.angle()).toBe(1);
    await press('ArrowLeft', true);
    expect(state.angle()).toBe(-9);
    expect(svg?.getAttribute('aria-valuetext')).toBe('9° before the top between exhaust and intake');
    await press('End');
    expect(svg?.getAttribute('aria-valuetext')).toBe('at bottom dead centre');
    await press('Home');
    expect(state.angle()).toBe(0);
    // Past two turns it comes round.
    state.angle.set(360);
    await press('ArrowRight');
    expect(state.angle()).toBe(-359);
    // A key of its own is no key of the frame; others go on.
    const other = new KeyboardEvent('keydown', { key: 'm', cancelable: true });
    svg?.dispatchEvent(other);
    expect(other.defaultPrevented).toBeFalse();
  });

  it('marks what comes too close, in words as well', async () => {
    const fixture = await show();
    const element = fixture.nativeElement as HTMLElement;
    expect(element.querySelector('[data-gap=squish]')?.classList.contains('bad')).toBeTrue();
    expect(element.querySelector('.gaps')?.textContent).toContain('too close');
    state.angle.set(90);
    await fixture.whenStable();
    expect(element.querySelector('[data-gap=squish]')).toBeNull();
  });
});
