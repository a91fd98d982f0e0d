import type { Part } from '../../catalogue/part.js';
import { crank } from '../../dictionary/kinds/crank.js';
import { countDrawn, Sheet, sizeDrawn, worse, type Outline } from '../outline.js';

const sizes = crank.parameters;

/** The sizes of a crank that its drawings need, guessed from each other where they are not known. */
function read(part: Part) {
  const main = sizeDrawn(part, sizes['mainJournal.diameter'], 60);
  const stroke = sizeDrawn(part, sizes.stroke, main.size * 1.4);
  const pin = sizeDrawn(part, sizes['crankpin.diameter'], main.size * 0.88);
  const swing = sizeDrawn(part, sizes.swing, stroke.size * 0.5 + pin.size * 0.75);
  const pitch = sizeDrawn(part, sizes.mainPitch, main.size * 1.9);
  const mainWidth = sizeDrawn(part, sizes['mainJournal.width'], pitch.size * 0.26);
  const thrust = sizeDrawn(part, sizes['thrustJournal.width'], mainWidth.size * 1.15);
  const nose = sizeDrawn(part, sizes['nose.diameter'], main.size * 0.55);
  const seal = sizeDrawn(part, sizes['sealJournal.diameter'], main.size * 1.4);
  return { main, stroke, pin, swing, pitch, mainWidth, thrust, nose, seal };
}

/** A crank from the side. All throws are drawn in the plane of the paper. */
export function crankOutline(part: Part): Outline {
  const { main, stroke, pin, swing, pitch, mainWidth, thrust, nose, seal } = read(part);
  const mains = Math.max(2, countDrawn(part, crank.features.mainCount, 5));
  const throws = Math.max(1, countDrawn(part, crank.features.crankpins, mains - 1));
  const weights = countDrawn(part, crank.features.counterweights, throws * 2);
  const gaps = mains - 1;
  const sheet = new Sheet();
  const widthOf = (journal: number) => (journal === Math.floor(mains / 2) ? thrust.size : mainWidth.size);
  const start = -mainWidth.size / 2;
  const end = gaps * pitch.size + mainWidth.size / 2;
  const noseLength = main.size * 1.05;
  const flangeAt = end + main.size * 0.22;
  sheet.rect(start - noseLength, -nose.size / 2, noseLength, nose.size, nose.known, 'metal', 'nose');
  sheet.rect(end, -seal.size / 2, flangeAt - end, seal.size, seal.known, 'metal', 'sealJournal');
  sheet.rect(flangeAt, -seal.size * 0.56, main.size * 0.16, seal.size * 1.12, 'guessed');

  const webs = webCount(throws, gaps);
  const pins: { x: number; y: number }[] = [];
  let weightAt = 0;
  let webAt = 0;
  for (let gap = 0; gap < gaps; gap++) {
    const here = Math.floor(((gap + 1) * throws) / gaps) - Math.floor((gap * throws) / gaps);
    if (here === 0) continue;
    const left = gap * pitch.size + widthOf(gap) / 2;
    const right = (gap + 1) * pitch.size - widthOf(gap + 1) / 2;
    const web = (right - left) * (here > 1 ? 0.14 : 0.22);
    const pinWidth = (right - left - web * (here + 1)) / here;
    const sides = Array.from({ length: here }, (_, at) => side(pins.length + at));
    for (let at = 0; at <= here; at++) {
      const ups = [sides[at - 1], sides[at]].filter((up) => up !== undefined);
      const weighted = isWeighted(webAt++, webs, weights);
      const { top, bottom } = webReach(ups, {
        stroke: stroke.size,
        pin: pin.size,
        main: main.size,
        swing: swing.size,
        weighted,
      });
      const x = left + at * (web + pinWidth);
      if (bottom > swing.size * 0.98) weightAt = x + web / 2;
      sheet.rect(
        x,
        top,
        web,
        bottom - top,
        weighted ? swing.known : 'pattern',
        'metal',
        weighted ? 'swing' : undefined,
      );
    }
    sides.forEach((up, at) => {
      const x = left + web + at * (web + pinWidth) + pinWidth / 2;
      const y = (-up * stroke.size) / 2;
      pins.push({ x, y });
      sheet.block(x, y, pinWidth, pin.size, worse(pin.known, stroke.known), 'bright', 'crankpin');
    });
  }
  for (let at = 0; at < mains; at++)
    sheet.block(
      at * pitch.size,
      0,
      widthOf(at),
      main.size,
      main.known,
      'bright',
      at === Math.floor(mains / 2) ? 'thrustWidth' : 'mainJournal',
    );

  const [first, last] = [pins.find((each) => each.y < 0) ?? pins[0], pins[pins.length - 1]];
  return sheet
    .at('nose', start - noseLength / 2, -nose.size / 2, true)
    .at('noseLength', start - noseLength, 0, false)
    .at('flange', flangeAt + main.size * 0.08, -seal.size * 0.5, true)
    .at('crankpinWidth', first?.x ?? 0, first?.y ?? 0, true)
    .at('crankpin', first?.x ?? 0, (first?.y ?? 0) - pin.size / 2, true)
    .at('stroke', last?.x ?? 0, last?.y ?? 0, true)
    .at('sealJournal', (end + flangeAt) / 2, -seal.size / 2, true)
    .at('swing', weightAt, swing.size, false)
    .at('mainJournal', pitch.size, main.size / 2, false)
    .at('mainWidth', pitch.size + mainWidth.size / 2, main.size / 2, false)
    .at('thrustWidth', Math.floor(mains / 2) * pitch.size, main.size / 2, false)
    .at('mainPitch', (mains - 1.5) * pitch.size, 0, false)
    .done('from the side');
}

/** A crank from its end: main journal, one throw and the circle it needs. Two cranks lie over each other in it. */
export function crankEnd(part: Part): Outline {
  const { main, stroke, pin, swing, nose, seal } = read(part);
  return new Sheet()
    .circle(0, 0, 2 * swing.size, swing.known, 'room', 'swing')
    .circle(0, 0, seal.size, seal.known, 'room', 'sealJournal')
    .circle(0, -stroke.size / 2, pin.size, worse(pin.known, stroke.known), 'bright', 'crankpin')
    .circle(0, 0, main.size, main.known, 'bright', 'mainJournal')
    .circle(0, 0, nose.size, nose.known, 'metal', 'nose')
    .at('swing', 0, swing.size, false)
    .at('crankpin', 0, -stroke.size / 2 - pin.size / 2, true)
    .at('stroke', 0, -stroke.size / 2, true)
    .at('mainJournal', 0, main.size / 2, false)
    .done('from its end');
}

/** Outer and inner throws of an even engine are mirror images: up, down, down, up. */
const side = (pin: number): number => (pin % 4 === 0 || pin % 4 === 3 ? 1 : -1);

const webCount = (throws: number, gaps: number): number => throws + Math.min(throws, gaps);

/** With fewer weights than webs, the webs nearest the middle go without. */
const isWeighted = (web: number, webs: number, weights: number): boolean => Math.min(web, webs - 1 - web) < weights / 2;

/** A web reaches round its pins on one side and, where it carries a weight, to the swing on the other. */
function webReach(
  ups: readonly number[],
  sizes: {
    readonly stroke: number;
    readonly pin: number;
    readonly main: number;
    readonly swing: number;
    readonly weighted: boolean;
  },
): { readonly top: number; readonly bottom: number } {
  const { stroke, pin, main, swing, weighted } = sizes;
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
  return { top, bottom };
}
