import type { Feature, Option, Parameter } from '../dictionary/definition.js';
import { KINDS, type KindId } from '../dictionary/dictionary.js';
import { readNumber } from '../quantity/number.js';
import { toInside, unitOf, UNITS, type UnitId } from '../quantity/unit.js';
import { LONGEST_PHRASE, vocabulary } from '../readings/vocabulary.js';
import type { WantedSize } from './sizeIndex.js';

/** One thing that a hit must be, in every way in which the words can be meant. */
export interface Term {
  readonly text: string;
  /** As a number or mark. */
  readonly code?: string;
  /** As a word of a name. */
  readonly word?: string;
  readonly size?: WantedSize;
  readonly look?: { readonly feature: Feature; readonly option: string };
}

/** What a line of the search was taken for. */
export interface Query {
  readonly kinds: ReadonlySet<KindId>;
  readonly terms: readonly Term[];
  /** All that is no kind, run together: numbers are often written with spaces. */
  readonly joined: string | undefined;
}

const ANY_KIND: KindId = 'crank';
const STEP = /^([+\-−]|over|under|o\/s|u\/s)$/i;

/**
 * Reads a line of the search: kinds of part, sizes with their steps, looks, and everything else as numbers or names.
 */
export function readQuery(text: string): Query {
  const tokens = text
    .trim()
    .split(/[\s,;]+/)
    .filter(Boolean);
  const lower = tokens.map((token) => token.toLowerCase());
  const kinds = new Set<KindId>();
  const left: number[] = [];
  for (let at = 0; at < tokens.length;) {
    const phrase = phraseAt(ANY_KIND, lower, at);
    const kind = phrase?.meanings.find((meaning) => meaning.is === 'kind');
    if (kind?.is === 'kind' && phrase) {
      kinds.add(kind.kind);
      at += phrase.tokens;
    } else left.push(at++);
  }
  const rest = left.map((at) => tokens[at] ?? '');
  const sole = kinds.size === 1 ? [...kinds][0] : undefined;
  const terms = readTerms(rest, sole);
  const joined =
    rest.length > 1 && rest.some((token) => /\d/.test(token)) && rest.length <= 5 ? rest.join('') : undefined;
  return { kinds, terms, joined };
}

function phraseAt(kind: KindId, lower: readonly string[], at: number) {
  const words = vocabulary(kind);
  for (let count = Math.min(LONGEST_PHRASE, lower.length - at); count > 0; count--) {
    const meanings = words.get(lower.slice(at, at + count).join(' '));
    if (meanings) return { meanings, tokens: count };
  }
  return undefined;
}

function readTerms(tokens: readonly string[], kind: KindId | undefined): Term[] {
  const lower = tokens.map((token) => token.toLowerCase());
  const terms: Term[] = [];
  for (let at = 0; at < tokens.length;) {
    const phrase = kind && phraseAt(kind, lower, at);
    if (phrase) {
      const next = at + phrase.tokens;
      const text = tokens.slice(at, next).join(' ');
      const parameter = phrase.meanings.find((meaning) => meaning.is === 'parameter')?.parameter;
      const counted = phrase.meanings.find((meaning) => meaning.is === 'count')?.feature;
      const figures = figuresAt(tokens, next);
      if (parameter && figures) {
        terms.push({
          text: `${text} ${figures.text}`,
          size: { ...wanted(figures, parameter), parameters: new Set([parameter.id]) },
        });
        at = figures.next;
        continue;
      }
      if (counted && figures) {
        terms.push({ text: `${text} ${figures.text}`, look: { feature: counted, option: String(figures.value) } });
        at = figures.next;
        continue;
      }
      const chosen = phrase.meanings.find(
        (meaning): meaning is { is: 'option'; feature: Feature; option: Option } => meaning.is === 'option',
      );
      if (chosen) {
        terms.push({ text, look: { feature: chosen.feature, option: chosen.option.id }, word: text.toLowerCase() });
        at = next;
        continue;
      }
    }
    const figures = figuresAt(tokens, at);
    if (figures) {
      const after = kind && phraseAt(kind, lower, figures.next);
      const counted = after?.meanings.find((meaning) => meaning.is === 'count')?.feature;
      if (after && counted && figures.unit === undefined && Number.isInteger(figures.value)) {
        const next = figures.next + after.tokens;
        terms.push({
          text: tokens.slice(at, next).join(' '),
          look: { feature: counted, option: String(figures.value) },
        });
        at = next;
        continue;
      }
      terms.push({
        text: figures.text,
        size: wanted(figures, undefined),
        ...(figures.bare ? { code: figures.bare, word: figures.bare.toLowerCase() } : {}),
      });
      at = figures.next;
      continue;
    }
    const token = tokens[at] ?? '';
    const step = readStep(token, tokens[at + 1], undefined);
    if (step !== undefined && STEP.test(token.charAt(0)))
      terms.push({ text: token, size: { values: [], step: step.value } });
    else terms.push({ text: token, code: token, ...(/[?[]/.test(token) ? {} : { word: token.toLowerCase() }) });
    at += step !== undefined ? step.tokens : 1;
  }
  return terms;
}

interface QueryFigures {
  readonly value: number;
  readonly digits: string;
  readonly unit: UnitId | undefined;
  readonly step: number | undefined;
  readonly text: string;
  readonly next: number;
  /** The token, where it may as well be a number or a name. */
  readonly bare: string | undefined;
}

/**
 * A size at a token, its unit behind it and the service step behind that: `97`, `3.375 in`, `97 +0.5`, `4.000 30 over`.
 */
function figuresAt(tokens: readonly string[], at: number): QueryFigures | undefined {
  const token = tokens[at];
  if (token === undefined || /^[+\-−]/.test(token)) return undefined;
  // 3 3/8 is one figure in two tokens.
  const fraction = /^\d{1,3}$/.test(token) && /^\d{1,2}\/\d{1,3}\D*$/.test(tokens[at + 1] ?? '');
  const written = fraction ? `${token} ${tokens[at + 1] ?? ''}` : token;
  const number = readNumber(written);
  if (!number || number.length === 0) return undefined;
  const behind = written.slice(number.length);
  let unit = behind === '' ? undefined : unitOf(behind);
  if (behind !== '' && unit === undefined) return undefined;
  let next = at + (fraction ? 2 : 1);
  const word = tokens[next];
  if (unit === undefined && word !== undefined && unitOf(word) !== undefined) {
    unit = unitOf(word);
    next++;
  }
  const step = readStep(tokens[next] ?? '', tokens[next + 1], unit);
  if (step) next += step.tokens;
  return {
    value: number.value,
    digits: written.slice(0, number.length),
    unit,
    step: step?.value,
    text: tokens.slice(at, next).join(' '),
    next,
    bare: unit === undefined && !step && !fraction ? token : undefined,
  };
}

/**
 * `+0.5`, `-.010`, `+30` (thou), `30 over`, `20 under`. Whole figures from five on are thou, as the trade says them.
 */
function readStep(
  token: string,
  next: string | undefined,
  unit: UnitId | undefined,
): { readonly value: number; readonly tokens: number } | undefined {
  const signed = /^([+\-−])(\d*[.,]?\d+)(.*)$/.exec(token);
  const said = /^(over|o\/s|oversize)$/i.test(next ?? '')
    ? '+'
    : /^(under|u\/s|undersize)$/i.test(next ?? '')
      ? '-'
      : undefined;
  const spoken = said === undefined ? null : /^(\d*[.,]?\d+)(.*)$/.exec(token);
  const [sign, digits, word, count] = signed
    ? [signed[1], signed[2], signed[3], 1]
    : spoken
      ? [said, spoken[1], spoken[2], 2]
      : [undefined, undefined, undefined, 0];
  if (sign === undefined || digits === undefined) return undefined;
  const own = word === undefined || word === '' ? undefined : unitOf(word);
  if (word !== undefined && word !== '' && own === undefined) return undefined;
  const value = Number(digits.replace(',', '.'));
  const thou = own === undefined && Number.isInteger(value) && value >= 5 && !digits.includes('.');
  // A step written .030 is inches; one of 0.25 and more is millimetres.
  const used = own ?? (thou ? 'thou' : unit === 'in' || value < 0.1 ? 'in' : 'mm');
  return { value: (sign === '+' ? 1 : -1) * toInside(value, used), tokens: count };
}

/** How far off a figure may be: half of its last digit, within reason. */
function wanted({ value, digits, unit, step }: QueryFigures, parameter: Parameter | undefined): WantedSize {
  const decimals = digits.includes('/') ? 4 : (digits.split(/[.,]/)[1]?.length ?? 0);
  const units: readonly UnitId[] = unit
    ? [unit]
    : parameter && parameter.quantity !== 'length'
      ? quantityUnits(parameter)
      : ['mm', 'in'];
  const values = units.map((each) => {
    const half = toInside(0.5 * 10 ** -decimals, each);
    const [least, most] =
      UNITS[each].quantity === 'length' ? [0.02, 0.3] : [0.02 * toInside(value, each), 0.05 * toInside(value, each)];
    return { value: toInside(value, each), within: Math.min(most, Math.max(least, half)) };
  });
  return { values, ...(step === undefined ? {} : { step }) };
}

const quantityUnits = (parameter: Parameter): UnitId[] =>
  (Object.keys(UNITS) as UnitId[]).filter((id) => UNITS[id].quantity === parameter.quantity && UNITS[id].inside === 1);

/** What kinds are called, for a sentence. */
export const kindNames = (kinds: ReadonlySet<KindId>): string =>
  [...kinds].map((kind) => KINDS[kind].plural.toLowerCase()).join(', ');
