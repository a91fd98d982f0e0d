import { assemblyNotesOf, type AssemblyGround } from '../../assembly/index.js';
import {
  buildSheetOf,
  FIGURES,
  jointsOf,
  partsOfBuild,
  type Build,
  type BuildEngine,
  type FigureFound,
} from '../../build/index.js';
import type { Requests } from '../../contract/index.js';
import type { KindId } from '../../dictionary/dictionary.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { slotOf } from '../../dictionary/slots.js';
import { SHEETS, shellsFound } from '../../fit/index.js';
import { DataError } from '../../formats/index.js';
import { partFromShelf, slotFor, swap } from '../../interchange/index.js';
import { orderListOf, shopSheetOf, stagesOf, stepOf, type Need, type OnShelf } from '../../order/index.js';
import type { Specimen } from '../../readings/reading.js';
import { buildLookup } from '../buildLookup.js';
import type { KeptCatalogue } from '../keptCatalogue.js';
import type { Answering } from './answering.js';
import { engineAsked } from './buildAsked.js';
import { shellsAsked } from './fitShells.js';

type OfJob = Requests['jobStages'];

/** What a job has when nothing is decided: no engine, and so nothing that is needed. */
const NOTHING: Build = { id: '00000000-0000-4000-8000-000000000000', name: '', places: [], sizes: [] };

function asked(workshop: KeptCatalogue, { jobId, job, build, specimens = [] }: OfJob) {
  if (jobId !== undefined && !job)
    throw new DataError('There is no such job.', [
      { where: 'body.jobId', what: 'no job is stored under that id; send one along, or choose another.' },
    ]);
  const engine = engineAsked(workshop, build ?? NOTHING, specimens);
  return { job, build, specimens, engine };
}

/** Which shells go into a build, as fitting tells; nothing where it has no crank or housings to tell from. */
function shellsOf(workshop: KeptCatalogue, { build, engine, specimens }: ReturnType<typeof asked>) {
  const chosen = new Set(build?.places.flatMap(({ specimen }) => specimen ?? []) ?? []);
  const own = specimens.filter((each) => chosen.has(each.id));
  // What lies in the job and is in no place yet, as far as nothing of its kind is.
  const parts = [...own, ...specimens.filter(({ kind }) => !own.some((each) => each.kind === kind))];
  const of = (bearing: 'mains' | 'bigEnds') => {
    // Journals that are still to be ground are not those that were measured.
    const journal = crank.parameters[bearing === 'mains' ? 'mainJournal.diameter' : 'crankpin.diameter'];
    if (engine.part('crank')?.part.values[journal.id]?.source === 'machined') return undefined;
    if (bearing === 'bigEnds' && engine.part('bigEndBearing')) return undefined;
    if (bearing === 'mains' && engine.part('mainBearing')) return undefined;
    const { places } = shellsAsked(workshop, {
      bearing,
      specimens: [...parts],
      ...(build?.variant === undefined ? {} : { variant: build.variant }),
    });
    return places.length === 0 ? undefined : shellsFound(places);
  };
  const [mainShell, rodShell] = [of('mains'), of('bigEnds')];
  return { ...(mainShell ? { mainShell } : {}), ...(rodShell ? { rodShell } : {}) };
}

function needsOf(
  workshop: KeptCatalogue,
  found: ReturnType<typeof asked>,
  shelf: readonly Specimen[] = [],
  reserved: readonly string[] = [],
): readonly Need[] {
  const { job, build, engine, specimens } = found;
  const shells = build ? shellsOf(workshop, found) : {};
  const ask = (stock: readonly OnShelf[]) =>
    orderListOf({
      engine,
      catalogue: workshop.catalogue,
      ...(job ? { job } : {}),
      atHand: new Set(specimens.map(({ kind }) => kind)),
      shells,
      shelf: stock,
    });
  if (!build) return ask([]).filter(({ group }) => group !== 'consumable');
  if (shelf.length === 0) return ask([]);
  // Only what is of a kind that is needed is looked at closely.
  const kinds = new Set<KindId | undefined>(ask([]).map(({ kind }) => kind));
  const own = new Set(specimens.map(({ id }) => id));
  return ask(
    shelf
      .filter(({ id, kind }) => kinds.has(kind) && !own.has(id))
      .flatMap((specimen): readonly OnShelf[] => {
        const pattern = workshop.takenFor(specimen);
        return pattern === undefined
          ? []
          : [
              {
                specimen: specimen.id,
                pattern,
                step: stepOf(partFromShelf(workshop.catalogue, specimen, pattern, workshop.identifyOptions.drawer)),
                ...(reserved.includes(specimen.id) ? { reserved: true } : {}),
              },
            ];
      }),
  );
}

export const orderList: Answering<'orderList'> = (workshop, { shelf, reserved, units: _units, ...rest }) => {
  const found = asked(workshop, rest);
  return {
    ...(found.build ? { build: found.build.name } : {}),
    ...(found.build?.variant === undefined ? {} : { engine: workshop.catalogue.variantLabel(found.build.variant) }),
    needs: needsOf(workshop, found, shelf, reserved),
  };
};

export const shopSheet: Answering<'shopSheet'> = (workshop, request) => {
  const { build, job, specimens } = asked(workshop, request);
  return shopSheetOf(build ?? NOTHING, buildLookup(workshop, specimens), job);
};

function assemblyOf(workshop: KeptCatalogue, found: ReturnType<typeof asked>) {
  const { engine, build, job } = found;
  if (!build) return [];
  const figures = new Map<string, FigureFound[]>();
  for (const each of buildSheetOf(engine, FIGURES, workshop.intervals).figures)
    figures.set(each.figure.id, [...(figures.get(each.figure.id) ?? []), each]);
  const variant = build.variant === undefined ? undefined : workshop.catalogue.variant(build.variant);
  const ground: AssemblyGround = {
    engine,
    ...(variant?.firingOrder === undefined ? {} : { firingOrder: variant.firingOrder }),
    figures,
    shells: shellsOf(workshop, found),
    labelOf: (pattern) => workshop.catalogue.label(pattern),
  };
  return assemblyNotesOf(ground, job);
}

export const assemblyNotes: Answering<'assemblyNotes'> = (workshop, request) => ({
  steps: assemblyOf(workshop, asked(workshop, request)),
});

/** Sheets of parts that have no figure on them yet. */
const unmeasured = (specimens: readonly Specimen[]): readonly string[] =>
  specimens.flatMap((specimen) =>
    SHEETS.filter(
      // What is worked on must be known all round; the rest is looked at when it is fitted.
      ({ kind, parameter, most }) =>
        most !== undefined &&
        kind === specimen.kind &&
        !specimen.readings.some(({ is }) => is.sort === 'size' && is.parameter === parameter.id),
    ).map(({ name }) => `${name.toLowerCase()} of ${specimen.name}`),
  );

function refusals(workshop: KeptCatalogue, engine: BuildEngine): readonly string[] {
  const judged = jointsOf(engine, workshop.swapContext);
  const all = [
    ...engine.problems.map(({ what }) => what),
    ...(judged?.joints ?? []).flatMap(({ name, checks }) =>
      checks
        .filter(({ verdict }) => verdict === 'doesNotFit')
        .map((check) => `${name}: ${check.name.toLowerCase()} does not fit`),
    ),
  ];
  return [...new Set(all)];
}

export const jobStages: Answering<'jobStages'> = (workshop, request) => {
  const found = asked(workshop, request);
  const { job, build, specimens, engine } = found;
  if (!job)
    throw new DataError('No job was named.', [{ where: 'body.jobId', what: 'name a stored job, or send one along.' }]);
  return {
    stages: stagesOf({
      job,
      unmeasured: unmeasured(specimens.filter((each) => each.job === job.id)),
      parts: specimens.length,
      hasBuild: build !== undefined,
      against: build ? refusals(workshop, engine) : [],
      needs: needsOf(workshop, found),
      steps: shopSheetOf(build ?? NOTHING, buildLookup(workshop, specimens), job).steps,
      assembly: assemblyOf(workshop, found),
    }),
  };
};

export const wantedBy: Answering<'wantedBy'> = (workshop, { specimen, jobs = [] }) => {
  if (!specimen)
    throw new DataError('There is no such part.', [
      { where: 'body.specimenId', what: 'no specimen is stored under that id; send one along, or choose another.' },
    ]);
  const pattern = workshop.takenFor(specimen);
  const part = partFromShelf(workshop.catalogue, specimen, pattern, workshop.identifyOptions.drawer);
  const fitted = pattern === undefined ? [] : workshop.catalogue.fittedIn(pattern);
  const variants = [...new Set(fitted.map(({ variant }) => variant.id))];
  return {
    ...(pattern === undefined ? {} : { taken: workshop.catalogue.label(pattern) }),
    variants: variants.map((id) => ({ id, name: workshop.catalogue.variantLabel(id) })),
    jobs: jobs.flatMap((each) => {
      const { job } = each;
      if (!job || !each.build || job.handedOver !== undefined || specimen.job === job.id) return [];
      const found = asked(workshop, each);
      const wanting = needsOf(workshop, found).filter(({ kind, left }) => kind === specimen.kind && left > 0);
      const [exact = wanting[0]] = wanting.filter((need) => need.pattern === pattern);
      if (!exact) return [];
      const base = { job: job.id, name: job.name, need: exact.id };
      if (pattern !== undefined && exact.pattern === pattern)
        return [{ ...base, verdict: 'fits' as const, says: [`It needs just this: ${exact.name}.`] }];
      // One that does not go in is no use to it.
      const instead = insteadOf(found.engine, part, exact.slot);
      return instead.verdict === 'doesNotFit' ? [] : [{ ...base, ...instead }];
    }),
  };

  function insteadOf(engine: BuildEngine, own: typeof part, slot = slotFor(own)) {
    const others = partsOfBuild(engine).filter((placed) => placed.slot !== slot);
    try {
      const { verdict, says } = swap([{ slot, part: own }], others, workshop.swapContext);
      return { verdict, says };
    } catch (error) {
      if (!(error instanceof Error) || error.name !== 'NoJointError') throw error;
      return {
        verdict: 'cannotTell' as const,
        says: [`Nothing in that build meets ${(slotOf(slot)?.name ?? slot).toLowerCase()}.`],
      };
    }
  }
};
