import imports85 from '../testing/imports85.csv';
import type { Variant } from '../catalogue/pattern';
import { normalDraw, random } from '../quantity/random';
import { indexEngines } from '../identify/catalogueIndex';
import { Identification } from '../identify/identify';
import { INSTRUMENTS } from '../quantity/instrument';
import { say } from '../quantity/sentence';
import { readEntry } from '../readings/entryLine';
import { CATALOGUE, LOOKUP } from '../testing/demo';
import { engine, engineBy, specimen } from '../testing/engines';
import { FOREIGN_BELOW } from './part';

const BLOCK = specimen('Block', 'block', 'cast B2903 bore 3.802in bore gauge');
const ROD = specimen('Rod', 'rod', 'length 5.700in caliper machined');
const PISTON = specimen('Piston 1', 'piston', 'skirt 3.7972in mic 2 pockets dish pin 0.9405in bore gauge');
const FOREIGN = specimen('Crank', 'crank', 'main 53.99 mic pin 44.44 mic stroke 73 caliper 5 mains cast');

describe('an engine identified from its parts', () => {
  it('is the variant whose fitments explain them together, better than any part alone', () => {
    const together = engine('', BLOCK, ROD, PISTON);
    const alone = engine('', ROD);
    expect(LOOKUP.variant(together.engine.candidates[0]?.pattern)?.family).toBe('sluice');
    const probability = (of: typeof together) =>
      of.engine.candidates
        .filter(({ pattern }) => LOOKUP.variant(pattern)?.family === 'sluice')
        .reduce((sum, each) => sum + each.probability, 0);
    expect(probability(together)).toBeGreaterThan(probability(alone));
    expect(probability(together)).toBeGreaterThan(0.95);
    for (const part of together.parts) expect(part.belongs).withContext(part.name).toBeGreaterThan(0.5);
  });

  it('does not depend on the order of its parts', () => {
    const shown = (of: ReturnType<typeof engine>) =>
      of.engine.candidates.map(({ pattern, probability }) => `${pattern} ${probability}`).join();
    expect(shown(engine('year 1962', BLOCK, ROD, PISTON))).toBe(shown(engine('year 1962', PISTON, BLOCK, ROD)));
  });

  it('finds out a crank of another family, says what it is and why it cannot be the right one', () => {
    const { parts } = engine('year 1962, machine frost fan', BLOCK, ROD, PISTON, FOREIGN);
    const crank = parts.find(({ name }) => name === 'Crank');
    expect(crank?.belongs).toBeLessThan(FOREIGN_BELOW);
    const said = say(crank?.because ?? [], 'metric');
    expect(said).toContain('The engine carries the Brackmere Sluice');
    expect(said).toContain('Vesk Ambit');
    expect(said).toContain('is against it');
    for (const part of parts) if (part.name !== 'Crank') expect(part.belongs).toBeGreaterThan(0.5);
  });

  it('stays the same engine with the foreign part among the others', () => {
    const [without, withForeign] = [
      engine('year 1962', BLOCK, ROD, PISTON),
      engine('year 1962', BLOCK, ROD, PISTON, FOREIGN),
    ];
    expect(withForeign.engine.candidates[0]?.pattern).toBe(without.engine.candidates[0]?.pattern);
  });

  it('takes the years and serials claimed into account', () => {
    expect(engine('serial A20000').engine.candidates[0]?.pattern).toBe('ambit-1200');
    expect(engine('engine 357 D').engine.candidates[0]?.pattern).toBe('sluice-357-d');
  });

  it('says nothing of an engine about which nothing was read', () => {
    const { engine: none, parts } = engine('', { ...BLOCK, readings: [] });
    expect(none.status).toBe('noEvidence');
    expect(parts[0]?.belongs).toBeUndefined();
  });
});

describe('a mixed set', () => {
  const rules = (of: ReturnType<typeof engine>) => of.mixed.map(({ rule }) => rule);

  it('is found in one piston of another ratio (common practice, no source: mixed ratios in one engine are refused)', () => {
    const high = specimen('Piston 1', 'piston', 'stamped crown 9037 skirt 3.7972in mic');
    const { patterns } = CATALOGUE;
    const [a, b] = ['sluice-piston-380-3375-85', 'sluice-piston-380-3375-100'].map((id) => {
      const pattern = patterns.find((each) => each.id === id);
      if (!pattern) throw new Error(`no ${id}`);
      return { pattern, mark: pattern.marks[0]?.text ?? '' };
    });
    const found = engine(
      '',
      specimen('Piston 1', 'piston', `stamped crown "${a?.mark}" skirt 3.7972in mic`),
      specimen('Piston 2', 'piston', `stamped crown "${b?.mark}" skirt 3.7972in mic`),
    );
    expect(rules(found)).toContain('twoTypes');
    expect(say(found.mixed[0]?.says ?? [], 'metric')).toContain(
      '8.5 and 10 to 1, and mixed ratios in one engine are refused',
    );
    expect([found.mixed[0]?.where, ...(found.mixed[0]?.also ?? [])].sort()).toEqual(['Piston 1', 'Piston 2']);
    expect(rules(engine('', high))).toEqual([]);
  });

  it('is found in fractured caps among machined ones', () => {
    const found = engine(
      '',
      specimen('Rod 1', 'rod', 'fractured'),
      specimen('Rod 2', 'rod', 'machined cap'),
      specimen('Rod 3', 'rod', 'fractured'),
    );
    expect(rules(found)).toEqual(['capSplit']);
    expect(say(found.mixed[0]?.says ?? [], 'metric')).toBe(
      'Fractured caps on Rod 1 and Rod 3, machined ones on Rod 2: they take different shells, and the wrong shells destroy the engine.',
    );
  });

  it('is found in weight letters that differ, and not in one that cannot be read', () => {
    expect(
      rules(engine('', specimen('P1', 'piston', 'weight letter C'), specimen('P2', 'piston', 'weight letter D'))),
    ).toEqual(['marksOfSet']);
    expect(
      rules(engine('', specimen('P1', 'piston', 'weight letter C'), specimen('P2', 'piston', 'weight letter [CD]'))),
    ).toEqual([]);
  });

  // Common practice, no source: some makers ring the letter of parts that were weighed otherwise, each in its own way.
  it('asks about one letter with and without a circle, and says what the circle means where the maker’s scheme does', () => {
    const pistons = (more: string) => [
      specimen('P1', 'piston', `weight letter N ${more}`),
      specimen('P2', 'piston', `weight letter (N) ${more}`),
    ];
    const told = (more: string) => engine('', ...pistons(more)).mixed.filter(({ rule }) => rule === 'marksOfSet');
    expect(told('').map(({ weight }) => weight)).toEqual(['look']);
    expect(say(told('')[0]?.says ?? [], 'metric')).toContain('no mark scheme on record does');
    const skerry = told('skirt 115.87 mic two piece compression height 59.60 caliper');
    expect(say(skerry[0]?.says ?? [], 'metric')).toContain('a circle means: weighed with its pin and rings');
    expect(
      rules(engine('', specimen('P1', 'piston', 'weight letter N'), specimen('P2', 'piston', 'weight letter (Q)'))),
    ).toEqual(['marksOfSet']);
  });

  it('is found on the scale, by the house rule', () => {
    const parts = [specimen('P1', 'piston', 'weight 512.0 g'), specimen('P2', 'piston', 'weight 515.5 g')];
    const by = (weights: 'two' | 'four') =>
      engineBy({ rules: { weights } }, '', ...parts).mixed.map(({ rule }) => rule);
    expect(by('two')).toEqual(['weights']);
    expect(by('four')).toEqual([]);
  });
});

describe('the engines of the 1985 imports', () => {
  // UCI Machine Learning Repository, Automobile data set (J. C. Schlimmer, 1987): bore and stroke of 205 cars, in
  // inches.
  const rows = imports85
    .trim()
    .split('\n')
    .slice(1)
    .map((line) => line.split(','));
  const variants = rows.flatMap(([row = '', , , , bore = '', stroke = '']): Variant[] =>
    bore === '' || stroke === ''
      ? []
      : [
          {
            id: `row-${row.padStart(3, '0')}`,
            family: 'imports',
            code: row,
            dimensions: {
              'variant.bore': { low: bore, high: bore, unit: 'in' },
              'variant.stroke': { low: stroke, high: stroke, unit: 'in' },
            },
            features: {},
            fitments: [],
          },
        ],
  );
  const index = indexEngines({ patterns: [], variants });
  const sizesOf = (id: string | undefined) => {
    const found = variants.find((each) => each.id === id);
    return `${found?.dimensions['variant.bore']?.low} × ${found?.dimensions['variant.stroke']?.low}`;
  };

  it('are found by bore and stroke read with a caliper: the right row, or one with the same sizes, first in at least 98 of 100', () => {
    const next = random(1985);
    const { resolution, permissibleError } = INSTRUMENTS.caliper;
    const caliper = (inches: string) => {
      const read =
        Number(inches) * 25.4 +
        Math.max(-permissibleError, Math.min(permissibleError, (permissibleError / 2) * normalDraw(next)));
      return (Math.round(read / resolution) * resolution).toFixed(2);
    };
    const right = variants.filter(({ id, dimensions }) => {
      const entry = `bore ${caliper(dimensions['variant.bore']?.low ?? '')} mm caliper stroke ${caliper(dimensions['variant.stroke']?.low ?? '')} mm caliper`;
      const [first] = new Identification(index).read(readEntry(entry, 'variant').words).lineUp(1).candidates;
      return sizesOf(first?.pattern) === sizesOf(id);
    });
    expect(variants.length).toBeGreaterThan(200);
    expect(right.length / variants.length).toBeGreaterThanOrEqual(0.98);
  });
});
