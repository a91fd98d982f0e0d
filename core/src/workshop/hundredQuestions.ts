import type { Catalogue } from '../catalogue/catalogue.js';
import { QUESTION_NAMES, QUESTIONS, type Requests } from '../contract/index.js';
import type { KindId } from '../dictionary/dictionary.js';
import { asked, type Asked } from './asked.js';
import { recipientsFor } from '../interchange/index.js';
import type { Specimen } from '../readings/reading.js';

export type { Asked } from './asked.js';
export { heldDocuments, type Held } from './needs/heldDocuments.js';
export { questionsOfDocuments, QUESTIONS_WITH_NEEDS } from './questionsOfDocuments.js';

/** How the engines of the builds are run. */
const RUN = [{ of: 'running.inletCloses', value: 58, unit: 'deg' }] as const;

const LINES: readonly (readonly [KindId, string])[] = [
  ['crank', 'cast 41?7 main 2.349in mic pin 2.0493in mic stroke 3.375in caliper forged 8 weights'],
  ['crank', 'main 2.349 mm'],
  ['piston', 'bore 116 +0.5 two rings'],
  ['rod', 'drilled gudgeon pin 40'],
  ['block', 'nine studs'],
  ['head', '11 bolts'],
];

/**
 * Over the demo: every question there is, and those that are asked most several times over. The same hundred to whoever
 * answers.
 */
export function hundredQuestions(catalogue: Catalogue, shelf: readonly Specimen[]): readonly Asked[] {
  const { patterns, variants, families, schemes } = catalogue;
  const every = <T>(list: readonly T[], count: number): readonly T[] =>
    list.filter((_, at) => at % Math.max(1, Math.floor(list.length / count)) === 0).slice(0, count);
  const readingsOf = (specimen: Specimen) => specimen.readings.map(({ is }) => is);
  const crank = shelf.find(({ kind }) => kind === 'crank');
  const readings = crank ? readingsOf(crank) : [];
  const sides = { donors: { kind: 'crank' }, recipients: { kind: 'block' } } as const;
  const round = { kind: 'crank', level: 'used', seed: 4711 } as const;
  const parts = every(
    patterns.filter(({ kind }) => recipientsFor(kind).length > 0),
    12,
  );
  const chosen = [
    ...LINES.map(([kind, entry]) => asked('read', { kind, entry })),
    ...every(variants, 3).flatMap(({ id }) => {
      const build = { id: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11', name: id, variant: id, places: [], sizes: [...RUN] };
      return [
        asked('buildSheet', { build }),
        asked('buildJoints', { build }),
        asked('buildCurves', { build, cylinder: 1 }),
        asked('buildSolve', { build, figure: 'squish', wanted: 1.1, size: 'piston.compressionHeight' }),
        asked('buildSweep', {
          build,
          figures: ['ratio'],
          over: [{ size: 'headGasket.thickness', from: 0.6, to: 1.4, steps: 9 }],
        }),
        asked('buildTolerance', { build, figure: 'squish', engines: 50, seed: 1 }),
      ];
    }),
    ...(['planChoices', 'planSets', 'planWorth', 'planConflicts'] as const).map((name) =>
      asked(name, {
        build: { id: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11', name: '48', variant: 'pip-48', places: [], sizes: [] },
        demands: {
          places: [{ slot: 'piston', from: 'any' }],
          targets: [{ figure: 'displacement', low: 40, high: 70 }],
        },
        shelf: shelf.slice(0, 12),
      }),
    ),
    asked('buildBegin', { specimens: shelf.slice(0, 6) }),
    ...shelf
      .filter(({ kind }) => kind === 'crank')
      .slice(0, 3)
      .map((specimen) => asked('fitSheet', { specimen, sheet: 'crank.mainJournal.diameter' })),
    asked('fitShells', { bearing: 'mains', specimens: shelf.filter(({ job }) => job !== undefined).slice(0, 20) }),
    asked('fitShells', { bearing: 'bigEnds', specimens: [], variant: 'lumen-4-77' }),
    ...shelf
      .filter(({ kind }) => kind === 'block')
      .slice(0, 2)
      .map((specimen) => asked('fitBores', { specimen })),
    asked('fitSets', {
      pool: shelf.filter(({ kind }) => kind === 'piston'),
      count: 4,
      by: [{ of: 'piston.mass', allowed: 4 }],
    }),
    ...every(variants, 2).flatMap(({ id }) => {
      const job = { id: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a12', name: id, readings: [], customer: 'The yard' };
      const build = {
        id: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11',
        name: id,
        variant: id,
        places: [{ slot: 'block', work: [{ operation: 'deck' as const, by: { value: 0.1, unit: 'mm' as const } }] }],
        sizes: [],
      };
      return [
        asked('orderList', { job, build, shelf: shelf.slice(0, 12) }),
        asked('shopSheet', { job, build }),
        asked('assemblyNotes', { job, build }),
        asked('jobStages', { job, build }),
        ...shelf.slice(0, 1).map((specimen) => asked('wantedBy', { specimen, jobs: [{ job, build }] })),
      ];
    }),
    ...['HV-8421', 'main 2.349in mic', 'forged'].map((entry) => asked('kindsMeant', { entry })),
    ...LINES.map(([kind, entry]) => asked('identify', { kind, entry, most: 4 })),
    ...every(shelf, 12).map((specimen) =>
      asked('identify', { kind: specimen.kind, readings: readingsOf(specimen), state: 'headOff' }),
    ),
    asked('calculation', {
      kind: 'crank',
      readings,
      pattern: 'sluice-crank-3375-forged',
      text: readings[0]?.text ?? '',
    }),
    asked('engine', {
      entry: 'year 1962',
      specimens: shelf.filter(
        ({ job }) => job !== undefined && job === shelf.find((each) => each.job !== undefined)?.job,
      ),
    }),
    ...parts.flatMap(({ id, kind }) => {
      const [into = kind] = recipientsFor(kind);
      return [
        asked('interchange', {
          donors: [{ pattern: id }],
          recipients: patterns
            .filter((pattern) => pattern.kind === into)
            .slice(0, 3)
            .map((pattern) => ({ pattern: pattern.id })),
        }),
        asked('whatElse', {
          part: { pattern: id },
          kind: into,
          side: 'recipient',
          most: 10,
          shelf: false,
          refused: true,
        }),
      ];
    }),
    // Taken for what each most likely is: where nothing is said, by both ends.
    ...shelf
      .filter(({ kind }) => kind === 'crank')
      .slice(0, 6)
      .map((specimen) =>
        asked('interchange', { donors: [{ specimen }], recipients: [{ pattern: 'sluice-block-low-large' }] }),
      ),
    asked('whatElse', {
      part: { pattern: 'sluice-block-low-large' },
      kind: 'crank',
      side: 'donor',
      shelf: shelf.filter(({ kind }) => kind === 'crank'),
    }),
    ...every(variants, 4).map(({ id }) =>
      asked('interchange', { donors: [{ variant: id, internals: true }], recipients: [{ variant: 'sluice-357' }] }),
    ),
    asked('engines', { donors: [{ pattern: 'skerry-piston-112-160-super' }] }),
    asked('grid', sides),
    asked('gridSides', sides),
    asked('gridRows', { ...sides, from: 0 }),
    asked('gridOrder', sides),
    asked('gridGroups', sides),
    ...['piston 116 +0.5', '41?7', 'BS 104 187', 'orchard fan', 'p', 'gudgeon pin 40'].map((text) =>
      asked('search', { text, most: 20 }),
    ),
    asked('calibration', { specimens: shelf.filter(({ confirmed }) => confirmed !== undefined) }),
    asked('audit', {}),
    asked('audit', { rule: 'displacement', most: 1 }),
    asked('compare', { subjects: [{ pattern: 'sluice-crank-3115' }, { pattern: 'sluice-crank-3590' }] }),
    ...schemes
      .slice(0, 3)
      .map((scheme) => asked('decode', { scheme: scheme.id, numbers: [...(scheme.samples ?? []), 'X9'].slice(0, 5) })),
    ...['6204-2Z', '4S7-01234', '11111111111111111'].map((number) => asked('readNumber', { number })),
    asked('records', {
      refs: [
        { type: 'pattern', id: 'sluice-crank-3115' },
        { type: 'variant', id: 'sluice-357' },
      ],
      fitments: true,
    }),
    ...families.slice(0, 3).map(({ id }) => asked('page', { type: 'family', id })),
    ...every(patterns, 3).map(({ id }) => asked('page', { type: 'pattern', id })),
    asked('page', { type: 'variant', id: variants[0]?.id ?? '' }),
    asked('overview', {}),
    asked('tree', { most: 3 }),
    asked('variantsOf', { family: 'sluice' }),
    asked('pick', { of: 'pattern', kinds: ['crank'], words: 'forged' }),
    asked('pick', { of: 'variant', words: 'sluice', chosen: variants[3]?.id ?? '' }),
    asked('faces', { kind: 'block' }),
    asked('practiceSheet', round),
    asked('practiceAsk', { ...round, asked: ['look crank.counterweights', 'look crank.making'].slice(0, 1) }),
    asked('practiceEnd', { ...round, asked: [], named: 'ambit-crank-3' }),
    // What cannot be answered is refused by both in the same words.
    asked('interchange', { donors: [{ pattern: 'no-such' }], recipients: [{ pattern: 'ambit-block-3' }] }),
    asked('interchange', {
      donors: [{ pattern: 'ambit-valve-intake-34' }],
      recipients: [{ pattern: 'ambit-block-3' }],
    }),
    asked('compare', { subjects: [{ pattern: 'ambit-crank-3' }] }),
    asked('decode', { scheme: 'no-such', numbers: ['1'] }),
    asked('audit', { rule: 'no-such' }),
  ];
  // A question that nobody has chosen anything for is asked by the example of its contract.
  const named = new Set(chosen.map(({ name }) => name));
  const others = QUESTION_NAMES.filter((name) => !named.has(name));
  return [...chosen, ...others.map((name) => asked(name, QUESTIONS[name].example as Requests[typeof name]))];
}
