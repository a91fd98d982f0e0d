import type { QuestionName } from '../../contract/index.js';
import type { Answering } from './answering.js';
import { calculation, engine, identify, kindsMeant, read } from './bench.js';
import { buildBegin, buildCurves, buildJoints, buildSheet } from './builds.js';
import { buildSolve, buildSweep, buildTolerance } from './buildsVaried.js';
import { audit, compare, decode, readNumber, search } from './catalogue.js';
import { fitBores } from './fitBores.js';
import { fitSets } from './fitSets.js';
import { fitSheet } from './fitSheet.js';
import { fitShells } from './fitShells.js';
import { planChoices, planConflicts, planSets, planWorth } from './plan.js';
import { assemblyNotes, jobStages, orderList, shopSheet, wantedBy } from './order.js';
import { calibration } from './learning.js';
import { practiceAsk, practiceEnd, practiceSheet } from './practice.js';
import { faces, overview, page, pick, records, tree, variantsOf } from './excerpts.js';
import { grid, gridGroups, gridOrder, gridRows, gridSides } from './grid.js';
import { engines, interchange, whatElse } from './swap.js';

/** Every question with what answers it. */
export const ANSWERS: { readonly [N in QuestionName]: Answering<N> } = {
  kindsMeant,
  read,
  identify,
  calculation,
  engine,
  interchange,
  whatElse,
  engines,
  grid,
  gridSides,
  gridRows,
  gridOrder,
  gridGroups,
  buildSheet,
  buildJoints,
  buildCurves,
  buildSolve,
  buildSweep,
  buildTolerance,
  buildBegin,
  planChoices,
  planSets,
  planWorth,
  planConflicts,
  fitSheet,
  fitShells,
  fitBores,
  fitSets,
  orderList,
  shopSheet,
  assemblyNotes,
  jobStages,
  wantedBy,
  search,
  audit,
  compare,
  decode,
  readNumber,
  records,
  page,
  overview,
  tree,
  variantsOf,
  pick,
  faces,
  calibration,
  practiceSheet,
  practiceAsk,
  practiceEnd,
};
