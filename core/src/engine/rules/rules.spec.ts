import { CatalogueLookup } from '../../catalogue/lookup';
import { say } from '../../quantity/sentence';
import { EMPTY_CATALOGUE, type Catalogue } from '../../catalogue/catalogue';
import type { Companion, Pattern } from '../../catalogue/pattern';
import type { KindId } from '../../dictionary/dictionary';
import type { LineUp } from '../../identify/index';
import { readEntry } from '../../readings/entryLine';
import { companions } from './companions';
import { ENGINE_RULES } from './index';
import type { PartRead } from './rule';
import { twoTypes } from './twoTypes';
import { weights } from './weights';

const pattern = (id: string, kind: KindId, more: Partial<Pattern> = {}): Pattern => ({
  id,
  kind,
  name: id,
  dimensions: {},
  features: {},
  interfaces: {},
  marks: [],
  numbers: [],
  ...more,
});
const lookup = (...patterns: Pattern[]) => new CatalogueLookup({ ...EMPTY_CATALOGUE, patterns } satisfies Catalogue);

/** A part taken for a pattern, or for none. */
function part(name: string, kind: KindId, takenFor: string | undefined, words = ''): PartRead {
  const lineUp: LineUp = {
    kind,
    status: takenFor === undefined ? 'open' : 'settled',
    candidates: takenFor === undefined ? [] : [{ pattern: takenFor, probability: 1, pulls: [] }],
    none: 0,
    weighed: 1,
    unused: [],
    doubts: [],
    unmeasured: [],
  };
  return {
    part: { specimen: name, name, kind, lineUp, belongs: undefined, expected: [], because: [] },
    readings: readEntry(words, kind).words,
  };
}
const found = (rule: (typeof ENGINE_RULES)[number], catalogue: CatalogueLookup, ...parts: PartRead[]) =>
  rule.find({ catalogue, parts }, {});

describe('the rules of mixing', () => {
  it('each have a name and an id of their own', () => {
    expect(new Set(ENGINE_RULES.map(({ id }) => id)).size).toBe(ENGINE_RULES.length);
    for (const { name } of ENGINE_RULES) expect(name.length).toBeGreaterThan(5);
  });
});

describe('parts that belong together or apart', () => {
  const companion = (relation: Companion['relation'], note?: string): Pattern =>
    pattern('rod-a', 'rod', { companions: [{ relation, pattern: 'piston-a', ...(note ? { note } : {}) }] });
  const others = [pattern('piston-a', 'piston'), pattern('piston-b', 'piston')];

  it('must never be in one engine where the catalogue says so, and the reason is given', () => {
    const catalogue = lookup(companion('neverWith', 'The pin is too long'), ...others);
    const [finding] = found(companions, catalogue, part('Rod', 'rod', 'rod-a'), part('Piston', 'piston', 'piston-a'));
    expect(finding?.weight).toBe('wrong');
    expect(say(finding?.says ?? [], 'metric')).toBe('Rod and Piston must never be in one engine. The pin is too long.');
    expect(found(companions, catalogue, part('Rod', 'rod', 'rod-a'), part('Piston', 'piston', 'piston-b'))).toEqual([]);
  });

  it('are only doubted where the place is filled by another', () => {
    const catalogue = lookup(companion('pairWith'), ...others);
    const [finding] = found(companions, catalogue, part('Rod', 'rod', 'rod-a'), part('Piston', 'piston', 'piston-b'));
    expect(finding?.weight).toBe('look');
    expect(say(finding?.says ?? [], 'metric')).toContain('goes only as a pair with');
    expect(found(companions, catalogue, part('Rod', 'rod', 'rod-a'))).toEqual([]);
    expect(found(companions, catalogue, part('Rod', 'rod', 'rod-a'), part('Piston', 'piston', undefined))).toEqual([]);
    expect(found(companions, catalogue, part('Rod', 'rod', 'rod-a'), part('Piston', 'piston', 'piston-a'))).toEqual([]);
  });
});

describe('two types in one engine', () => {
  const ratio = (id: string, of: string) =>
    pattern(id, 'piston', { dimensions: { 'piston.ratio': { low: of, high: of, unit: 'ratio' } } });

  it('are refused, and mixed ratios named (common practice, no source)', () => {
    const catalogue = lookup(ratio('low', '8.5'), ratio('high', '10'));
    const [finding] = found(twoTypes, catalogue, part('P1', 'piston', 'low'), part('P2', 'piston', 'high'));
    expect(say(finding?.says ?? [], 'metric')).toContain('8.5 and 10 to 1');
  });

  it('of one ratio are still two types', () => {
    const catalogue = lookup(ratio('a', '9'), ratio('b', '9'));
    expect(
      say(found(twoTypes, catalogue, part('P1', 'piston', 'a'), part('P2', 'piston', 'b'))[0]?.says ?? [], 'metric'),
    ).toContain('One engine takes one type.');
  });

  it('are right where an engine has several places for the kind: intake and exhaust valves differ', () => {
    const catalogue = lookup(pattern('in', 'valve'), pattern('out', 'valve'));
    expect(found(twoTypes, catalogue, part('V1', 'valve', 'in'), part('V2', 'valve', 'out'))).toEqual([]);
  });

  it('are not found while one of them is open', () => {
    expect(
      found(twoTypes, lookup(ratio('a', '9')), part('P1', 'piston', 'a'), part('P2', 'piston', undefined)),
    ).toEqual([]);
  });
});

describe('the weight of a set', () => {
  it('counts from the lightest to the heaviest, in any unit', () => {
    // 18.2 oz are 515.96 g (NIST SP 811: an avoirdupois ounce is 28.349 523 g).
    const [finding] = found(
      weights,
      lookup(),
      part('P1', 'piston', undefined, 'weight 510.0 g'),
      part('P2', 'piston', undefined, 'weight 18.2 oz'),
    );
    expect(say(finding?.says ?? [], 'metric')).toContain(
      'from 510.0 g (P1) to 516.0 g (P2): 6.0 g apart, and the house rule allows 4.0 g',
    );
  });

  it('of one part is no spread', () => {
    expect(found(weights, lookup(), part('P1', 'piston', undefined, 'weight 510.0 g'))).toEqual([]);
  });
});
