import type { Part } from '../catalogue/part.js';
import type { DrawnAs, Kind, Parameter } from '../dictionary/definition.js';
import { Sheet, sizeDrawn, worse, type Outline } from './outline.js';

type Ring = Extract<DrawnAs, { form: 'ring' }>;
type Bar = Extract<DrawnAs, { form: 'bar' }>;

/** What a kind is drawn as that neither has a drawing of its own nor says: a block of no size anybody knows. */
const UNSAID: Bar = { form: 'bar', across: '', length: '' };

/** A ring and its edge, or a bar: what most small parts are drawn as, by the sizes that their kind names. */
export function simpleOutline(part: Part, kind: Kind): Outline {
  const as = kind.drawnAs ?? UNSAID;
  return as.form === 'ring' ? ring(part, kind, as) : bar(part, kind, as);
}

/** A size usual for the kind: the middle of those that its parts have, by ratio. */
const usual = ({ plausible }: Parameter): number => Math.sqrt(plausible.low * plausible.high);

function sized(part: Part, { parameters }: Kind, key: string, otherwise: number, most = Infinity) {
  const parameter = parameters[key];
  if (!parameter) return { size: otherwise, known: 'guessed' as const, place: key };
  const { size, known } = sizeDrawn(part, parameter, Math.min(usual(parameter), most));
  return { size, known, place: parameter.drawing ?? key };
}

function ring(part: Part, kind: Kind, as: Ring): Outline {
  const outside = sized(part, kind, as.outside, 60);
  const inside = sized(part, kind, as.inside, 40, outside.size * 0.78);
  const width = sized(part, kind, as.width, 5, outside.size * 0.4);
  const x = outside.size * 0.62 + width.size;
  return new Sheet()
    .circle(0, 0, outside.size, outside.known, 'bright', outside.place)
    .circle(0, 0, inside.size, inside.known, 'hollow', inside.place)
    .block(x, 0, width.size, outside.size, width.known, 'metal', width.place)
    .at(outside.place, 0, -outside.size / 2, true)
    .at(inside.place, 0, inside.size / 2, false)
    .at(width.place, x, -outside.size / 2, true)
    .done('from its face and its edge');
}

function bar(part: Part, kind: Kind, as: Bar): Outline {
  const across = sized(part, kind, as.across, 20);
  const length = sized(part, kind, as.length, 60);
  const sheet = new Sheet()
    .block(0, 0, length.size, across.size, worse(across.known, length.known), 'bright', across.place)
    .at(across.place, -length.size * 0.2, -across.size / 2, true)
    .at(length.place, length.size / 2, -across.size * 0.3, true);
  if (as.bore !== undefined) {
    const bore = sized(part, kind, as.bore, across.size * 0.6, across.size * 0.6);
    sheet.block(0, 0, length.size, bore.size, bore.known, 'hollow', bore.place).at(bore.place, 0, bore.size / 2, false);
  }
  return sheet.done('from the side');
}
