import type { Requests, SheetLineTold } from '../../contract/index.js';
import {
  ask,
  debrief,
  PRACTICE_LEVELS,
  drawPart,
  drawStranger,
  sheetOf,
  type HiddenPart,
  type SheetLine,
  type Step,
  type TraineeStep,
} from '../../practice/index.js';
import { DataError } from '../../formats/index.js';
import { checkKey } from '../../identify/index.js';
import { random } from '../../quantity/random.js';
import type { KeptCatalogue } from '../keptCatalogue.js';
import type { Answering } from './answering.js';

/** A round of practice as far as it has come. All of it follows from the request: nothing is kept between two. */
class Round {
  readonly sheet: readonly SheetLine[];
  readonly steps: TraineeStep[] = [];
  readonly part: HiddenPart;
  readonly next: () => number;
  readonly level: (typeof PRACTICE_LEVELS)[number];

  constructor(workshop: KeptCatalogue, { kind, level, seed }: Requests['practiceSheet'], asked: readonly string[]) {
    const found = PRACTICE_LEVELS.find(({ id }) => id === level);
    const patterns = workshop.catalogue.ofKind(kind);
    this.next = random(seed);
    const pattern = patterns[Math.floor(this.next() * patterns.length)];
    if (!found || !pattern)
      throw new DataError('There is nothing to practise on.', [
        { where: 'body.kind', what: `the catalogue has no ${kind}; choose another kind of part.` },
      ]);
    this.level = found;
    this.part =
      this.next() < found.strangers ? drawStranger(pattern, this.next) : drawPart(pattern, this.next, found.hardship);
    this.sheet = sheetOf(kind, workshop.index(kind), workshop.identifyOptions.drawer);
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

export const practiceSheet: Answering<'practiceSheet'> = (workshop, request) => ({
  lines: new Round(workshop, request, []).sheet.map(lineTold),
});

export const practiceAsk: Answering<'practiceAsk'> = (workshop, request) => {
  const last = new Round(workshop, request, request.asked).steps.at(-1);
  return last ? { reading: last.reading } : {};
};

export const practiceEnd: Answering<'practiceEnd'> = (workshop, request) => {
  const { catalogue, identifyOptions } = workshop;
  const { part, steps, next, level } = new Round(workshop, request, request.asked);
  const end = debrief(part, workshop.index(request.kind), steps, request.named, next, {
    ...identifyOptions,
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
