import { describedAs } from '../dictionary/dictionary.js';
import type { Parameter, Together } from '../dictionary/definition.js';
import { readNumber } from '../quantity/number.js';
import { unitOf, type UnitId } from '../quantity/unit.js';
import type { Phrases, Read } from './phrases.js';
import { sizeOf, type Figures } from './size.js';
import { stepOf } from './step.js';
import { find } from './phrases.js';
import { lookedUp } from './wordForms.js';
import type { Words } from './unread.js';

const BETWEEN = /^(?:\s*[x×/]\s*|\s+by\s+|\s+(?=[\d.]))/i;
const STANDARD = /^(?:std|standard|0)(?![\d.])/i;
const UNIT = /^\s*(mm|cm|in|"|″|inch|inches|thou)(?=$|[\s,;])/i;

interface Row {
  /** What stands at each place; undefined for standard. */
  readonly figures: readonly (Figures | undefined)[];
  readonly length: number;
}

/** Figures with strokes, crosses or blanks between them, or `std` in the place of one. */
function rowAt(text: string): Row | undefined {
  const figures: (Figures | undefined)[] = [];
  let length = 0;
  for (;;) {
    const rest = text.slice(length);
    const standard = STANDARD.exec(rest);
    const number = standard ? undefined : readNumber(rest);
    const taken = standard?.[0].length ?? number?.length;
    if (taken === undefined) return undefined;
    figures.push(
      number && {
        values: [number.value],
        written: rest.slice(0, number.length),
        unit: undefined,
        crosses: [],
        length: number.length,
      },
    );
    length += taken;
    const between = BETWEEN.exec(text.slice(length));
    if (!between || !/^[\d.,]|^std/i.test(text.slice(length + between[0].length))) break;
    length += between[0].length;
  }
  const unit = UNIT.exec(text.slice(length));
  const meant: UnitId | undefined = unit?.[1] ? unitOf(unit[1]) : undefined;
  return {
    figures: figures.map((each) => each && { ...each, unit: meant }),
    length: length + (unit?.[0].length ?? 0),
  };
}

/** `25x52x15`, `2.02/1.60 valves`, `10/10`, `4.030 x 3.48 bore and stroke`: sizes said in one breath. */
export function together(phrases: Phrases, from: number): Read | undefined {
  const row = /^(?:[\d.]|std)/i.test(phrases.tokens[from]?.text ?? '') ? rowAt(phrases.rest(from)) : undefined;
  const after = row && phrases.after(from, row.length);
  if (!row || row.figures.length < 2 || after === undefined) return undefined;
  const kind = describedAs(phrases.kind) as {
    readonly parameters: Readonly<Record<string, Parameter>>;
    readonly together?: readonly Together[];
  };
  for (const { sizes, words, as } of kind.together ?? []) {
    const parameters = sizes.flatMap((key) => kind.parameters[key] ?? []);
    const next =
      words.length === 0 ? after : phrases.glued(after) + (wordsAt(phrases, phrases.glued(after), words) ?? NaN);
    // Bare figures are only these where nothing else claims them.
    if (parameters.length !== row.figures.length || Number.isNaN(next) || (words.length === 0 && !phrases.ends(next)))
      continue;
    const read = (as === 'steps' ? stepsOf : sizesOf)(parameters, row, phrases.source(from, next));
    if (read) return { ...read, next };
  }
  return namedAfter(phrases, row, from, after);
}

/** How many tokens one of some phrases takes. */
function wordsAt(phrases: Phrases, at: number, words: readonly string[]): number | undefined {
  for (const each of words) {
    const count = each.split(' ').length;
    const said = phrases.tokens
      .slice(at, at + count)
      .map(({ text }) => lookedUp(text))
      .join(' ');
    if (said === each || said === `${each}s`) return count;
  }
  return undefined;
}

type Said = Omit<Read, 'next'>;

/** All of them, where each can be; undefined where one cannot, so that the figures were something else. */
function sizesOf(parameters: readonly Parameter[], { figures }: Row, text: string): Said | undefined {
  const sizes = parameters.flatMap((parameter, at): Words[] => {
    const each = figures[at];
    return each ? [sizeOf(parameter, each, undefined, text)] : [];
  });
  return allOf(sizes, parameters.length);
}

/** `10/10`, `std/20`: whole thousandths or a usual step each. */
function stepsOf(parameters: readonly Parameter[], { figures }: Row, text: string): Said | undefined {
  if (!text.includes('/')) return undefined;
  const isStep = (each: Figures | undefined, { service }: Parameter) => {
    const value = each?.values[0];
    return value === undefined || usual(service).some((step) => Math.abs(step - value) < 1e-9);
  };
  if (!parameters.every((parameter, at) => isStep(figures[at], parameter))) return undefined;
  const steps = parameters.map((parameter, at) => stepOf(parameter, figures[at], figures[at] ? -1 : 0, text));
  return allOf(steps, parameters.length);
}

/** Usual steps as they are said: `10` and `.010` of an inch, `0.25`. */
const usual = (service: Parameter['service']): readonly number[] => [
  ...(service?.mm ?? []).map((step) => Math.abs(Number(step))),
  ...(service?.in ?? []).flatMap((step) => [Math.abs(Number(step)), Math.round(Math.abs(Number(step)) * 1000)]),
];

function allOf(words: readonly Words[], count: number): Said | undefined {
  const [is, ...also] = words;
  return is && words.length === count && words.every(({ sort }) => sort !== 'unread') ? { is, also } : undefined;
}

/** `4.030 x 3.48 bore and stroke`: the names after the figures, in the same order. */
function namedAfter(phrases: Phrases, row: Row, from: number, after: number): Read | undefined {
  const named: Parameter[] = [];
  let next = after;
  for (let at = phrases.glued(after); named.length < row.figures.length; at = phrases.glued(next)) {
    const phrase = phrases.at(at);
    const parameter = find(phrase, 'parameter')?.parameter;
    if (!phrase || !parameter || named.includes(parameter)) return undefined;
    named.push(parameter);
    next = at + phrase.tokens;
  }
  const read = sizesOf(named, row, phrases.source(from, next));
  return read && !phrases.figures(next) ? { ...read, next } : undefined;
}
