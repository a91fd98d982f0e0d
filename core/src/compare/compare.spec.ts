import { say } from '../quantity/sentence';
import { LOOKUP } from '../testing/demo';
import { readEntry } from '../readings/entryLine';
import { KIND_IDS, type KindId } from '../dictionary/dictionary';
import { compare, CompareError, type CompareRow } from './compare';
import type { Subject } from './column';

const pattern = (id: string): Subject => ({ sort: 'pattern', id });
const variant = (id: string): Subject => ({ sort: 'variant', id });
const specimen = (text: string, kind: KindId = 'crank'): Subject => ({
  sort: 'specimen',
  specimen: {
    id: '',
    name: 'On the bench',
    kind,
    readings: readEntry(text, kind).words.map((is, at) => ({ id: String(at), at: '', is })),
  },
});
const rowOf = (id: string, ...subjects: Subject[]): CompareRow => {
  const found = compare(LOOKUP, subjects).rows.find((row) => row.id === id);
  if (!found) throw new Error(`no row ${id}`);
  return found;
};
const judged = (id: string, a: Subject, b: Subject) => {
  const { standing, says } = rowOf(id, a, b).cells[1]?.judgement ?? { standing: undefined, says: [] };
  return [standing, say(says, 'inch')];
};

describe('parts side by side', () => {
  for (const kind of KIND_IDS)
    it(`may be any two of a kind: ${kind}`, () => {
      const [first, ...others] = LOOKUP.ofKind(kind);
      for (const other of others.slice(0, 5)) {
        const { rows } = compare(LOOKUP, [pattern(first?.id ?? ''), pattern(other.id)]);
        expect(rows.some((row) => !row.agrees))
          .withContext(other.id)
          .toBeTrue();
        for (const row of rows) expect(row.cells.length).toBe(2);
      }
      expect(
        compare(LOOKUP, [pattern(first?.id ?? ''), pattern(first?.id ?? '')]).rows.every((row) => row.agrees),
      ).toBeTrue();
    });

  it('are the same within their limits', () => {
    expect(
      judged('crank.mainJournal.diameter', pattern('sluice-crank-3375-forged'), pattern('sluice-crank-3115')),
    ).toEqual(['same', 'Within tolerance: the same.']);
    expect(
      rowOf('crank.mainJournal.diameter', pattern('sluice-crank-3375-forged'), pattern('sluice-crank-3115')).agrees,
    ).toBeTrue();
  });

  it('with journals a tenth of an inch apart are of different generations', () => {
    // Common practice, no source: undersizes end at about 0.030 to 0.050 in; no regrind makes one journal the other.
    const [standing, says] = judged(
      'crank.mainJournal.diameter',
      pattern('sluice-crank-3375-forged'),
      pattern('sluice-crank-3375-large'),
    );
    expect(standing).toBe('apart');
    expect(says).toMatch(/^\+0\.\d{4} in: .*A different generation of part\.$/);
  });

  it('may be one ground to the other', () => {
    const ground = specimen('main 2.3395in mic');
    expect(judged('crank.mainJournal.diameter', pattern('sluice-crank-3375-forged'), ground)[0]).toBe('step');
  });

  it('may be one worn to the other, but only the way wear goes', () => {
    expect(
      judged('crank.mainJournal.diameter', pattern('sluice-crank-3375-forged'), specimen('main 2.3478in mic'))[0],
    ).toBe('worn');
    expect(
      judged('crank.mainJournal.diameter', pattern('sluice-crank-3375-forged'), specimen('main 2.3512in mic'))[0],
    ).toBe('apart');
  });

  it('have their differences signed against the first', () => {
    const there =
      rowOf('crank.stroke', pattern('sluice-crank-3115'), pattern('sluice-crank-3590')).cells[1]?.judgement
        ?.difference ?? 0;
    const back =
      rowOf('crank.stroke', pattern('sluice-crank-3590'), pattern('sluice-crank-3115')).cells[1]?.judgement
        ?.difference ?? 0;
    expect(there).toBeCloseTo((3.59 - 3.115) * 25.4, 3);
    expect(back).toBeCloseTo(-there, 9);
  });

  it('show a dispute where it stands', () => {
    const row = rowOf('crank.mainJournal.diameter', pattern('skerry-crank-4-112'), pattern('skerry-crank-6-112'));
    expect(row.cells.map((cell) => cell.disputed ?? false)).toEqual([true, false]);
  });

  it('may be whole engines, with what they carry', () => {
    const rows = compare(LOOKUP, [variant('sluice-357'), variant('sluice-357-d')]).rows;
    expect(rows.find((row) => row.id === 'variant.stroke')?.agrees).toBeTrue();
    expect(rows.find((row) => row.id === 'slot.block')?.agrees).toBeFalse();
    expect(rows.find((row) => row.id === 'slot.pin')?.agrees).toBeTrue();
  });

  it('have beside the ratio an engine is rated at the one that its parts make, told as that of another engine', () => {
    const made = rowOf('variant.ratioMade', variant('minnow-66'), variant('pip-66'));
    const rated = rowOf('variant.ratio', variant('minnow-66'), variant('pip-66'));
    expect(rated.agrees).toBeTrue();
    // The planted engine: its rod is that of the smaller one.
    expect(made.agrees).toBeFalse();
    expect(say(made.cells[1]?.judgement?.says ?? [], 'metric')).toContain('A different engine.');
  });

  it('say nothing of what nobody knows', () => {
    for (const row of compare(LOOKUP, [pattern('sluice-crank-3115'), specimen('8 weights')]).rows)
      expect(row.told).toBeGreaterThan(0);
  });

  it('of two kinds, one alone, or not there are refused with the reason', () => {
    const why = (...subjects: Subject[]) => {
      try {
        compare(LOOKUP, subjects);
      } catch (error) {
        return error instanceof CompareError ? error.message : error;
      }
      return 'compared';
    };
    expect(why(pattern('sluice-crank-3115'))).toContain('these are 1');
    expect(why(pattern('sluice-crank-3115'), pattern('sluice-pin'))).toContain('is a crank, “Brackmere Sluice');
    expect(why(pattern('sluice-crank-3115'), pattern('nothing'))).toBe('The catalogue has no pattern “nothing”.');
  });
});
