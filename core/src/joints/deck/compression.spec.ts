import { interval } from '../../quantity/interval';
import { say } from '../../quantity/sentence';
import { finding, made } from '../../testing/made';

/** 100 × 80 mm sweep 628.3 cc: (628.3 + v) / v is the ratio over a volume v (hand sum). */
const making = (ratio: number, injection = 'none') => [
  made('block', { deckHeight: 230, bore: 100 }),
  made('crank', { stroke: 80 }),
  made('rod', { length: 140 }),
  made('piston', { compressionHeight: 50, 'crown.volume': 0 }),
  made('headGasket', { thickness: 0, bore: 102 }),
  made('head', { 'chamber.volume': 628.3185 / (ratio - 1) }, { plug: 'gasket', injection }),
];
const judged = (ratio: number, rated?: number, injection?: string) =>
  finding(
    'compression',
    'ratio',
    making(ratio, injection),
    rated === undefined ? {} : { rated: { engine: 'Ambit 1360', ratio: interval(rated) } },
  );

// Common practice, no source.
describe('the ratio that parts make', () => {
  it('may be a point and a half higher where the fuel is injected into the cylinder', () => {
    expect(judged(12.5).verdict).toBe('doesNotFit');
    expect(judged(12.5, undefined, 'present').verdict).toBe('fits');
  });

  it('is told against what the engine is rated at, with a caution where it is more', () => {
    const more = judged(10, 8.3);
    expect(more.verdict).toBe('fits');
    expect(say(more.because, 'metric')).toContain('The Ambit 1360 is rated at 8.30:1: this is more.');
    expect(more.caution).toContain('knocks');
    expect(say(judged(7, 8.3).because, 'metric')).toContain('weaker');
    expect(judged(8.4, 8.3).caution).toBeUndefined();
  });

  it('that an engine is rated at is right in it, however unusual', () => {
    expect(judged(12.4, 12.5).verdict).toBe('fits');
    expect(judged(13.4, 12.5).verdict).toBe('doesNotFit');
  });
});
