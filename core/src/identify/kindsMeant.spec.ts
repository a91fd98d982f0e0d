import { KIND_IDS, type KindId } from '../dictionary/dictionary';
import { kindsUnderstanding } from '../readings/kindsUnderstanding';
import { CATALOGUE, LOOKUP } from '../testing/demo';
import { indexCatalogue } from './catalogueIndex';
import { Identification } from './identify';
import { kindsMeant } from './kindsMeant';

const identifications = new Map(
  KIND_IDS.map((kind): [KindId, Identification] => [kind, new Identification(indexCatalogue(kind, CATALOGUE))]),
);
const meant = (text: string) => kindsMeant(text, (kind) => identifications.get(kind) as Identification);

describe('the kind that some words are read on', () => {
  it('is the one whose words they are', () => {
    const kinds = (text: string) => kindsUnderstanding(text).map(({ kind }) => kind);
    expect(kinds('main 2.349in pin 2.0493in')).toEqual(['crank']);
    expect(kinds('seat angle 45 deg, stem 8.66')).toEqual(['valve']);
    expect(kinds('head 64cc chambers')).toEqual(['head']);
    expect(kinds('wobble')).toEqual([]);
    expect(kinds('Skerry crank')).toEqual(['crank']);
    // Of two nobody knows which is meant.
    expect(kinds('wobble of crank, head')).toEqual([]);
  });

  it('is found by its number: an old one of a piston is no crank', () => {
    const [first] = meant('HV-8421');
    expect([first?.kind, (first?.probability ?? 0) > 0.99]).toEqual(['piston', true]);
  });

  it('is the one it is called, though nothing else is understood', () => {
    expect(meant('Skerry crank')).toEqual([{ kind: 'crank', probability: 1 }]);
  });

  it('is found by a casting number alone, and none is beyond doubt by one that nobody knows', () => {
    expect(meant('4187')[0]?.kind).toBe('crank');
    expect(meant('41?7')[0]?.kind).toBe('crank');
    const [first] = meant('98765432');
    expect(first?.probability ?? 0).toBeLessThan(0.9);
  });

  it('is that of the pattern for four numbers of the catalogue in five, and hardly ever another beyond doubt', () => {
    const numbered = LOOKUP.catalogue.patterns.flatMap(({ kind, numbers }) =>
      numbers.slice(0, 1).map(({ number }) => ({ kind, number })),
    );
    const answers = numbered.map(({ kind, number }) => ({ kind, first: meant(`part number ${number}`)[0] }));
    const right = answers.filter(({ kind, first }) => first?.kind === kind).length;
    const wrong = answers.filter(({ kind, first }) => first && first.probability > 0.9 && first.kind !== kind).length;
    expect(numbered.length).toBeGreaterThan(50);
    expect(right / numbered.length).toBeGreaterThan(0.8);
    expect(wrong / numbered.length).toBeLessThan(0.03);
  });

  it('stays open where several are as likely, and their chances add up to one', () => {
    const kinds = meant('bore 88.9');
    expect(kinds.length).toBeGreaterThan(3);
    expect(kinds[0]?.probability).toBeLessThan(0.5);
    expect(kinds.reduce((sum, { probability }) => sum + probability, 0)).toBeCloseTo(1, 1);
  });
});
