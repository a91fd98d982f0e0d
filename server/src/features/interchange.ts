import { Type } from '@sinclair/typebox';
import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import {
  checkReadings,
  DataError,
  Grid,
  GridRequestSchema,
  InterchangeRequestSchema,
  judgeSwap,
  NoJointError,
  partFromPattern,
  partyOf,
  say,
  partFromShelf,
  settingOf,
  takenFor,
  UnknownPartyError,
  VERDICT_WORDS,
  VERDICTS,
  verdictOf,
  verdictOfJoint,
  WhatElse,
  WhatElseRequestSchema,
  type Circumstances,
  type GridRequest,
  type Judgement,
  type KindId,
  type Part,
  type PartRef,
  type PartyRef,
  type Setting,
  type Swap,
  type UnitSystem,
} from '@which-bore/core';
import type { FastifyRequest } from 'fastify';
import { setImmediate } from 'node:timers/promises';
import { NotFoundError } from '../errors.js';
import { csvOf, disarmed, workbookOf } from '../transfer/writeTable.js';
import type { CatalogueSnapshot, CatalogueStore } from './catalogueStore.js';
import { GRID_EXAMPLE, INTERCHANGE_EXAMPLE, WHAT_ELSE_EXAMPLE } from './examples.js';
import type { ShopStore } from './shopStore.js';
import type { SpecimenStore } from './specimenStore.js';

const Band = Type.Object({ low: Type.Number(), high: Type.Number() });
const Verdict = Type.String({ enum: [...VERDICTS] });

const Option = Type.Object({
  name: Type.String(),
  says: Type.String(),
  found: Type.Optional(Band),
  steps: Type.Array(Type.String({ description: 'Operations, in order' })),
  buy: Type.Array(Type.String({ description: 'Pattern ids to be got for it' })),
  hours: Type.Number(),
  price: Type.Number({ description: 'In the shop’s money' }),
  canUndo: Type.Boolean(),
  caution: Type.Optional(Type.String()),
  elsewhere: Type.Array(Type.Object({ check: Type.String(), before: Verdict, after: Verdict, says: Type.String() }), {
    description: 'What it does to other checks',
  }),
});

const Check = Type.Object({
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
  work: Type.Array(Option),
  needs: Type.Array(Type.String()),
  caution: Type.Optional(Type.String()),
});

const SwapFields = {
  donor: Type.String(),
  recipient: Type.String(),
  verdict: Verdict,
  says: Type.String(),
  judged: Type.Integer({ description: 'Checks that had the data to be judged' }),
  checks: Type.Integer(),
  needs: Type.Array(Type.Object({ id: Type.String(), name: Type.String(), minutes: Type.Number() }), { description: 'What to find out, the quickest first' }),
  companions: Type.Array(Type.String({ description: 'Pattern ids that must come along' })),
  hours: Type.Number(),
  price: Type.Number(),
  cautions: Type.Array(Type.String()),
  leftOut: Type.Array(Type.Object({ joint: Type.String(), lacking: Type.Array(Type.String()) }), {
    description: 'Joints not looked at, and the kinds that are wanting',
  }),
  joints: Type.Array(Type.Object({ id: Type.String(), name: Type.String(), about: Type.Optional(Type.String()), verdict: Verdict, checks: Type.Array(Check) })),
};

const Known = Type.Object({
  result: Type.String(),
  work: Type.Array(Type.String()),
  who: Type.Optional(Type.String()),
  on: Type.Optional(Type.String()),
  note: Type.Optional(Type.String()),
});

const Answer = Type.Object({
  ...SwapFields,
  known: Type.Array(Known, { description: 'What is on record about it; it outranks what is worked out' }),
  superseded: Type.Array(Type.Object({ pattern: Type.String(), number: Type.String(), by: Type.String(), patterns: Type.Array(Type.String()) })),
  reverse: Type.Optional(Type.Object({ donor: Type.String(), recipient: Type.String(), verdict: Verdict, says: Type.String() })),
});

const Counts = Type.Record(Verdict, Type.Integer());

function written(judged: Swap, units: UnitSystem) {
  return {
    ...judged,
    says: say(judged.says, units),
    needs: judged.needs.map(({ id, name, minutes }) => ({ id, name, minutes })),
    companions: [...judged.companions],
    cautions: [...judged.cautions],
    leftOut: judged.leftOut.map(({ joint, lacking }) => ({ joint, lacking: [...lacking] })),
    joints: judged.joints.map((joint) => ({
      ...joint,
      checks: joint.checks.map((check) => ({
        ...check,
        because: say(check.because, units),
        needs: [...check.needs],
        work: check.work.map((option) => ({
          ...option,
          says: say(option.says, units),
          steps: [...option.steps],
          buy: [...option.buy],
          elsewhere: option.elsewhere.map((each) => ({ ...each, says: say(each.says, units) })),
        })),
      })),
    })),
  };
}

const answer = ({ swap: judged, known, superseded, reverse }: Judgement, units: UnitSystem) => ({
  ...written(judged, units),
  known: known.map(({ result, work = [], who, on, note }) => ({ result, work, ...(who ? { who } : {}), ...(on ? { on } : {}), ...(note ? { note } : {}) })),
  superseded: superseded.map((each) => ({ ...each, patterns: [...each.patterns] })),
  ...(reverse
    ? { reverse: { donor: reverse.swap.donor, recipient: reverse.swap.recipient, verdict: reverse.swap.verdict, says: say(reverse.swap.says, units) } }
    : {}),
});

/** Rows of a grid that are worked out before others get their turn. */
const ROWS_AT_ONCE = 4;

/** What will it go into: `POST /api/interchange`, what else, and the grid. */
export const interchange: FastifyPluginAsyncTypebox<{ catalogue: CatalogueStore; specimens: SpecimenStore; shop: ShopStore }> = async (
  app,
  { catalogue, specimens, shop },
) => {
  const settings = new WeakMap<CatalogueSnapshot, Map<string, Setting>>();

  /** The setting is kept for each state of the catalogue and the house rules: it goes through all shells. */
  const standing = async (): Promise<{ snapshot: CatalogueSnapshot; setting: Setting; circumstances: Circumstances }> => {
    const [snapshot, circumstances] = await Promise.all([catalogue.snapshot(), shop.circumstances()]);
    const { rules = {} } = circumstances;
    const known = settings.get(snapshot) ?? new Map<string, Setting>();
    settings.set(snapshot, known);
    const key = JSON.stringify(rules);
    const setting = known.get(key) ?? settingOf(snapshot, rules);
    known.set(key, setting);
    return { snapshot, setting, circumstances };
  };

  /** A reference of the API as the core has it, with the stored specimen it may name. */
  const refOf = async (snapshot: CatalogueSnapshot, ref: PartRef, where: string): Promise<PartyRef> => {
    const named = [ref.pattern, ref.specimen, ref.specimenId, ref.variant].filter((each) => each !== undefined);
    if (named.length !== 1)
      throw new DataError('It is not clear what is meant.', [{ where, what: 'give exactly one of pattern, specimenId, specimen and variant.' }]);
    if (ref.pattern !== undefined) {
      if (!snapshot.pattern(ref.pattern)) throw new NotFoundError(`${where}.pattern: there is no pattern "${ref.pattern}" in the catalogue.`);
      return { pattern: ref.pattern };
    }
    if (ref.variant !== undefined) {
      if (!snapshot.variant(ref.variant)) throw new NotFoundError(`${where}.variant: there is no variant "${ref.variant}" in the catalogue.`);
      return { variant: ref.variant, ...(ref.at === undefined ? {} : { at: ref.at }), ...(ref.internals ? { internals: true } : {}) };
    }
    const specimen = ref.specimen ?? (await specimens.get(ref.specimenId ?? ''));
    const problems = checkReadings(
      specimen.kind,
      specimen.readings.map((reading) => reading.is),
      `${where}.specimen.readings`,
    );
    if (problems.length > 0) throw new DataError('Some readings cannot be used.', problems);
    if (ref.as !== undefined && snapshot.pattern(ref.as)?.kind !== specimen.kind)
      throw new DataError('A specimen cannot be a pattern of another kind.', [
        { where: `${where}.as`, what: `"${ref.as}" is no ${specimen.kind} of the catalogue.` },
      ]);
    return { specimen, ...(ref.as === undefined ? {} : { as: ref.as }) };
  };

  const asked = <T>(where: string, make: () => T): T => {
    try {
      return make();
    } catch (error) {
      if (error instanceof NoJointError) throw new DataError(error.message, [{ where, what: 'choose parts that meet, or an engine.' }]);
      if (error instanceof UnknownPartyError) throw new NotFoundError(error.message);
      throw error;
    }
  };

  app.post(
    '/interchange',
    {
      schema: {
        summary: 'Judge whether donors go into each recipient, joint by joint, and the other way round',
        tags: ['swap'],
        body: { ...InterchangeRequestSchema, examples: [INTERCHANGE_EXAMPLE] },
        response: { 200: Type.Object({ donor: Type.String(), swaps: Type.Array(Answer) }) },
      },
    },
    async (request) => {
      const { donors, recipients, units = 'metric' } = request.body;
      const { snapshot, setting, circumstances } = await standing();
      const coming = await Promise.all(donors.map((donor, at) => refOf(snapshot, donor, `body.donors[${at}]`)));
      const swaps = [];
      for (const [at, ref] of recipients.entries()) {
        const where = `body.recipients[${at}]`;
        const into = await refOf(snapshot, ref, where);
        swaps.push(
          answer(
            asked(where, () => judgeSwap(snapshot, coming, into, setting, circumstances.drawer)),
            units,
          ),
        );
      }
      return { donor: swaps[0]?.donor ?? '', swaps };
    },
  );

  app.post(
    '/interchange/what-else',
    {
      schema: {
        summary: 'What else of a kind takes a part, or goes where it is; out of the whole catalogue and the shelf',
        tags: ['swap'],
        body: { ...WhatElseRequestSchema, examples: [WHAT_ELSE_EXAMPLE] },
        response: {
          200: Type.Object({
            counts: Counts,
            best: Type.Array(
              Type.Object({
                pattern: Type.Optional(Type.String({ description: 'The pattern; of a specimen, the one it is taken for, where that is at least probable' })),
                specimenId: Type.Optional(Type.String({ description: 'Where it lies on the shelf' })),
                name: Type.String(),
                verdict: Verdict,
                says: Type.String(),
                hours: Type.Number(),
                price: Type.Number(),
                partPrice: Type.Optional(Type.Number()),
              }),
              { description: 'By verdict, then by what the work costs, then by what the part is sold for; what does not fit is counted only' },
            ),
          }),
        },
      },
    },
    async (request) => {
      const { kind, side, most = 50, units = 'metric' } = request.body;
      const { snapshot, setting, circumstances } = await standing();
      const ref = await refOf(snapshot, request.body.part, 'body.part');
      const [first] = asked('body.part', () => partyOf(snapshot, ref, circumstances.drawer)).parts;
      if (!first) throw new DataError('There is no part to ask about.', [{ where: 'body.part', what: 'name a pattern or a specimen.' }]);
      const lying = (request.body.shelf ?? true) ? await specimens.ofKind(kind) : [];
      const shelf = lying.filter(({ id }) => !('specimen' in ref) || id !== ref.specimen.id);
      const onShelf = shelf.map((specimen) => partFromShelf(snapshot, specimen, takenFor(snapshot.index(kind), specimen, circumstances), circumstances.drawer));
      const many = [...onShelf, ...partsOf(snapshot, kind).filter(({ pattern }) => !('pattern' in ref) || pattern !== ref.pattern)];
      const { best, counts } = asked('body.kind', () => new WhatElse(first.part.kind, many, side, setting)).ask(first.part, most);
      return {
        counts,
        best: best.map(({ at, swap: judged }) => ({
          ...(many[at]?.pattern === undefined ? {} : { pattern: many[at].pattern }),
          ...(shelf[at] ? { specimenId: shelf[at].id } : {}),
          name: many[at]?.label ?? '',
          verdict: judged.verdict,
          says: say(judged.says, units),
          hours: judged.hours,
          price: judged.price,
          ...(many[at]?.price === undefined ? {} : { partPrice: many[at].price }),
        })),
      };
    },
  );

  const gridOf = async ({ donors, recipients }: GridRequest): Promise<Grid> => {
    const { snapshot, setting } = await standing();
    const chosen = ({ kind, patterns }: GridRequest['donors'], where: string): readonly Part[] => {
      const all = partsOf(snapshot, kind, patterns ? new Set(patterns) : undefined);
      const known = new Set(all.map(({ pattern }) => pattern));
      const unknown = patterns?.find((id) => !known.has(id));
      if (unknown !== undefined) throw new NotFoundError(`${where}.patterns: there is no ${kind} "${unknown}" in the catalogue.`);
      if (all.length === 0) throw new DataError('The grid would be empty.', [{ where: `${where}.kind`, what: `the catalogue has no ${kind}.` }]);
      if (all.length > MOST_A_SIDE)
        throw new DataError('The grid is too large.', [{ where, what: `choose at most ${MOST_A_SIDE} patterns; these are ${all.length}.` }]);
      return all;
    };
    const [mine, theirs] = [chosen(donors, 'body.donors'), chosen(recipients, 'body.recipients')];
    return asked('body', () => new Grid(mine, theirs, setting));
  };

  const schemaOf = (summary: string, response: object) => ({
    summary,
    tags: ['swap'],
    body: { ...GridRequestSchema, examples: [GRID_EXAMPLE] },
    response: { 200: response },
  });

  app.post(
    '/interchange/grid',
    {
      schema: schemaOf(
        'Many against many: a verdict for every pair, and for every joint of it',
        Type.Object({
          donors: Type.Array(Type.String()),
          recipients: Type.Array(Type.String()),
          joints: Type.Array(Type.Object({ id: Type.String(), name: Type.String() })),
          verdicts: Type.Array(Type.String(), { description: 'A donor a line, a recipient a character: f fits, w with work, ? cannot tell, x does not' }),
          refusedBy: Type.Array(Type.Array(Type.Array(Type.Integer())), { description: 'For every pair, the places in joints of those that refuse' }),
        }),
      ),
    },
    async (request) => {
      const grid = await gridOf(request.body);
      const verdicts: string[] = [];
      const refusedBy: number[][][] = [];
      for await (const row of rowsOf(grid, request)) {
        verdicts.push(Array.from(row, (cell) => LETTERS[verdictOf(cell)]).join(''));
        refusedBy.push(Array.from(row, (cell) => [...grid.joints.keys()].filter((at) => verdictOfJoint(cell, at) === 'doesNotFit')));
      }
      return {
        donors: grid.donors.map(({ pattern }) => pattern ?? ''),
        recipients: grid.recipients.map(({ pattern }) => pattern ?? ''),
        joints: grid.joints.map(({ id, name }) => ({ id, name })),
        verdicts,
        refusedBy,
      };
    },
  );

  for (const [ending, type, write] of [
    ['csv', 'text/csv; charset=utf-8', (rows: AsyncIterable<readonly string[]>) => csvOf(rows)],
    [
      'xlsx',
      'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
      (rows: AsyncIterable<readonly string[]>) => workbookOf([{ name: 'Grid', rows }]),
    ],
  ] as const)
    app.post(
      `/interchange/grid.${ending}`,
      { schema: schemaOf(`The grid as ${ending.toUpperCase()}, a donor a row`, { description: ending.toUpperCase(), type: 'string', examples: ['a file'] }) },
      async (request, reply) =>
        reply
          .header('content-type', type)
          .header('content-disposition', `attachment; filename="grid.${ending}"`)
          .send(write(tableOf(await gridOf(request.body), request))),
    );
};

const MOST_A_SIDE = 1000;

const LETTERS = { fits: 'f', fitsWithWork: 'w', cannotTell: '?', doesNotFit: 'x' } as const;

const partsOf = (snapshot: CatalogueSnapshot, kind: KindId, only?: ReadonlySet<string>): readonly Part[] =>
  snapshot
    .ofKind(kind)
    .filter(({ id }) => only?.has(id) ?? true)
    .map((pattern) => partFromPattern(pattern, snapshot.label(pattern.id)));

/** The rows of a grid, a few at a time so that others are served meanwhile; ended when the one who asked is gone. */
async function* rowsOf(grid: Grid, request: FastifyRequest): AsyncGenerator<Uint32Array> {
  for (let donor = 0; donor < grid.donors.length; donor++) {
    if (donor % ROWS_AT_ONCE === 0) await setImmediate();
    if (request.raw.socket.destroyed) return;
    yield grid.row(donor);
  }
}

async function* tableOf(grid: Grid, request: FastifyRequest): AsyncGenerator<readonly string[]> {
  yield ['', ...grid.recipients.map(({ label }) => disarmed(label))];
  let donor = 0;
  for await (const row of rowsOf(grid, request))
    yield [disarmed(grid.donors[donor++]?.label ?? ''), ...Array.from(row, (cell) => VERDICT_WORDS[verdictOf(cell)])];
}
