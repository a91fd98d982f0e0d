import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router } from '@angular/router';
import { Bench } from '../data/bench';
import { NOTHING_WAITS, Outbox } from '../data/documents/outbox';
import { Gauge } from '../data/gauge';
import { Preferences } from '../data/preferences';
import { UndoBar } from '../data/undoBar';
import { EntryLine } from './entryLine';
import { GaugeLamp } from './gaugeLamp';
import { Help } from './help';
import { KeyFollower, type Action } from './keys';
import { Navigation } from './navigation';

/** The strip at the top: the entry line, the state of saving, units, ground and help; and what the keys do. */
@Component({
  selector: 'wb-strip',
  imports: [EntryLine, GaugeLamp, Help],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { '(document:keydown)': 'key($event)' },
  templateUrl: './strip.html',
  styleUrl: './strip.less',
})
export class Strip {
  protected readonly preferences = inject(Preferences);
  private readonly undoBar = inject(UndoBar);
  private readonly bench = inject(Bench);
  private readonly router = inject(Router);
  private readonly gauge = inject(Gauge);
  private readonly entryLine = viewChild.required(EntryLine);
  private readonly follower = new KeyFollower();

  protected readonly help = signal(false);
  protected readonly sync = toSignal(inject(Outbox).sync$, { initialValue: NOTHING_WAITS });

  constructor() {
    const navigation = inject(Navigation);
    // A clear bench waits for what is read.
    afterNextRender(() =>
      navigation.offerField((path) =>
        path === '/bench' && this.bench.specimenId() === undefined ? this.entryLine().element : undefined,
      ),
    );
  }

  protected readonly saving = computed(() => {
    const { waiting, away, refused } = this.sync();
    const not = refused.length === 0 ? '' : `${refused.length} refused`;
    if (away)
      return [waiting > 0 ? `Server away: ${waiting} kept here` : 'Server away', not].filter(Boolean).join(', ');
    if (waiting > 0) return waiting === 1 ? 'Saving' : `Saving ${waiting}`;
    return not || 'Saved';
  });

  protected key(event: KeyboardEvent): void {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    // A pedal presses it, whatever has the focus.
    if (event.key === 'F9') {
      event.preventDefault();
      return this.act('gauge');
    }
    const target = event.target instanceof Element ? event.target : undefined;
    const inField =
      target?.closest('input, textarea, select, [contenteditable], nz-select') !== null && target !== undefined;
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
        return void this.router.navigate(['/bench']);
      case 'compare':
      case 'swap':
      case 'plan':
      case 'fit':
      case 'order':
      case 'jobs':
      case 'shelf':
      case 'catalogue':
      case 'rules':
      case 'practice':
        return void this.router.navigate([`/${action}`]);
      case 'gauge':
        return this.gauge.ask();
      case 'new':
        return this.clear();
      case 'help':
        return this.help.set(true);
      case 'undo':
        return this.undo();
      case 'meant':
        return this.bench.takeMeant();
      case 'units':
        return this.preferences.units.update((units) => (units === 'metric' ? 'inch' : 'metric'));
      case 'ground':
        return this.preferences.ground.update((ground) => (ground === 'light' ? 'dark' : 'light'));
    }
  }

  private clear(): void {
    this.bench.clear();
    void this.router.navigate(['/bench']).then(() => this.entryLine().focus());
  }

  private undo(): void {
    if (this.undoBar.offered()) this.undoBar.take();
    else this.bench.undo();
  }
}
