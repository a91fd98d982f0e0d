import type { Part } from '../catalogue/part.js';
import type { Variant } from '../catalogue/pattern.js';
import { optionOf, sizeOf } from '../catalogue/value.js';
import type { Feature, Parameter } from '../dictionary/definition.js';
import { engineVariant, type KindId } from '../dictionary/index.js';
import { block } from '../dictionary/kinds/block.js';
import { cam } from '../dictionary/kinds/cam.js';
import { crank } from '../dictionary/kinds/crank.js';
import { head } from '../dictionary/kinds/head.js';
import { liner } from '../dictionary/kinds/liner.js';
import { piston } from '../dictionary/kinds/piston.js';
import { rings } from '../dictionary/kinds/rings.js';
import { rod } from '../dictionary/kinds/rod.js';
import { rodShell } from '../dictionary/kinds/rodShell.js';
import { valve } from '../dictionary/kinds/valve.js';
import { kindOf, type EngineWith, type PlacedPart } from '../joints/index.js';
import { plus, type Interval } from '../quantity/interval.js';
import { SKIRT_SMALLER } from './ownSizes.js';

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

/** Sizes of parts that the description of their engine gives, and by what share of it they may be smaller. */
const SIZES: Readonly<Record<string, { readonly of: Parameter; readonly smaller?: number }>> = {
  [block.parameters.bore.id]: { of: parameters.bore },
  [liner.parameters.bore.id]: { of: parameters.bore },
  [piston.parameters.bore.id]: { of: parameters.bore },
  [piston.parameters['skirt.diameter'].id]: { of: parameters.bore, smaller: SKIRT_SMALLER },
  [rings.parameters.bore.id]: { of: parameters.bore },
  [crank.parameters.stroke.id]: { of: parameters.stroke },
};

type Telling = Pick<EngineWith, 'stated' | 'slot' | 'parts' | 'firingOrder'>;
/** What an engine says of a look: one of these options; nothing where it says nothing. */
type Tells = (engine: Telling) => readonly string[] | undefined;

const stated =
  (tell: (looks: Stated['looks']) => string | undefined): Tells =>
  ({ stated: said }) => {
    const option = said && tell(said.looks);
    return option === undefined ? undefined : [option];
  };

const isInRow = (looks: Stated['looks']): boolean =>
  ['single', 'inline'].includes(looks[features.layout.id]?.option ?? '');

const FLOATING = ['circlip', 'spiralLock', 'endCaps'];

/** Where the small ends run on needles the pin floats. */
const floatsOnNeedles: Tells = ({ parts }) => (has(parts, 'smallEndBearing') ? FLOATING : undefined);

const has = (parts: readonly PlacedPart[], slot: string): boolean => parts.some((each) => each.slot === slot);

/** How the caps are parted, by what the big ends run in: shells want a cap, and are made for one sort of it. */
const capSplit: Tells = ({ parts }) => {
  const shell = parts.find(({ slot }) => slot === 'rodShell');
  const cap = shell?.part.looks[rodShell.features.forCap.id]?.option;
  if (shell) return cap === undefined ? ['machined', 'fractured'] : [cap];
  return has(parts, 'bigEndBearing') ? ['onePiece'] : undefined;
};

const cylinderWall: Tells = ({ parts }) => {
  const fitted = parts.find(({ slot }) => slot === 'liner');
  if (!fitted) return undefined;
  const type = fitted.part.looks[liner.features.type.id]?.option;
  return type === undefined ? ['wetLiner', 'dryLiner'] : [`${type}Liner`];
};

const { form: firingForm } = cam.features.firingOrder;
/** Orders that a cam can be seen to have; an engine may be on record with one that is written otherwise. */
const CAM_ORDERS: ReadonlySet<string> = new Set('options' in firingForm ? firingForm.options.map(({ id }) => id) : []);

/**
 * Looks of parts that the description of their engine and what else it has settle. *Common practice, no source*: in
 * a row each rod has a crankpin of its own; with pushrods the cam lies in the block, and the head has no bearings.
 */
const LOOKS: Readonly<Record<string, Tells>> = {
  [block.features.cylinders.id]: stated((looks) => looks[features.cylinders.id]?.option),
  [head.features.camBearings.id]: stated((looks) =>
    looks[features.valveGear.id]?.option === 'pushrod' ? '0' : undefined,
  ),
  [block.features.camBearings.id]: stated((looks) =>
    looks[features.valveGear.id]?.option === 'overhead' ? '0' : undefined,
  ),
  [block.features.mainsRun.id]: ({ parts }) =>
    has(parts, 'mainShell') ? ['shells'] : has(parts, 'mainBearing') ? ['rolling'] : undefined,
  [block.features.cylinderWall.id]: cylinderWall,
  [crank.features.rodsPerPin.id]: stated((looks) => (isInRow(looks) ? '1' : undefined)),
  [crank.features.crankpins.id]: stated((looks) => (isInRow(looks) ? looks[features.cylinders.id]?.option : undefined)),
  [cam.features.firingOrder.id]: ({ firingOrder }) =>
    firingOrder === undefined || !CAM_ORDERS.has(firingOrder) ? undefined : [firingOrder],
  [rod.features.capSplit.id]: capSplit,
  [rod.features.smallEndForm.id]: ({ parts }) => (has(parts, 'smallEndBearing') ? ['needle'] : undefined),
  [rod.features.pinFixing.id]: floatsOnNeedles,
  [piston.features.pinFixing.id]: floatsOnNeedles,
};

/** The looks that an engine settles, of whatever part of it. */
export const settledBy = (
  engine: Telling,
): readonly { readonly kind: KindId; readonly id: string; readonly is: string }[] =>
  Object.entries(LOOKS).flatMap(([id, tell]) => {
    const [is, ...others] = tell(engine) ?? [];
    return is === undefined || others.length > 0 ? [] : [{ kind: kindOf(id), id, is }];
  });

/** The duty of a valve by the place it is in. */
const DUTIES: Readonly<Record<string, string>> = { intakeValve: 'intake', exhaustValve: 'exhaust' };

/**
 * What an entry of a part must be by the place it has in an engine, by the description of that and by what else it has;
 * nothing where none tells it.
 */
export function impliedByEngine(engine: Telling, id: string): Interval | readonly string[] | undefined {
  const { stated: said, slot } = engine;
  const duty = id === valve.features.duty.id ? DUTIES[slot] : undefined;
  if (duty !== undefined) return [duty];
  const size = SIZES[id];
  const interval = size && said?.values[size.of.id]?.interval;
  if (interval) return plus(interval, { low: -ROUNDED - interval.low * (size.smaller ?? 0), high: ROUNDED });
  return LOOKS[id]?.(engine);
}
