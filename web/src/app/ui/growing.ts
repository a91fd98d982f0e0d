import { computed, DestroyRef, effect, inject, signal, untracked, type Signal } from '@angular/core';

/**
 * A list that is drawn bit by bit: its first entries at once, then some more with each turn of the page, so that no turn
 * takes long however many there are. What was drawn stays when the list changes. To be called where a component is made.
 *
 * @param atOnce entries that are drawn in one turn
 */
export function growing<T>(list: Signal<readonly T[]>, atOnce: number): Signal<readonly T[]> {
  const drawn = signal(atOnce);
  let timer: ReturnType<typeof setTimeout> | undefined;
  effect(() => {
    if (drawn() >= list().length || timer !== undefined) return;
    timer = setTimeout(() => {
      timer = undefined;
      drawn.set(untracked(drawn) + atOnce);
    });
  });
  inject(DestroyRef).onDestroy(() => clearTimeout(timer));
  return computed(() => (drawn() >= list().length ? list() : list().slice(0, drawn())));
}
