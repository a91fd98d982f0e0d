import { showValue, type SetTold, type UnitSystem } from '@which-bore/core';

/** Days until all of a set can be had: `6+` where nobody says it of everything, `?` where nobody says it at all. */
export const sayDays = ({ days, unpromised, buys }: SetTold): string => {
  if (buys === 0) return '—';
  if (!unpromised) return String(days);
  return days > 0 ? `${days}+` : '?';
};

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
