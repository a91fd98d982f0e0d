import { showValue, type SetTold, type UnitSystem } from '@which-bore/core';

/** What a set changes and what the figures then come to, in few words. */
export function comesTo({ parts: all, figures: reached }: SetTold, units: UnitSystem): string {
  const parts = all.filter(({ from }) => from !== 'there').map(({ name }) => name.toLowerCase());
  const figures = reached.flatMap(({ name, reaches, quantity }) =>
    reaches ? [`${name.toLowerCase()} ${showValue(reaches.low, quantity, units)}`] : [],
  );
  return [parts.length > 0 ? `other ${[...new Set(parts)].join(', ')}` : '', ...new Set(figures)]
    .filter((each) => each !== '')
    .join('; ');
}
