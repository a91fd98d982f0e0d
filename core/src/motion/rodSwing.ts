import { leastAt, RADIANS } from './crankAngles.js';
import { bottomDeadCentre, pinHeight, topDeadCentre, type SliderCrank } from './sliderCrank.js';

/**
 * How far the edge of the rod's beam swings out from the axis of the cylinder, at the height of the cylinder's foot:
 * the farthest of a whole turn. Millimetres; nothing where the beam never passes that height.
 *
 * @param foot height of the lower end of the cylinder over the main axis, millimetres
 * @param beam width of the beam in the plane it swings in, millimetres
 */
export function swingAtFoot(of: SliderCrank, foot: number, beam: number): number {
  const half = (angle: number) => {
    const [pin, throwOf] = [pinHeight(of, angle), (of.stroke / 2) * Math.cos(angle * RADIANS)];
    // The foot stands over the pin or under the crankpin: no beam there.
    if (foot >= pin || foot <= throwOf) return 0;
    const out = (of.stroke / 2) * Math.sin(angle * RADIANS);
    const at = -of.offset + ((out + of.offset) * (pin - foot)) / (pin - throwOf);
    // A beam that leans is wider across.
    return Math.abs(at) + (beam / 2) * (of.rod / (pin - throwOf));
  };
  const [top, bottom] = [topDeadCentre(of), bottomDeadCentre(of)];
  const sides = [leastAt((angle) => -half(angle), top, bottom), leastAt((angle) => -half(angle), bottom, top + 360)];
  return Math.max(...sides.map(half));
}
