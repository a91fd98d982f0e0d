import { finding, made } from '../../testing/made';
import { say } from '../../quantity/sentence';

describe('springs under the lobes of a cam', () => {
  /** Springs that bind at 25 mm, installed at 36, in a head with the cam above its valves. */
  const springs = (check: string, lifts: Readonly<Record<string, number>>, serves: string, bindRoom?: number) =>
    finding('camOnSprings', check, [
      made('head', { 'spring.installedHeight': 36 }, { camBearings: '5' }),
      made('cam', lifts, { serves }),
      made('valveSpring', { coilBind: 25, ...(bindRoom === undefined ? {} : { bindRoom }) }),
    ]);

  // Common practice, no source: the coils are looked at under the intake lobes as well, which often lift more.
  it('bind under the intake lobes as under the exhaust lobes', () => {
    const lifts = { 'lift.intake': 10.8, 'lift.exhaust': 8 };
    expect(springs('coilBind', lifts, 'both').verdict).toBe('fits');
    expect(springs('coilBindIntake', lifts, 'both').verdict).toBe('fitsWithWork');
  });

  it('are not asked about lobes that a cam has not', () => {
    expect(springs('coilBindIntake', { 'lift.exhaust': 8 }, 'exhaust').arises).toBe(false);
    expect(springs('coilBindIntake', { 'lift.exhaust': 8 }, 'both').verdict).toBe('cannotTell');
  });

  it('go by their maker where he says, and are asked about where he does not', () => {
    const lifts = { 'lift.intake': 9.8, 'lift.exhaust': 9.8 };
    const open = springs('coilBind', lifts, 'both');
    expect(open.verdict).toBe('cannotTell');
    expect(say(open.because, 'metric')).toContain('at least 1.500 mm is right, and makers go down to 1.000 mm');
    expect(springs('coilBind', lifts, 'both', 1).verdict).toBe('fits');
    expect(springs('coilBind', lifts, 'both', 1.4).verdict).toBe('fitsWithWork');
  });
});
