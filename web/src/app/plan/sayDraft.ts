import { OPERATIONS, TAKEN_FROM } from '@which-bore/core';
import { LIMITS, SHAPED, type DemandDraft } from './demandDraft';

/** What fields are about, as the page calls it. */
export interface Called {
  readonly place: (slot: string) => string;
  /** A part that was named. */
  readonly part: (address: string) => string;
  readonly figure: (id: string) => { readonly name: string; readonly unit: string };
  readonly supplier: (id: string) => string;
  /** The unit of lengths. */
  readonly length: string;
}

const band = (low: string, high: string): string =>
  low.trim() === '' ? `at most ${high}` : high.trim() === '' ? `at least ${low}` : `${low} to ${high}`;

/** What was demanded, a line each, as it is put on paper over the sets that meet it. */
export function sayDraft(draft: DemandDraft, called: Called): readonly string[] {
  const places = Object.entries(draft.places).flatMap(([slot, { from, parts, mayStay }]) => {
    if (from === 'stays') return [];
    const where = from === 'these' ? parts.map((each) => called.part(each)).join('; ') : TAKEN_FROM[from];
    return [`${called.place(slot)}: ${where}${mayStay ? ', or as it is' : ''}`];
  });
  const targets = draft.targets
    .filter(({ figure, low, high }) => figure !== '' && `${low}${high}`.trim() !== '')
    .map(({ figure, low, high, wished }) => {
      const { name, unit } = called.figure(figure);
      return `${name}: ${band(low.trim(), high.trim())} ${unit}`.trim() + (wished ? ', wished' : '');
    });
  const limits = LIMITS.filter(({ id }) => draft.limits[id].trim() !== '').map(
    ({ id, name }) => `${name}: no more than ${draft.limits[id].trim()}`,
  );
  const cuts = Object.entries(draft.shape).flatMap(([id, most]) =>
    most.trim() === '' ? [] : [`${SHAPED[id as keyof typeof SHAPED] ?? id}: ${most.trim()} ${called.length}`],
  );
  const others = [
    ...(draft.engines.trim() === '' ? [] : [`Engines to build at once: ${draft.engines.trim()}`]),
    ...(draft.suppliers.length === 0
      ? []
      : [`Only from ${draft.suppliers.map((id) => called.supplier(id)).join(', ')}`]),
    ...(draft.reversible ? ['No work that cannot be taken back'] : []),
    ...(draft.forbid.length === 0 ? [] : [`Not done: ${draft.forbid.map((id) => OPERATIONS[id].name).join(', ')}`]),
  ];
  return [...places, ...targets, ...limits, ...cuts, ...others];
}
