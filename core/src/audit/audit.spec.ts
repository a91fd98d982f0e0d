import imports85 from '../testing/imports85.csv';
import { EMPTY_CATALOGUE, type Catalogue } from '../catalogue/catalogue';
import { CatalogueLookup } from '../catalogue/lookup';
import type { Pattern, Variant } from '../catalogue/pattern';
import { say } from '../quantity/sentence';
import { CATALOGUE, LOOKUP } from '../testing/demo';
import { audit, AUDIT_RULES } from './audit';
import { modifiedZScores } from './rules/farFromOthers';
import { deckClearance, sweptVolume } from '../stack/index';
import { interval, middle } from '../quantity/interval';

const found = (catalogue: Catalogue, rule: string) =>
  audit(new CatalogueLookup(catalogue)).filter((finding) => finding.rule === rule);
const withPattern = (id: string, change: (pattern: Pattern) => Pattern): Catalogue => ({
  ...CATALOGUE,
  patterns: CATALOGUE.patterns.map((pattern) => (pattern.id === id ? change(pattern) : pattern)),
});

describe('the audit of the demo catalogue', () => {
  it('finds what was planted, and only that', () => {
    // The list of docs/demo-data.md.
    expect(audit(LOOKUP).map(({ rule, where }) => `${rule} ${where.id} ${where.at ?? ''}`)).toEqual([
      'displacement ambit-1590-h variant.displacement',
      'strokeOfCrank sluice-336-lc variant.stroke',
      'pistonInBore lumen-2-80 fitments',
      'pistonInBore lumen-piston-78-77-s piston.skirt.diameter',
      'stackInDeck minnow-66 fitments',
      'ratioOfParts minnow-66 variant.ratio',
      'numberTwice ambit-valve-exhaust-30 numbers',
      'supersession sluice-piston-398-3590-90 numbers',
      'supersession sluice-spring-heavy numbers',
      'companions skerry-71 fitments',
      'farFromOthers sluice-rod-tall rod.mass.bigEnd',
      'disputes lumen-rod-b rod.located',
      'disputes pip-crank-66 crank.taper.angle',
      'disputes skerry-crank-4-112 crank.mainJournal.diameter',
      'disputes sluice-cam-truck cam.lift.intake',
      'disputes sluice-head-62 head.chamber.volume',
      'unreadBySchemes tarrow-mains samples',
      'unreadBySchemes tarrow-mains segments',
    ]);
  });

  it('leads to places that are there', () => {
    for (const { where, also } of audit(LOOKUP))
      for (const { type, id } of [where, ...also]) {
        const there =
          type === 'pattern' ? LOOKUP.pattern(id) : type === 'variant' ? LOOKUP.variant(id) : LOOKUP.scheme(id);
        expect(there).withContext(`${type} ${id}`).toBeDefined();
      }
  });

  it('says each finding in a sentence, by a rule it names', () => {
    for (const finding of audit(LOOKUP)) {
      expect(say(finding.says, 'metric')).toMatch(/^[A-Z0-9].{20,}\.$/);
      expect(AUDIT_RULES.map((rule) => rule.id)).toContain(finding.rule);
    }
  });

  it('has nothing to say of an empty catalogue', () => {
    expect(audit(new CatalogueLookup(EMPTY_CATALOGUE))).toEqual([]);
  });
});

describe('a rule of the audit', () => {
  it('follows replaced numbers through any number of steps', () => {
    const chain = (last: string): Catalogue => ({
      ...CATALOGUE,
      patterns: CATALOGUE.patterns.slice(0, 3).map((pattern, at) => ({
        ...pattern,
        numbers: [{ number: `Z-${at}`, replacedBy: at === 2 ? last : `z ${at + 1}` }],
      })),
      variants: [],
      swaps: [],
    });
    expect(found(chain('Z-0'), 'supersession').map((finding) => finding.where.id)).toEqual([
      CATALOGUE.patterns[0]?.id ?? '',
    ]);
    expect(found(chain('Z-9'), 'supersession').map((finding) => say(finding.says, 'metric'))).toEqual([
      'Z-2 is replaced by Z-9, which no pattern of the catalogue carries; add it there.',
    ]);
  });

  it('sees a slip of unit by a factor of ten', () => {
    const slipped = withPattern('ambit-valve-intake-34', (pattern) => ({
      ...pattern,
      dimensions: { ...pattern.dimensions, 'valve.mass': { low: '5100', high: '5100', unit: 'g' } },
    }));
    expect(found(slipped, 'farFromOthers').map((finding) => finding.where)).toContain({
      type: 'pattern',
      id: 'ambit-valve-intake-34',
      at: 'valve.mass',
    });
  });

  it('misses a pair that does not know of itself', () => {
    const paired = withPattern('sluice-pin', (pattern) => ({
      ...pattern,
      companions: [{ relation: 'pairWith', pattern: 'sluice-rod-small' }],
    }));
    expect(found(paired, 'companions').map((finding) => finding.where.id)).toContain('sluice-rod-small');
  });

  it('scores outliers as Iglewicz and Hoaglin do', () => {
    // From memory of the definition: 0.6745 (x − median)/MAD. Logarithms 0, 1, 2, 3, 10 have median 2 and MAD 1.
    const scores = modifiedZScores([0, 1, 2, 3, 10].map(Math.exp));
    expect(scores.map((score) => Number(score.toFixed(4)))).toEqual([-1.349, -0.6745, 0, 0.6745, 5.396]);
  });

  it('works the deck out as engine handbooks do', () => {
    // deck − half stroke − rod − compression height (common practice, no source): 9.025 − 1.74 − 5.7 − 1.56 in = 0.025
    // in.
    expect(middle(deckClearance(interval(9.025), interval(3.48), interval(5.7), interval(1.56)))).toBeCloseTo(0.025, 9);
  });
});

/**
 * Engines of the *Automobile* data set: J. C. Schlimmer, 1987, UCI Machine Learning Repository, CC BY 4.0, its engine
 * columns with makers removed. Real figures with real mistakes among them.
 */
describe('the stated size of 205 engines', () => {
  const rows = imports85
    .trim()
    .split('\n')
    .slice(1)
    .map((line) => line.split(','));
  const engines = rows.flatMap(([row = '', , cylinders = '', size = '', bore = '', stroke = '']): Variant[] =>
    bore === '' || stroke === ''
      ? []
      : [
          {
            id: `row-${row}`,
            family: 'imports',
            code: row,
            dimensions: {
              'variant.bore': { low: bore, high: bore, unit: 'in' },
              'variant.stroke': { low: stroke, high: stroke, unit: 'in' },
              'variant.displacement': { low: size, high: size, unit: 'cuin' },
            },
            features: { 'variant.cylinders': cylinders },
            fitments: [],
          },
        ],
  );
  const wrong = new Set(
    found({ ...EMPTY_CATALOGUE, variants: engines }, 'displacement').map((finding) => finding.where.id),
  );

  it('agrees where bore, stroke and cylinders make it, and is pointed at where they do not', () => {
    expect(rows.length).toBe(205);
    expect(engines.length).toBe(201); // rotary engines have no bore
    for (const { id, dimensions, features } of engines) {
      // Reckoned anew in cubic inches, by the area of a circle.
      const [bore, stroke, size] = ['bore', 'stroke', 'displacement'].map((name) =>
        Number(dimensions[`variant.${name}`]?.low),
      );
      const computed =
        (Number(features['variant.cylinders']) * Math.PI * ((bore ?? 0) / 2) ** 2 * (stroke ?? 0)) / (size ?? 1);
      expect(wrong.has(id))
        .withContext(`${id} ${computed}`)
        .toBe(Math.abs(computed - 1) > 0.02);
    }
  });

  it('has the plainest mistakes in rows 1 to 3 and 135, about forty in all', () => {
    for (const row of [1, 2, 3, 135]) expect(wrong).toContain(`row-${row}`);
    expect(wrong.size).toBeGreaterThan(30);
    expect(wrong.size).toBeLessThan(50);
  });

  it('of a well-known handbook example is right', () => {
    // Four inches by three and a half, eight cylinders: 351.86 cubic inches, 5766 cc (tables of displacement, from
    // memory).
    expect((8 * middle(sweptVolume(interval(101.6), interval(88.9)))) / 16.387064).toBeCloseTo(351.86, 1);
  });
});
