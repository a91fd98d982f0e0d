import { describedAs, isOptionOf } from '../dictionary/dictionary.js';
import type { Phrases, Read } from './phrases.js';
import { unread } from './unread.js';

const LAYOUTS: Readonly<Record<string, string>> = {
  v: 'vee',
  i: 'inline',
  l: 'inline',
  inline: 'inline',
  straight: 'inline',
  flat: 'flat',
};
const JOINED = /^(v|i|l)-?(\d{1,2})$/i;

/** `V8`, `straight six`, `inline 4`: how many cylinders, and how they lie where that is asked of the part. */
export function layoutWords(phrases: Phrases, from: number): Read | undefined {
  const { features } = describedAs(phrases.kind) as {
    readonly features: Readonly<Record<string, { readonly id: string }>>;
  };
  const { cylinders, layout } = features;
  if (!cylinders) return undefined;
  const joined = JOINED.exec(phrases.tokens[from]?.text ?? '');
  const apart = LAYOUTS[phrases.tokens[from]?.text.toLowerCase() ?? ''];
  const figures = joined ? undefined : apart ? phrases.figures(from + 1) : undefined;
  const count = joined ? Number(joined[2]) : figures?.values[0];
  if (count === undefined || !Number.isInteger(count)) return undefined;
  if (figures !== undefined && (figures.unit !== undefined || figures.values.length > 1)) return undefined;
  const next = from + (joined ? 1 : 2);
  const text = phrases.source(from, next);
  if (count < 1 || count > 16) return { is: unread(text, ['An engine has one to sixteen cylinders.']), next };
  const lies = LAYOUTS[(joined?.[1] ?? '').toLowerCase()] ?? apart;
  return {
    is: { sort: 'look', text, feature: cylinders.id, option: String(count) },
    ...(layout && lies && isOptionOf(layout as Parameters<typeof isOptionOf>[0], lies)
      ? { also: [{ sort: 'look', text, feature: layout.id, option: lies }] }
      : {}),
    next,
  };
}
