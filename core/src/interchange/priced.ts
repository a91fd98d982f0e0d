import type { WorkOption } from '../joints/index.js';

/** Work with what it takes. */
export interface Priced extends WorkOption {
  readonly hours: number;
  readonly price: number;
}

/** The same thing fitted for the sake of two checks is bought and fitted once. */
export function onceEach(works: readonly Priced[]): readonly Priced[] {
  const bought = ({ name, buy }: Priced): string => `${name} ${buy.join()}`;
  return works.filter(
    (work, at) => work.buy.length === 0 || works.findIndex((other) => bought(other) === bought(work)) === at,
  );
}
