import { boundary, describeBoundaries } from '../testing/boundary';
import { LOOKUP } from '../testing/demo';
import { audit } from '../audit/index';
import { isException } from '../catalogue/fitmentTime';
import { EMPTY_CATALOGUE } from '../catalogue/catalogue';
import { CatalogueLookup, type RecordChange } from '../catalogue/lookup';
import type { Pattern, Variant } from '../catalogue/pattern';
import type { HouseRules } from '../shop/houseRules';
import { records } from './records';

// Common practice, no source: what the audit says of the demo's 1360 with one figure changed, just inside and just
// outside.

const VARIANT = LOOKUP.variant('ambit-1360') as Variant;
const piston = VARIANT.fitments.find(({ slot }) => slot === 'piston')?.pattern;
const PISTON = LOOKUP.pattern(piston) as Pattern;
/** Limits next to nothing apart: a size without any has those that are usual. */
const mm = (size: number) => ({ low: size.toFixed(4), high: (size + 0.0002).toFixed(4), unit: 'mm' as const });
const withSizes = <T extends Pattern | Variant>(
  record: T,
  sizes: Readonly<Record<string, ReturnType<typeof mm> | { low: string; high: string; unit: 'cc' }>>,
): T => ({
  ...record,
  dimensions: { ...record.dimensions, ...sizes },
});
const found = (rule: string, rules: HouseRules, ...changes: readonly RecordChange[]): string =>
  audit(LOOKUP.with(changes), rules).some(
    (finding) => finding.rule === rule && [finding.where, ...finding.also].some(({ id }) => id === VARIANT.id),
  )
    ? 'found'
    : 'in order';
const ofVariant = (sizes: Parameters<typeof withSizes>[1]): RecordChange => ({
  type: 'variant',
  id: VARIANT.id,
  record: withSizes(VARIANT, sizes),
});
const ofPiston = (sizes: Parameters<typeof withSizes>[1]): RecordChange => ({
  type: 'pattern',
  id: PISTON.id,
  record: withSizes(PISTON, sizes),
});

/** What the audit says of the last of some valves, by their masses in grams. */
function foundAmong(masses: readonly number[], rules: HouseRules): string {
  const patterns = masses.map((mass, at): Pattern => {
    const grams = mass.toFixed(6);
    return {
      ...(LOOKUP.ofKind('valve')[0] as Pattern),
      id: `valve-${at}`,
      dimensions: { 'valve.mass': { low: grams, high: grams, unit: 'g' } },
    };
  });
  const catalogue = new CatalogueLookup({ ...EMPTY_CATALOGUE, patterns });
  return audit(catalogue, rules).some(({ rule }) => rule === 'farFromOthers') ? 'found' : 'in order';
}
const alike = (count: number, mass = 50): number[] => Array.from({ length: count }, () => mass);

// Four cylinders of 77 by 73 mm: 1359.7 cc. By hand: 0.7854 x 7.7 x 7.7 x 7.3 x 4.
const SIZE = 1359.706;
const BORE = 77;
/** The upper limit of its cylinders. */
const LARGEST_BORE = 77.02;

describe('figures of thumb of the records', () => {
  describeBoundaries(records, [
    boundary(
      records.displacement,
      (share, rules) => {
        const stated = (SIZE / (1 + share)).toFixed(3);
        return found(
          'displacement',
          rules,
          ofVariant({ 'variant.displacement': { low: stated, high: stated, unit: 'cc' } }),
        );
      },
      [0.0194, 'in order'],
      [0.0206, 'found'],
    ),
    boundary(
      records.rounding,
      (by, rules) =>
        found(
          'pistonInBore',
          rules,
          ofVariant({ 'variant.bore': mm(BORE - 0.0002) }),
          ofPiston({ 'piston.bore': mm(BORE + by) }),
        ),
      [0.097, 'in order'],
      [0.103, 'found'],
    ),
    boundary(
      records.slap,
      (share, rules) =>
        found('pistonInBore', rules, ofPiston({ 'piston.skirt.diameter': mm(LARGEST_BORE * (1 - share)) })),
      [0.00485, 'in order'],
      [0.00515, 'found'],
    ),
    boundary(
      records.shortTime,
      (share, rules) => {
        // A hundred years, so that a month is less than a thousandth.
        const months = Math.round(share * 1200);
        const to = `${1900 + Math.floor((months - 1) / 12)}-${String(((months - 1) % 12) + 1).padStart(2, '0')}`;
        const fitment = { slot: 'piston', pattern: PISTON.id, to };
        return isException({ ...VARIANT, years: { from: '1900', to: '1999' }, fitments: [fitment] }, fitment, rules)
          ? 'an exception'
          : 'the usual part';
      },
      [0.2425, 'an exception'],
      [0.2575, 'the usual part'],
    ),
    boundary(
      records.fewest,
      (count, rules) => foundAmong([...alike(count - 1), 5000], rules),
      [7, 'in order'],
      [8, 'found'],
    ),
    // Ten at either side of a median: its z-score is 0.6745 times its distance from the upper ten, in theirs.
    boundary(
      records.farOut,
      (score, rules) => foundAmong([...alike(10), ...alike(10, 50 * Math.E), 50 * Math.exp(1 + score / 0.6745)], rules),
      [3.4, 'in order'],
      [3.6, 'found'],
    ),
    boundary(
      records.alone,
      (times, rules) => foundAmong([...alike(20), 50 * times], rules),
      [2.9, 'in order'],
      [3.1, 'found'],
    ),
    boundary(
      records.crown,
      (below, rules) => found('stackInDeck', rules, ofPiston({ 'piston.compressionHeight': mm(CROWN - below) })),
      [-1.545, 'found'],
      [-1.455, 'in order'],
      [3.88, 'in order'],
      [4.12, 'found'],
    ),
  ]);
});

/** The compression height with which its crown is flush with the deck. */
const CROWN = (() => {
  const middle = (record: Pattern | undefined, id: string): number => {
    const { low, high } = record?.dimensions[id] ?? { low: '0', high: '0' };
    return (Number(low) + Number(high)) / 2;
  };
  const at = (slot: string) => LOOKUP.pattern(VARIANT.fitments.find((each) => each.slot === slot)?.pattern);
  return (
    middle(at('block'), 'block.deckHeight') - middle(at('crank'), 'crank.stroke') / 2 - middle(at('rod'), 'rod.length')
  );
})();
