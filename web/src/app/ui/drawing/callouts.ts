import { KINDS, outline, sizeDrawn, type Known, type Outline, type Parameter, type Part } from '@which-bore/core';

/** A size called out on a drawing. */
export interface Callout {
  readonly parameter: Parameter;
  readonly place: string;
  readonly known: Known;
  /** Inside unit; undefined where it is only guessed. */
  readonly value: number | undefined;
  /** The point it speaks of. */
  readonly x: number;
  readonly y: number;
  /** Where its label stands. */
  readonly labelX: number;
  readonly above: boolean;
}

/** A part's outline with its sizes called out around it. */
interface Sheet {
  readonly outline: Outline;
  /** Height of a label's letters, in drawing units, so that they come out alike at any scale. */
  readonly letter: number;
  readonly callouts: readonly Callout[];
  /** In millimetres. */
  readonly view: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
}

/** Letters across the width of the drawing. */
const LETTERS_ACROSS = 40;
/** A drawing is at least this broad for its height, so that labels find room beside a tall part. */
const BROADEST = 1.25;
/** Heights of a letter above and below the part that labels take. */
const LABEL_ROOM = 4.6;
/** More labels than this would run into each other; those of sizes that are known come first. */
const MOST_IN_A_ROW = 5;
const KNOWN_FIRST: readonly Known[] = ['measured', 'pattern', 'guessed'];

/**
 * Draws a part and calls out every size for which the dictionary names a place that the drawing has. Labels stand in a
 * row above or below, evenly apart, in the order of what they speak of, so that no two leaders cross.
 *
 * @param wanted a place that is called out before any other
 * @param only whether no other is called out
 */
export function sheetOf(part: Part, wanted?: string, only = false): Sheet {
  const drawn = outline(part);
  const { box } = drawn;
  const width = Math.max(box.width, box.height * BROADEST) * 1.04;
  const letter = width / LETTERS_ACROSS;
  const from = box.x + box.width / 2 - width / 2;
  const view = { x: from, y: box.y - letter * LABEL_ROOM, width, height: box.height + 2 * letter * LABEL_ROOM };
  const callouts = calloutsOf(part, drawn, from, width, wanted);
  return { outline: drawn, letter, callouts: only ? callouts.filter(({ place }) => place === wanted) : callouts, view };
}

function calloutsOf(part: Part, drawn: Outline, from: number, width: number, wanted: string | undefined): Callout[] {
  const found = Object.values<Parameter>(KINDS[part.kind].parameters).flatMap((parameter) => {
    const place = parameter.drawing === undefined ? undefined : drawn.places[parameter.drawing];
    if (!place || parameter.drawing === undefined) return [];
    const { size, known } = sizeDrawn(part, parameter, 0);
    return [{ parameter, place: parameter.drawing, known, value: known === 'guessed' ? undefined : size, ...place }];
  });
  return [true, false].flatMap((above) => {
    const row = found
      .filter((each) => each.above === above)
      .sort(
        (a, b) =>
          Number(b.place === wanted) - Number(a.place === wanted) ||
          KNOWN_FIRST.indexOf(a.known) - KNOWN_FIRST.indexOf(b.known),
      )
      .slice(0, MOST_IN_A_ROW)
      .sort((a, b) => a.x - b.x);
    return row.map((each, at) => ({ ...each, labelX: from + (width * (at + 0.5)) / row.length }));
  });
}
