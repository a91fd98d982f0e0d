export { STRIPS, type StripId } from './crushStrip.js';
export { boreWays } from './bores.js';
export { shellsFound, type ShellFound } from './found.js';
export { cellsOf, readCell, withCell, type CellProblem } from './cells.js';
export { banksOf, cellsInOrder, keyOfCell, type Cell, type SheetLayout } from './layout.js';
export { balancedAssignment, closestSet, MOST_IN_POOL, nextBestSet, toTakeOff, type Piece } from './sets.js';
export { judgeSheet, placesOf } from './sheet.js';
export { sheetFor, SHEETS } from './sheets.js';
export { shellsByPlace, type BearingPlace } from './shells.js';
