import { describedAs } from '../dictionary/dictionary.js';
import type { Parameter, Together } from '../dictionary/definition.js';
import { readNumber } from '../quantity/number.js';
import { unitOf, type UnitId } from '../quantity/unit.js';
import type { Phrases, Read } from './phrases.js';
import { sizeOf, type Figures } from './size.js';
import { stepOf, stepsSaid } from './step.js';
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

/**
 * `25x52x15`, `2.02/1.60 valves`, `10/10`, `4.030 x 3.48 bore and stroke`, `mains and pins 60 / 52`: sizes said in one
 * breath.
 */
export function together(phrases: Phrases, from: number): Read | undefined {
  return figuresBefore(phrases, from) ?? wordsBefore(phrases, from) ?? namedBefore(phrases, from);
}

/** A row of figures at a token, and the first token after it. */
function rowOf(phrases: Phrases, at: number): { readonly row: Row; readonly next: number } | undefined {
  const begun = /^[Ø⌀ø]$/.test(phrases.tokens[at]?.text ?? '') ? at + 1 : at;
  const row = /^(?:[\d.]|std)/i.test(phrases.tokens[begun]?.text ?? '') ? rowAt(phrases.rest(begun)) : undefined;
  const next = row && phrases.after(begun, row.length);
  return row && row.figures.length > 1 && next !== undefined ? { row, next } : undefined;
}

/** `valves 2.02/1.60`, `rings 1.5/1.5/4`: what they are called together before the figures. */
function wordsBefore(phrases: Phrases, from: number): Read | undefined {
  const kind = kindOf(phrases);
  for (const { sizes, words } of kind.together ?? []) {
    const parameters = sizes.flatMap((key) => kind.parameters[key] ?? []);
    const count = wordsAt(phrases, from, words);
    const found = count === undefined ? undefined : rowOf(phrases, phrases.glued(from + count));
    if (found?.row.figures.length !== parameters.length) continue;
    const read = sizesOf(parameters, found.row, phrases.source(from, found.next));
    if (read) return { ...read, next: found.next };
  }
  return undefined;
}

function figuresBefore(phrases: Phrases, from: number): Read | undefined {
  const found = rowOf(phrases, from);
  if (!found) return undefined;
  const { row, next: after } = found;
  const kind = kindOf(phrases);
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

const kindOf = (phrases: Phrases) =>
  describedAs(phrases.kind) as {
    readonly parameters: Readonly<Record<string, Parameter>>;
    readonly together?: readonly Together[];
  };

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

/** What stands between two names: `bore x stroke`, `mains and pins`, `main / pin`. */
const JOINS = /^(?:[x×/&+]|and|by)$/i;

/** `bore x stroke 95 x 80`, `mains and pins 60 / 52`, `valves 2.02/1.60`: the names before the figures. */
function namedBefore(phrases: Phrases, from: number): Read | undefined {
  const named: Parameter[] = [];
  let at = from;
  for (;;) {
    const phrase = phrases.at(at);
    const parameter = find(phrase, 'parameter')?.parameter;
    if (!phrase || !parameter || named.includes(parameter)) break;
    named.push(parameter);
    at += phrase.tokens;
    if (JOINS.test(phrases.tokens[at]?.text ?? '')) at++;
  }
  if (named.length < 2) return undefined;
  const found = rowOf(phrases, phrases.glued(at));
  if (found?.row.figures.length !== named.length) return undefined;
  const { row, next } = found;
  const text = phrases.source(from, next);
  const read = (areReworked(phrases, named) ? stepsOf(named, row, text) : undefined) ?? sizesOf(named, row, text);
  return read && { ...read, next };
}

/** Whether figures of these are mostly how far each was reworked. */
function areReworked(phrases: Phrases, named: readonly Parameter[]): boolean {
  const kind = kindOf(phrases);
  return (kind.together ?? []).some(
    ({ sizes, as }) => as === 'steps' && named.every((each) => sizes.some((key) => kind.parameters[key] === each)),
  );
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
    return value === undefined || stepsSaid(service).some((step) => Math.abs(step - value) < 1e-9);
  };
  if (!parameters.every((parameter, at) => isStep(figures[at], parameter))) return undefined;
  const steps = parameters.map((parameter, at) => stepOf(parameter, figures[at], figures[at] ? -1 : 0, text));
  return allOf(steps, parameters.length);
}

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
