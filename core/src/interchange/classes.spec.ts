import type { Part } from '../catalogue/part';
import { KIND_IDS, type KindId } from '../dictionary/dictionary';
import { IMPLIED, JOINTS, kindOf, ROUND, type JointCheck } from '../joints/index';
import { LOOKUP, SETTING } from '../testing/demo';
import { Sorter } from './classes';

/** What is read of a part, written out whole. */
const written = (part: Part, ids: readonly string[]): string =>
  JSON.stringify(
    ids.map((id) => {
      const { interval, positions } = part.values[id] ?? {};
      return interval
        ? [interval, positions, part.standard[id], part.service[id]]
        : [part.looks[id]?.option ?? part.interfaces[id]];
    }),
  );

/** Checks that go by the entries of parts and by nothing else of theirs, with what they read of one kind. */
const readersOf = (kind: KindId): readonly (readonly [check: JointCheck, ids: readonly string[]])[] =>
  JOINTS.flatMap(({ checks }) => checks)
    .filter(({ reads, chooses }) => !chooses && !reads.includes(IMPLIED) && !reads.includes(ROUND))
    .map((check) => [check, check.reads.filter((id) => kindOf(id) === kind)] as const)
    .filter(([, ids]) => ids.length > 0);

describe('parts sorted for a check', () => {
  it('are of one class when all that is read of them is the same, and only then', () => {
    let sorted = 0;
    for (const kind of KIND_IDS) {
      const parts = LOOKUP.partsOfKind(kind);
      const sorter = new Sorter(parts, SETTING);
      for (const [check, ids] of readersOf(kind)) {
        const { of, speaking } = sorter.by(check, ids);
        const plain = new Map<string, number>();
        const expected = parts.map((part) => {
          const text = written(part, ids);
          if (!plain.has(text)) plain.set(text, plain.size);
          return plain.get(text);
        });
        // Classes are numbered as they first come, so that the two are the same to the last number.
        expect([...of])
          .withContext(`${kind}, ${check.name}`)
          .toEqual(expected.map(Number));
        expect(speaking.length).toBe(plain.size);
        sorted++;
      }
    }
    expect(sorted).toBeGreaterThan(100);
  });

  it('have the first of each class to speak for it', () => {
    const parts = LOOKUP.partsOfKind('piston');
    const sorter = new Sorter(parts, SETTING);
    for (const [check, ids] of readersOf('piston')) {
      const { of, speaking } = sorter.by(check, ids);
      expect(speaking).toEqual([...new Set(of)].map((each) => parts[of.indexOf(each)] as Part));
    }
  });

  it('are all of one class where nothing is read of them', () => {
    const parts = LOOKUP.partsOfKind('piston');
    const [reader] = readersOf('piston');
    if (!reader) throw new RangeError('Nothing reads pistons.');
    const { of, speaking } = new Sorter(parts, SETTING).by(reader[0], []);
    expect(new Set(of)).toEqual(new Set([0]));
    expect(speaking).toEqual([parts[0] as Part]);
  });

  it('are told apart where one was measured and the other is as the maker has it', () => {
    const [made] = LOOKUP.partsOfKind('crank');
    const id = 'crank.stroke';
    const value = made?.values[id];
    const check = readersOf('crank').find(([, ids]) => ids.includes(id))?.[0];
    if (!made || !value || !check) throw new RangeError('The demo has no crank whose stroke is known.');
    const measured: Part = { ...made, values: { ...made.values, [id]: { ...value, source: 'measured' } } };
    expect([...new Sorter([made, measured, made], SETTING).by(check, [id]).of]).toEqual([0, 1, 0]);
  });
});
