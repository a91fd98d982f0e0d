import type { Part } from '../catalogue/part.js';
import type { Variant } from '../catalogue/pattern.js';
import { optionOf, sizeOf } from '../catalogue/value.js';
import type { Feature, Parameter } from '../dictionary/definition.js';
import { engineVariant, type KindId } from '../dictionary/index.js';
import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { head } from '../dictionary/kinds/head.js';
import { liner } from '../dictionary/kinds/liner.js';
import { piston } from '../dictionary/kinds/piston.js';
import { rings } from '../dictionary/kinds/rings.js';
import { valve } from '../dictionary/kinds/valve.js';
import { kindOf, type EngineWith } from '../joints/index.js';
import { plus, type Interval } from '../quantity/interval.js';

type Stated = Pick<Part, 'values' | 'looks'>;

const { parameters, features } = engineVariant;

/** What an engine is described as. */
export function statedOf(variant: Variant): Stated {
  const values = Object.values<Parameter>(parameters).flatMap((parameter) => {
    const size = sizeOf(variant, parameter);
    return size ? [[parameter.id, { interval: size.value.limits, source: 'pattern' as const }] as const] : [];
  });
  const looks = Object.values<Feature>(features).flatMap((feature) => {
    const option = optionOf(variant, feature.id)?.value;
    return option === undefined ? [] : [[feature.id, { option, source: 'pattern' as const }] as const];
  });
  return { values: Object.fromEntries(values), looks: Object.fromEntries(looks) };
}

/**
 * How far a part of an engine may be from what the engine is stated as: a data sheet rounds, and a cylinder of
 * 3.4375 in stands there as 87.3 mm. *Common practice, no source.*
 */
const ROUNDED = 0.2;

/** Sizes of parts that the description of their engine gives. */
const SIZES: Readonly<Record<string, Parameter>> = {
  [block.parameters.bore.id]: parameters.bore,
  [liner.parameters.bore.id]: parameters.bore,
  [piston.parameters.bore.id]: parameters.bore,
  [rings.parameters.bore.id]: parameters.bore,
  [crank.parameters.stroke.id]: parameters.stroke,
};

/** Looks of parts that it gives, where it says a thing that settles them. */
const LOOKS: Readonly<Record<string, (looks: Stated['looks']) => string | undefined>> = {
  [block.features.cylinders.id]: (looks) => looks[features.cylinders.id]?.option,
  // With pushrods the cam lies in the block, and the head has no bearings for one.
  [head.features.camBearings.id]: (looks) => (looks[features.valveGear.id]?.option === 'pushrod' ? '0' : undefined),
  [block.features.camBearings.id]: (looks) => (looks[features.valveGear.id]?.option === 'overhead' ? '0' : undefined),
};

/** The looks that the description of an engine settles, of whatever part of it. */
export const settledBy = ({
  stated,
}: Pick<EngineWith, 'stated'>): readonly { readonly kind: KindId; readonly id: string; readonly is: string }[] =>
  Object.entries(LOOKS).flatMap(([id, tell]) => {
    const is = stated && tell(stated.looks);
    return is === undefined ? [] : [{ kind: kindOf(id), id, is }];
  });

/** The duty of a valve by the place it is in. */
const DUTIES: Readonly<Record<string, string>> = { intakeValve: 'intake', exhaustValve: 'exhaust' };

/**
 * What an entry of a part must be by the place it has in an engine, and by the description of that; nothing where
 * neither tells it.
 */
export function impliedByEngine(
  { stated, slot }: Pick<EngineWith, 'stated' | 'slot'>,
  id: string,
): Interval | readonly string[] | undefined {
  const duty = id === valve.features.duty.id ? DUTIES[slot] : undefined;
  if (duty !== undefined) return [duty];
  const size = SIZES[id];
  const interval = size && stated?.values[size.id]?.interval;
  if (interval) return plus(interval, { low: -ROUNDED, high: ROUNDED });
  const option = stated && LOOKS[id]?.(stated.looks);
  return option === undefined ? undefined : [option];
}
