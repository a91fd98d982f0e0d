import { describedAs } from '../dictionary/dictionary.js';
import type { Parameter } from '../dictionary/definition.js';
import { isNamedBehind, parameterNamed } from './namedSize.js';
import { find, type Phrase, type Phrases, type Read } from './phrases.js';
import type { Figures } from './size.js';
import { stepOf } from './step.js';
import { unread } from './unread.js';

/** `10 under main`, `+30` or `30 over` alone where the kind has one size with such steps. */
export function stepFirst(phrases: Phrases, figures: Figures, from: number, after: number): Read | undefined {
  const way = phrases.at(after);
  const said = find(way, 'step');
  const told = said && way ? after + way.tokens : after;
  const list = phrases.ends(told) ? undefined : namesOf(phrases, phrases.glued(told));
  const sign = said?.sign ?? signWritten(figures, list?.parameters[0]) ?? signDone(phrases, figures, from);
  if (sign === undefined || sign === 0 || figures.values.length > 1) return undefined;
  const belongs = list && (phrases.ends(list.next) || !phrases.figures(list.next) || isNamedBehind(phrases, list.next));
  const only = belongs ? undefined : onlyServiced(phrases, sign);
  const parameters = belongs ? list.parameters : only ? [only] : [];
  const next = belongs ? list.next : told;
  if (parameters.length > 0) return stepsOf(parameters, figures, sign, phrases.source(from, next), next);
  if (!said) return undefined;
  const text = phrases.source(from, next);
  return {
    is: unread(text, [`Say which size is ${sign > 0 ? 'over' : 'under'}, like “main ${text}”.`]),
    next,
  };
}

/** The one size of this kind that is made in service sizes going that way; undefined where there are several. */
function onlyServiced({ kind }: Phrases, sign: 1 | -1): Parameter | undefined {
  const serviced = Object.values(describedAs(kind).parameters).filter((each) => each.service);
  const going = serviced.filter((each) => Math.sign(Number(each.service?.mm[0] ?? 0)) === sign);
  // Pistons and rings have one bore and follow it with every other size.
  const bore = going.find((each) => each.name.toLowerCase().startsWith('bore'));
  return (
    bore ?? (going.length === 1 ? going[0] : going.length === 0 && serviced.length === 1 ? serviced[0] : undefined)
  );
}

/** `undersize 0.50 mains`, `second oversize`, `std`: the way of a service size first. */
export function stepWords(phrases: Phrases, phrase: Phrase, from: number, after: number): Read | undefined {
  const way = find(phrase, 'step');
  if (!way) return undefined;
  const figures = phrases.figures(after);
  const end = figures && phrases.after(after, figures.length);
  if (way.sign === 0) {
    const only = figures ? undefined : (onlyServiced(phrases, 1) ?? onlyServiced(phrases, -1));
    return only && phrases.ends(from + phrase.tokens)
      ? { is: stepOf(only, undefined, 0, phrases.source(from, from + phrase.tokens)), next: from + phrase.tokens }
      : undefined;
  }
  if (!figures || end === undefined) return undefined;
  const start = phrases.glued(end);
  const list = namesOf(phrases, start);
  const parameters = list?.parameters ?? [onlyServiced(phrases, way.sign)].filter((each) => each !== undefined);
  const next = list?.next ?? end;
  return stepsOf(parameters, figures, way.sign, phrases.source(from, next), next);
}

/** `second oversize`, `1st undersize`: by the maker's steps, those in millimetres. */
export function stepInOrder(phrases: Phrases, from: number): Read | undefined {
  const at = ORDER.findIndex((word) => word.test(phrases.tokens[from]?.text ?? ''));
  const way = phrases.at(from + 1);
  const sign = find(way, 'step')?.sign;
  if (at < 0 || !way || !sign) return undefined;
  const end = from + 1 + way.tokens;
  const list = namesOf(phrases, phrases.glued(end));
  const parameter = list?.parameters[0] ?? onlyServiced(phrases, sign);
  const step = parameter?.service?.mm[at];
  if (!parameter || step === undefined) return undefined;
  const next = list?.next ?? end;
  return {
    is: { sort: 'step', text: phrases.source(from, next), parameter: parameter.id, offset: Number(step), unit: 'mm' },
    next,
  };
}

const ORDER = [/^(?:first|1st)$/i, /^(?:second|2nd)$/i, /^(?:third|3rd)$/i, /^(?:fourth|4th)$/i];

/** Names of sizes joined by `and` or `&`, one at least, and the first token after them. */
function namesOf(
  phrases: Phrases,
  from: number,
): { readonly parameters: readonly Parameter[]; readonly next: number } | undefined {
  const parameters: Parameter[] = [];
  let next = from;
  for (let at = from; ;) {
    const phrase = phrases.at(at);
    const parameter = parameterNamed(phrases, phrase);
    if (!phrase || !parameter) break;
    parameters.push(parameter);
    next = at + phrase.tokens;
    if (!/^(?:and|&|\+)$/i.test(phrases.tokens[next]?.text ?? '')) break;
    at = next + 1;
  }
  return parameters.length > 0 ? { parameters, next } : undefined;
}

/** `mains and pins 10 under`, `mains & rods std`, `10 under mains and pins`: the same of several sizes. */
export function sizesAlike(phrases: Phrases, from: number): Read | undefined {
  const list = namesOf(phrases, from);
  if (!list || list.parameters.length < 2) return undefined;
  const at = phrases.glued(list.next);
  const following = phrases.at(at);
  if (find(following, 'step')?.sign === 0 && following)
    return stepsOf(list.parameters, undefined, 0, phrases.source(from, at + following.tokens), at + following.tokens);
  const figures = phrases.figures(at);
  const end = figures && phrases.after(at, figures.length);
  const way = end === undefined ? undefined : phrases.at(end);
  const sign = find(way, 'step')?.sign ?? (figures && signWritten(figures));
  if (!figures || end === undefined || !sign) return undefined;
  const next = find(way, 'step') && way ? end + way.tokens : end;
  return stepsOf(list.parameters, figures, sign, phrases.source(from, next), next);
}

function stepsOf(
  parameters: readonly Parameter[],
  figures: Figures | undefined,
  sign: 1 | 0 | -1,
  text: string,
  next: number,
): Read | undefined {
  const [is, ...also] = parameters.map((parameter) => stepOf(parameter, figures, sign, text));
  return is && { is, also, next };
}

/**
 * The way a service size goes by its sign, `+30`, `-0.25`; `010` and `.010` go the way of the size that they are of:
 * `010 rods`.
 */
export function signWritten({ values, written, unit }: Figures, of?: Parameter): 1 | -1 | undefined {
  if (values.length > 1) return undefined;
  if (written.startsWith('+') || written.startsWith('-')) return written.startsWith('+') ? 1 : -1;
  return /^(?:0|0?\.0)\d\d$/.test(written) && !unit && of?.service
    ? Number(of.service.mm[0]) > 0
      ? 1
      : -1
    : undefined;
}

/** The way by what was done: `bored 60 thou`. */
function signDone(phrases: Phrases, { unit }: Figures, from: number): 1 | undefined {
  return unit === 'thou' && /^bored$/i.test(phrases.tokens[from - 1]?.text ?? '') ? 1 : undefined;
}
