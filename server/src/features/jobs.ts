import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import {
  checkReadings,
  DataError,
  identifyEngine,
  JobSchema,
  readEntry,
  say,
  sayStatus,
  SpecimenSchema,
  UnderstoodSchema,
  UnitSystemSchema,
  type EngineLineUp,
  type Specimen,
  type Understood,
  type UnitSystem,
} from '@which-bore/core';
import type { CatalogueSnapshot, CatalogueStore } from './catalogueStore.js';
import { ENGINE_EXAMPLE, JOB_EXAMPLE } from './examples.js';
import { lineUpShown, LineUpAnswer } from './identify.js';
import type { JobStore } from './jobStore.js';
import type { ShopStore } from './shopStore.js';
import type { SpecimenStore } from './specimenStore.js';

const Version = Type.Integer({ minimum: 0, maximum: 2_147_483_646, description: 'The version last seen; 0 for a new job' });
const Params = Type.Object({ id: Type.String({ format: 'uuid', examples: ['5d2f9f52-6c1e-4d0e-8f0b-2a7c3b1d9e10'] }) });
const Body = Type.Object({ ...Type.Omit(JobSchema, ['id']).properties, version: Version }, { additionalProperties: false, examples: [JOB_EXAMPLE] });
const Stored = Type.Object({ ...JobSchema.properties, readings: Type.Array(Type.Any()), version: Version, updatedAt: Type.String() });

const EngineAnswer = Type.Object({
  engine: Type.Object({ ...LineUpAnswer.properties }),
  parts: Type.Array(
    Type.Object({
      specimen: Type.String(),
      name: Type.String(),
      kind: Type.String(),
      status: Type.String(),
      says: Type.String(),
      first: Type.Optional(Type.String()),
      belongs: Type.Optional(Type.Number({ description: 'Probability that it came with the likeliest engine' })),
      expected: Type.Array(Type.String(), { description: 'Patterns that the likeliest engine carries there' }),
      because: Type.String(),
    }),
  ),
  mixed: Type.Array(Type.Object({ rule: Type.String(), weight: Type.String(), says: Type.String(), specimens: Type.Array(Type.String()) })),
});

const EngineRequest = Type.Object(
  {
    entry: Type.Optional(Type.String({ maxLength: 20_000, description: 'What is claimed and seen of the engine as a whole, as for the entry line' })),
    readings: Type.Optional(Type.Array(UnderstoodSchema, { maxItems: 500 })),
    specimens: Type.Array(SpecimenSchema, { maxItems: 200 }),
    units: Type.Optional(UnitSystemSchema),
  },
  { additionalProperties: false, examples: [ENGINE_EXAMPLE] },
);

function engineShown(snapshot: CatalogueSnapshot, { engine, parts, mixed }: EngineLineUp, readings: readonly Understood[], units: UnitSystem) {
  return {
    engine: lineUpShown(engine, (id) => snapshot.variantLabel(id), readings, units),
    parts: parts.map(({ specimen, name, kind, lineUp, belongs, expected, because }) => {
      const [first] = lineUp.candidates;
      return {
        specimen,
        name,
        kind,
        status: lineUp.status,
        says: sayStatus(lineUp, (id) => snapshot.label(id)),
        ...(first ? { first: first.pattern } : {}),
        ...(belongs === undefined ? {} : { belongs }),
        expected: [...expected],
        because: say(because, units),
      };
    }),
    mixed: mixed.map(({ specimens, ...rest }) => ({ ...rest, specimens: [...specimens] })),
  };
}

/** Throws a DataError where readings of an engine or of its parts cannot be used. */
function checkAll(readings: readonly Understood[], specimens: readonly Specimen[]): void {
  const problems = [
    ...checkReadings('variant', readings, 'body.readings'),
    ...specimens.flatMap((specimen, at) =>
      checkReadings(
        specimen.kind,
        specimen.readings.map(({ is }) => is),
        `body.specimens[${at}].readings`,
      ),
    ),
  ];
  if (problems.length > 0) throw new DataError('Some readings cannot be used.', problems);
}

/** Jobs: list, read, write, delete, bring back; and whole engines identified from their parts. */
export const jobs: FastifyPluginAsyncTypebox<{ jobs: JobStore; specimens: SpecimenStore; catalogue: CatalogueStore; shop: ShopStore }> = async (
  app,
  { jobs: store, specimens, catalogue, shop },
) => {
  app.get(
    '/jobs',
    {
      schema: {
        summary: 'All jobs, last changed first',
        tags: ['jobs'],
        response: {
          200: Type.Array(Stored, {
            examples: [[{ ...JOB_EXAMPLE, id: '5d2f9f52-6c1e-4d0e-8f0b-2a7c3b1d9e10', version: 1, updatedAt: '2026-03-02T08:10:04.000Z' }]],
          }),
        },
      },
    },
    () => store.list(),
  );
  app.get('/jobs/:id', { schema: { summary: 'One job', tags: ['jobs'], params: Params, response: { 200: Stored } } }, (request) =>
    store.get(request.params.id),
  );
  app.put(
    '/jobs/:id',
    { schema: { summary: 'Write a job whole; 409 when it was changed meanwhile', tags: ['jobs'], params: Params, body: Body, response: { 200: Stored } } },
    (request) => {
      const { version, ...rest } = request.body;
      const job = { ...rest, id: request.params.id };
      checkAll(
        job.readings.map(({ is }) => is),
        [],
      );
      return store.save(job, version);
    },
  );
  app.delete(
    '/jobs/:id',
    {
      schema: {
        summary: 'Delete a job; it can be brought back, and its parts stay on the shelf',
        tags: ['jobs'],
        params: Params,
        response: { 204: Type.Null() },
      },
    },
    async (request, reply) => {
      await store.remove(request.params.id);
      return reply.status(204).send(null);
    },
  );
  app.post('/jobs/:id/restore', { schema: { summary: 'Bring a deleted job back', tags: ['jobs'], params: Params, response: { 200: Stored } } }, (request) =>
    store.restore(request.params.id),
  );
  const identified = async (readings: readonly Understood[], parts: readonly Specimen[], units: UnitSystem) => {
    const [snapshot, circumstances] = [await catalogue.snapshot(), await shop.circumstances()];
    return engineShown(
      snapshot,
      identifyEngine(snapshot, snapshot.engines, (kind) => snapshot.index(kind), readings, parts, circumstances),
      readings,
      units,
    );
  };
  app.get(
    '/jobs/:id/engine',
    {
      schema: {
        summary: 'What engine a job is, from its claims and parts together; which part does not belong, and what is mixed',
        tags: ['jobs'],
        params: Params,
        querystring: Type.Object({ units: Type.Optional(UnitSystemSchema) }),
        response: { 200: EngineAnswer },
      },
    },
    async (request) => {
      const job = await store.get(request.params.id);
      return identified(
        job.readings.map(({ is }) => is),
        await specimens.ofJob(job.id),
        request.query.units ?? 'metric',
      );
    },
  );
  app.post(
    '/engine',
    { schema: { summary: 'The same for an engine that is not kept', tags: ['jobs'], body: EngineRequest, response: { 200: EngineAnswer } } },
    (request) => {
      const { entry, readings = [], specimens: parts, units = 'metric' } = request.body;
      const all: readonly Understood[] = [...readings, ...(entry === undefined ? [] : readEntry(entry, 'variant').words)];
      checkAll(readings, parts);
      return identified(all, parts, units);
    },
  );
};
