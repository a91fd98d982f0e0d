import { crank } from '../dictionary/kinds/crank.js';
import { piston } from '../dictionary/kinds/piston.js';
import { block } from '../dictionary/kinds/block.js';
import { liner } from '../dictionary/kinds/liner.js';
import { rod } from '../dictionary/kinds/rod.js';
import type { Parameter } from '../dictionary/definition.js';
import { middle } from '../quantity/interval.js';
import { sentence, value, type Sentence } from '../quantity/sentence.js';
import type { BuildEngine, Spot } from './engine.js';

/** What can be no engine at all, whatever the limits: said with the figures and what to do. */
export interface Nonsense {
  /** Id of the size to look at first. */
  readonly of: string;
  readonly at?: number;
  readonly says: Sentence;
}

/** Everything of a build that cannot be. */
export function nonsenseIn(engine: BuildEngine): readonly Nonsense[] {
  const spots = Array.from({ length: engine.count('cylinder') }, (_, at): Spot => ({ row: 'cylinder', at: at + 1 }));
  return [...notFor(engine), ...once(spots.flatMap((spot) => inCylinder(engine, spot)))];
}

function inCylinder(engine: BuildEngine, spot: Spot): readonly Nonsense[] {
  const of = (parameter: Parameter): number | undefined => {
    const taken = engine.size(parameter, spot);
    return taken && middle(taken.interval);
  };
  const [stroke, length, offset = 0] = [
    of(crank.parameters.stroke),
    of(rod.parameters.length),
    of(piston.parameters['pin.offset']),
  ];
  const bore = of(liner.parameters.bore) ?? of(block.parameters.bore);
  const [pin, height, deck] = [
    of(piston.parameters['pin.diameter']),
    of(piston.parameters.compressionHeight),
    of(block.parameters.deckHeight),
  ];
  const found: Nonsense[] = [];
  const say = (parameter: Parameter, says: Sentence) => found.push({ of: parameter.id, at: spot.at, says });
  if (stroke !== undefined && length !== undefined && length <= stroke / 2 + Math.abs(offset))
    say(
      rod.parameters.length,
      sentence`A rod of ${value(length)} does not come round a throw of ${value(stroke / 2)}: put in a longer rod or a shorter stroke.`,
    );
  if (pin !== undefined && bore !== undefined && pin >= bore)
    say(
      piston.parameters['pin.diameter'],
      sentence`A pin of ${value(pin)} does not go into a piston for a bore of ${value(bore)}: one of the two is mistyped.`,
    );
  if (stroke !== undefined && length !== undefined && height !== undefined && deck !== undefined) {
    const above = stroke / 2 + length + height - deck;
    if (above > MOST_PROUD)
      say(
        rod.parameters.length,
        sentence`The piston would stand ${value(above)} out of the block: look at stroke, rod, compression height and deck once more.`,
      );
  }
  const [whole, big, small] = [
    of(rod.parameters.mass),
    of(rod.parameters['mass.bigEnd']),
    of(rod.parameters['mass.smallEnd']),
  ];
  if (whole !== undefined && big !== undefined && small !== undefined) {
    const apart = Math.abs(big + small - whole);
    if (apart > whole * ENDS_APART)
      say(
        rod.parameters['mass.bigEnd'],
        sentence`The ends of the rod weigh ${value(big, 'mass')} and ${value(small, 'mass')}, the whole of it ${value(whole, 'mass')}: one of the three is mistyped, and what rests on it is wrong.`,
      );
  }
  return found;
}

/** Both ends of a rod weigh as much as the rod, as near as a kitchen scale tells it. */
const ENDS_APART = 0.05;

/** A crown that stands so far out of its block is a slip, not a stroker. Millimetres. */
const MOST_PROUD = 25;

function notFor(engine: BuildEngine): readonly Nonsense[] {
  const [cylinders, pins, rods] = [
    engine.look(block.features.cylinders.id) ?? String(engine.cylinders),
    engine.look(crank.features.crankpins.id),
    engine.look(crank.features.rodsPerPin.id),
  ];
  if (pins === undefined || rods === undefined || Number(pins) * Number(rods) === Number(cylinders)) return [];
  return [
    {
      of: crank.features.crankpins.id,
      says: [
        `The crank carries ${Number(pins) * Number(rods)} rods (${pins} crankpins, ${rods} on each), and the engine has ${cylinders} cylinders: take a crank for as many.`,
      ],
    },
  ];
}

/** Each thing once, however many cylinders it goes for. */
function once(all: readonly Nonsense[]): readonly Nonsense[] {
  const seen = new Map<string, Nonsense>();
  for (const each of all) {
    const key = JSON.stringify(each.says);
    const { at: _at, ...rest } = each;
    seen.set(key, seen.has(key) ? rest : each);
  }
  return [...seen.values()];
}
