import type { Fitment } from '../catalogue/pattern.js';

/** Only some engines or years carry it, and why: what an answer that rests on it has to say. */
export function exceptionSaid({ from, to, share, note }: Fitment): string {
  const years =
    from !== undefined && to !== undefined
      ? `from ${from} to ${to}`
      : from !== undefined
        ? `from ${from} on`
        : to !== undefined
          ? `up to ${to}`
          : undefined;
  const some = share === undefined ? undefined : `in ${Number((100 * share).toPrecision(2))} of 100`;
  const only = [years, some].filter((each) => each !== undefined).join(', ');
  if (only === '' && note === undefined) return '';
  const because = note === undefined ? '' : `“${note.replace(/\.$/, '')}”`;
  return only === '' ? ` ${because}` : ` Only ${only}${because && `: ${because}`}.`;
}
