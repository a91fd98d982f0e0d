import page from '../../../docs/entry-line.md';
import { DESCRIBED_IDS, type DescribedId } from '../dictionary/dictionary';
import { readEntry } from './entryLine';

/** The rows of the table of examples. */
const examples = [...page.matchAll(/^\| (\w+) +\| `(.+?)` +\| ([a-z, ]+?) +\|$/gm)].map(
  ([, kind = '', typed = '', sorts = '']) => ({
    kind: kind as DescribedId,
    typed,
    sorts,
  }),
);

describe('the written grammar of the entry line', () => {
  it('has examples for every sort of reading', () => {
    expect(examples.length).toBeGreaterThan(35);
    expect(new Set(examples.flatMap(({ sorts }) => sorts.split(', ')))).toEqual(
      new Set(['mark', 'size', 'step', 'look', 'face', 'claim', 'unread']),
    );
  });

  for (const { kind, typed, sorts } of examples)
    it(`reads ${typed} on a ${kind} as ${sorts}`, () => {
      expect(DESCRIBED_IDS).toContain(kind);
      expect(
        readEntry(typed, kind)
          .words.map(({ sort }) => sort)
          .join(', '),
      ).toBe(sorts);
    });
});
