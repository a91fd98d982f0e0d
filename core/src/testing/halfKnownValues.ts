import { CatalogueLookup } from '../catalogue/lookup';
import { agree, entryOf, LikelyValues } from '../catalogue/likelyValues';
import { KIND_IDS } from '../dictionary/dictionary';
import { thinned } from '../interchange/halfKnown';
import { random } from '../quantity/random';
import { CATALOGUE, LOOKUP } from './demo';

/** What is called likely of values of the demo that were left out, half of all, and whether it is so. */
export function halfKnownValues(seed: number): readonly { readonly probability: number; readonly right: boolean }[] {
  const less = new CatalogueLookup(thinned(CATALOGUE, 0.5, random(seed)));
  const likely = new LikelyValues(less);
  return KIND_IDS.flatMap((kind) => {
    const thin = new Map(less.partsOfKind(kind).map((part) => [part.pattern, part]));
    return LOOKUP.partsOfKind(kind).flatMap((truth) => {
      const mine = thin.get(truth.pattern);
      const ids = [truth.values, truth.looks, truth.interfaces].flatMap((entries) => Object.keys(entries));
      return ids.flatMap((id) => {
        const is = entryOf(truth, id);
        if (!mine || truth.pattern === undefined || is === undefined || entryOf(mine, id) !== undefined) return [];
        const found = likely.of(truth.pattern, id);
        return found ? [{ probability: found.probability, right: agree(found.is, is) }] : [];
      });
    });
  });
}
