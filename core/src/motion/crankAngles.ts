/** Radians in a degree. */
export const RADIANS = Math.PI / 180;

/** Radians a second at so many revolutions a minute. */
export const perSecond = (speed: number): number => (2 * Math.PI * speed) / 60;

/** A crank angle brought between -180 (not included) and 180 degrees. */
export function fromTopDeadCentre(angle: number): number {
  const within = angle % 360;
  return within > 180 ? within - 360 : within <= -180 ? within + 360 : within;
}

/**
 * The angle in a range at which a smooth function is least, by steps and then by golden section in the best of them.
 *
 * @param low degrees
 * @param high degrees
 * @param step no wider than half of the narrowest valley
 */
export function leastAt(of: (angle: number) => number, low: number, high: number, step = 2): number {
  let [best, least] = [low, Infinity];
  for (let angle = low; angle <= high; angle += step) {
    const found = of(angle);
    if (found < least) [best, least] = [angle, found];
  }
  let [from, to] = [Math.max(low, best - step), Math.min(high, best + step)];
  let [left, right] = [to - GOLDEN * (to - from), from + GOLDEN * (to - from)];
  let [atLeft, atRight] = [of(left), of(right)];
  while (to - from > CLOSE_ENOUGH) {
    // Of the two inner points one is inner still: only the other is worked out anew.
    if (atLeft < atRight) {
      [to, right, atRight] = [right, left, atLeft];
      left = to - GOLDEN * (to - from);
      atLeft = of(left);
    } else {
      [from, left, atLeft] = [left, right, atRight];
      right = from + GOLDEN * (to - from);
      atRight = of(right);
    }
  }
  return (from + to) / 2;
}

const GOLDEN = (Math.sqrt(5) - 1) / 2;
/** Degrees. */
const CLOSE_ENOUGH = 5e-4;
