import type { BuildEngine } from '../build/index.js';
import type { Parameter } from '../dictionary/definition.js';
import type { KindId } from '../dictionary/dictionary.js';
import { block } from '../dictionary/kinds/block.js';
import { crank } from '../dictionary/kinds/crank.js';
import { liner } from '../dictionary/kinds/liner.js';
import { piston } from '../dictionary/kinds/piston.js';
import { rings } from '../dictionary/kinds/rings.js';
import type { Part } from '../catalogue/part.js';
import { middle } from '../quantity/interval.js';

/** A size that something must be ordered in. */
export interface SizeToOrder {
  /** From standard, signed, millimetres; 0 for standard. */
  readonly step: number;
  /** What it is counted on. */
  readonly of: Parameter;
  /** No service size comes near: how far the engine is from standard. */
  readonly between?: number;
}

/** What is bought to go by a size of another part, and how far from a service size that may be. */
const GOES_BY: Readonly<Partial<Record<KindId, { readonly own?: Parameter; readonly others: readonly Parameter[] }>>> =
  {
    piston: { own: piston.parameters.bore, others: [liner.parameters.bore, block.parameters.bore] },
    rings: { own: rings.parameters.bore, others: [liner.parameters.bore, block.parameters.bore] },
    mainShell: { others: [crank.parameters['mainJournal.diameter']] },
    rodShell: { others: [crank.parameters['crankpin.diameter']] },
  };

/** Whether two steps from standard are the same size. */
export const isSameSize = (a: number, b: number): boolean => Math.abs(a - b) < ANOTHER_SIZE;

/** How far from standard a part is that is bought by size; 0 where nobody knows otherwise. Millimetres, signed. */
export function stepOf(part: Part): number {
  const own = GOES_BY[part.kind]?.own;
  const [now, made] = own ? [part.values[own.id]?.interval, part.standard[own.id]] : [];
  return now && made ? middle(now) - middle(made) : 0;
}

/** Wear and a finishing cut are less than this; from there on it is another size. Millimetres, *common practice*. */
const ANOTHER_SIZE = 0.1;

/**
 * The oversize or undersize in which a part must be ordered, from what it goes by in this build after its work:
 * pistons and rings by the cylinders, shells by the journals. Undefined where nothing tells.
 *
 * @param at which cylinder, main or crankpin, where they differ
 */
export function sizeToOrder(engine: BuildEngine, part: Part, at?: number): SizeToOrder | undefined {
  const by = GOES_BY[part.kind];
  const of = by?.others.find((parameter) => mateOf(engine, parameter)?.values[parameter.id]);
  const mate = of && mateOf(engine, of);
  if (!by || !of || !mate) return undefined;
  const row = of.per === 'crankpin' ? 'crankpin' : of.per === 'main' ? 'main' : 'cylinder';
  const now = engine.size(of, at === undefined ? undefined : { row, at })?.interval;
  // Pistons are made for a bore of their own: an engine of another bore is no oversize of it.
  const made = (by.own && part.standard[by.own.id]) ?? mate.standard[of.id];
  if (!now || !made) return undefined;
  const off = middle(now) - middle(made);
  if (isSameSize(off, 0)) return { step: 0, of };
  const steps = (by.own && part.service[by.own.id]) ?? mate.service[of.id] ?? [];
  const nearest = [...steps].sort((a, b) => Math.abs(a - off) - Math.abs(b - off))[0];
  return nearest !== undefined && isSameSize(nearest, off) ? { step: nearest, of } : { step: 0, of, between: off };
}

const mateOf = (engine: BuildEngine, { id }: Parameter): Part | undefined =>
  engine.part(id.startsWith('crank.') ? 'crank' : id.startsWith('liner.') ? 'liner' : 'block')?.part;
