import type { Catalogue } from '../catalogue/index';
import type { Pattern } from '../catalogue/pattern';
import { featureOf, parameterOf, type KindId } from '../dictionary/dictionary';
import { advise, Identification, indexCatalogue, type CatalogueIndex } from '../identify/index';
import { ask } from '../practice/ask';
import { drawPart, drawStranger, type HiddenPart } from '../practice/hiddenPart';
import { showsItsOwn } from '../practice/simulate';
import { sheetOf, type SheetLine } from '../practice/solve';
import type { LookReading, Understood } from '../readings/reading';

/**
 * What goes wrong in a workshop, each by its own share. None of it is drawn from the tables that the identification
 * reckons with: the shares and shapes are common practice, no source.
 */
export interface Trouble {
  /** Of sizes, written with two digits swapped, one wrong, the radius, or a place beside the right one. */
  readonly slips: number;
  /** Of marks, read by half. */
  readonly halfMarks: number;
  /** Of marks, another one beside it: a date, a foundry. */
  readonly neighbours: number;
  /** Of characters, taken for one that looks like it. */
  readonly confused: number;
  /** Of looks, told wrong. */
  readonly looks: number;
  /** Of journals and bores, machined to a size between the usual ones. */
  readonly betweenSteps: number;
  /** Of figures in the catalogue, wrong there. */
  readonly sheets: number;
  /** Of parts, in no catalogue. */
  readonly strangers: number;
}

const NO_TROUBLE: Trouble = {
  slips: 0,
  halfMarks: 0,
  neighbours: 0,
  confused: 0,
  looks: 0,
  betweenSteps: 0,
  sheets: 0,
  strangers: 0,
};

/** Each kind of trouble by itself, and all of them together. */
export const TROUBLES: Readonly<Record<string, Trouble>> = {
  none: NO_TROUBLE,
  slips: { ...NO_TROUBLE, slips: 0.02 },
  'half marks': { ...NO_TROUBLE, halfMarks: 0.5 },
  'neighbouring marks': { ...NO_TROUBLE, neighbours: 0.2 },
  'confused characters': { ...NO_TROUBLE, confused: 0.06 },
  'looks told wrong': { ...NO_TROUBLE, looks: 0.1 },
  'machined between steps': { ...NO_TROUBLE, betweenSteps: 0.08 },
  'wrong sheets': { ...NO_TROUBLE, sheets: 0.02 },
  strangers: { ...NO_TROUBLE, strangers: 0.25 },
  'all together': {
    slips: 0.01,
    halfMarks: 0.2,
    neighbours: 0.1,
    confused: 0.03,
    looks: 0.1,
    betweenSteps: 0.04,
    sheets: 0.02,
    strangers: 0.1,
  },
};

/** As many checks at the most are made as the program advises, a size once more among them. */
const ADVISED = 5;

const ALIKE = ['38', '56', '17', '0O', '8B', '5S', '2Z', 'MN', 'EF', 'CG'];

interface Tally {
  parts: number;
  settled: number;
  settledWrong: number;
  known: number;
  knownSettled: number;
  disowned: number;
  strangers: number;
  strangersCalled: number;
  surely: number;
  surelyRight: number;
  surelySaid: number;
}

/** The catalogue with some of its figures wrong, by one to five per cent. */
function spoilt(catalogue: Catalogue, share: number, next: () => number): Catalogue {
  if (share === 0) return catalogue;
  const wrong = (figure: string) =>
    (Number(figure) * (1 + (next() < 0.5 ? -1 : 1) * (0.01 + 0.04 * next()))).toFixed(3);
  return {
    ...catalogue,
    patterns: catalogue.patterns.map((pattern) => ({
      ...pattern,
      dimensions: Object.fromEntries(
        Object.entries(pattern.dimensions).map(([id, dimension]) => {
          if (next() >= share) return [id, dimension];
          const low = wrong(dimension.low);
          const high = (Number(low) + Number(dimension.high) - Number(dimension.low)).toFixed(3);
          return [id, { ...dimension, low, high }];
        }),
      ),
    })),
  };
}

function machined(part: HiddenPart, share: number, next: () => number): HiddenPart {
  const sizes = Object.fromEntries(
    Object.entries(part.sizes).map(([id, size]) => {
      const { service, wear } = parameterOf(id);
      const by = service && next() < share ? 0.08 + 0.6 * next() : 0;
      return [id, wear === 'grows' ? size + by : size - by];
    }),
  );
  return { ...part, sizes };
}

function slipped(value: number, next: () => number): number {
  const digits = value.toFixed(2);
  const at = Math.floor(next() * (digits.length - 1));
  switch (Math.floor(next() * 4)) {
    case 0: {
      const [one, two] = [digits[at] ?? '', digits[at + 1] ?? ''];
      return one === '.' || two === '.' ? value : Number(digits.slice(0, at) + two + one + digits.slice(at + 2));
    }
    case 1:
      return digits[at] === '.'
        ? value
        : Number(digits.slice(0, at) + String(Math.floor(next() * 10)) + digits.slice(at + 1));
    case 2:
      return value / 2;
    default:
      return value * (0.9 + 0.2 * next());
  }
}

/** What somebody of that world makes of one line of a sheet. */
function told(part: HiddenPart, line: SheetLine, trouble: Trouble, next: () => number): Understood[] {
  const reading = ask(part, line, next);
  switch (reading.sort) {
    case 'size': {
      if (next() >= trouble.slips) return [reading];
      const value = Number(slipped(reading.values[0] ?? 1, next).toFixed(3));
      return value > 0 ? [{ ...reading, values: [value], text: `${reading.text} (${value})` }] : [reading];
    }
    case 'mark': {
      if (reading.characters === '') return [reading];
      const length = Math.ceil(reading.characters.length / 2);
      const whole =
        next() < trouble.halfMarks
          ? `${reading.characters.slice(0, length)}${'?'.repeat(reading.characters.length - length)}`
          : reading.characters;
      const characters = Array.from(whole, (each) => {
        const pair = next() < trouble.confused ? ALIKE.find((two) => two.includes(each)) : undefined;
        return pair ? pair.replace(each, '') : each;
      }).join('');
      // Where nothing is left to read nobody writes a mark down.
      if (!/[^?]/.test(characters)) return [];
      const date = `${'ABCDEFGHJKLM'.charAt(Math.floor(next() * 12))}${Math.floor(1 + next() * 28)}${Math.floor(next() * 10)}`;
      return [
        { ...reading, characters, text: `${reading.text} ${characters}` },
        ...(next() < trouble.neighbours ? [{ sort: 'mark' as const, text: date, characters: date }] : []),
      ];
    }
    case 'look':
    case 'face':
    case 'step':
    case 'claim':
    case 'unread':
      return [reading];
  }
}

/** The same, with a look told wrong now and then. */
function toldOf(part: HiddenPart, line: SheetLine, trouble: Trouble, next: () => number): Understood[] {
  const wrong = line.sort === 'look' && next() < trouble.looks;
  const read = told(part, line, trouble, next);
  return wrong
    ? read.map((each) => (each.sort === 'look' ? { ...each, option: otherOption(each, next) } : each))
    : read;
}

/** So many lines of the sheet, in any order. */
function readingsOf(part: HiddenPart, sheet: readonly SheetLine[], trouble: Trouble, next: () => number): Understood[] {
  const lines = [...sheet];
  const count = 5 + Math.floor(next() * 6);
  const readings: Understood[] = [];
  for (let at = 0; at < count && lines.length > 0; at++) {
    const [line] = lines.splice(Math.floor(next() * lines.length), 1);
    if (!line) break;
    readings.push(...toldOf(part, line, trouble, next));
  }
  return readings;
}

/** Another answer than the one that was seen: the next count, or any other option. */
function otherOption({ feature, option }: LookReading, next: () => number): string {
  if (/^\d+$/.test(option)) return String(Math.max(0, Number(option) + (next() < 0.5 ? -1 : 1)));
  const { form } = featureOf(feature);
  const others = 'options' in form ? form.options.filter(({ id }) => id !== option) : [];
  return others[Math.floor(next() * others.length)]?.id ?? option;
}

/**
 * Parts of one kind in that world, and what is said of them.
 *
 * @param catalogue as it is on record; the parts are of it as it should be
 */
export function inOtherWorld(
  kind: KindId,
  catalogue: Catalogue,
  trouble: Trouble,
  parts: number,
  next: () => number,
): Tally {
  const patterns = catalogue.patterns.filter((pattern) => pattern.kind === kind);
  const index: CatalogueIndex = indexCatalogue(kind, spoilt(catalogue, trouble.sheets, next));
  const sheet = sheetOf(kind, index);
  const tally: Tally = {
    parts: 0,
    settled: 0,
    settledWrong: 0,
    known: 0,
    knownSettled: 0,
    disowned: 0,
    strangers: 0,
    strangersCalled: 0,
    surely: 0,
    surelyRight: 0,
    surelySaid: 0,
  };
  const any = (): Pattern | undefined => patterns[Math.floor(next() * patterns.length)];
  for (let at = 0; at < parts; at++) {
    const pattern = any();
    if (!pattern) break;
    const isStranger = next() < trouble.strangers;
    const part = machined(
      isStranger ? drawStranger(pattern, next, any()) : drawPart(pattern, next),
      trouble.betweenSteps,
      next,
    );
    const readings = readingsOf(part, sheet, trouble, next);
    const shown = showsItsOwn(part, readings);
    // A sister of which nothing of its own was read is, as far as it was read, the known one.
    if (isStranger && !shown) continue;
    const identification = new Identification(index).read(readings);
    // Then one goes by what the program advises, as far as the sheet has it.
    for (let more = 0; more < ADVISED; more++) {
      const isSettled = identification.lineUp(1).status === 'settled';
      const advised = advise(identification, { readings }, 1).checks.find(({ onceMore }) => onceMore ?? !isSettled);
      const line = advised && sheet.find(({ id, sort }) => id === advised.id && sort === advised.sort);
      if (!line) break;
      readings.push(...toldOf(part, line, trouble, next));
      identification.read(readings);
    }
    const { status, candidates } = identification.lineUp(3);
    const [first] = candidates;
    const isNone = status === 'nothingFits' || status === 'sister';
    const right = isStranger
      ? isNone || first?.own !== undefined
      : first?.pattern === part.pattern && first?.own === undefined;
    tally.parts++;
    if (status === 'settled') {
      tally.settled++;
      if (isStranger || first?.pattern !== part.pattern) tally.settledWrong++;
    }
    if (isStranger) {
      tally.strangers++;
      if (isNone) tally.strangersCalled++;
    } else {
      tally.known++;
      if (status === 'settled') tally.knownSettled++;
      if (isNone) tally.disowned++;
    }
    if (first && first.probability >= 0.9) {
      tally.surely++;
      tally.surelySaid += first.probability;
      if (right) tally.surelyRight++;
    }
  }
  return tally;
}
