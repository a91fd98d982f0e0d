import { changedBy } from './consequences';
import { jointAssembliesOf } from './jointAssemblies';
import { partsOfVariant, placed } from './placedParts';
import { sidesOf } from './sides';
import { swap } from './swap';
import { swapContextOf } from './swapContext';
import { weigh } from './weigh';
import { isIdOf, KIND_IDS } from '../dictionary/dictionary';
import { LOOKUP } from '../testing/demo';
import { OPERATION_IDS, OPERATIONS, type Operation } from '../joints/operations/operations';

const CONTEXT = swapContextOf(LOOKUP);
const changesOf = (id: (typeof OPERATION_IDS)[number]): readonly string[] => {
  const { changes = [] }: Operation = OPERATIONS[id];
  return changes;
};
/** Engines of every family, and in each every third part of a kind put in. */
const ENGINES = LOOKUP.catalogue.variants
  .filter((_, at) => at % 4 === 0)
  .map((variant) => partsOfVariant(LOOKUP, variant));
const COMING = KIND_IDS.flatMap((kind) => LOOKUP.partsOfKind(kind).filter((_, at) => at % 3 === 0)).map(placed);

describe('what work changes', () => {
  it('is declared on the operation: no check offers work that changes more than its steps say', () => {
    const seen = new Set<string>();
    for (const engine of ENGINES)
      for (const each of COMING)
        for (const { joint, assembly } of jointAssembliesOf(sidesOf([each], engine), CONTEXT))
          for (const check of joint.checks)
            for (const option of check.judge(assembly).work) {
              const declared = new Set(option.steps.flatMap(changesOf));
              for (const id of changedBy(option, assembly)) {
                seen.add(id);
                expect(declared.has(id))
                  .withContext(`${option.steps.join('+')} changes ${id}`)
                  .toBeTrue();
              }
            }
    expect(seen.size).toBeGreaterThan(25);
  });

  it('is named by ids of the dictionary', () => {
    for (const id of OPERATION_IDS)
      for (const change of changesOf(id))
        expect(['parameter', 'feature', 'interface'].some((sort) => isIdOf(sort as 'parameter', change)))
          .withContext(`${id}: ${change}`)
          .toBeTrue();
  });
});

describe('a set weighed without its words', () => {
  it('comes to what the swap comes to: verdict, price, and the parts that are worked on', () => {
    let worked = 0;
    for (const engine of ENGINES)
      for (const each of COMING) {
        const sides = sidesOf([each], engine);
        if (jointAssembliesOf(sides, CONTEXT).length === 0) continue;
        const [told, found] = [swap([each], engine, CONTEXT), weigh(sides, CONTEXT)];
        const named = `${each.part.label} into ${engine[0]?.part.label ?? ''}`;
        if (told.verdict !== 'cannotTell') {
          expect(found.verdict).withContext(named).toBe(told.verdict);
          expect(found.price).withContext(named).toBe(told.price);
        } else expect(found.verdict).withContext(named).not.toBe('fits');
        const changed = found.parts.filter(({ slot, part }) =>
          [...engine, each].every((before) => before.slot !== slot || before.part !== part),
        );
        if (found.verdict !== 'fitsWithWork') continue;
        worked += changed.length;
        for (const { part } of changed)
          expect(told.machined.some(({ label }) => label === part.label))
            .withContext(named)
            .toBeTrue();
      }
    expect(worked).toBeGreaterThan(5);
  });

  it('has work left out that may not be done, and refuses where none is left', () => {
    let refused = 0;
    for (const engine of ENGINES.slice(0, 4))
      for (const each of COMING) {
        const sides = sidesOf([each], engine);
        const found = weigh(sides, CONTEXT);
        if (found.verdict !== 'fitsWithWork') continue;
        const steps = new Set(found.work.flatMap((option) => option.steps));
        const without = weigh(sides, CONTEXT, (option) => !option.steps.some((step) => steps.has(step)));
        expect(without.work.every((option) => !option.steps.some((step) => steps.has(step)))).toBeTrue();
        expect(without.verdict).not.toBe('fits');
        if (without.verdict === 'doesNotFit') refused++;
      }
    expect(refused).toBeGreaterThan(0);
  });
});
