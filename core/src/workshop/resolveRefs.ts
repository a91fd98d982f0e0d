import { engineOf, partsOfBuild, type Build } from '../build/index.js';
import { AS_MEASURED, type PartRef } from '../contract/index.js';
import { checkReadings, DataError } from '../formats/index.js';
import { UnknownPartError, type PartOrEngine } from '../interchange/index.js';
import type { Specimen } from '../readings/reading.js';
import { buildLookup } from './buildLookup.js';
import { UnknownRecordError } from './refusal.js';
import type { KeptCatalogue } from './keptCatalogue.js';

/**
 * What a reference of a request means, with a specimen taken for what it most likely is unless it is said. Throws a
 * DataError where it is not clear, and an UnknownRecordError for what is not there.
 *
 * @param where the reference stands in the request
 */
export function resolveRef(workshop: KeptCatalogue, ref: PartRef, where: string): PartOrEngine {
  const { catalogue } = workshop;
  const { pattern, specimen, specimenId, variant, jobId, specimens } = ref;
  // A stored job comes with its parts once they have been looked up.
  const build = ref.build ?? ref.buildId;
  const named = [
    pattern,
    specimen ?? specimenId,
    variant,
    build,
    // Specimens beside a build are those in its places.
    build === undefined ? (specimens ?? jobId) : undefined,
  ].filter((each) => each !== undefined);
  if (named.length !== 1)
    throw new DataError('It is not clear what is meant.', [
      {
        where,
        what: 'give exactly one of pattern, specimenId, specimen, variant, jobId, specimens, buildId and build.',
      },
    ]);
  if (ref.build) return built(workshop, ref.build, specimens ?? []);
  if (ref.buildId !== undefined)
    throw new UnknownRecordError(
      `${where}.buildId: there is no build ${ref.buildId} here: it was never saved, or it was deleted.`,
    );
  if (ref.pattern !== undefined) {
    if (!catalogue.pattern(ref.pattern))
      throw new UnknownRecordError(`${where}.pattern: there is no pattern "${ref.pattern}" in the catalogue.`);
    return { pattern: ref.pattern };
  }
  if (ref.variant !== undefined) {
    if (!catalogue.variant(ref.variant))
      throw new UnknownRecordError(`${where}.variant: there is no variant "${ref.variant}" in the catalogue.`);
    return {
      variant: ref.variant,
      ...(ref.at === undefined ? {} : { at: ref.at }),
      ...(ref.internals ? { internals: true } : {}),
    };
  }
  if (specimens) return onBench(workshop, ref, specimens, where);
  if (jobId !== undefined)
    throw new UnknownRecordError(
      `${where}.jobId: there is no job ${jobId} here: it was never saved, or it was deleted.`,
    );
  if (!specimen)
    throw new UnknownRecordError(
      `${where}.specimenId: there is no specimen ${ref.specimenId ?? ''} here: it was never saved, or it was deleted.`,
    );
  checked(specimen, `${where}.specimen`);
  if (ref.as === AS_MEASURED) return { specimen };
  if (ref.as !== undefined && catalogue.pattern(ref.as)?.kind !== specimen.kind)
    throw new DataError('A specimen cannot be a pattern of another kind.', [
      { where: `${where}.as`, what: `"${ref.as}" is no ${specimen.kind} of the catalogue.` },
    ]);
  const as = ref.as ?? workshop.takenFor(specimen);
  return { specimen, ...(as === undefined ? {} : { as }) };
}

/** The parts of a build after their work. */
function built(workshop: KeptCatalogue, build: Build, specimens: readonly Specimen[]): PartOrEngine {
  const engine = engineOf(build, buildLookup(workshop, specimens));
  const { id, name } = build;
  return { built: { id, name }, parts: partsOfBuild(engine), ...(engine.rated ? { rated: engine.rated } : {}) };
}

function checked({ kind, readings }: Specimen, where: string): void {
  const problems = checkReadings(
    kind,
    readings.map((reading) => reading.is),
    `${where}.readings`,
  );
  if (problems.length > 0) throw new DataError('Some readings cannot be used.', problems);
}

/** All that lies on one bench, each part taken for what it most likely is, or all for nothing but what was measured. */
function onBench(
  workshop: KeptCatalogue,
  { name = 'The parts together', jobId, as }: PartRef,
  specimens: readonly Specimen[],
  where: string,
): PartOrEngine {
  if (specimens.length === 0)
    throw new DataError('There is no part in this job yet.', [{ where, what: 'read one in, or take another job.' }]);
  if (as !== undefined && as !== AS_MEASURED)
    throw new DataError('Several parts cannot be taken for one pattern.', [
      { where: `${where}.as`, what: `leave it out, or say "${AS_MEASURED}".` },
    ]);
  return {
    bench: name,
    ...(jobId === undefined ? {} : { job: jobId }),
    parts: specimens.map((specimen, at) => {
      checked(specimen, `${where}.specimens[${at}]`);
      const taken = as === undefined ? workshop.takenFor(specimen) : undefined;
      return { specimen, ...(taken === undefined ? {} : { as: taken }) };
    }),
  };
}

/** The same of many. */
export const resolveRefs = (
  workshop: KeptCatalogue,
  refs: readonly PartRef[],
  where: string,
): readonly PartOrEngine[] => refs.map((ref, at) => resolveRef(workshop, ref, `${where}[${at}]`));

/** Says where in a request something stands that the joints do not know. */
export function placed<T>(where: string, make: () => T): T {
  try {
    return make();
  } catch (error) {
    if (error instanceof Error && error.name === 'NoJointError')
      throw new DataError(error.message, [{ where, what: 'choose parts that meet, or an engine.' }]);
    if (error instanceof UnknownPartError) throw new UnknownRecordError(error.message);
    throw error;
  }
}
