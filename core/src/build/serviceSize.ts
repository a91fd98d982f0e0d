import type { Part } from '../catalogue/part.js';
import type { KindId } from '../dictionary/dictionary.js';
import { mainShell } from '../dictionary/kinds/mainShell.js';
import { piston } from '../dictionary/kinds/piston.js';
import { rings } from '../dictionary/kinds/rings.js';
import { rodShell } from '../dictionary/kinds/rodShell.js';
import { middle, shifted, type Interval } from '../quantity/interval.js';

/** Sizes that go with the service size a part is bought in, and by how much of it each. */
const GOES_WITH: Readonly<Partial<Record<KindId, readonly (readonly [id: string, share: number])[]>>> = {
  piston: [
    [piston.parameters.bore.id, 1],
    [piston.parameters['skirt.diameter'].id, 1],
  ],
  rings: [[rings.parameters.bore.id, 1]],
  // What comes off a journal both halves of its shell must make up.
  mainShell: [[mainShell.parameters.wall.id, -1 / 2]],
  rodShell: [[rodShell.parameters.wall.id, -1 / 2]],
};

/** Whether a kind of part is bought over or under standard. */
export const comesInSizes = (kind: KindId): boolean => GOES_WITH[kind] !== undefined;

/** The service sizes a part is bought in, from standard, signed; none where it is bought in one size. Millimetres. */
export function serviceSizesOf(part: Part): readonly number[] {
  const [first] = GOES_WITH[part.kind] ?? [];
  if (!first) return [];
  const [id, share] = first;
  return (part.service[id] ?? []).map((step) => step / share);
}

/**
 * A part as it is bought in a service size.
 *
 * @param step from standard, signed: of pistons and rings over it, of shells the undersize of their journal;
 *   millimetres
 */
export function inServiceSize(part: Part, step: number): Part {
  if (!GOES_WITH[part.kind] || step === 0) return part;
  const sizes = IN_SIZES.get(part) ?? new Map<number, Part>();
  IN_SIZES.set(part, sizes);
  let made = sizes.get(step);
  if (!made) sizes.set(step, (made = madeInSize(part, step)));
  return made;
}

/** A part in a size is the same part whoever asks: what was worked out for it then serves them all. */
const IN_SIZES = new WeakMap<Part, Map<number, Part>>();

function madeInSize(part: Part, step: number): Part {
  const values = { ...part.values };
  for (const [id, share] of GOES_WITH[part.kind] ?? []) {
    const value = values[id];
    if (value) values[id] = { ...value, interval: shifted(value.interval, step * share) };
  }
  return { ...part, values };
}

/** The service size of new rings for a cylinder; 0 where none comes near, or they are for it as it is. */
export function ringsFor(part: Part, bore: Interval | undefined): number {
  const made = part.values[rings.parameters.bore.id]?.interval;
  if (!made || !bore) return 0;
  const off = middle(bore) - middle(made);
  return (part.service[rings.parameters.bore.id] ?? []).find((step) => Math.abs(step - off) < NEAR) ?? 0;
}

/** A finishing cut and its tolerance are less than this. Millimetres, *common practice*. */
const NEAR = 0.06;
