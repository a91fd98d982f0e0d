import { INSTRUMENT_IDS, INSTRUMENTS } from '../quantity/instrument';
import { say } from '../quantity/sentence';
import { HOUSE_RULES, HOUSE_RULE_IDS, weightAllowed } from './houseRules';
import { ToolDrawer, finerTool, overdue, OVERDUE_TIMES, USUAL_INSTRUMENTS, type OwnInstrument } from './ownInstrument';

const own = (more: Partial<OwnInstrument>): OwnInstrument => ({
  id: 'mic-a',
  sort: 'micrometer',
  name: 'Micrometer A',
  resolution: 0.001,
  permissibleError: 0.002,
  from: 0,
  to: 25,
  ...more,
});

describe('the shop’s own instruments', () => {
  it('have at the start one of each sort, as a usual shop has', () => {
    expect(USUAL_INSTRUMENTS.map(({ sort }) => sort).sort()).toEqual(
      INSTRUMENT_IDS.filter((id) => id !== 'sheet').sort(),
    );
    for (const each of USUAL_INSTRUMENTS) expect(each.from).withContext(each.id).toBeLessThan(each.to);
  });

  it('are taken by reach: a 150 mm caliper cannot go round a 200 mm liner', () => {
    const drawer = new ToolDrawer();
    expect(drawer.take('caliper', 120).reaches).toBeTrue();
    const round = drawer.take('caliper', 200);
    expect(round.reaches).toBeFalse();
    expect(say(round.doubt ?? [], 'metric')).toContain('it does not reach 200.000 mm');
  });

  it('are taken by fineness, those in calibration first', () => {
    const coarse = own({
      id: 'mic-b',
      name: 'Micrometer B',
      permissibleError: 0.004,
      calibrated: '2026-10-01',
      everyMonths: 12,
    });
    const fine = own({ calibrated: '2024-10-01', everyMonths: 12 });
    expect(new ToolDrawer([coarse, fine]).take('micrometer', 20).name).toBe('Micrometer A');
    expect(new ToolDrawer([coarse, fine], '2026-11-25').take('micrometer', 20).name).toBe('Micrometer B');
  });

  it('count for half when their calibration has run out, and say so', () => {
    const late = new ToolDrawer([own({ calibrated: '2024-10-01', everyMonths: 12 })], '2026-11-25').take(
      'micrometer',
      20,
    );
    expect(late.permissibleError).toBeCloseTo(0.002 * OVERDUE_TIMES, 12);
    expect(say(late.doubt ?? [], 'metric')).toContain('past its calibration');
  });

  it('run out on the day after their term, across the turn of a year', () => {
    const each = own({ calibrated: '2025-11-30', everyMonths: 3 });
    expect(overdue(each, '2026-02-28')).toBeFalse();
    expect(overdue(each, '2026-03-01')).toBeTrue();
    expect(overdue(own({}), '2099-01-01')).toBeFalse();
    expect(overdue(own({ everyMonths: 12 }), '2026-01-01')).toBeTrue();
  });

  it('fall back on the usual values where the shop has none of a sort, and say so', () => {
    const tool = new ToolDrawer([own({})]).take('caliper', 50);
    expect(tool.permissibleError).toBe(INSTRUMENTS.caliper.permissibleError);
    expect(say(tool.doubt ?? [], 'metric')).toContain('has no caliper');
    expect(tool.reaches).toBeFalse();
  });

  it('are named where a finer one would tell what a coarse one cannot', () => {
    const drawer = new ToolDrawer();
    // A caliper is uncertain by some 0.037 mm, a micrometer by 0.005.
    expect(finerTool(drawer, ['micrometer', 'caliper'], 60, 0.037)?.sort).toBe('micrometer');
    expect(finerTool(drawer, ['micrometer', 'caliper'], 60, 0.005)).toBeUndefined();
    expect(finerTool(drawer, ['micrometer', 'caliper'], 400, 0.037)).toBeUndefined();
  });

  it('need nothing for what a sheet says', () => {
    expect(new ToolDrawer([]).take('sheet', 8.5)).toEqual(jasmine.objectContaining({ reaches: true, name: 'Sheet' }));
  });
});

describe('house rules', () => {
  it('each state at least two schools and a default that is one of them', () => {
    for (const id of HOUSE_RULE_IDS) {
      const { choices, usual } = HOUSE_RULES[id];
      expect(choices.length).withContext(id).toBeGreaterThan(1);
      expect(choices.map((choice) => choice.id) as string[])
        .withContext(id)
        .toContain(usual);
      for (const choice of choices) expect(choice.says.length).toBeGreaterThan(30);
    }
  });

  it('allow so many grams in a set', () => {
    expect([weightAllowed({}), weightAllowed({ weights: 'two' }), weightAllowed({ weights: 'eight' })]).toEqual([
      4, 2, 8,
    ]);
  });
});
