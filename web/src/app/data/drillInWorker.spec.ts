import { checkKey, DRILL_LEVELS, indexCatalogue } from '@which-bore/core';
import { CATALOGUE, VIEW } from '../testing/demo';
import { Drill } from './drillInWorker';

const index = indexCatalogue('crank', CATALOGUE);
const drill = (seed: number, level: (typeof DRILL_LEVELS)[number]['id'] = 'clean') => new Drill(VIEW, index, 'crank', level, seed, {});

describe('a drill in the worker', () => {
  it('hides the same part for the same seed, and answers only what is on its sheet', () => {
    const [a, b] = [drill(5), drill(5)];
    const key = a.sheet[3] ? checkKey(a.sheet[3]) : '';
    expect(a.ask(key)).toEqual(b.ask(key));
    expect(a.ask('look crank.noSuch')).toBeUndefined();
    expect(a.end(undefined).pattern).toBe(b.end(undefined).pattern);
  });

  it('scores a right answer by its minutes, and a wrong one nothing', () => {
    const { pattern } = drill(6).end(undefined);
    const right = drill(6).end(pattern);
    expect(right.right).toBeTrue();
    expect(right.score).toBe(100);
    expect(drill(6).end('some-other').score).toBe(0);
  });

  it('tells which questions could not have told anything', () => {
    const asking = drill(7);
    for (const line of asking.sheet) asking.ask(checkKey(line));
    const { steps, engine, minutes } = asking.end(undefined);
    expect(steps.length).toBe(asking.sheet.length);
    expect(steps.some(({ wasted }) => wasted)).toBeTrue();
    expect(steps[0]?.bits).toBeGreaterThan(0);
    expect(engine.minutes).toBeLessThan(minutes);
  });

  it('on harder levels sometimes hides a part in no catalogue', () => {
    const strangers = Array.from({ length: 60 }, (_, seed) => drill(seed, 'ruined').end(undefined).pattern).filter((pattern) => pattern === undefined);
    expect(strangers.length).toBeGreaterThan(3);
    expect(strangers.length).toBeLessThan(30);
  });
});
