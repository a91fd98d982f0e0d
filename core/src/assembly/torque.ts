import type { Part } from '../catalogue/part.js';
import { fastener } from '../dictionary/kinds/fastener.js';
import { middle } from '../quantity/interval.js';
import { sentence, value, type Sentence } from '../quantity/sentence.js';
import { coarsePitch, OILED, TIGHTENED_TO, tighteningOf } from '../strength/index.js';

const NO_PROMISE = 'The maker’s own figure comes before it, and bolts that stretch are turned by angle.';

/**
 * What bolts of a place are tightened with. Worked out from class and thread where those are known; it is never more
 * than a start where the maker gives a figure of his own.
 */
export function sayTorque(bolt: Part | undefined): { readonly says: Sentence; readonly open?: true } {
  const { 'thread.diameter': thread, 'thread.pitch': pitched, length } = fastener.parameters;
  const grade = bolt?.looks[fastener.features.grade.id]?.option;
  const diameter = bolt?.values[thread.id];
  if (!bolt || grade === undefined || !diameter)
    return {
      says: ['Torque: by the maker’s figure. Class and thread of the bolts are not known, so none can be worked out.'],
      open: true,
    };
  const across = middle(diameter.interval);
  const told = bolt.values[pitched.id];
  const pitch = told ? middle(told.interval) : coarsePitch(across);
  const under = bolt.values[length.id];
  const found =
    pitch === undefined
      ? undefined
      : tighteningOf(grade, across, pitch, under ? { length: middle(under.interval) } : {});
  if (!found)
    return {
      says: [`Torque: by the maker’s figure. Nothing is tabled for bolts of “${grade}” in this thread.`],
      open: true,
    };
  const once = bolt.looks[fastener.features.reuse.id]?.option === 'once';
  return {
    says: sentence`Torque about ${value(found.torque, 'torque')}, in three rounds: class ${grade} at ${Math.round(TIGHTENED_TO * 100)} % of proof load (ISO 898-1), threads and heads oiled (friction ${OILED}).${found.stretch === undefined ? '' : sentence` The bolt is then ${value(found.stretch)} longer.`} ${once ? 'These bolts are used once. ' : ''}${NO_PROMISE}`,
  };
}
