import fc from 'fast-check';
import type { KindId } from '../dictionary/dictionary';
import { say } from '../quantity/sentence';
import { readEntry } from '../readings/entryLine';
import type { Understood } from '../readings/reading';
import { ToolDrawer, USUAL_INSTRUMENTS } from '../shop/ownInstrument';
import { CATALOGUE, LOOKUP } from '../testing/demo';
import { indexCatalogue } from './catalogueIndex';
import { Identification, identify, type LineUp } from './identify';
import { sayStatus } from './sayStatus';
import { holds } from '../testing/laws';

const indexes = new Map(
  (['crank', 'piston', 'rod', 'block', 'head', 'rodShell', 'liner'] as const).map((kind) => [
    kind as KindId,
    indexCatalogue(kind, CATALOGUE),
  ]),
);
const indexOf = (kind: KindId) => {
  const index = indexes.get(kind);
  if (!index) throw new Error(`no index of ${kind}`);
  return index;
};
const read = (kind: KindId, text: string): readonly Understood[] => {
  const { words } = readEntry(text, kind);
  for (const word of words) if (word.sort === 'unread') throw new Error(word.text);
  return words;
};
const lineUp = (kind: KindId, text: string) => identify(indexOf(kind), read(kind, text));
const first = (of: LineUp) => of.candidates[0]?.pattern;
const shown = (of: LineUp) =>
  JSON.stringify({
    ...of,
    candidates: of.candidates.map(({ pattern, probability, pulls }) => [
      pattern,
      probability,
      pulls.map((pull) => pull.decibans),
    ]),
  });

const CRANK_WORDS = [
  'cast 41?7',
  'main 59.66 mm mic',
  'pin 52.05 mm mic',
  'stroke 85.73 mm caliper',
  'forged',
  '8 weights',
  'year 1962',
  'main std',
  'no mark on nose',
  'rope seal',
  'nose 35.9 mm mic',
  'stamped flange H72',
];

describe('the identification of a part while it is read', () => {
  it('comes to the same whatever the order of the readings', () => {
    holds(
      fc.property(fc.shuffledSubarray(CRANK_WORDS), (some) => {
        const readings = some.flatMap((text) => read('crank', text));
        expect(shown(identify(indexOf('crank'), readings, 10))).toBe(
          shown(
            identify(
              indexOf('crank'),
              [...readings].sort((a, b) => (a.text < b.text ? -1 : 1)),
              10,
            ),
          ),
        );
      }),
      60,
    );
  });

  it('comes to the same by any way of adding and removing, one reading at a time', () => {
    holds(
      fc.property(fc.array(fc.subarray(CRANK_WORDS), { minLength: 1, maxLength: 6 }), (states) => {
        const going = new Identification(indexOf('crank'));
        for (const some of states) going.read(some.flatMap((text) => read('crank', text)));
        const last = states[states.length - 1] ?? [];
        expect(shown(going.lineUp(10))).toBe(
          shown(
            identify(
              indexOf('crank'),
              last.flatMap((text) => read('crank', text)),
              10,
            ),
          ),
        );
      }),
      60,
    );
  });

  it('restores the state exactly when a reading is removed', () => {
    const all = CRANK_WORDS.flatMap((text) => read('crank', text));
    const without = all.slice(0, -1);
    const identification = new Identification(indexOf('crank')).read(without);
    const before = shown(identification.lineUp(20));
    identification.read(all);
    expect(shown(identification.lineUp(20))).not.toBe(before);
    identification.read(without);
    expect(shown(identification.lineUp(20))).toBe(before);
  });

  it('comes to the same in millimetres, inches and thou', () => {
    // 59.69 mm is 2.35 in exactly (NIST SP 811: one inch is 25.4 mm).
    const same = ['main 59.69 mm mic', 'main 2.35 in mic', 'main 2350 thou mic'].map((text) => lineUp('crank', text));
    expect(
      new Set(
        same.map((each) =>
          each.candidates.map(({ pattern, probability }) => `${pattern} ${probability.toFixed(9)}`).join(),
        ),
      ).size,
    ).toBe(1);
  });

  it('comes to the same in both dialects', () => {
    for (const [kind, british, american] of [
      ['crank', 'crankpin 52.05 mm mic', 'rod journal 52.05 mm mic'],
      ['piston', 'gudgeon pin bore 23.9 mm bore gauge', 'pin 23.9 mm bore gauge'],
      ['liner', 'liner bore 116.03 bore gauge', 'sleeve bore 116.03 bore gauge'],
    ] as const)
      expect(shown(lineUp(kind, british))).toBe(shown(lineUp(kind, american)));
  });

  it('lets the finer of two instruments speak alone where they agree', () => {
    const both = lineUp('crank', 'main 59.66 mm mic main 59.68 mm caliper');
    expect(both.candidates[0]?.pulls.length).toBe(1);
    // But for what the other bears out: it is hardly a slip.
    const alone = lineUp('crank', 'main 59.66 mm mic').candidates[0]?.pulls[0]?.decibans ?? 0;
    expect(both.candidates[0]?.pulls[0]?.decibans).toBeCloseTo(alone, 1);
    expect(lineUp('crank', 'main 59.66 mm mic main 66.2 mm caliper').candidates[0]?.pulls.length).toBe(2);
  });

  it('does not settle on looks alone', () => {
    const looks = lineUp('crank', '12 weights lip present lip seal 7 mains 6 crankpins induction');
    expect(looks.status).not.toBe('settled');
    if ((looks.candidates[0]?.probability ?? 0) > 0.995)
      expect(sayStatus(looks, (id) => id)).toContain('a copy looks the same');
  });

  it('keeps to the house rule that nothing is settled unmeasured', () => {
    const readings = read('crank', 'cast 4187 forged 8 weights stamped flange M3375');
    const trusting = identify(indexOf('crank'), readings, 3, { rules: { marks: 'trust' } });
    const measuring = identify(indexOf('crank'), readings, 3, { rules: { marks: 'measure' } });
    if (trusting.status === 'settled') {
      expect(measuring.status).toBe('probable');
      expect(sayStatus(measuring, (id) => id)).toContain('house rule');
    } else expect(measuring.status).toBe(trusting.status);
  });

  it('says where the instrument does not reach what it is said to have measured', () => {
    const small = new ToolDrawer(
      USUAL_INSTRUMENTS.map((each) => (each.sort === 'caliper' ? { ...each, to: 50 } : each)),
    );
    const { doubts } = identify(indexOf('crank'), read('crank', 'stroke 85.7 mm caliper'), 1, { drawer: small });
    expect(say(doubts[0]?.says ?? [], 'metric')).toContain('does not reach 85.700 mm');
  });
});

describe('a journal under its standard size', () => {
  const reason = (text: string, pattern: string) => {
    const candidate = identify(indexOf('crank'), read('crank', text), 40).candidates.find(
      (each) => each.pattern === pattern,
    );
    return say(candidate?.pulls.find((pull) => pull.sort === 'size')?.why ?? [], 'metric');
  };

  it('is a worn first undersize, a standard worn past its limit, or a wrong part of similar size, in words', () => {
    expect(reason('main 78.68 mm mic cast H7270', 'skerry-crank-4-104-late')).toMatch(
      /^First undersize, and .* under its limits .*worn/,
    );
    expect(reason('main 78.86 mm mic cast H7270', 'skerry-crank-4-104-late')).toMatch(
      /under the standard limits .*worn, and past its wear limit/,
    );
    expect(reason('main 79.60 mm mic cast H7270', 'skerry-crank-4-104-late')).toMatch(
      /over the standard limits .*a different part of similar size/,
    );
  });

  it('is told by what a stamp says of it', () => {
    const said = identify(indexOf('crank'), read('crank', 'main 78.71 mm mic main 0.25 under'), 5);
    const plain = identify(indexOf('crank'), read('crank', 'main 78.71 mm mic'), 5);
    const at = (of: LineUp) =>
      of.candidates.find(({ pattern }) => pattern === first(plain))?.pulls.find((pull) => pull.sort === 'size')
        ?.decibans ?? 0;
    expect(at(said)).toBeGreaterThan(at(plain));
  });
});

describe('what is claimed of a part’s engine', () => {
  it('makes patterns of engines of that year likelier, and says which', () => {
    const year = lineUp('crank', 'year 1962');
    const [candidate] = year.candidates;
    expect(
      LOOKUP.fittedIn(candidate?.pattern ?? '').some(
        ({ variant }) => Number(variant.years?.from) <= 1962 && Number(variant.years?.to ?? 9999) >= 1962,
      ),
    ).toBeTrue();
    expect(say(candidate?.pulls[0]?.why ?? [], 'metric')).toMatch(/^Fitted to .* which agrees with that year\.$/);
  });

  it('weighs less than a size', () => {
    const { candidates } = lineUp('crank', 'engine 357 D main 53.99 mm mic pin 44.44 mm mic');
    expect(candidates[0]?.pattern.startsWith('ambit')).toBeTrue();
  });

  it('weighs most when stamped in the block: a serial outranks a tag', () => {
    const serial = lineUp('block', 'serial A20000').candidates[0];
    const tag = lineUp('block', 'engine tag 1200').candidates[0];
    expect(serial?.pulls[0]?.decibans).toBeGreaterThan(tag?.pulls[0]?.decibans ?? 99);
    expect(first(lineUp('block', 'serial A20000 engine tag 357 D'))?.startsWith('ambit')).toBeTrue();
  });

  it('reads the years of a serial by the maker’s scheme', () => {
    const { candidates } = lineUp('block', 'serial 4S7-01234');
    expect(candidates[0]?.pattern.startsWith('skerry')).toBeTrue();
  });

  it('weighs by the house rule', () => {
    const readings = read('crank', 'engine 357 D');
    const weight = (claims: 'little' | 'usual' | 'much') =>
      identify(indexOf('crank'), readings, 1, { rules: { claims } }).candidates[0]?.pulls[0]?.decibans ?? 0;
    expect(weight('little')).toBeLessThan(weight('usual'));
    expect(weight('usual')).toBeLessThan(weight('much'));
  });

  it('tells nothing where the catalogue knows of no such thing', () => {
    expect(lineUp('crank', 'machine Left-handed snow plough').unused).toEqual(['machine Left-handed snow plough']);
  });
});

describe('marks that name more or less than a part', () => {
  it('support every pattern made from one casting alike, and say so', () => {
    // One casting number on two castings machined to two strokes: a casting number names the casting (common practice,
    // no source).
    const [model, ...others] = CATALOGUE.patterns.filter(({ kind }) => kind === 'crank');
    if (!model) throw new Error('no crank');
    const cast = (id: string) => ({
      ...model,
      id,
      numbers: [],
      marks: [{ text: 'TS 990', making: 'cast' as const, place: 'crank.web' }],
    });
    const index = indexCatalogue('crank', { patterns: [cast('short'), cast('long'), ...others] });
    const { candidates } = identify(index, read('crank', 'cast TS?90'), 2);
    expect(candidates.map(({ pattern }) => pattern).sort()).toEqual(['long', 'short']);
    expect(candidates[0]?.pulls[0]?.decibans).toBe(candidates[1]?.pulls[0]?.decibans ?? NaN);
    expect(say(candidates[0]?.pulls[0]?.why ?? [], 'metric')).toContain(
      'it names the casting, which 2 patterns share, not how it was machined',
    );
  });

  it('know class letters by their scheme, though each part has its own', () => {
    const { candidates } = lineUp('crank', 'stamped main class MABBCA');
    const [candidate] = candidates;
    expect(candidate?.pattern.startsWith('lumen')).toBeTrue();
    expect(candidate?.pulls[0]?.decibans).toBeGreaterThan(5);
  });

  it('know the stamp of an oversize on a crown', () => {
    const { candidates } = lineUp('piston', 'stamped crown 030');
    const inch = candidates.find(({ pattern }) => pattern.startsWith('sluice'));
    expect(say(inch?.pulls[0]?.why ?? [], 'metric')).toMatch(/service size|030|oversize/i);
  });

  it('count a mark looked for and not found', () => {
    const gone = lineUp('crank', 'no mark on web');
    const recorded = gone.candidates.filter(({ pattern }) =>
      LOOKUP.pattern(pattern)?.marks.some(({ place }) => place === 'crank.web'),
    );
    const none = gone.candidates.filter(
      ({ pattern }) => !LOOKUP.pattern(pattern)?.marks.some(({ place }) => place === 'crank.web'),
    );
    expect(none[0]?.probability ?? 1).toBeGreaterThan(recorded[0]?.probability ?? 0);
  });
});
