import type { BuildEngine } from '../build/engine';
import { FIGURES } from '../build/figures/index';
import { buildSheetOf, type FigureFound } from '../build/sheet';

/** A figure of a build at a cylinder, a main or a crankpin; undefined where it does not come up there. */
export const figureIn = (engine: BuildEngine, id: string, at = 1): FigureFound | undefined =>
  buildSheetOf(
    engine,
    FIGURES.filter((each) => each.id === id),
  ).figures.find(({ spot }) => (spot?.at ?? 1) === at);

/** What it comes to, inside unit; not a number where it cannot be told. */
export const valueIn = (engine: BuildEngine, id: string, at = 1): number =>
  figureIn(engine, id, at)?.value ?? Number.NaN;
