import { CLAIM_KIND_NAMES } from '../../catalogue/claim.js';
import type { Described } from '../../catalogue/pattern.js';
import { disputedIds, optionOf, sizeOf, type Voice } from '../../catalogue/value.js';
import type { Size } from '../../catalogue/size.js';
import { isIdOf, parameterOf, sayEntry } from '../../dictionary/dictionary.js';
import { band, sentence, type Sentence } from '../../quantity/sentence.js';
import { auditRule, type AuditPlace } from '../rule.js';

export const disputes = auditRule(
  'disputes',
  'Disputed values',
  'Two sources that cannot both be right about a value.',
  function* (catalogue) {
    const all: readonly (readonly [AuditPlace['type'], string, Described & { readonly id: string }])[] = [
      ...catalogue.catalogue.patterns.map((each) => ['pattern', catalogue.label(each.id), each] as const),
      ...catalogue.catalogue.variants.map((each) => ['variant', catalogue.variantLabel(each.id), each] as const),
    ];
    for (const [type, label, described] of all)
      for (const id of disputedIds(described))
        yield {
          weight: 'look',
          where: { type, id: described.id, at: id },
          says: sentence`Of the ${sayEntry(id)}, ${label}: ${voicesOf(described, id)}.`,
        };
  },
);

/** What each source says, the one that is used first. */
export function voicesOf(described: Described, id: string): Sentence {
  if (!isIdOf('parameter', id))
    return joined((optionOf(described, id)?.voices ?? []).map((voice) => sentence`${who(voice)} says ${voice.says}`));
  const parameter = parameterOf(id);
  return joined(
    (sizeOf(described, parameter)?.voices ?? []).map(
      (voice: Voice<Size>) => sentence`${who(voice)} says ${band(voice.says.limits, parameter.quantity)}`,
    ),
  );
}

const who = ({ source }: Voice<unknown>): string =>
  `${CLAIM_KIND_NAMES[source.kind]}${source.who === undefined ? '' : ` (${source.who}${source.on === undefined ? '' : `, ${source.on}`})`}`;

const joined = (sentences: readonly Sentence[]): Sentence =>
  sentences.flatMap((each, at) => (at === 0 ? each : [', ', ...each]));
