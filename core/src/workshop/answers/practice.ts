import type { Requests, SheetLineTold } from '../../contract/index.js';
import {
  ask,
  debrief,
  DRILL_LEVELS,
  drawPart,
  drawStranger,
  sheetOf,
  type HiddenPart,
  type SheetLine,
  type Step,
  type TraineeStep,
} from '../../drill/index.js';
import { DataError } from '../../formats/index.js';
import { checkKey } from '../../identify/index.js';
import { random } from '../../quantity/random.js';
import type { Holdings } from '../holdings.js';
import type { Answering } from './answering.js';

/** A drill as far as it has come: everything in it follows from the request, so that nothing is kept between two. */
class Drill {
  readonly sheet: readonly SheetLine[];
  readonly steps: TraineeStep[] = [];
  readonly part: HiddenPart;
  readonly next: () => number;
  readonly level: (typeof DRILL_LEVELS)[number];

  constructor(workshop: Holdings, { kind, level, seed }: Requests['drillSheet'], asked: readonly string[]) {
    const found = DRILL_LEVELS.find(({ id }) => id === level);
    const patterns = workshop.catalogue.ofKind(kind);
    this.next = random(seed);
    const pattern = patterns[Math.floor(this.next() * patterns.length)];
    if (!found || !pattern)
      throw new DataError('There is nothing to drill on.', [
        { where: 'body.kind', what: `the catalogue has no ${kind}; choose another kind of part.` },
      ]);
    this.level = found;
    this.part =
      this.next() < found.strangers ? drawStranger(pattern, this.next) : drawPart(pattern, this.next, found.hardship);
    this.sheet = sheetOf(kind, workshop.index(kind), workshop.circumstances.drawer);
    for (const key of asked) {
      const line = this.sheet.find((each) => checkKey(each) === key);
      if (!line)
        throw new DataError('That is not on the sheet.', [{ where: 'body.asked', what: `“${key}” is no line of it.` }]);
      const reading = ask(this.part, line, this.next, found.reader);
      this.steps.push({ asked: line, name: line.name, minutes: line.minutes, reading });
    }
  }
}

const lineTold = ({ sort, id, name, minutes, tool }: SheetLine): SheetLineTold => ({
  sort,
  id,
  name,
  minutes,
  ...(tool ? { tool: { sort: tool.sort, name: tool.name } } : {}),
});

const stepTold = ({ name, minutes, reading }: Pick<TraineeStep, 'name' | 'minutes' | 'reading'>) => ({
  name,
  minutes,
  reading,
});

export const drillSheet: Answering<'drillSheet'> = (workshop, request) => ({
  lines: new Drill(workshop, request, []).sheet.map(lineTold),
});

export const drillAsk: Answering<'drillAsk'> = (workshop, request) => {
  const last = new Drill(workshop, request, request.asked).steps.at(-1);
  return last ? { reading: last.reading } : {};
};

export const drillEnd: Answering<'drillEnd'> = (workshop, request) => {
  const { catalogue, circumstances } = workshop;
  const { part, steps, next, level } = new Drill(workshop, request, request.asked);
  const end = debrief(part, workshop.index(request.kind), steps, request.named, next, {
    ...circumstances,
    reader: level.reader,
  });
  const engineStep = ({ first, probability, ...step }: Step) => ({
    ...stepTold(step),
    ...(first === undefined ? {} : { first: catalogue.label(first) }),
    probability,
  });
  return {
    ...(part.pattern === undefined ? {} : { pattern: part.pattern, label: catalogue.label(part.pattern) }),
    right: end.right,
    minutes: end.minutes,
    score: end.score,
    steps: end.steps.map(({ step, better, ...rest }) => ({
      ...rest,
      step: stepTold(step),
      ...(better ? { better } : {}),
    })),
    engine: { minutes: end.engine.minutes, steps: end.engine.steps.map(engineStep) },
  };
};
