import type { CatalogueLookup } from '../catalogue/lookup.js';
import { supersessionOf } from '../catalogue/supersession.js';

/** A number something can be ordered by. */
export interface NumberToOrder {
  /** As the records have it. */
  readonly number: string;
  readonly maker?: string;
  /** What it goes by today: the same, or what replaced it in the end. */
  readonly living: string;
  /** Numbers between the two. */
  readonly through: readonly string[];
  /** The records lead back on themselves: it cannot be ordered. */
  readonly circle: boolean;
  /** The pattern that carries the living number, where it is another: a part that replaces this one. */
  readonly replacedBy?: string;
}

/** The numbers of a pattern, each followed to its living end. */
export function numbersToOrder(catalogue: CatalogueLookup, pattern: string): readonly NumberToOrder[] {
  return (catalogue.pattern(pattern)?.numbers ?? []).map((number): NumberToOrder => {
    const { way, circle } = supersessionOf(catalogue, number);
    const living = circle ? number.number : (way.at(-1) ?? number.number);
    const carriers = living === number.number ? [] : catalogue.withNumber(living).map((each) => each.pattern.id);
    const [another] = carriers.includes(pattern) ? [] : carriers;
    return {
      number: number.number,
      ...(number.maker === undefined ? {} : { maker: catalogue.labelOf('maker', number.maker) }),
      living,
      through: circle ? way : way.slice(0, -1),
      circle,
      ...(another === undefined ? {} : { replacedBy: another }),
    };
  });
}
