import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import {
  checkReadings,
  DataError,
  InterchangeRequestSchema,
  partFromPattern,
  partFromSpecimen,
  say,
  swap,
  VERDICTS,
  type Part,
  type PartRef,
  type Pattern,
  type Swap,
  type UnitSystem,
} from '@which-bore/core';
import { NotFoundError } from '../errors.js';
import type { CatalogueSnapshot, CatalogueStore } from './catalogueStore.js';
import { INTERCHANGE_EXAMPLE } from './examples.js';
import type { SpecimenStore } from './specimenStore.js';

const Band = Type.Object({ low: Type.Number(), high: Type.Number() });
const Verdict = Type.String({ enum: [...VERDICTS] });
const SwapAnswer = Type.Object({
  recipient: Type.String(),
  verdict: Verdict,
  says: Type.String(),
  judged: Type.Integer({ description: 'Checks that had the data to be judged' }),
  checks: Type.Integer(),
  needs: Type.Array(Type.String({ description: 'Parameter ids to find out first' })),
  joints: Type.Array(
    Type.Object({
      id: Type.String(),
      name: Type.String(),
      verdict: Verdict,
      checks: Type.Array(
        Type.Object({
          id: Type.String(),
          name: Type.String(),
          verdict: Verdict,
          quantity: Type.String({ description: 'Lengths are millimetres' }),
          found: Type.Optional(Band),
          required: Type.Optional(Band),
          atLeast: Type.Optional(Type.Boolean({ description: 'Only the low end of required counts' })),
          margin: Type.Optional(Type.Number()),
          ruleOfThumb: Type.Optional(Type.String()),
          because: Type.String(),
          work: Type.Array(
            Type.Object({
              name: Type.String(),
              says: Type.String(),
              found: Type.Optional(Band),
              canUndo: Type.Boolean(),
              caution: Type.Optional(Type.String()),
            }),
          ),
          needs: Type.Array(Type.String()),
          caution: Type.Optional(Type.String()),
        }),
      ),
    }),
  ),
});

function answer(recipient: string, judged: Swap, units: UnitSystem) {
  return {
    recipient,
    verdict: judged.verdict,
    says: say(judged.says, units),
    judged: judged.judged,
    checks: judged.checks,
    needs: [...judged.needs],
    joints: judged.joints.map((joint) => ({
      ...joint,
      checks: joint.checks.map((check) => ({
        ...check,
        because: say(check.because, units),
        needs: [...check.needs],
        work: check.work.map((option) => ({ ...option, says: say(option.says, units) })),
      })),
    })),
  };
}

/** `POST /api/interchange`: one donor into any number of recipients. */
export const interchange: FastifyPluginAsyncTypebox<{ catalogue: CatalogueStore; specimens: SpecimenStore }> = async (app, { catalogue, specimens }) => {
  const patternOf = (snapshot: CatalogueSnapshot, id: string, where: string): Pattern => {
    const found = snapshot.pattern(id);
    if (!found) throw new NotFoundError(`${where}: there is no pattern "${id}" in the catalogue.`);
    return found;
  };
  const donorOf = async (snapshot: CatalogueSnapshot, ref: PartRef): Promise<Part> => {
    const named = [ref.pattern, ref.specimen, ref.specimenId].filter((each) => each !== undefined);
    if (named.length !== 1)
      throw new DataError('The donor is not clear.', [{ where: 'body.donor', what: 'give exactly one of pattern, specimenId and specimen.' }]);
    if (ref.pattern !== undefined) return partFromPattern(patternOf(snapshot, ref.pattern, 'body.donor.pattern'), snapshot.label(ref.pattern));
    const specimen = ref.specimen ?? (await specimens.get(ref.specimenId ?? ''));
    const problems = checkReadings(
      specimen.kind,
      specimen.readings.map((reading) => reading.is),
      'body.donor.specimen.readings',
    );
    if (problems.length > 0) throw new DataError('Some readings cannot be used.', problems);
    const identified = ref.as === undefined ? undefined : patternOf(snapshot, ref.as, 'body.donor.as');
    if (identified && identified.kind !== specimen.kind)
      throw new DataError('A specimen cannot be a pattern of another kind.', [{ where: 'body.donor.as', what: `${identified.id} is no ${specimen.kind}.` }]);
    return partFromSpecimen(specimen, identified);
  };
  app.post(
    '/interchange',
    {
      schema: {
        summary: 'Judge whether a donor goes into each recipient',
        tags: ['swap'],
        body: { ...InterchangeRequestSchema, examples: [INTERCHANGE_EXAMPLE] },
        response: { 200: Type.Object({ donor: Type.String(), swaps: Type.Array(SwapAnswer) }) },
      },
    },
    async (request) => {
      const { recipients, units = 'metric' } = request.body;
      const snapshot = await catalogue.snapshot();
      const donor = await donorOf(snapshot, request.body.donor);
      const swaps = recipients.map((id, at) => {
        const recipient = partFromPattern(patternOf(snapshot, id, `body.recipients[${at}]`), snapshot.label(id));
        return answer(id, swap(donor, recipient, snapshot.shells), units);
      });
      return { donor: donor.label, swaps };
    },
  );
};
