import {
  checkKey,
  advise,
  Identification,
  type Advised,
  type CatalogueIndex,
  type IdentifyOptions,
} from '../identify/index.js';
import type { Understood } from '../readings/reading.js';
import { ToolDrawer } from '../shop/ownInstrument.js';
import type { Asked } from './ask.js';
import type { HiddenPart } from './hiddenPart.js';
import { solve, type Solution } from './solve.js';
import type { Reader } from './ask.js';

/** One thing the trainee asked for, and what came of it. */
export interface TraineeStep {
  readonly asked: Asked;
  readonly name: string;
  readonly minutes: number;
  readonly reading: Understood;
}

/** What is to be said of a step. */
interface StepJudged {
  readonly step: TraineeStep;
  /** Expected gain when it was asked for, bits. */
  readonly bits: number;
  /** What would have gained the most a minute then. */
  readonly better: Pick<Advised, 'name' | 'bits' | 'minutes'> | undefined;
  /** True where nothing that it could have come to would have told anything. */
  readonly wasted: boolean;
}

interface Debrief {
  readonly right: boolean;
  readonly minutes: number;
  readonly steps: readonly StepJudged[];
  /** How the engine would have gone about the same part. */
  readonly engine: Solution;
  /** 0 to 100: half for being right, half for the minutes against the engine's; nothing for a wrong answer. */
  readonly score: number;
}

/** Below this a check could not have told anything, bits. */
const TOLD_NOTHING = 0.02;
/** A check that gains less a minute than this share of the best is not the one to do, but it is not wasted. */
const AS_GOOD = 0.5;

/**
 * Looks back on a round of practice.
 * @param named the pattern the trainee named; undefined for "in no catalogue"
 */
export function debrief(
  part: HiddenPart,
  index: CatalogueIndex,
  steps: readonly TraineeStep[],
  named: string | undefined,
  next: () => number,
  identifyOptions: IdentifyOptions & { readonly reader?: Reader } = {},
): Debrief {
  const { drawer = new ToolDrawer() } = identifyOptions;
  const identification = new Identification(index, identifyOptions);
  const judged = steps.map((step, at): StepJudged => {
    const readings = steps.slice(0, at).map(({ reading }) => reading);
    const { checks } = advise(identification.read(readings), { readings, drawer }, 1);
    const mine = checks.find((check) => checkKey(check) === checkKey(step.asked));
    const [best] = checks;
    const bits = mine?.bits ?? 0;
    const better =
      best && bits / step.minutes < AS_GOOD * best.bitsPerMinute && checkKey(best) !== checkKey(step.asked)
        ? { name: best.name, bits: best.bits, minutes: best.minutes }
        : undefined;
    return { step, bits, better, wasted: bits < TOLD_NOTHING };
  });
  const engine = solve(part, index, next, identifyOptions);
  const right = named === part.pattern;
  const minutes = steps.reduce((sum, step) => sum + step.minutes, 0);
  const pace = Math.min(1, engine.minutes / Math.max(minutes, 0.5));
  return { right, minutes, steps: judged, engine, score: right ? Math.round(50 + 50 * pace) : 0 };
}
