import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import {
  readFigure,
  sayFigure,
  sayLeeway,
  THUMB_SUBJECTS,
  UNITS,
  shownUnit,
  writeFigure,
  type FigureOfThumb,
  type HasFigures,
  type OwnFigures,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Preferences } from '../data/preferences';
import { growing } from '../ui/growing';
import { Said } from '../ui/said';

/** A change of the shop's own figures, and what is said of it. */
export interface FiguresChanged {
  readonly figures: OwnFigures;
  readonly says: string;
}

/** Figures of thumb by subject, each with its rule and source, and the shop's own in its place. */
@Component({
  selector: 'wb-figures-of-thumb',
  imports: [NzButtonModule, NzInputModule, Said],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="find">
      <label class="seen-by-readers" for="figure-find">Find a figure of thumb</label>
      <input
        nz-input
        id="figure-find"
        type="search"
        placeholder="Part or figure"
        [value]="wanted()"
        #words
        (input)="wanted.set(words.value)"
      />
    </div>
    @for (subject of drawn(); track subject.name) {
      <table>
        <caption>
          {{
            subject.name
          }}
        </caption>
        <thead>
          <tr>
            <th scope="col">Figure</th>
            <th scope="col">Here</th>
            <th scope="col">Usual</th>
            <th scope="col">Why</th>
          </tr>
        </thead>
        <tbody>
          @for (figure of subject.figures; track figure.id) {
            <tr [class.own]="isOwn(figure)">
              <th scope="row">{{ figure.name }}</th>
              <td>
                <span class="field">
                  <input
                    nz-input
                    class="figures"
                    [value]="here(figure)"
                    [attr.aria-label]="figure.name"
                    #field
                    (change)="write(figure, field)"
                  />
                  <span class="unit">{{ unit(figure) }}</span>
                </span>
                @if (failure(); as failed) {
                  @if (failed.id === figure.id) {
                    <p class="bad" role="alert">{{ failed.why }}</p>
                  }
                }
                @if (isOwn(figure)) {
                  <button
                    nz-button
                    nzSize="small"
                    type="button"
                    (click)="asUsual(figure)"
                    [attr.aria-label]="'As usual: ' + figure.name"
                  >
                    As usual
                  </button>
                }
              </td>
              <td>
                {{ usual(figure) | said }}
                @if (leeway(figure); as far) {
                  <small class="quiet">makers go {{ far | said }}</small>
                }
              </td>
              <td>
                {{ figure.says }}. <small class="quiet">{{ figure.source }}.</small>
              </td>
            </tr>
          }
        </tbody>
      </table>
    } @empty {
      <p class="quiet">No figure is called that.</p>
    }
  `,
  styles: `
    :host {
      display: block;
    }
    .find {
      margin-bottom: 8px;
      max-width: 320px;
    }
    table {
      border-collapse: collapse;
      margin-bottom: 18px;
      table-layout: fixed;
      width: 100%;
    }
    caption {
      caption-side: top;
      color: var(--ink);
      font: 600 18px/1.3 var(--narrow);
      padding: 6px 0;
      text-align: left;
    }
    th,
    td {
      border-bottom: 1px dotted var(--rule);
      padding: 5px 8px 5px 0;
      text-align: left;
      vertical-align: top;
    }
    thead th {
      border-bottom: 1px solid var(--rule-strong);
      color: var(--ink-soft);
      font-weight: 600;
    }
    th:nth-child(1) {
      width: 21%;
    }
    th:nth-child(2) {
      width: 260px;
    }
    th:nth-child(3) {
      width: 21%;
    }
    tbody th {
      font-weight: 600;
    }
    .own th,
    .own input {
      font-weight: 700;
    }
    .field {
      align-items: center;
      display: grid;
      gap: 8px;
      grid-template-columns: 148px 1fr;
    }
    button {
      margin-top: 4px;
    }
    .bad {
      color: var(--never);
      margin: 4px 0 0;
    }
    small {
      display: block;
    }
    .unit {
      color: var(--ink-soft);
      font-size: 14px;
      line-height: 1.2;
    }
  `,
})
export class FiguresOfThumb {
  private readonly preferences = inject(Preferences);
  /** House rules with the shop's own figures. */
  readonly rules = input.required<HasFigures>();
  readonly changed = output<FiguresChanged>();

  protected readonly wanted = signal('');
  protected readonly failure = signal<{ readonly id: string; readonly why: string } | undefined>(undefined);
  private readonly found = computed(() => {
    const words = this.wanted().toLowerCase().split(/\s+/).filter(Boolean);
    const bears = ({ name, says, id }: FigureOfThumb) =>
      words.every((word) => `${name} ${says} ${id}`.toLowerCase().includes(word));
    return THUMB_SUBJECTS.flatMap(({ name, figures }) =>
      figures.filter(bears).map((figure) => ({ subject: name, figure })),
    );
  });
  private readonly rows = growing(this.found, 3);
  /** The rows that are drawn, under their subjects. */
  protected readonly drawn = computed(() =>
    THUMB_SUBJECTS.flatMap(({ name }) => {
      const figures = this.rows().flatMap(({ subject, figure }) => (subject === name ? [figure] : []));
      return figures.length > 0 ? [{ name, figures }] : [];
    }),
  );

  protected here(figure: FigureOfThumb): string {
    return writeFigure(figure, this.rules(), this.preferences.units());
  }

  protected readonly usual = (figure: FigureOfThumb) => sayFigure(figure);
  protected readonly leeway = sayLeeway;

  protected unit(figure: FigureOfThumb): string {
    if (figure.of !== undefined) return `thousandths of ${figure.of}`;
    const unit = shownUnit(figure.quantity, this.preferences.units());
    return unit ? UNITS[unit].symbol : '';
  }

  protected isOwn({ id }: FigureOfThumb): boolean {
    return this.rules().figures?.[id] !== undefined;
  }

  protected write(figure: FigureOfThumb, field: HTMLInputElement): void {
    if (field.value.trim() === this.here(figure)) return;
    const read = readFigure(figure, field.value, this.preferences.units());
    // What was typed stays in its field, to be put right.
    if ('problem' in read) return this.failure.set({ id: figure.id, why: read.problem });
    this.failure.set(undefined);
    this.changed.emit({ figures: { ...this.rules().figures, [figure.id]: read }, says: `Changed “${figure.name}”.` });
  }

  protected asUsual({ id, name }: FigureOfThumb): void {
    const { [id]: _own, ...figures } = this.rules().figures ?? {};
    this.changed.emit({ figures, says: `“${name}” is as usual again.` });
  }
}
