import { engineVariant } from '../../dictionary/index.js';
import { interval, middle } from '../../quantity/interval.js';
import { sentence, value } from '../../quantity/sentence.js';
import { sweptVolume } from '../../stack/index.js';
import { limitOf, records, type HasFigures } from '../../thumb/index.js';
import { auditRule } from '../rule.js';
import { middleOf } from '../engine.js';

/** The size of an engine, cc, from bore and stroke in mm. */
const sizeOf = (bore: number, stroke: number, cylinders: number): number =>
  middle(sweptVolume(interval(bore), interval(stroke))) * cylinders;

/** Whether a size is the stated one, as makers round it. */
const isStated = (size: number, stated: number, rules: HasFigures): boolean =>
  Math.abs(size - stated) <= limitOf(records.displacement, rules) * stated;

export const displacement = auditRule(
  'displacement',
  'Stated size',
  'Bore, stroke and count of cylinders must give the stated size.',
  function* (catalogue, rules) {
    const { bore, stroke, displacement: size } = engineVariant.parameters;
    for (const variant of catalogue.catalogue.variants) {
      const [b, s, stated] = [middleOf(variant, bore), middleOf(variant, stroke), middleOf(variant, size)];
      const cylinders = Number(variant.features[engineVariant.features.cylinders.id]);
      if (b === undefined || s === undefined || stated === undefined || !(cylinders > 0)) continue;
      const computed = sizeOf(b, s, cylinders);
      if (isStated(computed, stated, rules)) continue;
      const exchanged = isStated(sizeOf(s, b, cylinders), stated, rules)
        ? ' With bore and stroke exchanged it would agree.'
        : '';
      yield {
        weight: 'wrong',
        where: { type: 'variant', id: variant.id, at: size.id },
        says: sentence`${cylinders} cylinders of ${value(b)} bore and ${value(s)} stroke make ${value(computed, 'volume')}, and ${value(stated, 'volume')} is stated.${exchanged}`,
      };
    }
  },
  [records.displacement],
);
