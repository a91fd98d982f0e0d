import fc from 'fast-check';
import type { Catalogue, CatalogueRecord } from '../catalogue/catalogue';
import { LIST_OF } from '../catalogue/catalogue';
import type { RecordChange } from '../catalogue/lookup';
import { QUESTION_NAMES, readAddress, writeAddress } from '../contract/index';
import { shaped, list, SentenceSchema } from '../contract/schema';
import { Type } from '@sinclair/typebox';
import { sentence, value } from '../quantity/sentence';
import { CATALOGUE, SPECIMENS } from '../testing/demo';
import { hundredQuestions, type Asked } from './hundredQuestions';
import { refusalOf } from './refusal';
import { Workshop } from './workshop';
import { holds } from '../testing/laws';

const QUESTIONS = hundredQuestions(CATALOGUE, SPECIMENS);

/** The answer, or why there is none; as it would be sent. */
function answered(workshop: Workshop, { name, request }: Asked): unknown {
  try {
    return JSON.parse(JSON.stringify(workshop.ask(name, request)));
  } catch (error) {
    const refusal = refusalOf(error);
    if (!refusal) throw error;
    return refusal;
  }
}

const changed = (catalogue: Catalogue, { type, id, record }: RecordChange): Catalogue => {
  const others = (catalogue[LIST_OF[type]] as readonly CatalogueRecord[]).filter((each) => each.id !== id);
  return { ...catalogue, [LIST_OF[type]]: record ? [...others, record] : others };
};

describe('a workshop', () => {
  it('answers every question there is, and a hundred of them', () => {
    expect(QUESTIONS.length).toBeGreaterThanOrEqual(100);
    expect(new Set(QUESTIONS.map(({ name }) => name))).toEqual(new Set(QUESTION_NAMES));
    const workshop = new Workshop(CATALOGUE);
    for (const question of QUESTIONS)
      expect(answered(workshop, question)).withContext(JSON.stringify(question).slice(0, 200)).toBeTruthy();
  });

  it('answers the same whatever it was asked before', () => {
    const first = new Workshop(CATALOGUE);
    const forward = QUESTIONS.map((question) => answered(first, question));
    const backward = [...QUESTIONS].reverse().map((question) => answered(first, question));
    expect(backward.reverse()).toEqual(forward);
  });

  it('answers the same in whatever order its records came', () => {
    const turned = Object.fromEntries(
      Object.entries(CATALOGUE).map(([key, list]) => [
        key,
        Array.isArray(list) ? [...(list as unknown[])].reverse() : (list as unknown),
      ]),
    ) as unknown as Catalogue;
    const [one, other] = [new Workshop(CATALOGUE), new Workshop(turned)];
    for (const question of QUESTIONS)
      expect(answered(other, question))
        .withContext(JSON.stringify(question).slice(0, 200))
        .toEqual(answered(one, question));
  });

  it('goes on after changed records as one that was made of the changed catalogue', () => {
    const [pattern] = CATALOGUE.patterns.filter(({ id }) => id === 'sluice-crank-3375-forged');
    const [variant] = CATALOGUE.variants;
    const [maker] = CATALOGUE.makers;
    if (!pattern || !variant || !maker) throw new Error('the demo is not as it was');
    const renamed = { ...pattern, name: 'Renamed and found', marks: [{ text: '77123', making: 'cast' as const }] };
    const steps: readonly RecordChange[][] = [
      [{ type: 'pattern', id: pattern.id, record: renamed }],
      [
        {
          type: 'pattern',
          id: 'brand-new',
          record: { ...renamed, id: 'brand-new', name: 'Brand new crank', numbers: [{ number: 'BN 777' }] },
        },
      ],
      [{ type: 'variant', id: variant.id, record: { ...variant, code: 'X999' } }],
      [{ type: 'pattern', id: 'brand-new' }],
      [{ type: 'maker', id: maker.id, record: { ...maker, name: 'Called otherwise' } }],
      [{ type: 'swap', id: CATALOGUE.swaps[0]?.id ?? '' }],
    ];
    const workshop = new Workshop(CATALOGUE);
    for (const question of QUESTIONS) answered(workshop, question);
    let catalogue = CATALOGUE;
    for (const [at, step] of steps.entries()) {
      workshop.change(step);
      for (const change of step) catalogue = changed(catalogue, change);
      const fresh = new Workshop(catalogue);
      const more = [
        { name: 'search', request: { text: 'renamed' } },
        { name: 'search', request: { text: '77123' } },
        { name: 'search', request: { text: 'crank' } },
      ] as readonly Asked[];
      // A sixth of the questions after each change but the last, each of them after one or another.
      const asked = QUESTIONS.filter((_, of) => at === steps.length - 1 || (of + at) % 6 === 0);
      for (const question of [...asked, ...more])
        expect(answered(workshop, question))
          .withContext(
            `${step.map(({ type, id }) => `${type} ${id}`).join()}: ${JSON.stringify(question).slice(0, 160)}`,
          )
          .toEqual(answered(fresh, question));
    }
  });

  it('takes what it does not know how to name for a fault, and not for a refusal', () => {
    expect(refusalOf(new TypeError('x'))).toBeUndefined();
  });
});

describe('an answer as its contract has it', () => {
  const schema = Type.Object({
    says: SentenceSchema,
    all: list(SentenceSchema),
    of: list(Type.Object({ id: Type.String() })),
    counts: Type.Record(Type.String(), Type.Object({ why: SentenceSchema })),
  });
  const answer = {
    says: sentence`It is ${value(25.4)} long.`,
    all: [['One.'], sentence`${value(50.8)}`],
    of: [{ id: 'a', secret: 1 }],
    counts: { b: { why: ['B.'], hidden: 2 } },
    more: 'not declared',
  };

  it('holds nothing that is not declared', () => {
    expect(shaped(schema, answer, 'pieces')).toEqual({
      says: answer.says,
      all: answer.all,
      of: [{ id: 'a' }],
      counts: { b: { why: ['B.'] } },
    });
  });

  it('is worded in the units asked for', () => {
    expect(shaped(schema, answer, 'inch')).toEqual({
      says: 'It is 1.0000 in long.',
      all: ['One.', '2.0000 in'],
      of: [{ id: 'a' }],
      counts: { b: { why: 'B.' } },
    });
  });
});

describe('an address', () => {
  it('is read as it was written, and a bare id is a pattern', () => {
    holds(
      fc.property(
        fc.constantFrom('pattern' as const, 'specimen' as const, 'variant' as const),
        fc.stringMatching(/^[a-z0-9-]{1,30}$/),
        (sort, id) => {
          expect(readAddress(writeAddress({ sort, id }))).toEqual({ sort, id });
          expect(readAddress(id)).toEqual({ sort: 'pattern', id });
        },
      ),
    );
    expect(readAddress('odd:one')).toEqual({ sort: 'pattern', id: 'odd:one' });
  });
});
