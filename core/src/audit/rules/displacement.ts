import { engineVariant } from '../../dictionary/index.js';
import { sentence, value } from '../../quantity/sentence.js';
import { defineRule } from '../finding.js';
import { middleOf } from '../engine.js';

/** How far stated and computed size may differ: makers round to whole cubic inches or cubic centimetres. */
const WITHIN = 0.02;

/** Swept volume of all cylinders, cc: π/4 · bore² · stroke · n (*plane geometry*). Bore and stroke in mm. */
export const sweptVolume = (bore: number, stroke: number, cylinders: number): number => ((Math.PI / 4) * bore * bore * stroke * cylinders) / 1000;

export const displacement = defineRule(
  'displacement',
  'Stated size',
  'Bore, stroke and count of cylinders must give the stated size within 2 %.',
  function* (catalogue) {
    const { bore, stroke, displacement: size } = engineVariant.parameters;
    for (const variant of catalogue.catalogue.variants) {
      const [b, s, stated] = [middleOf(variant, bore), middleOf(variant, stroke), middleOf(variant, size)];
      const cylinders = Number(variant.features[engineVariant.features.cylinders.id]);
      if (b === undefined || s === undefined || stated === undefined || !(cylinders > 0)) continue;
      const computed = sweptVolume(b, s, cylinders);
      if (Math.abs(computed - stated) <= WITHIN * stated) continue;
      const swapped = sweptVolume(s, b, cylinders);
      const exchanged = Math.abs(swapped - stated) <= WITHIN * stated ? ' With bore and stroke exchanged it would agree.' : '';
      yield {
        weight: 'wrong',
        where: { type: 'variant', id: variant.id, at: size.id },
        says: sentence`${cylinders} cylinders of ${value(b)} bore and ${value(s)} stroke make ${value(computed, 'volume')}, and ${value(stated, 'volume')} is stated.${exchanged}`,
      };
    }
  },
);
