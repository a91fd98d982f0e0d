import { needsOf, QUESTION_NAMES, type QuestionName, type Requests } from '../contract/index.js';
import { asked, type Asked } from './asked.js';
import type { Held } from './needs/heldDocuments.js';

/**
 * Every question that needs something of the documents, with no more than the ids of what it needs: what is fetched for
 * it must be the same wherever it is asked.
 */
export function questionsOfDocuments({ specimens = [], jobs = [], builds = [] }: Held): readonly Asked[] {
  const [crank, block] = (['crank', 'block'] as const).map((kind) => specimens.find((each) => each.kind === kind));
  // Those that name parts come first: else nothing would be fetched for any of them.
  const namesParts = ({ places }: (typeof builds)[number]) => places.some(({ specimen }) => specimen !== undefined);
  const some = [...builds.filter(namesParts), ...builds.filter((each) => !namesParts(each))].slice(0, 4);
  const demands: Requests['planSets']['demands'] = {
    places: [{ slot: 'piston', from: 'any' }],
    effort: 200,
    answers: 2,
  };
  const specimenId = crank?.id ?? '';
  const donors = [{ specimenId }];
  return [
    asked('interchange', { donors, recipients: [{ specimenId: block?.id ?? '' }] }),
    asked('engines', { donors, most: 3 }),
    asked('whatElse', { part: { specimenId }, kind: 'block', side: 'recipient', most: 5 }),
    asked('fitSheet', { specimenId, sheet: 'crank.mainJournal.diameter' }),
    asked('fitBores', { specimenId: block?.id ?? '' }),
    asked('compare', { subjects: donors.map(() => ({ specimen: specimenId })).concat({ specimen: specimenId }) }),
    asked('wantedBy', { specimenId }),
    asked('calibration', {}),
    asked('audit', { most: 5 }),
    ...jobs
      .slice(0, 4)
      .flatMap(({ id: jobId }) => [
        asked('interchange', { donors, recipients: [{ jobId }] }),
        asked('buildBegin', { jobId }),
        asked('fitShells', { bearing: 'mains', jobId }),
        asked('fitShells', { bearing: 'bigEnds', jobId }),
        ...(['orderList', 'shopSheet', 'assemblyNotes', 'jobStages'] as const).map((name) => asked(name, { jobId })),
      ]),
    ...some.flatMap((build) => [
      asked('interchange', { donors, recipients: [{ buildId: build.id }] }),
      // A build of no job has its own parts all the same.
      asked('shopSheet', { build }),
      asked('buildSheet', { build }),
      asked('buildJoints', { build }),
      asked('buildCurves', { build }),
      asked('buildSolve', { build, figure: 'squish', wanted: 1.1, size: 'piston.compressionHeight' }),
      asked('buildSweep', {
        build,
        figures: ['ratio'],
        over: [{ size: 'headGasket.thickness', from: 0.6, to: 1.4, steps: 5 }],
      }),
      asked('buildTolerance', { build, figure: 'squish', engines: 50, seed: 1 }),
    ]),
    ...some
      .slice(0, 1)
      .flatMap((build) =>
        (['planChoices', 'planSets', 'planWorth', 'planConflicts'] as const).map((name) =>
          asked(name, { build, demands }),
        ),
      ),
  ];
}

/** Names of the questions that need something of the documents. */
export const QUESTIONS_WITH_NEEDS: readonly QuestionName[] = QUESTION_NAMES.filter((name) => needsOf(name).length > 0);
