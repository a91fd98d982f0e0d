import { closestSet, costWithin, measured, type MatchedSet, type Piece } from './sets.js';

/** Sets for several engines of one kind from one shelf, each piece in one of them. */
interface SeveralSets {
  readonly sets: readonly MatchedSet[];
  /** No other sets spread less in sum; else the search was stopped, and there may be better ones. */
  readonly proved: boolean;
}

/** What is looked at at most before a search is stopped: a second or so. */
const MOST_STEPS = 300_000;
const MOST_FRAMES = 60_000;

/** All pieces whose figures lie between those of some others: what a set can be drawn from. */
interface Frame {
  /** What a set costs that reaches to all its sides. */
  readonly cost: number;
  /** Places in the pool. */
  readonly holds: readonly number[];
}

/**
 * Sets of `count` pieces for each of so many engines, no piece in two of them, whose costs come to the least in sum. A
 * set is a frame around the least and the greatest of both figures with enough pieces in it: frames are tried together
 * in the order of what they cost, and taken where every set can be filled without drawing on a piece twice (bipartite
 * matching by augmenting paths). Taking the best set again and again is where it begins, and what it must beat.
 *
 * @param allowed how far each figure may spread
 * @returns nothing where the pool is too small for all of them
 */
export function closestSets(
  pool: readonly Piece[],
  count: number,
  engines: number,
  allowed: readonly number[],
): SeveralSets | undefined {
  const [best, ...rest] = oneAfterAnother(pool, count, engines, allowed);
  if (!best || rest.length < engines - 1) return undefined;
  let sets = [best, ...rest];
  if (engines === 1) return { sets, proved: true };
  let least = sumOf(sets);
  // None costs less than the best of all does, so that no frame may cost more than what is left over.
  const { frames, whole } = framesOf(pool, count, allowed, least - (engines - 1) * best.cost);
  const atLeast = floors(frames, pool.length, count, engines);
  let steps = 0;
  const chosen: Frame[] = [];
  const choose = (from: number, sum: number): void => {
    const wanted = engines - chosen.length;
    if (wanted === 0) {
      const filled = fill(chosen, count);
      if (!filled) return;
      // What fills it may lie closer together than its frame.
      const found = filled.map((places) =>
        measured(
          places.flatMap((at) => pool[at] ?? []),
          allowed,
        ),
      );
      if (sumOf(found) < least - 1e-12) [least, sets] = [sumOf(found), found];
      return;
    }
    for (let at = from; at < frames.length; at++) {
      const frame = frames[at];
      if (!frame) return;
      // They stand in the order of what they cost: all that follow cost as much.
      const floor = atLeast.slice(0, wanted).reduce((so, each) => so + Math.max(each, frame.cost), sum);
      if (floor >= least - 1e-12 || ++steps > MOST_STEPS) return;
      chosen.push(frame);
      if (chosen.length === 1 || fill(chosen, count)) choose(at, sum + frame.cost);
      chosen.pop();
    }
  };
  choose(0, 0);
  return { sets: [...sets].sort((a, b) => a.cost - b.cost), proved: whole && steps <= MOST_STEPS };
}

const sumOf = (sets: readonly MatchedSet[]): number => sets.reduce((sum, { cost }) => sum + cost, 0);

/** The best set, then the best of what is left. */
function oneAfterAnother(
  pool: readonly Piece[],
  count: number,
  engines: number,
  allowed: readonly number[],
): readonly MatchedSet[] {
  const sets: MatchedSet[] = [];
  let left = pool;
  for (let engine = 0; engine < engines; engine++) {
    const best = closestSet(left, count, allowed);
    if (!best) break;
    sets.push(best);
    left = left.filter(({ id }) => !best.chosen.includes(id));
  }
  return sets;
}

/**
 * What the dearest set costs at least, the dearest but one, and so on. A piece is in no set for less than in the
 * cheapest frame that holds it. Of the pieces that are the worst off some stay out, and as many as fill a set can share
 * one: the next must be in another, which then costs as much too.
 */
function floors(frames: readonly Frame[], pieces: number, count: number, engines: number): readonly number[] {
  const cheapest = new Array<number>(pieces).fill(Infinity);
  for (const { cost, holds } of frames) for (const at of holds) cheapest[at] = Math.min(cheapest[at] ?? cost, cost);
  cheapest.sort((a, b) => b - a);
  return Array.from({ length: engines }, (_, set) => cheapest[pieces - count * engines + set * count] ?? 0);
}

/** Every frame that holds enough pieces and costs no more than so much, the cheapest first. */
function framesOf(pool: readonly Piece[], count: number, allowed: readonly number[], most: number) {
  const figure = (at: number, which: 0 | 1): number => pool[at]?.figures[which] ?? 0;
  const order = (which: 0 | 1) => pool.map((_, at) => at).sort((a, b) => figure(a, which) - figure(b, which) || a - b);
  const [byFirst, bySecond] = [order(0), order(1)];
  const ends = (sorted: readonly number[], which: 0 | 1) => [...new Set(sorted.map((at) => figure(at, which)))];
  const [firsts, seconds] = [ends(byFirst, 0), ends(bySecond, 1)];
  /** Whether something in it touches each of its sides; else a smaller frame holds the same. */
  const reaches = (holds: readonly number[], ...[low, high, bottom, top]: readonly number[]): boolean =>
    holds.some((at) => figure(at, 0) === low) &&
    holds.some((at) => figure(at, 0) === high) &&
    figure(holds[0] ?? 0, 1) === bottom &&
    figure(holds.at(-1) ?? 0, 1) === top;
  const frames: Frame[] = [];
  let whole = true;
  for (const [from, low] of firsts.entries()) {
    for (const high of firsts.slice(from)) {
      if (costWithin([high - low], allowed) > most) break;
      const inside = bySecond.filter((at) => figure(at, 0) >= low && figure(at, 0) <= high);
      if (inside.length < count) continue;
      for (const [above, bottom] of seconds.entries()) {
        for (const top of seconds.slice(above)) {
          const cost = costWithin([high - low, top - bottom], allowed);
          if (cost > most) break;
          const holds = inside.filter((at) => figure(at, 1) >= bottom && figure(at, 1) <= top);
          if (holds.length < count || !reaches(holds, low, high, bottom, top)) continue;
          if (frames.length >= MOST_FRAMES) whole = false;
          else frames.push({ cost, holds });
        }
      }
    }
  }
  return { frames: frames.sort((a, b) => a.cost - b.cost), whole };
}

/** For each frame so many of its pieces, none in two of them; nothing where there are too few. */
function fill(frames: readonly Frame[], count: number): readonly (readonly number[])[] | undefined {
  const seatOf = new Map<number, number>();
  const sit = (frame: number, seen: Set<number>): boolean =>
    (frames[frame]?.holds ?? []).some((piece) => {
      if (seen.has(piece)) return false;
      seen.add(piece);
      const sitting = seatOf.get(piece);
      if (sitting === frame || (sitting !== undefined && !sit(sitting, seen))) return false;
      seatOf.set(piece, frame);
      return true;
    });
  for (const frame of frames.keys()) {
    for (let seat = 0; seat < count; seat++) if (!sit(frame, new Set())) return undefined;
  }
  return frames.map((_, frame) => [...seatOf].flatMap(([piece, sitting]) => (sitting === frame ? [piece] : [])));
}

/** A set of one type. */
type SetOfType = MatchedSet & { readonly type: string };

/**
 * Sets for so many engines. One engine takes one type, another may take another: every share of the engines among the
 * types is weighed, type by type.
 */
export function setsOfTypes(
  pools: readonly { readonly type: string; readonly pieces: readonly Piece[] }[],
  count: number,
  engines: number,
  allowed: readonly number[],
): { readonly sets: readonly SetOfType[]; readonly proved: boolean } | undefined {
  interface Share {
    readonly sets: readonly SetOfType[];
    readonly cost: number;
  }
  let proved = true;
  let shares: readonly (Share | undefined)[] = [{ sets: [], cost: 0 }];
  for (const { type, pieces } of pools) {
    const own = Array.from({ length: Math.min(engines, Math.floor(pieces.length / count)) }, (_, at): Share => {
      const found = closestSets(pieces, count, at + 1, allowed);
      if (found?.proved === false) proved = false;
      const sets = (found?.sets ?? []).map((set) => ({ ...set, type }));
      return { sets, cost: sets.reduce((sum, { cost }) => sum + cost, 0) };
    });
    shares = Array.from({ length: engines + 1 }, (_, many) =>
      [{ sets: [], cost: 0 }, ...own]
        .flatMap((share, of) => {
          const before = shares[many - of];
          return before ? [{ sets: [...before.sets, ...share.sets], cost: before.cost + share.cost }] : [];
        })
        .reduce<Share | undefined>((best, share) => (best && best.cost <= share.cost ? best : share), undefined),
    );
  }
  const best = shares[engines];
  return best && { sets: [...best.sets].sort((a, b) => a.cost - b.cost), proved };
}
