import {
  ApplicationRef,
  Directive,
  effect,
  inject,
  Injectable,
  input,
  TemplateRef,
  ViewContainerRef,
} from '@angular/core';

/**
 * Pieces of work done one after the other, each in a turn of the page of its own, so that none holds up what is typed.
 * What a piece changes is drawn in its turn: left to itself the page would draw several pieces in one go.
 */
@Injectable({ providedIn: 'root' })
export class Turns {
  private readonly page = inject(ApplicationRef);
  private readonly waiting = new Set<() => void>();
  private timer: ReturnType<typeof setTimeout> | undefined;

  /**
   * Does the work in the next turn that is free.
   *
   * @returns the way to call it off
   */
  next(work: () => void): () => void {
    const once = () => work();
    this.waiting.add(once);
    this.goOn();
    return () => this.waiting.delete(once);
  }

  private goOn(): void {
    this.timer ??= setTimeout(() => {
      this.timer = undefined;
      const [first] = this.waiting;
      if (!first) return;
      this.waiting.delete(first);
      // The next one comes, however this one ends.
      if (this.waiting.size > 0) this.goOn();
      first();
      this.page.tick();
    });
  }
}

/**
 * Draws a part of a view in a turn of its own, after what stands before it: `<wb-size-table *wbInTurn … />`. For parts
 * that are large, or far down; a list of many like entries is `growing`. With what the part is about,
 * `*wbInTurn="specimen.id"`, it is drawn anew in a turn of its own when that is another one.
 */
@Directive({ selector: '[wbInTurn]' })
export class InTurn {
  /** Id of what the part of the view is about, where it may become another one while the view stands. */
  readonly about = input<string | undefined>('', { alias: 'wbInTurn' });

  constructor() {
    const [turns, template, container] = [inject(Turns), inject(TemplateRef), inject(ViewContainerRef)];
    effect((onCleanup) => {
      this.about();
      onCleanup(turns.next(() => container.createEmbeddedView(template).detectChanges()));
      onCleanup(() => container.clear());
    });
  }
}
