import fc from 'fast-check';
import type { Part } from '../../catalogue/part';
import { block } from '../../dictionary/kinds/block';
import { crank } from '../../dictionary/kinds/crank';
import type { KindId } from '../../dictionary/dictionary';
import { interval, type Interval } from '../../quantity/interval';
import { say } from '../../quantity/sentence';
import { atLeast, subject, within as byEither } from '../../thumb/figure';
import type { Assembly } from '../assembly';
import { work } from '../outcome';
import { sameCount, sameLook, samePattern } from './same';
import { notLargerThan, sameSize } from './sizes';
import { holds } from '../../testing/laws';

interface Given {
  readonly values?: Readonly<Record<string, Interval>>;
  readonly looks?: Readonly<Record<string, string>>;
  readonly interfaces?: Readonly<Record<string, string>>;
}

function part(kind: KindId, { values = {}, looks = {}, interfaces = {} }: Given): Part {
  return {
    kind,
    label: kind,
    values: Object.fromEntries(
      Object.entries(values).map(([id, each]) => [id, { interval: each, source: 'pattern' as const }]),
    ),
    looks: Object.fromEntries(
      Object.entries(looks).map(([id, option]) => [id, { option, source: 'pattern' as const }]),
    ),
    interfaces,
    service: {},
    standard: {},
  };
}

const together = (donor: Given, recipient: Given): Assembly => ({
  parts: { crank: part('crank', donor), block: part('block', recipient) },
  replaced: {},
  stock: {},
  rules: {},
});

const test = subject('test', {
  play: byEither('Play', 0.1, 'It may be a little out'),
  room: atLeast('Room', 1.5, 'It wants room'),
});

const nose = crank.parameters['nose.diameter'];
const front = block.parameters['front.hubBore'];
const swing = crank.parameters.swing;
const room = block.parameters['crankcase.swing'];

describe('the same size', () => {
  const check = sameSize({ id: 'x', name: 'Nose', of: nose, as: front, play: test.play });
  const judge = (mine: Interval, theirs: Interval) =>
    check.judge(together({ values: { [nose.id]: mine } }, { values: { [front.id]: theirs } }));

  it('fits inside the play, not outside it, and cannot be told astride', () => {
    expect(judge(interval(29.95, 30.05), interval(30)).verdict).toBe('fits');
    expect(judge(interval(30.05, 30.2), interval(30)).verdict).toBe('cannotTell');
    expect(judge(interval(31, 31.1), interval(30)).verdict).toBe('doesNotFit');
  });

  it('says by how much and which way', () => {
    expect(say(judge(interval(31, 31.1), interval(30)).because, 'metric')).toContain('1.050 mm too large');
    expect(say(judge(interval(29, 29.1), interval(30)).because, 'metric')).toContain('0.950 mm too small');
  });

  it('names each size that is missing', () => {
    expect(check.judge(together({}, {})).needs).toEqual([nose.id, front.id]);
    expect(check.judge(together({ values: { [nose.id]: interval(30) } }, {})).needs).toEqual([front.id]);
    expect(say(check.judge(together({}, {})).because, 'metric')).toBe('Not known: nose and front hub bore.');
  });

  it('is mended only when it does not fit', () => {
    const mending = sameSize({
      id: 'x',
      name: 'Nose',
      of: nose,
      as: front,
      play: test.play,
      mend: () => [work({ steps: ['polish'], says: ['Do it.'] })],
    });
    const judged = (mine: Interval) =>
      mending.judge(together({ values: { [nose.id]: mine } }, { values: { [front.id]: interval(30) } }));
    expect([judged(interval(30)).verdict, judged(interval(30)).work.length]).toEqual(['fits', 0]);
    expect([judged(interval(31)).verdict, judged(interval(31)).work.length]).toEqual(['fitsWithWork', 1]);
  });

  it('never calls one pair both fitting and not, and shrinking what is uncertain never spoils a fit', () => {
    const size = fc.double({ min: 29, max: 31, noNaN: true });
    holds(
      fc.property(
        size,
        fc.double({ min: 0, max: 0.3, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (centre, half, share) => {
          const wide = judge(interval(centre - half, centre + half), interval(30)).verdict;
          const narrow = judge(interval(centre - half * share, centre + half * share), interval(30)).verdict;
          if (wide !== 'cannotTell') expect(narrow).toBe(wide);
        },
      ),
    );
  });
});

describe('not larger than', () => {
  const check = notLargerThan({
    id: 'x',
    name: 'Swing',
    of: swing,
    within: room,
    room: test.room,
    caution: 'Turn it by hand.',
  });
  const judge = (mine: Interval, theirs: Interval) =>
    check.judge(together({ values: { [swing.id]: mine } }, { values: { [room.id]: theirs } }));

  it('wants the least room in the worst case', () => {
    expect(judge(interval(80, 80.5), interval(82.1, 83)).verdict).toBe('fits');
    expect(judge(interval(80, 80.7), interval(82.1, 83)).verdict).toBe('cannotTell');
    expect(judge(interval(82, 82.5), interval(82.6, 83)).verdict).toBe('doesNotFit');
  });

  it('finds any greater room as good', () => {
    const judged = judge(interval(50), interval(90));
    expect(judged.verdict).toBe('fits');
    expect(judged.atLeast).toBeTrue();
  });

  it('says when it would strike, and warns when in doubt', () => {
    expect(say(judge(interval(85), interval(83)).because, 'metric')).toBe('It would strike by 2.000 mm.');
    expect(judge(interval(85), interval(83)).caution).toBe('Turn it by hand.');
    expect(judge(interval(50), interval(90)).caution).toBeUndefined();
  });
});

describe('the same count, look or pattern', () => {
  const [mine, theirs] = [crank.features.mainCount, block.features.mainCount];
  const count = sameCount({ id: 'x', name: 'Mains', of: mine, as: theirs });
  const look = sameLook({ id: 'x', name: 'Seal', of: crank.features.rearSeal, as: block.features.rearSeal });
  const face = samePattern({
    id: 'x',
    name: 'Flange',
    of: crank.interfaces.flywheelFlange,
    as: block.interfaces.flywheelFlange,
  });

  it('is or is not, and no work changes a count', () => {
    const judge = (a: string, b: string) =>
      count.judge(together({ looks: { [mine.id]: a } }, { looks: { [theirs.id]: b } }));
    expect(judge('5', '5').verdict).toBe('fits');
    expect([judge('5', '7').verdict, judge('5', '7').work]).toEqual(['doesNotFit', []]);
    expect(judge('5', '7').margin).toBe(-2);
  });

  it('is told in the words of the dictionary', () => {
    const judged = look.judge(
      together({ looks: { [crank.features.rearSeal.id]: 'lip' } }, { looks: { [block.features.rearSeal.id]: 'rope' } }),
    );
    expect(say(judged.because, 'metric')).toBe('Made for lip seal, one-piece; here it is rope seal, two-piece.');
    const faces = face.judge(
      together(
        { interfaces: { [crank.interfaces.flywheelFlange.id]: 'six' } },
        { interfaces: { [block.interfaces.flywheelFlange.id]: 'eight' } },
      ),
    );
    expect([faces.verdict, say(faces.because, 'metric')]).toEqual(['doesNotFit', 'six against eight.']);
  });

  it('cannot be told where one side is not known', () => {
    for (const check of [count, look, face]) expect(check.judge(together({}, {})).verdict).toBe('cannotTell');
  });
});
