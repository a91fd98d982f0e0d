import type { Part } from '../catalogue/part.js';
import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { mainShell } from '../dictionary/kinds/mainShell.js';
import { apart, interval, margin, middle, minus, scaled, shifted, type Interval } from '../quantity/interval.js';
import { valueOf, type Assembly } from './check.js';

/** A shell of the catalogue at one of its sizes, and the clearance it would give. */
export interface ShellChoice {
  readonly shell: Part;
  /** Undersize of the journal it is made for: 0 standard, 1 first undersize. */
  readonly step: number;
  readonly wall: Interval;
  readonly clearance: Interval;
}

/** The required clearance, and by what rule when the block does not specify one. */
export interface RequiredClearance {
  readonly band: Interval;
  readonly ruleOfThumb?: string;
}

/**
 * The clearance the block asks for; failing that, 0.0007 to 0.0012 mm a millimetre of journal.
 * *Common practice, no source*: "a thousandth an inch".
 */
export function requiredClearance(assembly: Assembly, journal: Interval): RequiredClearance {
  const specified = valueOf(assembly, block.parameters['main.oilClearance']);
  if (specified) return { band: specified.interval };
  const size = middle(journal);
  return {
    band: interval(0.0007 * size, 0.0012 * size),
    ruleOfThumb: 'Rule of thumb, the block specifies none: about a thousandth of the journal. Common practice.',
  };
}

/** Diametral clearance: what the housing leaves when both halves of the shell and the journal are in it. */
export const oilClearance = (housing: Interval, wall: Interval, journal: Interval): Interval => minus(minus(housing, scaled(wall, 2)), journal);

/** The bearing shells on hand at each of their sizes, without regard to any housing. */
export function shellSizes(assembly: Assembly): { readonly shell: Part; readonly step: number; readonly wall: Interval; readonly housing: Interval }[] {
  return assembly.available
    .filter((part) => part.kind === 'mainShell' && part.looks[mainShell.features.form.id]?.option !== 'spacer')
    .flatMap((shell) => {
      const wall = shell.values[mainShell.parameters.wall.id]?.interval;
      const housing = shell.values[mainShell.parameters['housing.diameter'].id]?.interval;
      if (!wall || !housing) return [];
      const steps = [0, ...(shell.service[mainShell.parameters.wall.id] ?? [])];
      return steps.map((shift, step) => ({ shell, step, wall: shifted(wall, shift), housing }));
    });
}

/** The shells made for this block's housing, with the clearance each gives on this crank; the best first. */
export function shellChoices(assembly: Assembly, required: Interval): ShellChoice[] {
  const housing = valueOf(assembly, block.parameters['mainHousing.diameter'])?.interval;
  const journal = valueOf(assembly, crank.parameters['mainJournal.diameter'])?.interval;
  if (!housing || !journal) return [];
  return shellSizes(assembly)
    .filter((each) => !apart(each.housing, housing))
    .map(({ shell, step, wall }) => ({ shell, step, wall, clearance: oilClearance(housing, wall, journal) }))
    .sort((a, b) => margin(b.clearance, required) - margin(a.clearance, required) || a.step - b.step);
}

/** The shell that the main bearings of this assembly would be given, if any is made for the housing. */
export function chosenShell(assembly: Assembly): ShellChoice | undefined {
  const journal = valueOf(assembly, crank.parameters['mainJournal.diameter'])?.interval;
  return journal && shellChoices(assembly, requiredClearance(assembly, journal).band)[0];
}

const UNDERSIZES = ['standard', 'first undersize', 'second undersize', 'third undersize', 'fourth undersize'];

/** How a shell at a size is called. */
export const sayShell = (choice: { readonly shell: Part; readonly step: number }): string =>
  `${choice.shell.label} (${UNDERSIZES[choice.step] ?? `undersize ${choice.step}`})`;

/** Whether this part is known to be a spacer shell. */
export const isSpacer = (part: Part): boolean => part.kind === 'mainShell' && part.looks[mainShell.features.form.id]?.option === 'spacer';

/** Whether block and crank are both at hand with the sizes a main bearing stands on; the ids that are not. */
export function unknownOfMains(assembly: Assembly): { readonly id: string; readonly name: string }[] {
  const wanted = [block.parameters['mainHousing.diameter'], crank.parameters['mainJournal.diameter']];
  return wanted.filter((parameter) => !valueOf(assembly, parameter));
}
