import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import {
  compare,
  decode,
  RECORD_TYPES,
  RULES,
  say,
  SchemeSchema,
  searchCatalogue,
  UnitSystemSchema,
  readBearing,
  readVehicleNumber,
  type RecordType,
  type Scheme,
  type Subject,
} from '@which-bore/core';
import { NotFoundError } from '../errors.js';
import type { CatalogueStore } from './catalogueStore.js';
import type { SpecimenStore } from './specimenStore.js';

const TypeOfRecord = Type.Unsafe<RecordType>({ type: 'string', enum: [...RECORD_TYPES], description: 'Type of record' });
const Place = Type.Object({ type: TypeOfRecord, id: Type.String(), at: Type.Optional(Type.String({ description: 'Value or field of the record' })) });
const Units = Type.Optional(UnitSystemSchema);

/** What can be asked of the catalogue: search, audit, comparison, and what a number says. */
export const catalogueQuestions: FastifyPluginAsyncTypebox<{ catalogue: CatalogueStore; specimens: SpecimenStore }> = async (app, { catalogue, specimens }) => {
  app.get(
    '/search',
    {
      schema: {
        summary: 'Search by number, mark, name, synonym, look or size, in one line',
        tags: ['catalogue'],
        querystring: Type.Object({ q: Type.String({ maxLength: 200, examples: ['piston 116 +0.5'] }), units: Units }),
        response: {
          200: Type.Object({
            count: Type.Integer(),
            says: Type.String({ description: 'What the line was taken for' }),
            without: Type.Array(Type.String(), { description: 'Words for which nothing was found' }),
            hits: Type.Array(
              Type.Object({ type: TypeOfRecord, id: Type.String(), label: Type.String(), score: Type.Number(), because: Type.Array(Type.String()) }),
            ),
          }),
        },
      },
    },
    async ({ query: { q, units = 'metric' } }) => {
      const snapshot = await catalogue.snapshot();
      const { hits, count, says, without } = searchCatalogue(snapshot.search, q);
      return {
        count,
        says,
        without: [...without],
        hits: hits.map(({ type, id, score, because }) => ({
          type,
          id,
          score,
          label: snapshot.labelOf(type, id),
          because: because.map((each) => say(each, units)),
        })),
      };
    },
  );

  app.get(
    '/audit',
    {
      schema: {
        summary: 'What in the catalogue does not agree with itself',
        tags: ['catalogue'],
        querystring: Type.Object({ units: Units }),
        response: {
          200: Type.Object({
            rules: Type.Array(Type.Object({ id: Type.String({ examples: ['displacement'] }), name: Type.String(), checks: Type.String() })),
            findings: Type.Array(Type.Object({ rule: Type.String(), weight: Type.String(), where: Place, also: Type.Array(Place), says: Type.String() })),
          }),
        },
      },
    },
    async ({ query: { units = 'metric' } }) => ({
      rules: RULES.map(({ id, name, checks }) => ({ id, name, checks })),
      findings: (await catalogue.snapshot()).findings.map((finding) => ({ ...finding, also: [...finding.also], says: say(finding.says, units) })),
    }),
  );

  app.post(
    '/compare',
    {
      schema: {
        summary: 'Two to six patterns, variants or specimens side by side',
        tags: ['catalogue'],
        body: Type.Object(
          {
            subjects: Type.Array(
              Type.Object(
                {
                  pattern: Type.Optional(Type.String({ maxLength: 80 })),
                  variant: Type.Optional(Type.String({ maxLength: 80 })),
                  specimen: Type.Optional(Type.String({ format: 'uuid' })),
                  as: Type.Optional(Type.String({ maxLength: 80, description: 'Pattern a specimen was identified as' })),
                },
                { additionalProperties: false, minProperties: 1 },
              ),
              { maxItems: 20, examples: [[{ pattern: 'sluice-crank-3115' }, { pattern: 'sluice-crank-3590' }]] },
            ),
            units: Units,
          },
          { additionalProperties: false },
        ),
        response: {
          200: Type.Object({
            columns: Type.Array(Type.String()),
            rows: Type.Array(
              Type.Object({
                id: Type.String(),
                name: Type.String(),
                agrees: Type.Boolean(),
                cells: Type.Array(
                  Type.Object({
                    low: Type.Optional(Type.Number()),
                    high: Type.Optional(Type.Number()),
                    text: Type.Optional(Type.String()),
                    says: Type.Optional(Type.String()),
                    disputed: Type.Optional(Type.Boolean()),
                  }),
                ),
              }),
            ),
          }),
        },
      },
    },
    async ({ body: { subjects, units = 'metric' } }) => {
      const asked = await Promise.all(
        subjects.map(async ({ pattern, variant, specimen, as }): Promise<Subject> => {
          if (pattern !== undefined) return { sort: 'pattern', id: pattern };
          if (variant !== undefined) return { sort: 'variant', id: variant };
          if (specimen === undefined) throw new NotFoundError('Each subject names a pattern, a variant or a specimen.');
          const { id, name, kind, readings } = await specimens.get(specimen);
          return { sort: 'specimen', specimen: { id, name, kind, readings }, ...(as === undefined ? {} : { as }) };
        }),
      );
      const { columns, rows } = compare(await catalogue.snapshot(), asked);
      return {
        columns: columns.map((column) => column.label),
        rows: rows.map(({ id, name, agrees, cells }) => ({
          id,
          name,
          agrees,
          cells: cells.map(({ size, text, judgement, disputed }) => ({
            ...(size ? { low: size.low, high: size.high } : {}),
            ...(text === undefined ? {} : { text }),
            ...(judgement ? { says: say(judgement.says, units) } : {}),
            ...(disputed ? { disputed } : {}),
          })),
        })),
      };
    },
  );

  const Decoded = Type.Object({
    readings: Type.Array(
      Type.Object({ says: Type.Array(Type.Object({ name: Type.String(), text: Type.String(), meaning: Type.String() })), years: Type.Array(Type.Integer()) }),
    ),
    problem: Type.Optional(Type.String()),
  });
  const decoded = (scheme: Scheme, number: string, years: Parameters<typeof decode>[2]) => {
    const { readings, problem } = decode(scheme, number, years);
    return {
      readings: readings.map((reading) => ({
        says: reading.segments.map(({ segment, text, meaning }) => ({ name: segment.name, text, meaning })),
        years: [...reading.years],
      })),
      ...(problem === undefined ? {} : { problem }),
    };
  };
  app.post(
    '/decode',
    {
      schema: {
        summary: 'What numbers say by a scheme, one of the catalogue or one sent along to be tried',
        tags: ['catalogue'],
        body: Type.Object(
          {
            scheme: Type.Union([Type.String({ maxLength: 80 }), Type.Unsafe<Scheme>(SchemeSchema)], { examples: ['brackmere-date'] }),
            numbers: Type.Array(Type.String({ maxLength: 60 }), { maxItems: 100, examples: [['C147']] }),
          },
          { additionalProperties: false },
        ),
        response: { 200: Type.Array(Decoded) },
      },
    },
    async ({ body: { scheme: given, numbers } }) => {
      const snapshot = await catalogue.snapshot();
      const scheme = typeof given === 'string' ? snapshot.scheme(given) : given;
      if (!scheme) throw new NotFoundError(`There is no mark scheme “${typeof given === 'string' ? given : given.id}” in the catalogue.`);
      const years = scheme.family === undefined ? undefined : snapshot.yearsOf(scheme.family);
      return numbers.map((number) => decoded(scheme, number, years));
    },
  );
  const Told = Type.Object({ says: Type.Array(Type.Object({ text: Type.String(), says: Type.String() })) });
  app.get(
    '/bearings/:designation',
    {
      schema: {
        summary: 'What the designation of a rolling bearing says',
        tags: ['catalogue'],
        params: Type.Object({ designation: Type.String({ maxLength: 40, examples: ['6204-2Z'] }) }),
        response: { 200: Told },
      },
    },
    async ({ params: { designation } }) => ({ says: readBearing(designation).says.map((each) => ({ ...each })) }),
  );
  app.get(
    '/vehicle-numbers/:number',
    {
      schema: {
        summary: 'Check digit and model year of a vehicle identification number',
        tags: ['catalogue'],
        params: Type.Object({ number: Type.String({ maxLength: 40, examples: ['11111111111111111'] }) }),
        response: { 200: Told },
      },
    },
    async ({ params: { number } }) => {
      const read = readVehicleNumber(number);
      return { says: [{ text: read.number, says: read.says }] };
    },
  );
};
