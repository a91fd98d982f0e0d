import type { Part } from '../catalogue/part.js';
import type { Feature, Parameter } from '../dictionary/definition.js';
import { middle } from '../quantity/interval.js';

/**
 * Whether a size on a drawing was measured, is taken from the pattern, or is only guessed for the sake of the picture.
 */
export type Known = 'measured' | 'pattern' | 'guessed';

/** How a shape is meant: metal, a finished face, a hollow, or room that something needs. */
type Role = 'metal' | 'bright' | 'hollow' | 'room';

interface ShapeCommon {
  readonly role: Role;
  readonly known: Known;
  /** Drawing place of the dictionary that the shape shows, so that a row can light it up. */
  readonly place?: string;
}
export interface Rect extends ShapeCommon {
  readonly form: 'rect';
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}
export interface Circle extends ShapeCommon {
  readonly form: 'circle';
  readonly x: number;
  readonly y: number;
  readonly radius: number;
}
export interface Polygon extends ShapeCommon {
  readonly form: 'polygon';
  readonly points: readonly (readonly [x: number, y: number])[];
}
export type Shape = Rect | Circle | Polygon;

/** The point a size is called out at, and on which side of the drawing its label stands. */
export interface Place {
  readonly x: number;
  readonly y: number;
  readonly above: boolean;
}

/** A part drawn to scale, in millimetres, y downward. */
export interface Outline {
  readonly shapes: readonly Shape[];
  readonly places: Readonly<Record<string, Place>>;
  readonly box: { readonly x: number; readonly y: number; readonly width: number; readonly height: number };
  /** Seen how: `from the side`, `in section`. */
  readonly seen: string;
}

/** A size as a drawing uses it. */
interface DrawnSize {
  readonly size: number;
  readonly known: Known;
}

/** A size of the part, or a guess where it is not known. */
export function sizeDrawn(part: Part, parameter: Parameter, guess: number): DrawnSize {
  const found = part.values[parameter.id];
  if (!found) return { size: guess, known: 'guessed' };
  return { size: middle(found.interval), known: found.source === 'measured' ? 'measured' : 'pattern' };
}

/** A count seen on the part, or a guess. */
export const countDrawn = (part: Part, feature: Feature, guess: number): number =>
  Number(part.looks[feature.id]?.option ?? guess);

/** A drawing depends on the least known of its sizes. */
export const worse = (a: Known, b: Known): Known =>
  a === 'guessed' || b === 'guessed' ? 'guessed' : a === 'measured' ? b : a;

/** Collects the shapes of one drawing. */
export class Sheet {
  private readonly shapes: Shape[] = [];
  private readonly places: Record<string, Place> = {};

  rect(x: number, y: number, width: number, height: number, known: Known, role: Role = 'metal', place?: string): this {
    this.shapes.push({
      form: 'rect',
      x,
      y,
      width: Math.max(0, width),
      height: Math.max(0, height),
      known,
      role,
      ...(place === undefined ? {} : { place }),
    });
    return this;
  }

  /** A rectangle by its middle. */
  block(x: number, y: number, width: number, height: number, known: Known, role: Role = 'metal', place?: string): this {
    return this.rect(x - width / 2, y - height / 2, width, height, known, role, place);
  }

  circle(x: number, y: number, diameter: number, known: Known, role: Role = 'metal', place?: string): this {
    this.shapes.push({
      form: 'circle',
      x,
      y,
      radius: Math.max(0, diameter / 2),
      known,
      role,
      ...(place === undefined ? {} : { place }),
    });
    return this;
  }

  polygon(points: readonly (readonly [number, number])[], known: Known, role: Role = 'metal', place?: string): this {
    this.shapes.push({ form: 'polygon', points, known, role, ...(place === undefined ? {} : { place }) });
    return this;
  }

  /** Names the point at which a size is called out. */
  at(place: string, x: number, y: number, above = y < 0): this {
    this.places[place] = { x, y, above };
    return this;
  }

  done(seen: string): Outline {
    const box = this.shapes.reduce(
      (all, shape) => {
        const [x0, y0, x1, y1] = extent(shape);
        return {
          x0: Math.min(all.x0, x0),
          y0: Math.min(all.y0, y0),
          x1: Math.max(all.x1, x1),
          y1: Math.max(all.y1, y1),
        };
      },
      { x0: Infinity, y0: Infinity, x1: -Infinity, y1: -Infinity },
    );
    return {
      shapes: this.shapes,
      places: this.places,
      box: { x: box.x0, y: box.y0, width: box.x1 - box.x0, height: box.y1 - box.y0 },
      seen,
    };
  }
}

function extent(shape: Shape): readonly [number, number, number, number] {
  switch (shape.form) {
    case 'rect':
      return [shape.x, shape.y, shape.x + shape.width, shape.y + shape.height];
    case 'circle':
      return [shape.x - shape.radius, shape.y - shape.radius, shape.x + shape.radius, shape.y + shape.radius];
    case 'polygon': {
      const xs = shape.points.map(([x]) => x);
      const ys = shape.points.map(([, y]) => y);
      return [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
    }
  }
}

/** Points of an arc about (x, y), from one angle to another in degrees, clockwise from the right. */
export function arc(x: number, y: number, radius: number, from: number, to: number, steps = 24): [number, number][] {
  return Array.from({ length: steps + 1 }, (_, at) => {
    const angle = ((from + ((to - from) * at) / steps) * Math.PI) / 180;
    return [x + radius * Math.cos(angle), y + radius * Math.sin(angle)];
  });
}
