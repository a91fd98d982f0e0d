import type { QuestionName } from '../../contract/index.js';
import type { Answering } from './answering.js';
import * as bench from './bench.js';
import * as builds from './builds.js';
import * as buildsVaried from './buildsVaried.js';
import * as catalogue from './catalogue.js';
import * as excerpts from './excerpts.js';
import * as fitBores from './fitBores.js';
import * as fitSets from './fitSets.js';
import * as fitSheet from './fitSheet.js';
import * as fitShells from './fitShells.js';
import * as grid from './grid.js';
import * as learning from './learning.js';
import * as order from './order.js';
import * as plan from './plan.js';
import * as practice from './practice.js';
import * as swap from './swap.js';

/** Every question with what answers it: a function of its name in a module of its subject. */
export const ANSWERS: { readonly [N in QuestionName]: Answering<N> } = {
  ...bench,
  ...builds,
  ...buildsVaried,
  ...catalogue,
  ...excerpts,
  ...fitBores,
  ...fitSets,
  ...fitSheet,
  ...fitShells,
  ...grid,
  ...learning,
  ...order,
  ...plan,
  ...practice,
  ...swap,
};
