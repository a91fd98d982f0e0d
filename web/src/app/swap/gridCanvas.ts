import { isNothingAgainst, verdictOf, VERDICTS, type Verdict } from '@which-bore/core';

/** What is drawn: rows and columns in the order they are shown, and what stands in a cell. */
export interface GridPicture {
  readonly rows: readonly string[];
  readonly columns: readonly string[];
  /** The cell at a place, undefined while it is not worked out. */
  readonly cell: (row: number, column: number) => number | undefined;
  /** Whether a cell is one of those looked for; the others are drawn faint. */
  readonly wanted: (cell: number) => boolean;
}

/** Sizes of the picture, CSS pixels. */
interface GridMeasures {
  readonly cell: number;
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  /** Dots for each CSS pixel. */
  readonly ratio: number;
}

/** A place in the grid. */
export interface CellAt {
  readonly row: number;
  readonly column: number;
}

/** What a cell shows: its verdict, and of open ones whether nothing is against them. */
type Shown = Verdict | 'nothingAgainst';
const SHOWN: readonly Shown[] = [...VERDICTS, 'nothingAgainst'];
const shownIn = (cell: number): Shown => (isNothingAgainst(cell) ? 'nothingAgainst' : verdictOf(cell));

const NAMES: Readonly<Record<Shown, string>> = {
  nothingAgainst: '--unknown',
  fits: '--fits',
  fitsWithWork: '--work',
  cannotTell: '--unknown',
  doesNotFit: '--never',
};

/** Names that are kept cut, at the most. */
const MOST_NAMES = 4000;

/** How the verdicts look at one size and on one ground: each is drawn once and set down wherever it stands. */
interface Stamps {
  readonly key: string;
  readonly of: Readonly<Record<Shown, HTMLCanvasElement>>;
}

/** Draws the part of a grid that shows. Each verdict has its shape as everywhere else. */
export class GridPainter {
  private stamps: Stamps | undefined;
  /** Names cut to the room they have, by font, room and name. */
  private readonly cutNames = new Map<string, string>();

  constructor(private readonly canvas: HTMLCanvasElement) {}

  draw(
    picture: GridPicture,
    { cell, left, top, width, height, ratio }: GridMeasures,
    scroll: { readonly x: number; readonly y: number },
    focus: CellAt | undefined,
  ): void {
    const { canvas } = this;
    const context = canvas.getContext('2d');
    if (!context) return;
    const style = getComputedStyle(canvas);
    const colour = (name: string) => style.getPropertyValue(name);
    const [ink, dye, rule] = [colour('--ink'), colour('--dye'), colour('--rule-strong')];
    if (canvas.width !== width * ratio || canvas.height !== height * ratio)
      [canvas.width, canvas.height] = [width * ratio, height * ratio];
    context.setTransform(ratio, 0, 0, ratio, 0, 0);
    context.clearRect(0, 0, width, height);
    const stamps = this.stampsFor(cell, ratio, colour);
    const [firstRow, firstColumn] = [Math.floor(scroll.y / cell), Math.floor(scroll.x / cell)];
    const [lastRow, lastColumn] = [
      Math.min(picture.rows.length, firstRow + Math.ceil((height - top) / cell) + 1),
      Math.min(picture.columns.length, firstColumn + Math.ceil((width - left) / cell) + 1),
    ];
    const x = (column: number) => left + column * cell - scroll.x;
    const y = (row: number) => top + row * cell - scroll.y;

    context.save();
    context.beginPath();
    context.rect(left, top, width - left, height - top);
    context.clip();
    for (let row = firstRow; row < lastRow; row++)
      for (let column = firstColumn; column < lastColumn; column++) {
        const value = picture.cell(row, column);
        if (value === undefined) continue;
        context.globalAlpha = picture.wanted(value) ? 1 : 0.12;
        context.drawImage(stamps[shownIn(value)], x(column), y(row), cell, cell);
      }
    context.globalAlpha = 1;
    context.restore();

    context.font = `600 ${Math.min(14, Math.max(10, cell - 6))}px ${colour('--narrow')}`;
    context.textBaseline = 'middle';
    context.save();
    context.beginPath();
    context.rect(0, top, left, height - top);
    context.clip();
    for (let row = firstRow; row < lastRow; row++) {
      context.fillStyle = row === focus?.row ? dye : ink;
      context.fillText(this.cutName(context, picture.rows[row] ?? '', left - 12), 4, y(row) + cell / 2);
    }
    context.restore();
    context.save();
    context.beginPath();
    context.rect(left - 40, 0, width - left + 40, top);
    context.clip();
    for (let column = firstColumn; column < lastColumn; column++) {
      context.save();
      context.translate(x(column) + cell / 2, top - 6);
      context.rotate(-Math.PI / 3.2);
      context.fillStyle = column === focus?.column ? dye : ink;
      context.fillText(this.cutName(context, picture.columns[column] ?? '', top * 1.14), 0, 0);
      context.restore();
    }
    context.restore();

    context.strokeStyle = rule;
    context.beginPath();
    context.moveTo(left - 0.5, top);
    context.lineTo(left - 0.5, height);
    context.moveTo(left, top - 0.5);
    context.lineTo(width, top - 0.5);
    context.stroke();
    if (focus && x(focus.column) >= left - cell && y(focus.row) >= top - cell) {
      context.strokeStyle = dye;
      context.lineWidth = 2;
      context.strokeRect(x(focus.column) + 1, y(focus.row) + 1, cell - 2, cell - 2);
    }
  }

  private stampsFor(cell: number, ratio: number, colour: (name: string) => string): Stamps['of'] {
    const ground = colour('--ground');
    const key = [cell, ratio, ground, ...Object.values(NAMES).map(colour)].join(' ');
    if (this.stamps?.key !== key) {
      const of = Object.fromEntries(
        SHOWN.map((verdict) => {
          const stamp = document.createElement('canvas');
          stamp.width = stamp.height = Math.round(cell * ratio);
          const context = stamp.getContext('2d');
          context?.setTransform(ratio, 0, 0, ratio, 0, 0);
          if (context) drawVerdict(context, verdict, cell / 2, cell / 2, cell * 0.34, colour(NAMES[verdict]), ground);
          return [verdict, stamp];
        }),
      ) as Record<Shown, HTMLCanvasElement>;
      this.stamps = { key, of };
    }
    return this.stamps.of;
  }

  /** A name, cut short where it does not fit. */
  private cutName(context: CanvasRenderingContext2D, name: string, room: number): string {
    const key = `${context.font} ${room} ${name}`;
    let cut = this.cutNames.get(key);
    if (cut === undefined) {
      if (this.cutNames.size > MOST_NAMES) this.cutNames.clear();
      this.cutNames.set(key, (cut = shortened(context, name, room)));
    }
    return cut;
  }
}

/** A text that is cut short where it does not fit. */
function shortened(context: CanvasRenderingContext2D, text: string, room: number): string {
  const { width } = context.measureText(text);
  if (width <= room) return text;
  const letters = Math.floor((text.length * room) / width) - 1;
  return `${text.slice(0, Math.max(1, letters))}…`;
}

function drawVerdict(
  context: CanvasRenderingContext2D,
  verdict: Shown,
  x: number,
  y: number,
  r: number,
  colour: string,
  ground: string,
): void {
  context.fillStyle = context.strokeStyle = colour;
  context.beginPath();
  switch (verdict) {
    case 'fits':
      context.arc(x, y, r, 0, 2 * Math.PI);
      context.fill();
      return;
    case 'fitsWithWork':
      context.moveTo(x, y);
      context.arc(x, y, r, 0, 1.5 * Math.PI);
      context.closePath();
      context.fill();
      return;
    case 'nothingAgainst':
    case 'cannotTell':
      context.lineWidth = Math.max(1, r / 4);
      context.setLineDash([r * 0.45, r * 0.33]);
      context.arc(x, y, r * 0.9, 0, 2 * Math.PI);
      context.stroke();
      context.setLineDash([]);
      if (verdict === 'cannotTell') return;
      context.beginPath();
      context.arc(x, y, r * 0.5, 0, 2 * Math.PI);
      context.fill();
      return;
    case 'doesNotFit': {
      // Most cells refuse: they are drawn small, so that the others are seen.
      const half = r * 0.62;
      context.fillRect(x - half, y - half, 2 * half, 2 * half);
      context.fillStyle = ground;
      context.fillRect(x - half * 0.65, y - half * 0.2, half * 1.3, half * 0.4);
      return;
    }
  }
}
