import { normalForm } from '../../catalogue/facePattern.js';
import { featureOf, interfaceOf } from '../../dictionary/dictionary.js';
import { readMark } from '../../marks/markText.js';
import type { Understood } from '../../readings/reading.js';
import { ToolDrawer } from '../../shop/ownInstrument.js';
import type { Evidence } from '../evidence.js';
import { claimEvidence } from './claims.js';
import { keyOf, withoutRepeats, type ReadMark } from './sameMark.js';
import { sizeEvidence, stepEvidence } from './sizes.js';

const USUAL_DRAWER = new ToolDrawer();

/**
 * The evidence in some readings, by a key that is the same whenever the evidence is. The same thing seen twice counts
 * once, repeats are pooled, words not understood say nothing. Neither order nor keys depend on the order of the
 * readings.
 */
export function evidenceByKey(
  readings: readonly Understood[],
  drawer: ToolDrawer = USUAL_DRAWER,
): ReadonlyMap<string, Evidence> {
  const byKey = new Map<string, Evidence>();
  /** Of the same thing said in two ways the words that come first in the alphabet stay, whichever was typed first. */
  const put = (key: string, evidence: Evidence) => {
    const known = byKey.get(key);
    if (!known || evidence.text < known.text) byKey.set(key, evidence);
  };
  for (const [key, size] of sizeEvidence(readings, drawer)) put(key, size);
  for (const [key, step] of stepEvidence(readings)) put(key, step);
  for (const [key, claim] of claimEvidence(readings)) put(key, claim);
  for (const mark of withoutRepeats(readings.flatMap(markRead)))
    put(`0 mark ${keyOf(mark)}`, { sort: 'mark', ...mark });
  for (const reading of readings) {
    switch (reading.sort) {
      case 'look':
        put(`2 look ${reading.feature} ${reading.option}${reading.not ? ' not' : ''}`, {
          sort: 'look',
          text: reading.text,
          feature: featureOf(reading.feature),
          option: reading.option,
          not: reading.not ?? false,
        });
        break;
      case 'face':
        put(`2 face ${reading.face} ${normalForm(reading.pattern)}`, {
          sort: 'face',
          text: reading.text,
          face: interfaceOf(reading.face),
          pattern: reading.pattern,
        });
        break;
      case 'mark':
      case 'step':
      case 'claim':
      case 'size':
      case 'unread':
        break;
    }
  }
  return new Map([...byKey].sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)));
}

export const evidenceFrom = (readings: readonly Understood[], drawer?: ToolDrawer): Evidence[] => [
  ...evidenceByKey(readings, drawer).values(),
];

/** A mark as it was read; none where it is ground away, which tells nothing of what it was. */
const markRead = (reading: Understood): readonly ReadMark[] =>
  reading.sort === 'mark' && !reading.gone
    ? [
        {
          text: reading.text,
          positions: reading.characters ? readMark(reading.characters) : [],
          making: reading.making,
          place: reading.place,
        },
      ]
    : [];
