import { MOST_LISTED, writeAddress, type JudgementTold, type Requests, type TakingTold } from '../../contract/index.js';
import type { Part } from '../../catalogue/part.js';
import { DataError } from '../../formats/index.js';
import {
  bestFirst,
  judgeSwap,
  NoJointError,
  partFromShelf,
  placedPartsOf,
  ratingOf,
  recipientsFor,
  refuses,
  swap,
  WhatElse,
  type Judgement,
  type PartOrEngine,
  type Swap,
  type Taker,
  type Takers,
} from '../../interchange/index.js';
import { VERDICTS, type Verdict } from '../../joints/index.js';
import { resolveRef, resolveRefs, placed } from '../resolveRefs.js';
import type { KeptCatalogue } from '../keptCatalogue.js';
import type { Answering } from './answering.js';

const addressOf = (ref: PartOrEngine): string =>
  'pattern' in ref
    ? writeAddress({ sort: 'pattern', id: ref.pattern })
    : 'specimen' in ref
      ? writeAddress({ sort: 'specimen', id: ref.specimen.id })
      : 'built' in ref
        ? writeAddress({ sort: 'build', id: ref.built.id })
        : 'bench' in ref
          ? writeAddress({ sort: 'job', id: ref.job ?? '' })
          : writeAddress({ sort: 'variant', id: ref.variant });

const judgementTold = ({
  swap: { machined: _machined, ...judged },
  instead,
  known,
  superseded,
  reverse,
}: Judgement): JudgementTold => ({
  ...judged,
  instead,
  known,
  superseded,
  ...(reverse
    ? {
        reverse: {
          donor: reverse.swap.donor,
          recipient: reverse.swap.recipient,
          verdict: reverse.swap.verdict,
          says: reverse.swap.says,
          donors: reverse.donors.map(addressOf),
          into: addressOf(reverse.recipient),
        },
      }
    : {}),
});

export const interchange: Answering<'interchange'> = (workshop, { donors, recipients }) => {
  const { catalogue, swapContext, identifyOptions } = workshop;
  const coming = resolveRefs(workshop, donors, 'body.donors');
  const swaps = recipients.map((ref, at) => {
    const where = `body.recipients[${at}]`;
    const into = resolveRef(workshop, ref, where);
    return judgementTold(placed(where, () => judgeSwap(catalogue, coming, into, swapContext, identifyOptions.drawer)));
  });
  return { donor: swaps[0]?.donor ?? '', swaps };
};

const noCounts = (): Record<Verdict, number> => ({ fits: 0, fitsWithWork: 0, cannotTell: 0, doesNotFit: 0 });

/** What is told of each in a list. */
type Told = 'verdict' | 'says' | 'agree' | 'byWork' | 'standing' | 'checks' | 'nothingAgainst' | 'hours' | 'price';

/** What is refused is not looked at further. */
const REFUSED: Pick<Swap, Told> = {
  verdict: 'doesNotFit',
  says: [],
  agree: 0,
  byWork: 0,
  standing: 0,
  checks: 0,
  nothingAgainst: false,
  hours: 0,
  price: 0,
};

/** One of the many in a list. */
interface Listed {
  readonly part: Part;
  readonly swap: Swap;
  readonly specimenId?: string;
}

/**
 * The catalogue is sorted once and asked again and again; the shelf, which is another with every request, is small and
 * asked beside it.
 */
function askAll(
  workshop: KeptCatalogue,
  request: Requests['whatElse'],
  part: Part,
  self: string | undefined,
  most: number,
) {
  const { kind, side } = request;
  const { catalogue, identifyOptions, swapContext } = workshop;
  const shelf =
    typeof request.shelf === 'object' ? request.shelf.filter(({ id }) => id !== request.part.specimen?.id) : [];
  const onShelf = shelf.map((specimen) =>
    partFromShelf(catalogue, specimen, workshop.takenFor(specimen), identifyOptions.drawer),
  );
  const patterns = workshop.partsOf(kind);
  const except = self === undefined ? -1 : patterns.findIndex(({ pattern }) => pattern === self);
  const none: Takers = { best: [], counts: noCounts(), refused: [] };
  const fromCatalogue = patterns.length === 0 ? none : workshop.whatElse(part.kind, kind, side).ask(part, most, except);
  const fromShelf = onShelf.length === 0 ? none : new WhatElse(part.kind, onShelf, side, swapContext).ask(part, most);
  const listed =
    (many: readonly Part[], specimens: boolean) =>
    (taker: Taker): readonly Listed[] => {
      const [mine, id] = [many[taker.at], shelf[taker.at]?.id];
      return mine
        ? [{ part: mine, swap: taker.swap, ...(specimens && id !== undefined ? { specimenId: id } : {}) }]
        : [];
    };
  const best = [
    ...fromShelf.best.flatMap(listed(onShelf, true)),
    ...fromCatalogue.best.flatMap(listed(patterns, false)),
  ]
    .sort((a, b) => bestFirst({ ...a.swap, partPrice: a.part.price }, { ...b.swap, partPrice: b.part.price }))
    .slice(0, most);
  const counts = noCounts();
  for (const verdict of VERDICTS) counts[verdict] = fromCatalogue.counts[verdict] + fromShelf.counts[verdict];
  const refused = [
    ...fromShelf.refused.flatMap((at) => (onShelf[at] ? [{ part: onShelf[at], specimenId: shelf[at]?.id }] : [])),
    ...fromCatalogue.refused.flatMap((at) => (patterns[at] ? [{ part: patterns[at], specimenId: undefined }] : [])),
  ];
  return { best, counts, refused };
}

function takingTold(
  workshop: KeptCatalogue,
  part: Part,
  judged: Pick<Swap, Told>,
  specimenId: string | undefined,
): TakingTold {
  const { catalogue } = workshop;
  const pattern = catalogue.pattern(part.pattern);
  return {
    ref:
      specimenId === undefined
        ? writeAddress({ sort: 'pattern', id: part.pattern ?? '' })
        : writeAddress({ sort: 'specimen', id: specimenId }),
    ...(part.pattern === undefined ? {} : { pattern: part.pattern }),
    ...(specimenId === undefined ? {} : { specimenId }),
    name: part.label,
    short: specimenId === undefined ? (pattern?.name ?? part.label) : part.label,
    family:
      specimenId === undefined
        ? pattern?.family === undefined
          ? ''
          : catalogue.familyLabel(pattern.family)
        : 'On the shelf',
    verdict: judged.verdict,
    says: judged.says,
    agree: judged.agree,
    byWork: judged.byWork,
    standing: judged.standing,
    checks: judged.checks,
    nothingAgainst: judged.nothingAgainst,
    hours: judged.hours,
    price: judged.price,
    ...(part.price === undefined ? {} : { partPrice: part.price }),
  };
}

export const whatElse: Answering<'whatElse'> = (workshop, request) => {
  const { kind, side, most = 50 } = request;
  const asked = resolveRef(workshop, request.part, 'body.part');
  const [first] = placed('body.part', () =>
    placedPartsOf(workshop.catalogue, asked, workshop.identifyOptions.drawer),
  ).parts;
  if (!first)
    throw new DataError('There is no part to ask about.', [
      { where: 'body.part', what: 'name a pattern or a specimen.' },
    ]);
  const { part } = first;
  const meet = side === 'recipient' ? recipientsFor(part.kind).includes(kind) : recipientsFor(kind).includes(part.kind);
  if (!meet)
    placed('body.kind', () => {
      throw new NoJointError(side === 'recipient' ? part.kind : kind, side === 'recipient' ? kind : part.kind);
    });
  const { best, counts, refused } = askAll(
    workshop,
    request,
    part,
    'pattern' in asked ? asked.pattern : undefined,
    most,
  );
  const told = best.map((each) => takingTold(workshop, each.part, each.swap, each.specimenId));
  const room = request.refused ? Math.max(0, most - told.length) : 0;
  const out = REFUSED;
  return {
    counts,
    best: [...told, ...refused.slice(0, room).map((each) => takingTold(workshop, each.part, out, each.specimenId))],
  };
};

export const engines: Answering<'engines'> = (workshop, request) => {
  const { catalogue, swapContext, identifyOptions } = workshop;
  const coming = resolveRefs(workshop, request.donors, 'body.donors').map((ref) =>
    placed('body.donors', () => placedPartsOf(catalogue, ref, identifyOptions.drawer)),
  );
  const donors = coming.flatMap(({ parts }) => parts);
  const most = request.most ?? MOST_LISTED;
  const counts = noCounts();
  const goes: { readonly variant: string; readonly judged: Swap }[] = [];
  const refused: string[] = [];
  for (const variant of catalogue.catalogue.variants) {
    const { id } = variant;
    const recipients = workshop.partsOfVariant(id);
    const context = { ...swapContext, rated: ratingOf(catalogue, variant) };
    const refusal = refuses(donors, recipients, context);
    if (refusal === undefined) continue;
    if (refusal) {
      counts.doesNotFit++;
      if (refused.length < most) refused.push(id);
      continue;
    }
    const judged = swap(donors, recipients, context);
    counts[judged.verdict]++;
    goes.push({ variant: id, judged });
  }
  const told = (variant: string, judged: Pick<Swap, Told>): TakingTold => ({
    ref: writeAddress({ sort: 'variant', id: variant }),
    name: catalogue.variantLabel(variant),
    short: catalogue.variant(variant)?.code ?? variant,
    family: catalogue.familyLabel(catalogue.variant(variant)?.family ?? ''),
    verdict: judged.verdict,
    says: judged.says,
    agree: judged.agree,
    byWork: judged.byWork,
    standing: judged.standing,
    checks: judged.checks,
    nothingAgainst: judged.nothingAgainst,
    hours: judged.hours,
    price: judged.price,
  });
  const out = REFUSED;
  return {
    counts,
    best: [...goes.map(({ variant, judged }) => told(variant, judged)), ...refused.map((variant) => told(variant, out))]
      .sort((a, b) => bestFirst(a, b) || (a.short < b.short ? -1 : a.short > b.short ? 1 : 0))
      .slice(0, most),
  };
};
