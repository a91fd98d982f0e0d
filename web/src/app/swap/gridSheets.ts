import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  input,
  viewChildren,
} from '@angular/core';
import { VERDICTS } from '@which-bore/core';
import { VerdictMark } from '../ui/verdictMark';
import { GridPainter, type GridPicture } from './gridCanvas';

/** Rows and columns that a sheet of A4 takes at a size that is still read. */
const ROWS = 34;
const COLUMNS = 24;
const MEASURES = { cell: 22, left: 240, top: 150 } as const;
/** More sheets than this are a stack that nobody reads; the exports hold them all. */
const MOST_SHEETS = 30;
/** Dots for each CSS pixel: sharp on paper, and still little memory. */
const SHARP = 1.5;

interface Sheet {
  readonly picture: GridPicture;
  readonly width: number;
  readonly height: number;
}

/** A whole grid for paper, cut into sheets; it shows in print only. */
@Component({
  selector: 'wb-grid-sheets',
  imports: [VerdictMark],
  changeDetection: ChangeDetectionStrategy.OnPush,
  host: { class: 'on-paper' },
  template: `
    @for (sheet of shown(); track $index) {
      <section>
        <h2>{{ title() }}</h2>
        <p>
          Sheet {{ $index + 1 }} of {{ shown().length }}.
          @for (each of verdicts; track each) {
            <wb-verdict [verdict]="each" />
          }
        </p>
        <canvas #canvas [style.width.px]="sheet.width" [style.height.px]="sheet.height"></canvas>
      </section>
    }
    @if (sheets().length > shown().length) {
      <p>
        The grid has {{ sheets().length }} sheets; only {{ shown().length }} are printed. Narrow it by a filter, or take
        the CSV or XLSX for all of it.
      </p>
    }
  `,
  styles: `
    :host {
      display: none;
    }
    @media print {
      :host {
        display: block;
      }
    }
    section {
      break-after: page;
      break-inside: avoid;
    }
    p {
      display: flex;
      gap: 18px;
    }
    canvas {
      height: auto !important;
      max-width: 100%;
    }
  `,
})
export class GridSheets {
  readonly picture = input.required<GridPicture>();
  readonly title = input.required<string>();

  protected readonly verdicts = VERDICTS;
  protected readonly sheets = computed((): readonly Sheet[] => {
    const { rows, columns, cell, wanted } = this.picture();
    const starts = (count: number, by: number) => Array.from({ length: Math.ceil(count / by) }, (_, at) => at * by);
    return starts(rows.length, ROWS).flatMap((top) =>
      starts(columns.length, COLUMNS).map((left): Sheet => {
        const part = {
          rows: rows.slice(top, top + ROWS),
          columns: columns.slice(left, left + COLUMNS),
          cell: (row: number, column: number) => cell(top + row, left + column),
          wanted,
        };
        // Names of the last columns lean out to the right.
        const lean = 90;
        return {
          picture: part,
          width: MEASURES.left + part.columns.length * MEASURES.cell + lean,
          height: MEASURES.top + part.rows.length * MEASURES.cell,
        };
      }),
    );
  });
  protected readonly shown = computed(() => this.sheets().slice(0, MOST_SHEETS));
  private readonly canvases = viewChildren<ElementRef<HTMLCanvasElement>>('canvas');

  constructor() {
    afterRenderEffect(() => {
      const sheets = this.shown();
      this.canvases().forEach(({ nativeElement }, at) => {
        const sheet = sheets[at];
        if (sheet)
          new GridPainter(nativeElement).draw(
            sheet.picture,
            { ...MEASURES, width: sheet.width, height: sheet.height, ratio: SHARP },
            { x: 0, y: 0 },
            undefined,
          );
      });
    });
  }
}
