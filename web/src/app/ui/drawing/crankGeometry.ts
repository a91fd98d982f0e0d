import { crank, middle, type Parameter, type Part } from '@which-bore/core';

/** Whether a size on a drawing was measured, is taken from the pattern, or is only guessed for the sake of the picture. */
export type Known = 'measured' | 'pattern' | 'guessed';

export interface Callout {
  readonly parameter: Parameter;
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

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly known: Known;
}

export interface CrankGeometry {
  /** In millimetres, the main axis at y = 0. */
  readonly view: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  /** Height of a label's letters, in drawing units, so that they come out alike at any scale. */
  readonly letter: number;
  readonly journals: readonly Box[];
  readonly pins: readonly Box[];
  readonly webs: readonly Box[];
  readonly ends: readonly Box[];
  readonly callouts: readonly Callout[];
  /** Length of the axis line. */
  readonly axis: { readonly from: number; readonly to: number };
}

/** Letters across the width of the drawing. */
const LETTERS_ACROSS = 40;

const sizes = crank.parameters;

/**
 * Lays out a crank from the side, to scale, from what is known of it. All throws are drawn in the plane of the paper;
 * sizes not known are guessed from those that are, and marked so.
 */
export function crankGeometry(part: Part): CrankGeometry {
  const read = (parameter: Parameter, guess: number) => sizeOf(part, parameter, guess);
  const count = (id: string, guess: number) => Number(part.looks[id]?.option ?? guess);

  const main = read(sizes['mainJournal.diameter'], 60);
  const stroke = read(sizes.stroke, main.size * 1.4);
  const pin = read(sizes['crankpin.diameter'], main.size * 0.88);
  const swing = read(sizes.swing, stroke.size * 0.5 + pin.size * 0.75);
  const pitch = read(sizes.mainPitch, main.size * 1.9);
  const mainWidth = read(sizes['mainJournal.width'], pitch.size * 0.26);
  const thrust = read(sizes['thrustJournal.width'], mainWidth.size * 1.15);
  const nose = read(sizes['nose.diameter'], main.size * 0.55);
  const seal = read(sizes['sealJournal.diameter'], main.size * 1.4);

  const mains = Math.max(2, count(crank.features.mainCount.id, 5));
  const throws = Math.max(1, count(crank.features.crankpins.id, mains - 1));
  const weights = count(crank.features.counterweights.id, throws * 2);
  const gaps = mains - 1;

  const journals: Box[] = [];
  for (let at = 0; at < mains; at++)
    journals.push(centred(at * pitch.size, 0, at === Math.floor(mains / 2) ? thrust.size : mainWidth.size, main.size, main.known));

  const pins: Box[] = [];
  const webs: Box[] = [];
  const drawnWebs = webCount(throws, gaps);
  let pinAt = 0;
  let webAt = 0;
  for (let gap = 0; gap < gaps; gap++) {
    const here = Math.floor(((gap + 1) * throws) / gaps) - Math.floor((gap * throws) / gaps);
    if (here === 0) continue;
    const left = gap * pitch.size + (journals[gap]?.width ?? 0) / 2;
    const right = (gap + 1) * pitch.size - (journals[gap + 1]?.width ?? 0) / 2;
    const web = (right - left) * (here > 1 ? 0.14 : 0.22);
    const pinWidth = (right - left - web * (here + 1)) / here;
    const sides = Array.from({ length: here }, () => side(pinAt++));
    sides.forEach((up, at) =>
      pins.push(centred(left + web + at * (web + pinWidth) + pinWidth / 2, (-up * stroke.size) / 2, pinWidth, pin.size, worse(pin.known, stroke.known))),
    );
    for (let at = 0; at <= here; at++) {
      const ups = [sides[at - 1], sides[at]].filter((up) => up !== undefined);
      const weighted = isWeighted(webAt++, drawnWebs, weights);
      webs.push(
        webBox(left + at * (web + pinWidth), web, ups, {
          stroke: stroke.size,
          pin: pin.size,
          main: main.size,
          swing: swing.size,
          weighted,
          known: swing.known,
        }),
      );
    }
  }

  const noseLength = main.size * 1.05;
  const start = -mainWidth.size / 2;
  const end = (mains - 1) * pitch.size + mainWidth.size / 2;
  const flange = { x: end + main.size * 0.22, width: main.size * 0.16 };
  const ends: Box[] = [
    { x: start - noseLength, y: -nose.size / 2, width: noseLength, height: nose.size, known: nose.known },
    { x: end, y: -seal.size / 2, width: flange.x - end, height: seal.size, known: seal.known },
    { x: flange.x, y: -seal.size * 0.56, width: flange.width, height: seal.size * 1.12, known: 'guessed' },
  ];

  const reach = Math.max(swing.size, stroke.size / 2 + pin.size / 2, seal.size * 0.56);
  const from = start - noseLength - main.size * 0.2;
  const to = flange.x + flange.width + main.size * 0.5;
  const letter = (to - from) / LETTERS_ACROSS;
  const up = pins.find((box) => box.y + box.height / 2 < 0) ?? pins[0];
  const weight = webs.find((box) => box.y + box.height > swing.size * 0.98) ?? webs[0];
  const second = journals[1] ?? journals[0];
  const third = journals[Math.floor(mains / 2)];
  const places: Readonly<Record<string, Place>> = {
    nose: { x: start - noseLength * 0.5, y: -nose.size / 2, above: true },
    crankpin: { x: mid(up), y: up?.y ?? 0, above: true },
    stroke: { x: pins.length > 1 ? mid(pins[pins.length - 1]) : 0, y: (pins[pins.length - 1]?.y ?? 0) + pin.size / 2, above: true },
    sealJournal: { x: end + (flange.x - end) / 2, y: -seal.size / 2, above: true },
    swing: { x: mid(weight), y: weight ? weight.y + weight.height : reach, above: false },
    mainJournal: { x: mid(second), y: main.size / 2, above: false },
    mainWidth: { x: (second?.x ?? 0) + (second?.width ?? 0), y: main.size / 2, above: false },
    thrustWidth: { x: mid(third), y: main.size / 2, above: false },
    mainPitch: { x: (mains - 1.5) * pitch.size, y: 0, above: false },
  };
  const height = reach + letter * 4.6;
  return {
    view: { x: from, y: -height, width: to - from, height: 2 * height },
    letter,
    journals,
    pins,
    webs,
    ends,
    callouts: callouts(part, places, from, to),
    axis: { from, to },
  };
}

/** A point of the drawing that the dictionary names, and on which side of it a label stands. */
interface Place {
  readonly x: number;
  readonly y: number;
  readonly above: boolean;
}

/**
 * Calls out every size for which the dictionary names a place on the drawing. Labels stand in a row above or below,
 * evenly apart, in the order of what they speak of, so that no two leaders cross.
 */
function callouts(part: Part, places: Readonly<Record<string, Place>>, from: number, to: number): Callout[] {
  const drawn = Object.values<Parameter>(sizes).flatMap((parameter) => {
    const place = parameter.drawing === undefined ? undefined : places[parameter.drawing];
    if (!place) return [];
    const { size, known } = sizeOf(part, parameter, 0);
    return [{ parameter, known, value: known === 'guessed' ? undefined : size, ...place }];
  });
  return [true, false].flatMap((above) => {
    const row = drawn.filter((each) => each.above === above).sort((a, b) => a.x - b.x);
    return row.map((each, at) => ({ ...each, labelX: from + ((to - from) * (at + 0.5)) / row.length }));
  });
}

/** A size of the part, or a guess where it is not known. */
function sizeOf(part: Part, parameter: Parameter, guess: number): { size: number; known: Known } {
  const found = part.values[parameter.id];
  if (!found) return { size: guess, known: 'guessed' };
  return { size: middle(found.interval), known: found.source === 'measured' ? 'measured' : 'pattern' };
}

const mid = (box: Box | undefined): number => (box ? box.x + box.width / 2 : 0);

const centred = (x: number, y: number, width: number, height: number, known: Known): Box => ({ x: x - width / 2, y: y - height / 2, width, height, known });

const worse = (a: Known, b: Known): Known => (a === 'guessed' || b === 'guessed' ? 'guessed' : a === 'measured' ? a : b);

/** Outer and inner throws of an even engine are mirror images: up, down, down, up. */
const side = (pin: number): number => (pin % 4 === 0 || pin % 4 === 3 ? 1 : -1);

const webCount = (throws: number, gaps: number): number => throws + Math.min(throws, gaps);

/** With fewer weights than webs, the webs nearest the middle go without. */
function isWeighted(web: number, webs: number, weights: number): boolean {
  const fromEnd = Math.min(web, webs - 1 - web);
  return fromEnd < weights / 2;
}

/** A web reaches round its pins on one side and, where it carries a weight, to the swing on the other. */
function webBox(x: number, width: number, ups: readonly number[], sizes: WebSizes): Box {
  const { stroke, pin, main, swing, weighted, known } = sizes;
  const shoulder = main * 0.6;
  // Nothing turns outside the swing; where that is only guessed, the pin must still be held.
  const end = Math.max(Math.min(stroke / 2 + pin * 0.6, swing), stroke / 2 + pin / 2);
  const weight = weighted ? swing : 0;
  let top = -shoulder;
  let bottom = shoulder;
  for (const up of ups) {
    if (up > 0) [top, bottom] = [Math.min(top, -end), Math.max(bottom, weight)];
    else [top, bottom] = [Math.min(top, -weight), Math.max(bottom, end)];
  }
  return { x, y: top, width, height: bottom - top, known: weighted ? known : 'pattern' };
}

interface WebSizes {
  readonly stroke: number;
  readonly pin: number;
  readonly main: number;
  readonly swing: number;
  readonly weighted: boolean;
  readonly known: Known;
}
