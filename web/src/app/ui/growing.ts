import { computed, DestroyRef, effect, inject, signal, untracked, type Signal } from '@angular/core';
import { Turns } from './turns';

/** What is drawn of a list, and whether that is all of it. */
type Growing<T> = Signal<readonly T[]> & { readonly isWhole: Signal<boolean> };

/**
 * A list that is drawn bit by bit: its first entries at once, then some more with each turn of the page, so that no
 * turn takes long however many there are. What was drawn stays when the list changes. To be called where a component is
 * made.
 *
 * @param atOnce entries that are drawn in one turn
 * @param after a list that is drawn to its end before this one begins
 */
export function growing<T>(list: Signal<readonly T[]>, atOnce: number, after?: Growing<unknown>): Growing<T> {
  const turns = inject(Turns);
  const drawn = signal(after ? 0 : atOnce);
  let callOff: (() => void) | undefined;
  effect(() => {
    if (drawn() >= list().length || callOff !== undefined || after?.isWhole() === false) return;
    callOff = turns.next(() => {
      callOff = undefined;
      drawn.set(untracked(drawn) + atOnce);
    });
  });
  inject(DestroyRef).onDestroy(() => callOff?.());
  const isWhole = computed(() => drawn() >= list().length && (after?.isWhole() ?? true));
  return Object.assign(
    computed(() => (drawn() >= list().length ? list() : list().slice(0, drawn()))),
    { isWhole },
  );
}
