import { middle } from '../quantity/interval';
import { block } from '../dictionary/kinds/block';
import { jointAssembliesOf } from '../interchange/jointAssemblies';
import { changedBy } from '../interchange/consequences';
import { partsOfVariant, placed } from '../interchange/placedParts';
import { sidesOf } from '../interchange/sides';
import { LOOKUP } from '../testing/demo';
import { build, GROUND } from '../testing/plans';
import { figureOf } from '../build/index';
import { declaredReads } from './figureTeller';
import { isBounded, widened, type MovesAround } from './moves';
import { planFor } from './plan';
import { problemOf } from './problem';

const AROUND: MovesAround = {
  rules: {},
  may: () => true,
  bore: 120,
  valve: 60,
  liners: LOOKUP.partsOfKind('liner'),
};
const RATIO = figureOf('ratio');
const READS = new Set(
  ['ratio', 'displacement', 'squish'].flatMap((id) => [...(declaredReads(figureOf(id) ?? (RATIO as never)) ?? [])]),
);

describe('how far work moves a size', () => {
  it('bounds all that joints offer on any engine of the demo, with any part put in', () => {
    let moved = 0;
    for (const variant of LOOKUP.catalogue.variants.filter((_, at) => at % 3 === 0)) {
      const engine = partsOfVariant(LOOKUP, variant);
      for (const kind of ['piston', 'block', 'crank', 'head', 'rod', 'liner'] as const)
        for (const part of LOOKUP.partsOfKind(kind))
          for (const { joint, assembly } of jointAssembliesOf(sidesOf([placed(part)], engine), GROUND.context))
            for (const check of joint.checks)
              for (const option of check.judge(assembly).work) {
                // A piston in another size is another choice.
                if (changedBy(option, assembly).has('piston.skirt.diameter')) continue;
                for (const after of option.parts) {
                  const before = assembly.parts[after.kind];
                  const goes = assembly.parts.piston;
                  const wide = before && widened(before, READS, goes ? { ...AROUND, piston: goes } : AROUND);
                  if (!before || !wide) continue;
                  for (const id of READS) {
                    const [was, is, may] = [before.values[id], after.values[id], wide.values[id]];
                    if (!was || !is || !may || was === is) continue;
                    moved++;
                    const named = `${option.name}, ${id}: ${was.interval.low} to ${is.interval.low}`;
                    expect(middle(is.interval)).withContext(named).toBeGreaterThanOrEqual(may.interval.low);
                    expect(middle(is.interval)).withContext(named).toBeLessThanOrEqual(may.interval.high);
                  }
                }
              }
    }
    expect(moved).toBeGreaterThan(200);
  });

  it('is nothing where the work may not be done, and unknown where nobody can say', () => {
    const part = LOOKUP.partsOfKind('block')[0];
    const piston = LOOKUP.partsOfKind('piston').find(({ values }) => values['piston.skirt.diameter']);
    if (!part || !piston) throw new Error('The demo has no block and piston.');
    const bore = block.parameters.bore.id;
    const ids = new Set([bore]);
    expect(widened(part, ids, { ...AROUND, may: () => false })?.values).toEqual(part.values);
    // Without its piston nobody knows how far a cylinder is bored.
    expect(widened(part, ids, AROUND)).toBeUndefined();
    expect(widened(part, ids, { ...AROUND, piston })?.values[bore]?.interval.high).toBeGreaterThanOrEqual(
      part.values[bore]?.interval.high ?? 0,
    );
  });

  it('is known of all that ratio, displacement and squish go by', () => {
    for (const id of READS) expect(isBounded(id)).withContext(id).toBeTrue();
  });

  it('rules out at once what no piston of a kind can reach, and nothing that boring reaches', () => {
    const asked = (low: number) =>
      planFor(
        problemOf(
          build('pip-48'),
          {
            places: [{ slot: 'piston', from: 'any' }],
            targets: [{ figure: 'displacement', low }],
            limits: { open: 4 },
          },
          GROUND,
        ),
      );
    expect(asked(500).leaves).toBe(0);
    const now = asked(0).best[0]?.leaf.aims[0]?.reaches?.low ?? Number.NaN;
    const bored = asked(now + 0.5).best[0]?.leaf;
    expect(bored?.weighed.work.some(({ steps }) => steps.includes('bore'))).toBeTrue();
    expect(bored?.aims[0]?.reaches?.low).toBeGreaterThan(now + 0.5);
  });
});
