import type { Parameter } from '../../dictionary/definition.js';
import { parameterOf } from '../../dictionary/dictionary.js';
import { estimate, type Estimate } from '../../quantity/instrument.js';
import { systemOf, toInside, type UnitId, type UnitSystem } from '../../quantity/unit.js';
import { sizesOfPart } from '../../readings/measured.js';
import type { Understood } from '../../readings/reading.js';
import type { Tool, ToolDrawer } from '../../shop/ownInstrument.js';
import type { SizeEvidence, StepEvidence } from '../evidence.js';
import { steppedWith, tiedTo } from '../tiedSizes.js';
import { inOrderOf } from './inOrder.js';

/** A size that others are told beside comes before them. */
const besideLast = (parameter: string): string => (tiedTo(parameter) ? `1 ${parameter}` : `0 ${parameter}`);

const stepsSaid = (readings: readonly Understood[]) =>
  inOrderOf(
    readings.flatMap((reading) => (reading.sort === 'step' ? [reading] : [])),
    ({ parameter, offset, unit, text }) => `${besideLast(parameter)} ${offset} ${unit} ${text}`,
  );

/** What is said of service steps, in the order of the parameters, each beside the one it is tied to. */
export function* stepEvidence(readings: readonly Understood[]): Generator<readonly [key: string, StepEvidence]> {
  const said = new Map<string, StepEvidence>();
  for (const reading of stepsSaid(readings)) {
    const offset = toInside(reading.offset, reading.unit);
    const tie = tiedTo(reading.parameter);
    const given = tie && said.get(tie.other);
    const step: StepEvidence = {
      sort: 'step',
      text: reading.text,
      parameter: parameterOf(reading.parameter),
      offset,
      ...(given ? { given } : {}),
    };
    if (!said.has(reading.parameter)) said.set(reading.parameter, step);
    yield [`3 step ${reading.parameter} ${offset.toFixed(5)} ${given?.offset.toFixed(5) ?? ''}`, step];
  }
}

/** Measured sizes, each beside the one it is tied to and the service step said of it or of that one. */
export function* sizeEvidence(
  readings: readonly Understood[],
  drawer: ToolDrawer,
): Generator<readonly [key: string, SizeEvidence]> {
  const steps = new Map<string, number>();
  for (const { parameter, offset, unit } of stepsSaid(readings))
    for (const size of [parameter, ...steppedWith(parameter)])
      if (size === parameter || !steps.has(size)) steps.set(size, toInside(offset, unit));
  const first = new Map<string, { readonly key: string; readonly size: SizeEvidence }>();
  const measured = finest(readings, drawer).map((each) => ({ ...each, order: sizeKey(each, steps) }));
  for (const { parameter, text, inside, tool, confirmed, typedIn, written, order } of inOrderOf(
    measured,
    (each) => `${besideLast(each.parameter.id)} ${each.order}`,
  )) {
    const tie = tiedTo(parameter.id);
    const beside = tie && first.get(tie.other);
    const key = beside ? `${order} beside ${beside.key}` : order;
    const size: SizeEvidence = {
      sort: 'size',
      text,
      parameter,
      estimate: taken(parameter, estimate(inside, tool)),
      tool,
      step: steps.get(parameter.id),
      confirmed,
      typedIn,
      ...(beside ? { given: beside.size } : {}),
      ...(written ? { written } : {}),
    };
    if (!first.has(parameter.id)) first.set(parameter.id, { key, size });
    yield [key, size];
  }
}

/** With what taking the size adds, whatever the instrument. */
const taken = ({ taking = 0 }: Parameter, { mean, uncertainty }: Estimate): Estimate => ({
  mean,
  uncertainty: taking === 0 ? uncertainty : Math.hypot(uncertainty, taking),
});

const sizeKey = (
  { parameter, tool, inside, confirmed, typedIn }: Measured,
  steps: ReadonlyMap<string, number>,
): string =>
  `1 size ${parameter.id} ${tool.sort} ${inside.map((value) => value.toFixed(7)).join(' ')} ${steps.get(parameter.id) ?? ''} ${tool.permissibleError}${confirmed ? ' confirmed' : ''}${typedIn === 'inch' ? ' in' : ''}`;

interface Measured {
  readonly parameter: Parameter;
  readonly text: string;
  readonly inside: readonly number[];
  readonly tool: Tool;
  readonly confirmed: boolean;
  readonly typedIn: UnitSystem;
  readonly written?: { readonly figures: string; readonly unit: UnitId };
}

const NO_STEPS: ReadonlyMap<string, number> = new Map();
/** Readings of one size further apart than this many of their uncertainties are not of one thing. */
const AGREE_WITHIN = 3;

/**
 * The measurements, with only the finest of several that agree on one size: a caliper before a micrometer tells nothing
 * more once the micrometer has spoken, and counting both, or two micrometers, would count the part's own spread twice.
 */
function finest(readings: readonly Understood[], drawer: ToolDrawer): Measured[] {
  const all = sizesOfPart(readings).map((size): Measured => {
    const inside = size.values.map((value) => toInside(value, size.unit)).sort((a, b) => a - b);
    return {
      parameter: parameterOf(size.parameter),
      text: size.text,
      inside,
      tool: drawer.take(size.instrument, inside[0] ?? 0),
      confirmed: inside.length > 1,
      typedIn: systemOf(size.unit),
      ...(inside.length === 1
        ? { written: { figures: size.figures ?? String(size.values[0] ?? ''), unit: size.unit } }
        : {}),
    };
  });
  const outdone = (coarse: Measured, fine: Measured): boolean => {
    if (coarse === fine || coarse.parameter.id !== fine.parameter.id) return false;
    const [a, b] = [estimate(coarse.inside, coarse.tool), estimate(fine.inside, fine.tool)];
    // Of two as fine the one that comes first by its figures stays.
    const finer = a.uncertainty - b.uncertainty || (sizeKey(coarse, NO_STEPS) > sizeKey(fine, NO_STEPS) ? 1 : -1);
    return (
      finer > 0 &&
      Math.abs(a.mean - b.mean) <= AGREE_WITHIN * Math.hypot(a.uncertainty, b.uncertainty) + coarse.parameter.usualWear
    );
  };
  return all
    .filter((each) => !all.some((other) => outdone(each, other)))
    .map((each) => {
      const bearingOut = all.filter((other) => outdone(other, each));
      return {
        ...each,
        text: [each.text, ...bearingOut.map(({ text }) => text)].join(', '),
        confirmed: each.confirmed || bearingOut.length > 0,
      };
    });
}
