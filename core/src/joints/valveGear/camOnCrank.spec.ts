import { finding, judged, made } from '../../testing/made';
import { say } from '../../quantity/sentence';

// Common practice, no source, but for what is named beside it.
describe('cam and throws', () => {
  const order = (firingOrder: string, throws: string) =>
    judged('camOnCrank', 'firingByThrows', [made('cam', {}, { firingOrder }), made('crank', {}, { throws })]);
  const turning = (drive: string, rotation: string, crank: string) =>
    finding('camOnCrank', 'camTurning', [made('cam', {}, { drive, rotation }), made('crank', {}, { rotation: crank })]);

  it('allow the orders in which their pistons come up', () => {
    // Four in a line: 1 and 4 are up together, then 2 and 3 (Heywood, from memory).
    expect(['1-3-4-2', '1-2-4-3'].map((each) => order(each, 'plane'))).toEqual(['fits', 'fits']);
    expect(order('1-5-3-6-2-4', 'pairs')).toBe('fits');
    expect(order('1-8-4-3-6-5-7-2', 'cross')).toBe('fits');
    expect(order('1', 'single')).toBe('fits');
  });

  it('refuse a cam of another order', () => {
    expect(order('1-3-4-2', 'cross')).toBe('doesNotFit');
    expect(order('1-5-3-6-2-4', 'plane')).toBe('doesNotFit');
    expect(order('1-2', 'plane')).toBe('doesNotFit');
    expect(order('1', 'together')).toBe('doesNotFit');
  });

  it('refuse a cam for another number of cylinders, whether the throws were looked at or not', () => {
    const served = (firingOrder: string, crankpins: string, rodsPerPin: string) =>
      judged('camOnCrank', 'firingByThrows', [
        made('cam', {}, { firingOrder }),
        made('crank', {}, { crankpins, rodsPerPin }),
      ]);
    expect(served('1-3-4-2', '6', '1')).toBe('doesNotFit');
    expect(served('1-3-4-2', '4', '2')).toBe('doesNotFit');
    expect(served('1-3-4-2', '4', '1')).toBe('cannotTell');
    expect(served('1-8-4-3-6-5-7-2', '4', '2')).toBe('cannotTell');
  });

  it('turn the same way with a chain or a belt; gears leave it open', () => {
    expect(turning('chain', 'clockwise', 'clockwise').verdict).toBe('fits');
    expect(turning('belt', 'anticlockwise', 'anticlockwise').verdict).toBe('fits');
    const wrong = turning('chain', 'anticlockwise', 'clockwise');
    expect(wrong.verdict).toBe('doesNotFit');
    expect(say(wrong.because, 'metric')).toContain('turns the cam with the crank');
    expect(turning('gear', 'anticlockwise', 'clockwise').arises).toBe(false);
  });
});
