export * from './build.js';
export { BuildEngine, type PlacedInBuild, type Spot } from './engine.js';
export { FIGURES, figureOf, SUBJECTS, type Figure, type Subject } from './figures/index.js';
export { curveAngles, curvesOf, type Curve } from './curves.js';
export { curvesTable } from './curvesTable.js';
export { readLifts, type LiftDuty } from './liftTable.js';
export { engineOf, engineWith, jointsOf, partsOfBuild, placesFor, type BuildLookup } from './ground.js';
export { mixturesIn } from './mixed.js';
export { plannedFrom } from './plannedFrom.js';
export { BuildModel, intervalOf } from './model.js';
export { piecesFor, type SoldBy } from './pieces.js';
export { sectionOf, SectionSizesSchema, type SectionSizes } from './section.js';
export { Intervals } from './intervals.js';
export { drawSection, sectionBox, type SectionDrawing, type SectionGap, type SectionShape } from './sectionDrawing.js';
export { buildSheetOf, requiredOf, valuesOf, type FigureFound } from './sheet.js';
export { inServiceSize, ringsFor, serviceSizesOf } from './serviceSize.js';
export { SOLVED_FOR, solveFor, type SolvedFor } from './solve.js';
export { chance, percentile, SPREADS, together, ToleranceModel, type Spread, type Tolerated } from './tolerance.js';
export { Varied } from './vary.js';
export {
  asksOf,
  nameOfWork,
  operationOf,
  PLANNED_IDS,
  plannedFor,
  worked,
  type PlannedId,
  type WorkAround,
} from './work.js';
