import { ChangeDetectionStrategy, Component, computed, inject, input, signal, type Signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { KINDS, showInterval, STRIPS, type Specimen, type SpecimenSummary, type StripId } from '@which-bore/core';
import { dequal } from 'dequal';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { catchError, distinctUntilChanged, of, startWith, switchMap, type Observable } from 'rxjs';
import { Orders } from '../data/orders';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { Specimens } from '../data/specimens';
import { Said } from '../ui/said';
import { VerdictMark } from '../ui/verdictMark';

const ROWS = [
  { id: 'mains', name: 'Mains', kinds: ['crank', 'block'], shell: 'mainShell' },
  { id: 'bigEnds', name: 'Big ends', kinds: ['crank', 'rod'], shell: 'rodShell' },
] as const;

/** Shells place by place: by the marks, and by measure, side by side. */
@Component({
  selector: 'wb-shells-panel',
  imports: [FormsModule, NzButtonModule, NzSelectModule, RouterLink, Said, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './shellsPanel.html',
  styleUrl: './panels.less',
})
export class ShellsPanel {
  private readonly questions = inject(Questions);
  private readonly specimens = inject(Specimens);
  private readonly orders = inject(Orders);
  private readonly preferences = inject(Preferences);
  private readonly reservations = toSignal(this.orders.reservations$.pipe(startWith([])), { requireSync: true });
  /** Parts that may be meant. */
  readonly parts = input.required<readonly SpecimenSummary[]>();
  /** For which job; empty where it is for none. */
  readonly job = input('');

  protected readonly rows = ROWS;
  protected readonly row = signal<'mains' | 'bigEnds'>('mains');
  protected readonly mixed = signal(false);
  protected readonly strips = STRIPS;
  /** Sort of crush strip that was laid in; none where they are left out. */
  protected readonly strip = signal<StripId | ''>('');
  private readonly named = signal<Readonly<Record<string, string>>>({});

  /** For each kind the parts there are, and which is meant. Rods go in all together. */
  protected readonly sides = computed(() =>
    (ROWS.find(({ id }) => id === this.row())?.kinds ?? []).map((kind) => {
      const parts = this.parts().filter((part) => part.kind === kind);
      return { kind, name: KINDS[kind].name, parts, meant: this.named()[kind] ?? parts[0]?.id };
    }),
  );
  private readonly meant = computed(
    () =>
      this.sides().flatMap(({ kind, parts, meant }) =>
        kind === 'rod' ? parts : parts.filter(({ id }) => id === meant),
      ),
    { equal: dequal },
  );
  private readonly specimensMeant = toSignal(this.opened(this.meant), { initialValue: [] });
  protected readonly answer = toSignal(
    toObservable(
      computed(() => {
        const strip = this.strip();
        return {
          bearing: this.row(),
          specimens: [...this.specimensMeant()],
          mixed: this.mixed(),
          ...(this.job() === '' ? {} : { jobId: this.job() }),
          ...(strip === '' ? {} : { strip }),
        };
      }),
    ).pipe(switchMap((asked) => this.questions.ask('fitShells', asked).pipe(catchError(() => of(undefined))))),
  );
  protected readonly missing = computed(() =>
    (this.answer()?.missing ?? []).map((kind) => KINDS[kind].name.toLowerCase()).join(' and '),
  );

  private opened(parts: Signal<readonly SpecimenSummary[]>): Observable<readonly Specimen[]> {
    return toObservable(parts).pipe(
      switchMap((each) => this.specimens.opened(each)),
      distinctUntilChanged((a, b) => dequal(a, b)),
    );
  }

  /** Why a pair could not be put aside. */
  protected readonly problem = signal('');
  protected readonly anyOnShelf = computed(() => this.answer()?.places.some(({ onShelf }) => onShelf) ?? false);

  protected isPutAside(specimen: string): boolean {
    return this.reservations().some((each) => each.specimen === specimen && each.job === this.job());
  }

  protected async putAside(specimen: string): Promise<void> {
    this.problem.set('');
    await this.orders
      .hold(specimen, this.job())
      .catch((error: unknown) => this.problem.set(error instanceof Error ? error.message : String(error)));
  }

  protected name(kind: string, id: string): void {
    this.named.update((named) => ({ ...named, [kind]: id }));
  }

  protected band(interval: { readonly low: number; readonly high: number }): string {
    return showInterval(interval, 'length', this.preferences.units());
  }
}
