import { say } from '../../quantity/sentence';
import { finding, judged, made } from '../../testing/made';

describe('the nose of a crank', () => {
  // Common practice, no source.
  it('is pressed into a hub that a key drives, and slides into one that is clamped: the same nose is loose in the first', () => {
    const nose = (frontDrive: string) =>
      [
        'frontEnd',
        'nose',
        [made('block', { 'front.hubBore': 30 }, { frontDrive }), made('crank', { 'nose.diameter': 29.985 })],
      ] as const;
    expect(finding(...nose('key')).verdict).toBe('fitsWithWork');
    expect(say(finding(...nose('key')).because, 'metric')).toContain('frets and walks');
    expect(judged(...nose('friction'))).toBe('fits');
  });
});

describe('a rolling bearing in its case', () => {
  const bearing = made('rollingBearing', { bore: 20, outside: 47, width: 14 }, { form: 'ball' });
  const inCase = (bore: number, material?: string) =>
    finding('bearingInCase', 'ringInCase', [
      made(
        'block',
        { 'mainHousing.diameter': bore },
        { mainsRun: 'rolling', ...(material === undefined ? {} : { material }) },
      ),
      bearing,
    ]);

  // ISO 286-2, from memory: over 30 to 50 mm, H7 is 0 to +25 µm, K7 −18 to +7, N7 −33 to −8, P7 −42 to −17. A ring of
  // normal tolerance is up to 11 to 15 µm under its size (ISO 492).
  it('is tighter in aluminium than in iron: H7 lets the ring turn there when it is hot, and P7 squeezes it in iron', () => {
    expect(inCase(47.023, 'iron').verdict).toBe('fits');
    expect(inCase(47.023, 'aluminium').verdict).toBe('doesNotFit');
    expect(inCase(46.962, 'aluminium').verdict).toBe('fits');
    expect(inCase(46.962, 'iron').verdict).toBe('doesNotFit');
  });

  it('is not judged before it is known what the case is cast of, but where both agree', () => {
    expect(inCase(47.023).verdict).toBe('cannotTell');
    expect(inCase(47.023).needs).toEqual(['block.material']);
    expect(inCase(46.99).verdict).toBe('fits');
    expect(inCase(46.9).verdict).toBe('doesNotFit');
  });
});
