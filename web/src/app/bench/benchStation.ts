import { ChangeDetectionStrategy, Component, computed, effect, inject, input, signal } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { toSignal } from '@angular/core/rxjs-interop';
import {
  ToolDrawer,
  featureOf,
  idFrom,
  markPlaceOf,
  partFromSpecimen,
  patternFromReadings,
  sayLook,
  type KindId,
  type Specimen,
} from '@which-bore/core';
import { DONOR_KINDS } from '@which-bore/core/meetings';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { Bench } from '../data/bench';
import { finalize } from 'rxjs';
import { Api, ApiError } from '../data/api';
import { Preferences } from '../data/preferences';
import { Questions } from '../data/questions';
import { Records } from '../data/records';
import { ShopData } from '../data/shopData';
import { UndoBar } from '../data/undoBar';
import { Specimens } from '../data/specimens';
import { CompareLink } from '../ui/compareLink';
import { PartDrawing } from '../ui/drawing/partDrawing';
import { LineUpList } from '../ui/lineUp/lineUpList';
import { InTurn } from '../ui/turns';
import { ComesWith } from './comesWith';
import { ConfirmName } from './confirmName';
import { NextCheck } from './nextCheck';
import { SizeTable } from './sizeTable';
import { Tray } from './tray';
import { WhichKind } from './whichKind';

/** The part on the bench: what was read of it, what it may be, and its picture. */
@Component({
  selector: 'wb-bench-station',
  imports: [
    ComesWith,
    CompareLink,
    ConfirmName,
    InTurn,
    LineUpList,
    NextCheck,
    NzButtonModule,
    NzIconModule,
    PartDrawing,
    RouterLink,
    SizeTable,
    Tray,
    WhichKind,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './benchStation.html',
  styleUrl: './benchStation.less',
})
export class BenchStation {
  protected readonly bench = inject(Bench);
  private readonly specimens = inject(Specimens);
  private readonly router = inject(Router);
  private readonly api = inject(Api);
  private readonly questions = inject(Questions);
  private readonly records = inject(Records);
  private readonly preferences = inject(Preferences);
  private readonly undoBar = inject(UndoBar);

  /** Id of the specimen, from the address. */
  readonly specimen = input<string>();
  /** Pattern id of the candidate laid open, from the address. */
  readonly candidate = input<string>();

  protected readonly opening = signal<'opening' | 'there' | 'missing' | 'away'>('there');
  protected readonly recent = toSignal(this.specimens.all$, { initialValue: [] });

  /** The candidate laid open: the one asked for, else the likeliest, else none where nothing fits. */
  protected readonly shownCandidate = computed(() => {
    const lineUp = this.bench.lineUp();
    const asked = this.candidate();
    if (asked !== undefined) return asked;
    return lineUp?.status === 'nothingFits' ? undefined : lineUp?.candidates[0]?.pattern;
  });
  /** The candidates that a comparison would take along: the one laid open. */
  protected readonly against = computed(() => {
    const id = this.shownCandidate();
    return id === undefined ? [] : [`pattern:${id}`];
  });
  protected readonly pattern = computed(() => this.records.record('pattern', this.shownCandidate()));

  /** The likeliest pattern, as it is on record. */
  protected readonly likeliest = computed(
    () => this.bench.lineUp()?.candidates.find(({ own }) => own === undefined)?.pattern,
  );
  /** How the pattern is called that the part is known to be. */
  protected readonly confirmedLabel = computed(() => {
    const id = this.bench.specimen()?.confirmed?.pattern;
    return id === undefined ? undefined : this.records.label('pattern', id);
  });

  /** Whether parts of this kind are put to others at all. */
  protected readonly goesSomewhere = computed(() => DONOR_KINDS.includes(this.bench.kind()));
  protected readonly drawer = toSignal(inject(ShopData).drawer$, { initialValue: new ToolDrawer() });

  /** The specimen with the words being typed, so that the drawing follows them. */
  private readonly asTyped = computed((): Specimen => {
    const typed = this.bench.draftEntry().words.map((is, at) => ({ id: `draft-${at}`, at: '', is }));
    return {
      id: this.bench.specimen()?.id ?? '',
      name: this.bench.specimen()?.name ?? '',
      kind: this.bench.kind(),
      readings: [...this.bench.readings(), ...typed],
    };
  });
  protected readonly measured = computed(() => partFromSpecimen(this.asTyped(), undefined, this.drawer()));
  protected readonly drawn = computed(() => {
    const pattern = this.pattern();
    return partFromSpecimen(this.asTyped(), pattern?.kind === this.bench.kind() ? pattern : undefined, this.drawer());
  });

  constructor() {
    effect(() => {
      const id = this.specimen();
      // Without an id in the address the part that was on the bench stays there.
      if (id === undefined) {
        this.opening.set('there');
        const current = this.bench.specimenId();
        if (current !== undefined) void this.router.navigate(['/bench', current], { replaceUrl: true });
        return;
      }
      this.bench.specimenId.set(id);
      if (this.specimens.peek(id) === undefined) this.opening.set('opening');
      void this.specimens.open(id).then((state) => {
        if (this.specimen() === id) this.opening.set(state);
      });
    });
  }

  /** Where on the drawing the next check is. */
  protected readonly wanted = computed(() => this.bench.identified()?.next.checks[0]?.drawing);
  protected readonly calculate = (pattern: string, text: string) => this.bench.calculation(pattern, text);

  protected readonly adding = signal(false);
  protected readonly refused = signal<string | undefined>(undefined);

  /** Puts the part into the catalogue as a pattern of its own, and goes to it. */
  protected addPattern(specimen: Specimen): void {
    const name = this.preferences.name().trim();
    const id = `${idFrom(specimen.name)}-${specimen.id.slice(0, 6)}`;
    const pattern = patternFromReadings(
      specimen,
      id,
      new Date().toISOString().slice(0, 10),
      name === '' ? undefined : name,
      this.bench.lineUp()?.status === 'sister' ? this.pattern() : undefined,
    );
    this.adding.set(true);
    this.refused.set(undefined);
    this.api
      .putRecord('pattern', pattern, 0)
      .pipe(finalize(() => this.adding.set(false)))
      .subscribe({
        next: ({ version }) => {
          this.questions.refresh();
          this.undoBar.offer(`Added “${pattern.name}” to the catalogue.`, () =>
            this.api
              .removeRecord('pattern', id, version)
              .subscribe({ next: () => this.questions.refresh(), error: () => undefined }),
          );
          void this.router.navigate(['/catalogue/pattern', id]);
        },
        error: (error: unknown) =>
          this.refused.set(error instanceof ApiError ? error.message : 'It could not be added. Try again.'),
      });
  }

  protected see({ feature, option }: { readonly feature: string; readonly option: string }): void {
    const seen = featureOf(feature);
    this.go(this.bench.take({ sort: 'look', text: sayLook(seen, option), feature, option }));
  }

  protected noMark(place: string): void {
    this.go(
      this.bench.take({
        sort: 'mark',
        text: `no mark on ${markPlaceOf(place).words[0] ?? markPlaceOf(place).name}`,
        characters: '',
        place,
      }),
    );
  }

  private go(specimen: string): void {
    if (this.specimen() === undefined) void this.router.navigate(['/bench', specimen]);
  }

  protected choose(candidate: string): void {
    void this.router.navigate([], { queryParams: { candidate }, queryParamsHandling: 'merge', replaceUrl: true });
  }

  /** Takes the words of the line as read on this kind of part. */
  protected takeAs(kind: KindId): void {
    this.bench.setKind(kind);
    const id = this.bench.enter();
    if (id !== undefined) this.go(id);
  }

  protected clear(): void {
    this.bench.clear();
    void this.router.navigate(['/bench']);
  }
}
