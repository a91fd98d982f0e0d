import { listed } from '../../quantity/phrase.js';
import type { Sentence } from '../../quantity/sentence.js';
import { CLAIMS } from '../../readings/reading.js';
import type { CatalogueIndex } from '../catalogueIndex.js';
import { claimedOf } from '../claimed.js';
import { listAt } from '../columns.js';
import type { ClaimEvidence } from '../evidence.js';
import { notStated } from './notStated.js';

const SOON = 12 * 9000;

const year = (month: number): string => String(Math.floor(month / 12));

/** Which engines the pattern was fitted to that agree with what is claimed. */
export function claimReason(index: CatalogueIndex, row: number, evidence: ClaimEvidence): Sentence {
  const { fitments } = index;
  const places = [...listAt(fitments.ofPattern, row)];
  if (places.length === 0) return notStated('Where it was fitted');
  const claimed = claimedOf(index, evidence);
  const said = CLAIMS[evidence.about].toLowerCase();
  const agreeing = places
    .filter((at) => (claimed?.chance(at) ?? 0) > 0)
    .sort((a, b) => (claimed?.chance(b) ?? 0) - (claimed?.chance(a) ?? 0));
  const names = [
    ...new Set(
      (agreeing.length > 0 ? agreeing : places).map((at) => fitments.variants[fitments.variant[at] ?? 0]?.code ?? ''),
    ),
  ];
  const some = names.slice(0, 3).join(', ') + (names.length > 3 ? ` and ${names.length - 3} more` : '');
  const weighed = evidence.given.filter((each) => claimedOf(index, each) !== undefined);
  const before = [...new Set(weighed.map(({ about }) => CLAIMS[about].toLowerCase()))];
  const beside =
    before.length > 0 ? ` It counts beside the ${listed(before)}: such things are right or wrong together.` : '';
  if (agreeing.length === 0) return [`It was fitted to ${some}: none of them agrees with that ${said}.${beside}`];
  const [first] = agreeing;
  const [from, to] = [fitments.first[first ?? 0] ?? 0, fitments.last[first ?? 0] ?? 0];
  const years = from === 0 ? '' : to > SOON ? ` from ${year(from)} on` : ` from ${year(from)} to ${year(to)}`;
  return [`Fitted to ${some}${years}, which agrees with that ${said}.${beside}`];
}
