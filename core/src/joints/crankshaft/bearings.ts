import { bisector } from 'd3-array';
import type { Part, Value } from '../../catalogue/part.js';
import type { Parameter } from '../../dictionary/definition.js';
import { mainShell } from '../../dictionary/kinds/mainShell.js';
import { rodShell } from '../../dictionary/kinds/rodShell.js';
import {
  apart,
  margin,
  middle,
  minus,
  SAME_WITHIN,
  scaled,
  shifted,
  width,
  type Interval,
} from '../../quantity/interval.js';
import { bearings } from '../../thumb/index.js';
import { valueOf, type Assembly } from '../assembly.js';
import { specified, type Requirement } from '../shapes/within.js';

/** A plain bearing: a housing that splits, two shells and a journal. */
export interface PlainBearing {
  readonly housing: Parameter;
  readonly journal: Parameter;
  /** The clearance the maker asks for. */
  readonly clearance: Parameter;
  readonly shell: 'mainShell' | 'rodShell';
  /** Whether a shell may be used here, whatever its sizes. */
  readonly suits: (shell: Part, assembly: Assembly) => boolean;
}

/** The sizes that shells are chosen by. */
export const SHELL_SIZES = {
  mainShell: { wall: mainShell.parameters.wall, housing: mainShell.parameters['housing.diameter'] },
  rodShell: { wall: rodShell.parameters.wall, housing: rodShell.parameters['housing.diameter'] },
} as const;

/** A shell of the stock at one of its sizes. */
export interface ShellSize {
  readonly shell: Part;
  /** Undersize of the journal it is made for: 0 standard, 1 first undersize. */
  readonly step: number;
  readonly wall: Interval;
  readonly housing: Interval;
}

/** Shells for one bearing, and the clearance they leave there. */
export interface ShellChoice {
  /** One, or several between which each position is served by its class or its measurement. */
  readonly shells: readonly ShellSize[];
  /** Where class marks tell of each position: its shell, in their order. */
  readonly positions?: readonly ShellSize[];
  readonly clearance: Interval;
}

/** Diametral clearance: what the housing leaves when both halves of the shell and the journal are in it. */
export const oilClearance = (housing: Interval, wall: Interval, journal: Interval): Interval =>
  minus(minus(housing, scaled(wall, 2)), journal);

/** The clearance that is specified; failing that, what the school of the house rules takes of the journal. */
export const requiredClearance = (bearing: PlainBearing, assembly: Assembly, journal: Interval): Requirement =>
  specified(assembly, bearing.clearance, bearings[assembly.rules.clearance ?? 'thousandth'], journal);

/** The shells of a list at each of their sizes, ordered so that those for a housing or a journal are found at once. */
interface ShellList {
  /** By the middle of the housing they are made for. */
  readonly byHousing: readonly ShellSize[];
  /** Half the widest housing of them. */
  readonly widest: number;
  /** By the middle of the journal that would fill them. */
  readonly byJournal: readonly ShellSize[];
}

const lists = new WeakMap<readonly Part[], ShellList>();

const housingOf = ({ housing }: ShellSize): number => middle(housing);

const filledBy = ({ housing, wall }: ShellSize): number => middle(housing) - 2 * middle(wall);

/** A shell in the size it is in, and by how much more its maker has it; undefined where wall or housing are unknown. */
export function shellAsItIs(shell: Part): (ShellSize & { readonly steps: readonly number[] }) | undefined {
  if (isSpacer(shell) || (shell.kind !== 'mainShell' && shell.kind !== 'rodShell')) return undefined;
  const at = SHELL_SIZES[shell.kind];
  const [wall, housing] = [shell.values[at.wall.id]?.interval, shell.values[at.housing.id]?.interval];
  return wall && housing && { shell, step: 0, wall, housing, steps: shell.service[at.wall.id] ?? [] };
}

/** The list made of shells, once for each list of parts. */
function listOf(shells: readonly Part[]): ShellList {
  const known = lists.get(shells);
  if (known) return known;
  const all = shells.flatMap((shell): readonly ShellSize[] => {
    const asItIs = shellAsItIs(shell);
    return asItIs
      ? [0, ...asItIs.steps].map((shift, step) => ({ ...asItIs, step, wall: shifted(asItIs.wall, shift) }))
      : [];
  });
  const by = (key: (size: ShellSize) => number) => [...all].sort((a, b) => key(a) - key(b));
  const list = {
    byHousing: by(housingOf),
    widest: Math.max(0, ...all.map(({ housing }) => width(housing) / 2)),
    byJournal: by(filledBy),
  };
  lists.set(shells, list);
  return list;
}

/** Those of an ordered list whose key lies between two figures. */
function between(
  ordered: readonly ShellSize[],
  key: (size: ShellSize) => number,
  low: number,
  high: number,
): readonly ShellSize[] {
  const by = bisector(key);
  return ordered.slice(by.left(ordered, low), by.right(ordered, high));
}

const NONE: readonly Part[] = [];

/** The shells there are for a bearing: those in the assembly, or else those of the stock. */
const shellsOf = (bearing: PlainBearing, assembly: Assembly): ShellList => {
  const own = assembly.parts[bearing.shell];
  return listOf(own ? alone(own) : (assembly.stock[bearing.shell] ?? NONE));
};

const single = new WeakMap<Part, readonly Part[]>();

/** A list of one part, the same each time, so that what is kept of it is found again. */
function alone(part: Part): readonly Part[] {
  const list = single.get(part) ?? [part];
  single.set(part, list);
  return list;
}

/** The shells that are made for a housing, and suit the bearing. */
export function shellsForHousing(bearing: PlainBearing, assembly: Assembly, housing: Interval): readonly ShellSize[] {
  const { byHousing, widest } = shellsOf(bearing, assembly);
  return between(byHousing, housingOf, housing.low - widest - SAME_WITHIN, housing.high + widest + SAME_WITHIN).filter(
    (each) => !apart(each.housing, housing) && bearing.suits(each.shell, assembly),
  );
}

/** The shells in which a journal would run with a clearance about as required, whatever their housing. */
export function shellsForJournal(
  bearing: PlainBearing,
  assembly: Assembly,
  journal: Interval,
  required: Interval,
): readonly ShellSize[] {
  const size = middle(journal);
  return between(shellsOf(bearing, assembly).byJournal, filledBy, size + required.low, size + required.high).filter(
    ({ shell }) => bearing.suits(shell, assembly),
  );
}

/**
 * Shells made for this housing, with the clearance they give; the best first, and a graded set where one shell cannot
 * serve all.
 */
export function shellChoices(bearing: PlainBearing, assembly: Assembly, required: Interval): readonly ShellChoice[] {
  const [housing, journal] = [bearing.housing, bearing.journal].map((each) => valueOf(assembly, each)?.interval);
  if (!housing || !journal) return [];
  const suitable = shellsForHousing(bearing, assembly, housing);
  const choices = suitable.map((each): ShellChoice => ({
    shells: [each],
    clearance: oilClearance(housing, each.wall, journal),
  }));
  choices.sort(
    (a, b) =>
      margin(b.clearance, required) - margin(a.clearance, required) ||
      (a.shells[0]?.step ?? 0) - (b.shells[0]?.step ?? 0),
  );
  const best = choices[0];
  const byMark = classedSet(bearing, assembly, suitable, required);
  if (byMark) return [byMark, ...choices];
  if (!best || margin(best.clearance, required) >= 0) return choices;
  const graded = gradedSet(
    suitable.filter((each) => each.step === best.shells[0]?.step),
    minus(housing, journal),
    required,
  );
  return graded ? [graded, ...choices] : choices;
}

/** What each position of a size may be, where class marks tell; nothing where something else made it less sure. */
const positionsOf = (value: Value | undefined): readonly Interval[] | undefined => {
  const positions = value?.positions;
  if (!value || !positions) return undefined;
  return value.interval.low >= Math.min(...positions.map(({ low }) => low)) &&
    value.interval.high <= Math.max(...positions.map(({ high }) => high))
    ? positions
    : undefined;
};

/**
 * A shell for each position by the class marks of its journal, its housing, or both. Nothing when one of them goes
 * without.
 */
function classedSet(
  bearing: PlainBearing,
  assembly: Assembly,
  shells: readonly ShellSize[],
  required: Interval,
): ShellChoice | undefined {
  const [housing, journal] = [bearing.housing, bearing.journal].map((each) => valueOf(assembly, each));
  const [holes, shafts] = [positionsOf(housing), positionsOf(journal)];
  if (!housing || !journal || (!holes && !shafts) || (holes && shafts && holes.length !== shafts.length))
    return undefined;
  const chosen: (readonly [ShellSize, Interval])[] = [];
  for (let at = 0; at < (holes ?? shafts ?? []).length; at++) {
    const fitting = shells.map(
      (each) =>
        [each, oilClearance(holes?.[at] ?? housing.interval, each.wall, shafts?.[at] ?? journal.interval)] as const,
    );
    const [first] = fitting.sort(([, a], [, b]) => margin(b, required) - margin(a, required));
    if (!first || margin(first[1], required) < 0) return undefined;
    chosen.push(first);
  }
  return {
    shells: [...new Set(chosen.map(([shell]) => shell))],
    positions: chosen.map(([shell]) => shell),
    clearance: {
      low: Math.min(...chosen.map(([, { low }]) => low)),
      high: Math.max(...chosen.map(([, { high }]) => high)),
    },
  };
}

/**
 * Shells of several classes that between them serve every pair of housing and journal within their limits: for each
 * there is one whose clearance is right. Nothing when some pair would go without.
 *
 * @param room what the housing leaves over the journal
 */
function gradedSet(shells: readonly ShellSize[], room: Interval, required: Interval): ShellChoice | undefined {
  const serving = shells
    .map((each) => ({ each, from: required.low + 2 * each.wall.high, to: required.high + 2 * each.wall.low }))
    .filter(({ from, to }) => from <= to && from <= room.high && to >= room.low)
    .sort((a, b) => a.from - b.from);
  let served = room.low;
  const used: ShellSize[] = [];
  for (const { each, from, to } of serving) {
    if (from > served) return undefined;
    if (to <= served && used.length > 0) continue;
    used.push(each);
    served = to;
    if (served >= room.high) return used.length > 1 ? { shells: used, clearance: required } : undefined;
  }
  return undefined;
}

const UNDERSIZES = ['standard', 'first undersize', 'second undersize', 'third undersize', 'fourth undersize'];

/** How a shell at a size is called. */
export const sayShell = (choice: { readonly shell: Part; readonly step: number }): string =>
  `${choice.shell.label} (${UNDERSIZES[choice.step] ?? `undersize ${choice.step}`})`;

/** How the shells of a choice are called. */
export const sayShells = ({ shells }: ShellChoice): string => shells.map(sayShell).join(', ');

/** Whether this part is known to be a spacer shell. */
export const isSpacer = (part: Part): boolean =>
  part.kind === 'mainShell' && part.looks[mainShell.features.form.id]?.option === 'spacer';
