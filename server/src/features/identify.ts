import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import {
  checkReadings,
  DataError,
  identify as identifyPart,
  IdentifyRequestSchema,
  KindIdSchema,
  readEntry,
  say,
  sayStatus,
  type Understood,
} from '@which-bore/core';
import type { CatalogueStore } from './catalogueStore.js';
import { IDENTIFY_EXAMPLE, READ_EXAMPLE } from './examples.js';

const LineUpAnswer = Type.Object({
  status: Type.String({ description: 'settled, probable, open, nothingFits or noEvidence' }),
  says: Type.String({ description: 'The status in a sentence' }),
  none: Type.Number({ description: 'Probability that the part is in no catalogue' }),
  weighed: Type.Integer({ description: 'How many patterns were weighed' }),
  candidates: Type.Array(
    Type.Object({
      pattern: Type.String(),
      label: Type.String(),
      probability: Type.Number(),
      pulls: Type.Array(Type.Object({ text: Type.String(), sort: Type.String(), decibans: Type.Number(), why: Type.String() })),
    }),
  ),
  readings: Type.Array(Type.Any(), { description: 'The readings as understood' }),
  unused: Type.Array(Type.String(), { description: 'Readings the catalogue has nothing to hold against' }),
});

/** `POST /api/identify` and `POST /api/read`: what the browser's worker does, done here with the same core. */
export const identify: FastifyPluginAsyncTypebox<{ catalogue: CatalogueStore }> = async (app, { catalogue }) => {
  app.post(
    '/identify',
    {
      schema: {
        summary: 'Rank the patterns of the catalogue by what was read',
        tags: ['bench'],
        body: { ...IdentifyRequestSchema, examples: [IDENTIFY_EXAMPLE] },
        response: { 200: LineUpAnswer },
      },
    },
    async (request) => {
      const { entry, most = 6, units = 'metric' } = request.body;
      const typed = entry === undefined ? undefined : readEntry(entry, request.body.kind);
      const kind = typed?.kind ?? request.body.kind;
      const given: readonly Understood[] = request.body.readings ?? [];
      const problems = checkReadings(kind, given, 'body.readings');
      if (problems.length > 0) throw new DataError('Some readings cannot be used.', problems);
      const readings = [...given, ...(typed?.words ?? [])];
      const snapshot = await catalogue.snapshot();
      const lineUp = identifyPart(snapshot.index(kind), readings, most);
      return {
        status: lineUp.status,
        says: sayStatus(lineUp, (id) => snapshot.label(id)),
        none: lineUp.none,
        weighed: lineUp.weighed,
        candidates: lineUp.candidates.map(({ pattern, probability, pulls }) => ({
          pattern,
          label: snapshot.label(pattern),
          probability,
          pulls: pulls.map(({ text, sort, decibans, reason }) => ({ text, sort, decibans, why: say(reason, units) })),
        })),
        readings,
        unused: [...lineUp.unused],
      };
    },
  );
  app.post(
    '/read',
    {
      schema: {
        summary: 'How the entry line understands some words',
        tags: ['bench'],
        body: Type.Object({ kind: KindIdSchema, entry: Type.String({ maxLength: 20_000 }) }, { additionalProperties: false, examples: [READ_EXAMPLE] }),
        response: { 200: Type.Object({ kind: KindIdSchema, words: Type.Array(Type.Any({ description: 'As the readings of a specimen' })) }) },
      },
    },
    (request) => {
      const entry = readEntry(request.body.entry, request.body.kind);
      return { kind: entry.kind ?? request.body.kind, words: [...entry.words] };
    },
  );
};
