import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { Variant } from '../catalogue/pattern.js';
import { KIND_IDS, KINDS, type KindId } from '../dictionary/dictionary.js';
import { either } from '../quantity/phrase.js';
import type { Sentence } from '../quantity/sentence.js';
import { fitmentsOf } from './eras.js';

/** An engine that carries the same as the likeliest, in all places of which a part was read. */
export interface Alike {
  readonly variant: string;
  /** Kinds in which they differ; none where they are the same in every place. */
  readonly tellBy: readonly KindId[];
  readonly says: Sentence;
}

/** Less likely than this an engine is not asked about. */
const ASKED_FROM = 0.02;
/** As many kinds are named that would tell. */
const NAMED = 4;

/**
 * Engines that what was read does not tell from the likeliest one.
 *
 * @param engines likeliest first
 * @param read kinds of which something was read
 */
export function alikeInParts(
  catalogue: CatalogueLookup,
  [first, ...others]: readonly { readonly variant: Variant; readonly probability: number }[],
  read: ReadonlySet<KindId>,
): Alike[] {
  if (!first) return [];
  const carried = (variant: Variant, kind: KindId) =>
    [...new Set(fitmentsOf(variant, kind).map(({ pattern }) => pattern))].sort().join();
  return others
    .filter(({ probability }) => probability >= ASKED_FROM)
    .flatMap(({ variant }) => {
      const tellBy = KIND_IDS.filter((kind) => carried(variant, kind) !== carried(first.variant, kind));
      if (tellBy.some((kind) => read.has(kind))) return [];
      const both = `The ${catalogue.variantLabel(first.variant.id)} and the ${catalogue.variantLabel(variant.id)}`;
      const says =
        tellBy.length === 0
          ? `${both} carry the same in every place: no part tells them apart, only a serial number, a tag or a year.`
          : `${both} carry the same of what was read here. They differ in ${either(tellBy.slice(0, NAMED).map((kind) => KINDS[kind].name.toLowerCase()))}: look at one of those.`;
      return [{ variant: variant.id, tellBy, says: [says] }];
    });
}
