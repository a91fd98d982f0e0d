import { LIST_OF, type RecordType } from '../catalogue/catalogue.js';
import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { ChoiceTold } from '../contract/index.js';
import { KINDS, type KindId } from '../dictionary/dictionary.js';

interface Named extends ChoiceTold {
  /** What words are looked for in: name, kind and id, lower case. */
  readonly text: string;
}

/**
 * The names of records, written out once, so that a picker that narrows with every key does not name them all each
 * time.
 */
export class Choices {
  private readonly named = new Map<RecordType, readonly Named[]>();

  constructor(private readonly catalogue: CatalogueLookup) {}

  /**
   * The first records that bear all the words.
   *
   * @param chosen id of one that is told first, whatever the words are, even where no record bears it any more
   */
  of(
    type: RecordType,
    kinds: readonly KindId[] | undefined,
    words: string,
    most: number,
    chosen: string | undefined,
  ): readonly ChoiceTold[] {
    const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
    const found: ChoiceTold[] = [];
    if (chosen !== undefined) {
      const pattern = type === 'pattern' ? this.catalogue.pattern(chosen) : undefined;
      found.push({
        id: chosen,
        label: this.catalogue.labelOf(type, chosen),
        ...(pattern ? { kind: pattern.kind } : {}),
      });
    }
    for (const each of this.all(type)) {
      if (found.length >= most + (chosen === undefined ? 0 : 1)) break;
      if (each.id === chosen || (kinds && (each.kind === undefined || !kinds.includes(each.kind)))) continue;
      if (wanted.every((word) => each.text.includes(word))) found.push(each);
    }
    return found;
  }

  private all(type: RecordType): readonly Named[] {
    let named = this.named.get(type);
    if (!named) {
      named = this.catalogue.catalogue[LIST_OF[type]].map((record): Named => {
        const label = this.catalogue.labelOf(type, record.id);
        return {
          id: record.id,
          label,
          text: `${label} ${'kind' in record ? KINDS[record.kind].name : ''} ${record.id}`.toLowerCase(),
          ...('kind' in record ? { kind: record.kind } : {}),
        };
      });
      this.named.set(type, named);
    }
    return named;
  }
}
