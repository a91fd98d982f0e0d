import type { ClaimAbout, Understood } from '../../readings/reading.js';
import type { ClaimEvidence } from '../evidence.js';
import { inOrderOf } from './inOrder.js';

const SUREST_FIRST: readonly ClaimAbout[] = ['serial', 'tag', 'engine', 'machine', 'year'];

/** Claims, the surest first; each is told beside those before it. */
export function* claimEvidence(readings: readonly Understood[]): Generator<readonly [key: string, ClaimEvidence]> {
  const said = readings.flatMap((reading) => (reading.sort === 'claim' ? [reading] : []));
  const given: ClaimEvidence[] = [];
  const keys: string[] = [];
  for (const { about, value, text } of inOrderOf(
    said,
    (claim) => `${SUREST_FIRST.indexOf(claim.about)} ${claim.value.toLowerCase()} ${claim.text}`,
  )) {
    const key = `${about} ${value.toLowerCase()}`;
    if (keys.includes(key)) continue;
    const evidence: ClaimEvidence = { sort: 'claim', text, about, value, given: [...given] };
    yield [`4 claim ${[key, ...keys].join(', ')}`, evidence];
    keys.push(key);
    given.push(evidence);
  }
}
