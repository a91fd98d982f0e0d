import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import {
  showInterval,
  showValue,
  SUBJECTS,
  type FigureFoundTold,
  type FigureSubject,
  type FigureTold,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Preferences } from '../data/preferences';
import { Said } from '../ui/said';
import { VerdictMark } from '../ui/verdictMark';

interface SubjectShown {
  readonly id: FigureSubject;
  readonly name: string;
  readonly known: readonly FigureTold[];
  /** Those that cannot be told, and what is wanting. */
  readonly untold: readonly FigureTold[];
}

const WORST_FIRST = ['doesNotFit', 'cannotTell', 'fitsWithWork', 'fits'];

/** The figures of a build by subject, each with its verdict, its change against the base, and why it is so. */
@Component({
  selector: 'wb-figure-sheet',
  imports: [NzButtonModule, Said, VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './figureSheet.html',
  styleUrl: './figureSheet.less',
})
export class FigureSheet {
  private readonly preferences = inject(Preferences);
  readonly figures = input.required<readonly FigureTold[]>();
  /** Asks for a figure to be solved backwards, swept or tolerated. */
  readonly taken = output<string>();
  protected readonly open = signal<string | undefined>(undefined);
  protected readonly openSubjects = signal<ReadonlySet<string>>(new Set(['ratio', 'room']));

  protected readonly subjects = computed((): readonly SubjectShown[] =>
    (Object.keys(SUBJECTS) as FigureSubject[]).flatMap((id) => {
      const figures = this.figures().filter(({ subject }) => subject === id);
      const known = figures.filter(({ found }) => found.some(({ value }) => value !== undefined));
      return figures.length === 0
        ? []
        : [{ id, name: SUBJECTS[id], known, untold: figures.filter((each) => !known.includes(each)) }];
    }),
  );

  /** What is out of its limits, or near enough that nobody can tell: first. */
  protected readonly problems = computed(() =>
    this.figures()
      .flatMap((figure) =>
        figure.found
          .filter(({ verdict }) => verdict === 'doesNotFit' || verdict === 'cannotTell')
          .map((found) => ({ figure, found })),
      )
      .sort((a, b) => WORST_FIRST.indexOf(a.found.verdict ?? 'fits') - WORST_FIRST.indexOf(b.found.verdict ?? 'fits')),
  );

  protected value(figure: FigureTold, { value }: FigureFoundTold): string {
    return value === undefined ? 'not known' : showValue(value, figure.quantity, this.preferences.units());
  }

  protected between(figure: FigureTold, { between }: FigureFoundTold): string | undefined {
    if (!between || between.low === between.high) return undefined;
    return showInterval(between, figure.quantity, this.preferences.units());
  }

  /** How it changed against the engine it starts from; nothing where it did not. */
  protected change(figure: FigureTold, { value, base }: FigureFoundTold): string | undefined {
    if (value === undefined || base === undefined) return undefined;
    const units = this.preferences.units();
    const [now, before] = [showValue(value, figure.quantity, units), showValue(base, figure.quantity, units)];
    if (now === before) return undefined;
    const by = showValue(Math.abs(value - base), figure.quantity, units);
    return `${value > base ? '+' : '−'}${by}`;
  }

  protected limits(figure: FigureTold, { required, atLeast }: FigureFoundTold): string | undefined {
    if (!required) return undefined;
    const units = this.preferences.units();
    return atLeast
      ? `at least ${showValue(required.low, figure.quantity, units)}`
      : showInterval(required, figure.quantity, units);
  }

  protected where({ per }: FigureTold, { at }: FigureFoundTold, of: readonly FigureFoundTold[]): string {
    if (per === 'engine' || at.length === 0 || of.length === 1) return '';
    return `${per === 'main' ? 'main' : per} ${at.join(', ')}`;
  }

  protected argument(of: FigureFoundTold['arguments'][number]): string {
    return showValue(of.value, of.quantity, this.preferences.units());
  }

  protected toggle(figure: FigureTold): void {
    this.open.update((open) => (open === figure.id ? undefined : figure.id));
  }

  protected toggleSubject(id: string): void {
    this.openSubjects.update((open) => {
      const next = new Set(open);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  }

  protected needs(figures: readonly FigureTold[]): readonly { readonly name: string; readonly for: string }[] {
    const wanting = new Map<string, string[]>();
    for (const figure of figures)
      for (const { needs } of figure.found)
        for (const { name } of needs) {
          const all = wanting.get(name) ?? [];
          if (!all.includes(figure.name)) wanting.set(name, [...all, figure.name]);
        }
    return [...wanting]
      .map(([name, all]) => ({ name, for: all.join(', ') }))
      .sort((a, b) => b.for.length - a.for.length);
  }
}
