import {
  ask,
  checkKey,
  debrief,
  DRILL_LEVELS,
  drawPart,
  drawStranger,
  random,
  sheetOf,
  type CatalogueIndex,
  type CatalogueLookup,
  type Circumstances,
  type Debrief,
  type DrillLevel,
  type HiddenPart,
  type KindId,
  type SheetLine,
  type TraineeStep,
  type Understood,
} from '@which-bore/core';

/** How a drill ended: what the part was, and what is to be said of the way there. */
export interface DrillEnd extends Debrief {
  readonly pattern: string | undefined;
}

/** One drill: a hidden part that answers what it is asked. The part stays here, so that the page cannot show it by mistake. */
export class Drill {
  readonly sheet: readonly SheetLine[];
  private readonly part: HiddenPart;
  private readonly next: () => number;
  private readonly steps: TraineeStep[] = [];
  private readonly level: DrillLevel;

  constructor(
    catalogue: CatalogueLookup,
    private readonly index: CatalogueIndex,
    kind: KindId,
    level: DrillLevel['id'],
    seed: number,
    private readonly circumstances: Circumstances,
  ) {
    const found = DRILL_LEVELS.find(({ id }) => id === level);
    const patterns = catalogue.ofKind(kind);
    this.next = random(seed);
    const pattern = patterns[Math.floor(this.next() * patterns.length)];
    if (!found || !pattern) throw new RangeError(`There is no drill "${level}" for this kind of part.`);
    this.level = found;
    this.part = this.next() < found.strangers ? drawStranger(pattern, this.next) : drawPart(pattern, this.next, found.hardship);
    this.sheet = sheetOf(kind, index, circumstances.drawer);
  }

  /** What is found when a line of the sheet is done. */
  ask(key: string): Understood | undefined {
    const line = this.sheet.find((each) => checkKey(each) === key);
    if (!line) return undefined;
    const reading = ask(this.part, line, this.next, this.level.reader);
    this.steps.push({ asked: line, name: line.name, minutes: line.minutes, reading });
    return reading;
  }

  /** @param named the pattern named; undefined for "in no catalogue" */
  end(named: string | undefined): DrillEnd {
    return {
      pattern: this.part.pattern,
      ...debrief(this.part, this.index, this.steps, named, this.next, { ...this.circumstances, reader: this.level.reader }),
    };
  }
}
