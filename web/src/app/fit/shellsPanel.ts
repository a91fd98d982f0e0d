import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { KINDS, showInterval, STRIPS, type SpecimenSummary, type StripId } from '@which-bore/core';
import { dequal } from 'dequal';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { catchError, distinctUntilChanged, of, switchMap } from 'rxjs';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { Specimens } from '../data/specimens';
import { Said } from '../ui/said';
import { VerdictMark } from '../ui/verdictMark';

const ROWS = [
  { id: 'mains', name: 'Mains', kinds: ['crank', 'block'] },
  { id: 'bigEnds', name: 'Big ends', kinds: ['crank', 'rod'] },
] as const;

/** Shells place by place: by the marks, and by measure, side by side. */
@Component({
  selector: 'wb-shells-panel',
  imports: [FormsModule, NzSelectModule, Said, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './shellsPanel.html',
  styleUrl: './panels.less',
})
export class ShellsPanel {
  private readonly questions = inject(Questions);
  private readonly specimens = inject(Specimens);
  private readonly preferences = inject(Preferences);
  /** Parts that may be meant. */
  readonly parts = input.required<readonly SpecimenSummary[]>();

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
  private readonly specimensMeant = toSignal(
    toObservable(this.meant).pipe(
      switchMap((parts) => this.specimens.opened(parts)),
      distinctUntilChanged((a, b) => dequal(a, b)),
    ),
    { initialValue: [] },
  );
  protected readonly answer = toSignal(
    toObservable(
      computed(() => {
        const strip = this.strip();
        return {
          bearing: this.row(),
          specimens: [...this.specimensMeant()],
          mixed: this.mixed(),
          ...(strip === '' ? {} : { strip }),
        };
      }),
    ).pipe(switchMap((asked) => this.questions.ask('fitShells', asked).pipe(catchError(() => of(undefined))))),
  );
  protected readonly missing = computed(() =>
    (this.answer()?.missing ?? []).map((kind) => KINDS[kind].name.toLowerCase()).join(' and '),
  );

  protected name(kind: string, id: string): void {
    this.named.update((named) => ({ ...named, [kind]: id }));
  }

  protected band(interval: { readonly low: number; readonly high: number }): string {
    return showInterval(interval, 'length', this.preferences.units());
  }
}
