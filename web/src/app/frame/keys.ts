/** A key or pair of keys, and what it does: the `?` help lists them from here, and the frame acts on them. */
interface KeyBinding {
  readonly keys: string;
  readonly does: string;
  readonly action: Action;
}

export type Action =
  | 'entry'
  | 'bench'
  | 'compare'
  | 'swap'
  | 'plan'
  | 'fit'
  | 'order'
  | 'jobs'
  | 'shelf'
  | 'catalogue'
  | 'rules'
  | 'practice'
  | 'gauge'
  | 'help'
  | 'undo'
  | 'meant'
  | 'new'
  | 'ground'
  | 'units';

export const KEYS: readonly KeyBinding[] = [
  { keys: '/', does: 'To the entry line', action: 'entry' },
  { keys: 'g b', does: 'Go to the Bench', action: 'bench' },
  { keys: 'g c', does: 'Go to Compare', action: 'compare' },
  { keys: 'g s', does: 'Go to Swap', action: 'swap' },
  { keys: 'g p', does: 'Go to the Plan', action: 'plan' },
  { keys: 'g f', does: 'Go to Fit', action: 'fit' },
  { keys: 'g o', does: 'Go to Order', action: 'order' },
  { keys: 'g j', does: 'Go to the Jobs', action: 'jobs' },
  { keys: 'g h', does: 'Go to the Shelf', action: 'shelf' },
  { keys: 'g k', does: 'Go to the Catalogue', action: 'catalogue' },
  { keys: 'g r', does: 'Go to the House rules', action: 'rules' },
  { keys: 'g t', does: 'Go to Practice', action: 'practice' },
  { keys: 'n', does: 'Clear the bench for another part', action: 'new' },
  { keys: 'u', does: 'Take the last change back', action: 'undo' },
  { keys: 'y', does: 'Take the figure that was probably meant', action: 'meant' },
  { keys: 'F9', does: 'Have the gauge send its figure', action: 'gauge' },
  { keys: 'm', does: 'Millimetres or inches', action: 'units' },
  { keys: 'd', does: 'Light or dark ground', action: 'ground' },
  { keys: '?', does: 'This help', action: 'help' },
];

const WITHIN_MS = 1200;

/** Follows key presses and tells which binding they complete. Keys typed into a field are the field's own. */
export class KeyFollower {
  private first: { readonly key: string; readonly at: number } | undefined;

  /** @param now milliseconds on any clock */
  press(key: string, inField: boolean, now: number): Action | undefined {
    if (inField) {
      this.first = undefined;
      return undefined;
    }
    const before = this.first && now - this.first.at <= WITHIN_MS ? `${this.first.key} ` : '';
    const hit =
      KEYS.find((binding) => binding.keys === before + key) ??
      (before ? undefined : KEYS.find((binding) => binding.keys === key));
    this.first = !hit && KEYS.some((binding) => binding.keys.startsWith(`${key} `)) ? { key, at: now } : undefined;
    return hit?.action;
  }
}
