import type { Part } from '../../catalogue/part.js';
import { MOST_A_SIDE, type GridRequest, type OnSide } from '../../contract/index.js';
import { DataError } from '../../formats/index.js';
import {
  Grid,
  groupsOf,
  isNothingAgainst,
  openGroupsOf,
  orderOf,
  verdictOf,
  verdictOfJoint,
} from '../../interchange/index.js';
import { placed } from '../resolveRefs.js';
import { UnknownRecordError } from '../refusal.js';
import type { KeptCatalogue, OpenGrid } from '../keptCatalogue.js';
import type { Answering } from './answering.js';

const LETTERS = { fits: 'f', fitsWithWork: 'w', cannotTell: '?', doesNotFit: 'x' } as const;
const letterOf = (cell: number): string => (isNothingAgainst(cell) ? 'o' : LETTERS[verdictOf(cell)]);

/** So many pairs are worked out in one turn, then who asked gets them, may show them, and may stop. */
const PAIRS_A_TURN = 16_000;

function chosen(
  workshop: KeptCatalogue,
  { kind, patterns }: GridRequest['donors'],
  first: boolean,
  where: string,
): readonly Part[] {
  const all = workshop.partsOf(kind);
  const wanted = patterns && new Set(patterns);
  const some = wanted ? all.filter(({ pattern }) => pattern !== undefined && wanted.has(pattern)) : all;
  const known = new Set(some.map(({ pattern }) => pattern));
  const unknown = patterns?.find((id) => !known.has(id));
  if (unknown !== undefined)
    throw new UnknownRecordError(`${where}.patterns: there is no ${kind} "${unknown}" in the catalogue.`);
  if (some.length === 0)
    throw new DataError('The grid would be empty.', [
      { where: `${where}.kind`, what: `the catalogue has no ${kind}.` },
    ]);
  if (some.length > MOST_A_SIDE && !first)
    throw new DataError('The grid is too large.', [
      { where, what: `choose at most ${MOST_A_SIDE} patterns; these are ${some.length}.` },
    ]);
  return some.slice(0, MOST_A_SIDE);
}

/** The grid that is asked about, as far as it was worked out before. */
export function opened(workshop: KeptCatalogue, request: GridRequest): OpenGrid {
  const { donors, recipients, first = false } = request;
  return workshop.openGrid(request, () =>
    placed(
      'body',
      () =>
        new Grid(
          chosen(workshop, donors, first, 'body.donors'),
          chosen(workshop, recipients, first, 'body.recipients'),
          workshop.swapContext,
        ),
    ),
  );
}

/** A line of a grid, worked out once. */
export function rowAt({ grid: laid, rows }: OpenGrid, at: number): Uint32Array {
  return (rows[at] ??= laid.row(at));
}

const whole = (open: OpenGrid): readonly Uint32Array[] => Array.from(open.grid.donors.keys(), (at) => rowAt(open, at));

const jointsOf = ({ grid: { joints } }: OpenGrid) => joints.map(({ id, name }) => ({ id, name }));
const ids = (parts: readonly Part[]): readonly string[] => parts.map(({ pattern = '' }) => pattern);

export const grid: Answering<'grid'> = (workshop, request) => {
  const open = opened(workshop, request);
  const rows = whole(open);
  return {
    donors: ids(open.grid.donors),
    recipients: ids(open.grid.recipients),
    joints: jointsOf(open),
    verdicts: rows.map((row) => Array.from(row, letterOf).join('')),
    refusedBy: rows.map((row) =>
      Array.from(row, (cell) => [...open.grid.joints.keys()].filter((at) => verdictOfJoint(cell, at) === 'doesNotFit')),
    ),
  };
};

export const gridSides: Answering<'gridSides'> = (workshop, request) => {
  const open = opened(workshop, request);
  const { catalogue } = workshop;
  const onSide = ({ pattern = '', label }: Part): OnSide => ({
    id: pattern,
    name: label,
    short: [catalogue.family(catalogue.pattern(pattern)?.family)?.name, catalogue.pattern(pattern)?.name]
      .filter(Boolean)
      .join(', '),
  });
  const all = ({ kind, patterns }: GridRequest['donors']) => patterns?.length ?? catalogue.ofKind(kind).length;
  return {
    donors: open.grid.donors.map(onSide),
    recipients: open.grid.recipients.map(onSide),
    joints: jointsOf(open),
    all: { donors: all(request.donors), recipients: all(request.recipients) },
  };
};

export const gridRows: Answering<'gridRows'> = (workshop, request) => {
  const open = opened(workshop, request);
  const until = Math.min(
    open.grid.donors.length,
    request.from + Math.max(1, Math.floor(PAIRS_A_TURN / open.grid.recipients.length)),
  );
  const rows: (readonly number[])[] = [];
  for (let at = request.from; at < until; at++) rows.push(Array.from(rowAt(open, at)));
  return { rows };
};

export const gridOrder: Answering<'gridOrder'> = (workshop, request) => {
  const open = opened(workshop, request);
  return orderOf(whole(open), open.grid.recipients.length);
};

export const gridGroups: Answering<'gridGroups'> = (workshop, request) => {
  const rows = whole(opened(workshop, request));
  return { groups: groupsOf(rows, request.into), open: openGroupsOf(rows, request.into) };
};
