import { say } from '../quantity/sentence';
import {
  bearings,
  checkOwnFigures,
  cite,
  cylinders,
  deck,
  FIGURES_OF_THUMB,
  readFigure,
  sayFigure,
  sayLeeway,
  THUMB_SUBJECTS,
  valveGear,
  writeFigure,
} from './index';

describe('a figure of the shop’s own', () => {
  it('is read as it is typed, in the reader’s unit or with one', () => {
    expect(readFigure(bearings.endFloat, '0.05 to 0.15', 'metric')).toEqual({ low: 0.05, high: 0.15 });
    expect(readFigure(bearings.endFloat, '.05..0,15', 'metric')).toEqual({ low: 0.05, high: 0.15 });
    // One inch is exactly 25.4 mm (NIST SP 811, table B.8).
    expect(readFigure(bearings.endFloat, '2 to 8 thou', 'metric')).toEqual({ low: 2 * 0.0254, high: 8 * 0.0254 });
    expect(readFigure(deck.squish, '0.040', 'inch')).toEqual({ low: 0.04 * 25.4, high: 0.04 * 25.4 });
    expect(readFigure(bearings.mainSpacing, '−0.5 to 0.5 mm', 'inch')).toEqual({ low: -0.5, high: 0.5 });
    expect(readFigure(bearings.thousandth, '0.8 to 1', 'metric')).toEqual({ low: 0.0008, high: 0.001 });
    expect(readFigure(valveGear.springSpeed, '-200 rpm', 'metric')).toEqual({ low: -200, high: -200 });
    expect(readFigure(deck.ratioPetrol, '6 to 12', 'metric')).toEqual({ low: 6, high: 12 });
  });

  it('is refused with what to write instead', () => {
    const problem = (...asked: Parameters<typeof readFigure>) => {
      const read = readFigure(...asked);
      return 'problem' in read ? read.problem : JSON.stringify(read);
    };
    expect(problem(bearings.endFloat, '0.1', 'metric')).toBe(
      '“0.1” is not what “End float of the crank” takes: write two figures, like 0.060 to 0.200 mm.',
    );
    expect(problem(deck.squish, '0.8 to 1', 'inch')).toBe(
      '“0.8 to 1” is not what “Squish” takes: write one figure, like 0.0354 in.',
    );
    expect(problem(bearings.endFloat, '0.2 to 0.1', 'metric')).toContain('has the larger figure first');
    expect(problem(bearings.endFloat, '0.1 to 0.2 cc', 'metric')).toContain(
      'has a unit, “cc”, that does not belong there',
    );
    expect(problem(bearings.thousandth, '0.8 to 1 mm', 'metric')).toContain('like 0.4 to 1.');
    expect(problem(bearings.endFloat, '0.1x3 to 0.2', 'metric')).toContain('has a unit, “x3”');
    expect(problem(bearings.endFloat, '0.1.2 to 0.3', 'metric')).toContain('is no figure');
  });

  it('is written as it would be read again', () => {
    for (const figure of FIGURES_OF_THUMB.values())
      for (const system of ['metric', 'inch'] as const) {
        const text = writeFigure(figure, {}, system);
        expect('problem' in readFigure(figure, text, system))
          .withContext(`${figure.id}: ${text}`)
          .toBeFalse();
        expect(
          writeFigure(figure, { figures: { [figure.id]: readFigure(figure, text, system) as never } }, system),
        ).toBe(text);
      }
  });

  it('takes the place of the usual one wherever it is told', () => {
    const own = { figures: { [deck.squish.id]: { low: 1.1, high: 1.1 } } };
    expect(say(cite(deck.squish, own), 'metric')).toContain('at least 1.100 mm. The shop’s own figure.');
    expect(say(cite(deck.squish, {}), 'metric')).toContain('at least 0.900 mm. Common practice.');
    expect(say(sayFigure(cylinders.honed), 'metric')).toBe('at most 0.050 mm');
    expect(say(sayLeeway(bearings.endFloat) ?? [], 'metric')).toBe('0.020 to 0.400 mm');
    expect(sayLeeway(deck.squish)).toBeUndefined();
  });

  it('is kept only where there is such a figure, in order', () => {
    const check = (figures: Parameters<typeof checkOwnFigures>[0]) =>
      checkOwnFigures(figures, FIGURES_OF_THUMB, 'rules.figures').map(({ where, what }) => `${where}: ${what}`);
    expect(check({ 'bearings.endFloat': { low: 0.05, high: 0.1 }, 'deck.squish': { low: 1, high: 1 } })).toEqual([]);
    expect(check({ 'bearings.no': { low: 0, high: 1 } })[0]).toContain(
      'rules.figures.bearings.no: there is no such figure',
    );
    expect(check({ 'bearings.endFloat': { low: 0.2, high: 0.1 } })[0]).toContain('the second must be the larger');
    expect(check({ 'deck.squish': { low: 0.8, high: 1 } })[0]).toContain('only one end of “Squish” counts');
  });
});

describe('figures of thumb', () => {
  const all = THUMB_SUBJECTS.flatMap(({ figures }) => figures);

  it('have each an id and a name of their own, a rule and a source', () => {
    expect(new Set(all.map(({ id }) => id)).size).toBe(all.length);
    expect(new Set(all.map(({ name }) => name)).size).toBe(all.length);
    for (const { id, says, source } of all) {
      expect(says).withContext(id).not.toMatch(/\.$/);
      expect(source)
        .withContext(id)
        .toMatch(/^(Common practice|ISO \d+|Iglewicz and Hoaglin, )/);
    }
  });

  it('have a leeway that holds their band', () => {
    for (const { id, band, leeway = band } of all)
      expect(leeway.low <= band.low && band.high <= leeway.high)
        .withContext(id)
        .toBeTrue();
  });
});
