import { verdictOf, VERDICTS, type Verdict } from '@which-bore/core';

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
export interface GridMeasures {
  readonly cell: number;
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  /** Dots for each CSS pixel. */
  readonly ratio: number;
}

/** A place in the grid. */
export interface Place {
  readonly row: number;
  readonly column: number;
}

const NAMES: Readonly<Record<Verdict, string>> = {
  fits: '--fits',
  fitsWithWork: '--work',
  cannotTell: '--unknown',
  doesNotFit: '--never',
};

/** Draws the part of a grid that shows. Each verdict has its shape as everywhere else. */
export function drawGrid(
  canvas: HTMLCanvasElement,
  picture: GridPicture,
  { cell, left, top, width, height, ratio }: GridMeasures,
  scroll: { readonly x: number; readonly y: number },
  focus: Place | undefined,
): void {
  const context = canvas.getContext('2d');
  if (!context) return;
  const style = getComputedStyle(canvas);
  const colour = (name: string) => style.getPropertyValue(name);
  if (canvas.width !== width * ratio || canvas.height !== height * ratio)
    [canvas.width, canvas.height] = [width * ratio, height * ratio];
  context.setTransform(ratio, 0, 0, ratio, 0, 0);
  context.clearRect(0, 0, width, height);
  const colours = Object.fromEntries(VERDICTS.map((verdict) => [verdict, colour(NAMES[verdict])])) as Record<
    Verdict,
    string
  >;
  const ground = colour('--ground');
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
      drawVerdict(context, verdictOf(value), x(column) + cell / 2, y(row) + cell / 2, cell * 0.34, colours, ground);
    }
  context.globalAlpha = 1;
  context.restore();

  context.font = `600 ${Math.min(14, Math.max(10, cell - 6))}px ${style.getPropertyValue('--narrow')}`;
  context.textBaseline = 'middle';
  context.save();
  context.beginPath();
  context.rect(0, top, left, height - top);
  context.clip();
  for (let row = firstRow; row < lastRow; row++) {
    context.fillStyle = colour(row === focus?.row ? '--dye' : '--ink');
    context.fillText(shortened(context, picture.rows[row] ?? '', left - 12), 4, y(row) + cell / 2);
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
    context.fillStyle = colour(column === focus?.column ? '--dye' : '--ink');
    context.fillText(shortened(context, picture.columns[column] ?? '', top * 1.14), 0, 0);
    context.restore();
  }
  context.restore();

  context.strokeStyle = colour('--rule-strong');
  context.beginPath();
  context.moveTo(left - 0.5, top);
  context.lineTo(left - 0.5, height);
  context.moveTo(left, top - 0.5);
  context.lineTo(width, top - 0.5);
  context.stroke();
  if (focus && x(focus.column) >= left - cell && y(focus.row) >= top - cell) {
    context.strokeStyle = colour('--dye');
    context.lineWidth = 2;
    context.strokeRect(x(focus.column) + 1, y(focus.row) + 1, cell - 2, cell - 2);
  }
}

/** A text that is cut short where it does not fit. */
function shortened(context: CanvasRenderingContext2D, text: string, room: number): string {
  if (context.measureText(text).width <= room) return text;
  const letters = Math.floor((text.length * room) / context.measureText(text).width) - 1;
  return `${text.slice(0, Math.max(1, letters))}…`;
}

function drawVerdict(
  context: CanvasRenderingContext2D,
  verdict: Verdict,
  x: number,
  y: number,
  r: number,
  colours: Readonly<Record<Verdict, string>>,
  ground: string,
): void {
  context.fillStyle = context.strokeStyle = colours[verdict];
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
    case 'cannotTell':
      context.lineWidth = Math.max(1, r / 4);
      context.setLineDash([r * 0.45, r * 0.33]);
      context.arc(x, y, r * 0.9, 0, 2 * Math.PI);
      context.stroke();
      context.setLineDash([]);
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
