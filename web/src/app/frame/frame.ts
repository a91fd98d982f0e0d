import { ChangeDetectionStrategy, Component, computed, ElementRef, inject, signal, viewChild } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzModalModule } from 'ng-zorro-antd/modal';
import { Bench } from '../data/bench';
import { Preferences } from '../data/preferences';
import { Outbox } from '../data/documents/outbox';
import { UndoBar } from '../data/undoBar';
import { EntryLine } from './entryLine';
import { KeyFollower, KEYS, type Action } from './keys';
import { Navigation } from './navigation';

/** What is always there: the strip with the entry line, the stations, the state of saving, help, and undo. */
@Component({
  selector: 'wb-frame',
  imports: [EntryLine, NzButtonModule, NzModalModule, RouterLink, RouterLinkActive, RouterOutlet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'key($event)' },
  templateUrl: './frame.html',
  styleUrl: './frame.less',
})
export class Frame {
  protected readonly preferences = inject(Preferences);
  protected readonly undoBar = inject(UndoBar);
  protected readonly bench = inject(Bench);
  protected readonly outbox = inject(Outbox);
  private readonly router = inject(Router);
  protected readonly navigation = inject(Navigation);
  private readonly entryLine = viewChild.required(EntryLine);
  private readonly page = viewChild.required<ElementRef<HTMLElement>>('page');
  private readonly follower = new KeyFollower();

  protected readonly keys = KEYS;
  protected readonly help = signal(false);
  protected readonly sync = toSignal(this.outbox.sync$, { initialValue: { waiting: 0, away: false, refused: [] } });

  constructor() {
    this.navigation.follow(
      this.router,
      () => this.page().nativeElement,
      // A clear bench waits for what is read.
      (path) => (path === '/bench' && this.bench.specimenId() === undefined ? this.entryLine().element : undefined),
    );
  }

  protected readonly benchLink = computed(() => {
    const id = this.bench.specimenId();
    return id === undefined ? ['/bench'] : ['/bench', id];
  });

  protected readonly saving = computed(() => {
    const { waiting, away, refused } = this.sync();
    const not = refused.length === 0 ? '' : `${refused.length} refused`;
    if (away) return [waiting > 0 ? `Server away: ${waiting} kept here` : 'Server away', not].filter(Boolean).join(', ');
    if (waiting > 0) return waiting === 1 ? 'Saving' : `Saving ${waiting}`;
    return not || 'Saved';
  });

  protected key(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const target = event.target instanceof Element ? event.target : undefined;
    const inField = target?.closest('input, textarea, select, [contenteditable], nz-select') !== null && target !== undefined;
    const action = this.follower.press(event.key, inField, event.timeStamp);
    if (action === undefined) return;
    event.preventDefault();
    this.act(action);
  }

  protected act(action: Action): void {
    switch (action) {
      case 'entry':
        return this.entryLine().focus();
      case 'bench':
        return void this.router.navigate(this.benchLink());
      case 'compare':
      case 'swap':
      case 'jobs':
      case 'shelf':
      case 'catalogue':
      case 'rules':
      case 'drill':
        return void this.router.navigate([`/${action}`]);
      case 'new':
        return this.clear();
      case 'help':
        return this.help.set(true);
      case 'undo':
        return this.undo();
      case 'units':
        return this.preferences.units.update((units) => (units === 'metric' ? 'inch' : 'metric'));
      case 'ground':
        return this.preferences.ground.update((ground) => (ground === 'light' ? 'dark' : 'light'));
    }
  }

  private clear(): void {
    this.bench.specimenId.set(undefined);
    void this.router.navigate(['/bench']).then(() => this.entryLine().focus());
  }

  private undo(): void {
    if (this.undoBar.offered()) this.undoBar.take();
    else this.bench.undo();
  }
}
