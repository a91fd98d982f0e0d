import type { SetSearch } from '@which-bore/core';

const count = (value: number): string => value.toLocaleString('en-GB');

/** How far a search for sets has come, in a sentence. */
export function sayProgress(search: SetSearch | undefined, busy: 'waiting' | SetSearch['part']): string {
  if (!search || !busy) return '';
  const again = search.takenUp > 1 ? ' The server that had begun it went down; another has taken it over.' : '';
  if (search.state === 'stopping') return 'Stopping…';
  if (busy === 'waiting') {
    const { ahead = 0 } = search;
    return ahead === 0 ? 'Its turn is next…' : `Waiting for its turn: ${count(ahead)} ahead of it…`;
  }
  if (busy === 'conflicts') return `No set meets all of it. Looking for what stands in the way…${again}`;
  if (busy === 'worth') return `Nothing better exists. Looking what each demand costs…${again}`;
  const { progress } = search;
  if (!progress) return `Looking through the sets…${again}`;
  const { combinations, looked, bound, sets } = progress;
  const [best] = sets;
  const gap =
    best && bound !== undefined && best.score > 0
      ? ` The best so far counts ${count(best.score)}; what is left counts no less than ${count(bound)}, ${Math.max(0, Math.round((100 * (best.score - bound)) / best.score))} % below it.`
      : '';
  return `Looking through ${count(combinations)} choices: ${count(looked)} looked at whole, the others ruled out or still to come.${gap}${again}`;
}

/** What stands over an answer that nobody has asked for yet. */
export const sayTyped = (found: boolean): string =>
  `Worked out as you type. Press Find sets for ${found ? 'what each demand costs' : 'what stands in the way and what would do'}, and for an address that others can open.`;
