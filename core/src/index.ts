/**
 * The computation of Which Bore: no interface, no database, no clock. The same build runs in the browser's worker and
 * on the server. Lengths are millimetres.
 */
export * from './quantity/index.js';
export * from './dictionary/index.js';
export * from './marks/index.js';
export {
  checkOwnFigures,
  cite,
  FIGURES_OF_THUMB,
  readFigure,
  sayFigure,
  sayLeeway,
  THUMB_SUBJECTS,
  writeFigure,
} from './thumb/index.js';
export type { Bound, FigureOfThumb, HasFigures, OwnFigureRead, OwnFigures, ThumbSubject } from './thumb/index.js';
export * from './shop/index.js';
export * from './readings/index.js';
export * from './catalogue/index.js';
export * from './designations/index.js';
export * from './outline/index.js';
export * from './compare/index.js';
export * from './search/index.js';
export * from './identify/index.js';
export * from './engine/index.js';
export * from './drill/index.js';
export * from './joints/index.js';
export * from './interchange/index.js';
export * from './formats/index.js';
export * from './audit/index.js';
export * from './contract/index.js';
export * from './workshop/index.js';
