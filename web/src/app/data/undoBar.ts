import { Injectable, signal } from '@angular/core';

interface Undoable {
  readonly says: string;
  readonly undo: () => void;
}

const STAYS_MS = 12_000;

/** The last thing done that can be taken back, offered at the foot of the frame for a while. */
@Injectable({ providedIn: 'root' })
export class UndoBar {
  readonly offered = signal<Undoable | undefined>(undefined);
  private timer: ReturnType<typeof setTimeout> | undefined;

  offer(says: string, undo: () => void): void {
    clearTimeout(this.timer);
    this.offered.set({ says, undo });
    this.timer = setTimeout(() => this.offered.set(undefined), STAYS_MS);
  }

  take(): void {
    this.offered()?.undo();
    this.dismiss();
  }

  dismiss(): void {
    clearTimeout(this.timer);
    this.offered.set(undefined);
  }
}
