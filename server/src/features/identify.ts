import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import {
  advise,
  checkKey,
  checkReadings,
  DataError,
  Identification,
  IdentifyRequestSchema,
  KindIdSchema,
  readEntry,
  say,
  sayStatus,
  type Advice,
  type Advised,
  type LineUp,
  type Understood,
  type UnitSystem,
} from '@which-bore/core';
import type { CatalogueStore } from './catalogueStore.js';
import type { ShopStore } from './shopStore.js';
import { IDENTIFY_EXAMPLE, READ_EXAMPLE } from './examples.js';

export const LineUpAnswer = Type.Object({
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
  doubts: Type.Array(Type.Object({ text: Type.String(), says: Type.String() }), { description: 'What is doubtful about how something was measured' }),
});

const CheckShown = Type.Object({
  key: Type.String({ description: 'Sort and id; what `skipped` takes' }),
  sort: Type.String(),
  id: Type.String(),
  name: Type.String(),
  how: Type.String(),
  instrument: Type.Optional(Type.String()),
  minutes: Type.Number(),
  dismantling: Type.Number({ description: 'Minutes of taking apart before it' }),
  bits: Type.Number({ description: 'Expected drop in uncertainty' }),
  settles: Type.Number({ description: 'Chance that the part is named beyond reasonable doubt afterwards' }),
});

const AdviceAnswer = Type.Object({
  uncertainty: Type.Number({ description: 'Bits; 1 is two candidates alike' }),
  checks: Type.Array(CheckShown, { description: 'What gains the most a minute first' }),
  plan: Type.Array(CheckShown),
  separation: Type.Optional(
    Type.Object({
      between: Type.Array(Type.String()),
      state: Type.String({ description: 'open, blocked or alike' }),
      blockedBy: Type.Array(Type.String()),
      tooClose: Type.Array(Type.String()),
    }),
  ),
});

/** A line-up as the API shows it. */
export const lineUpShown = (lineUp: LineUp, label: (id: string) => string, readings: readonly Understood[], units: UnitSystem) => ({
  status: lineUp.status,
  says: sayStatus(lineUp, label),
  none: lineUp.none,
  weighed: lineUp.weighed,
  candidates: lineUp.candidates.map(({ pattern, probability, pulls }) => ({
    pattern,
    label: label(pattern),
    probability,
    pulls: pulls.map(({ text, sort, decibans, reason }) => ({ text, sort, decibans, why: say(reason, units) })),
  })),
  readings: [...readings],
  unused: [...lineUp.unused],
  doubts: [...lineUp.doubts],
});

const checkShown = (check: Advised) => ({
  key: checkKey(check),
  sort: check.sort,
  id: check.id,
  name: check.name,
  how: check.how,
  ...(check.tool ? { instrument: check.tool.name } : {}),
  minutes: check.minutes,
  dismantling: check.dismantling,
  bits: check.bits,
  settles: check.settles,
});

const adviceShown = ({ uncertainty, checks, plan, separation }: Advice, units: UnitSystem) => ({
  uncertainty,
  checks: checks.map(checkShown),
  plan: plan.map(checkShown),
  ...(separation
    ? {
        separation: {
          between: [...separation.between],
          state: separation.state,
          blockedBy: [...separation.blockedBy],
          tooClose: separation.tooClose.map((each) => say(each, units)),
        },
      }
    : {}),
});

/** `POST /api/identify` and `POST /api/read`: what the browser's worker does, done here with the same core. */
export const identify: FastifyPluginAsyncTypebox<{ catalogue: CatalogueStore; shop: ShopStore }> = async (app, { catalogue, shop }) => {
  app.post(
    '/identify',
    {
      schema: {
        summary: 'Rank the patterns of the catalogue by what was read, and say what to check next',
        tags: ['bench'],
        body: { ...IdentifyRequestSchema, examples: [IDENTIFY_EXAMPLE] },
        response: { 200: Type.Object({ ...LineUpAnswer.properties, next: AdviceAnswer }) },
      },
    },
    async (request) => {
      const { entry, most = 6, units = 'metric', state, skipped } = request.body;
      const typed = entry === undefined ? undefined : readEntry(entry, request.body.kind);
      const kind = typed?.kind ?? request.body.kind;
      const given: readonly Understood[] = request.body.readings ?? [];
      const problems = checkReadings(kind, given, 'body.readings');
      if (problems.length > 0) throw new DataError('Some readings cannot be used.', problems);
      const readings = [...given, ...(typed?.words ?? [])];
      const snapshot = await catalogue.snapshot();
      const circumstances = await shop.circumstances();
      const identification = new Identification(snapshot.index(kind), circumstances).read(readings);
      return {
        ...lineUpShown(identification.lineUp(most), (id) => snapshot.label(id), readings, units),
        next: adviceShown(advise(identification, { readings, ...circumstances, ...(state ? { state } : {}), ...(skipped ? { skipped } : {}) }), units),
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
