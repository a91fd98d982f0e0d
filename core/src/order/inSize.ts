import type { BuildEngine, PlacedInBuild } from '../build/index.js';
import { sentence, value, type Sentence } from '../quantity/sentence.js';
import { toInside } from '../quantity/unit.js';
import { isSameSize, type SizeToOrder } from './serviceSize.js';

/** What must be known before something is ordered that no service size comes near. */
export const openOf = (size: SizeToOrder | undefined, more?: Sentence): readonly Sentence[] => [
  ...(size?.between === undefined
    ? []
    : [
        sentence`The engine is ${value(Math.abs(size.between))} ${size.between > 0 ? 'over' : 'under'} standard there, and no service size comes near: nothing is made to fit.`,
      ]),
  ...(more ? [more] : []),
];

/** A build that takes another size than its own cylinders ask for. */
export function otherSize(
  engine: BuildEngine,
  { slot, at, taken }: PlacedInBuild,
  size: SizeToOrder | undefined,
): readonly Sentence[] {
  const place = engine.build.places.find((each) => each.slot === slot && each.at === at);
  const own = place?.size ? toInside(place.size.value, place.size.unit) : 0;
  if (taken || !size || size.between !== undefined || isSameSize(own, size.step)) return [];
  return [
    sentence`The build takes it ${own === 0 ? 'at standard' : sentence`${value(Math.abs(own))} ${own > 0 ? 'over' : 'under'} standard`}; say in the build which size is bought.`,
  ];
}

/** A service size in words: `0.500 mm over standard`. */
export const sayStep = ({ step }: SizeToOrder): Sentence =>
  sentence`${value(Math.abs(step))} ${step > 0 ? 'over standard' : 'under standard'}`;
