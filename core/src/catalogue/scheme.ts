import { Type, type Static } from '@sinclair/typebox';
import { MAKINGS } from '../dictionary/definition.js';
import { KindIdSchema } from '../readings/reading.js';
import { UNIT_IDS, type UnitId } from '../quantity/unit.js';
import { Id, line, monthOf, Note, oneOf, type Years } from './figure.js';

/** What a segment of a number can tell. */
export const SCHEME_FACTS = {
  decade: 'Decade',
  yearDigit: 'Last figure of the year',
  year: 'Year',
  month: 'Month',
  day: 'Day',
  line: 'Line',
  revision: 'Revision',
  plant: 'Works',
  sizeClass: 'Class',
  serial: 'Running number',
  text: 'Other',
} as const;
export type SchemeFact = keyof typeof SCHEME_FACTS;
export const SCHEME_FACT_IDS = Object.keys(SCHEME_FACTS) as SchemeFact[];

export const CHARACTERS = ['digits', 'letters', 'lettersAndDigits', 'exactly'] as const;
export const CHARACTERS_SAY: Readonly<Record<(typeof CHARACTERS)[number], string>> = {
  digits: 'figures',
  letters: 'letters',
  lettersAndDigits: 'letters or figures',
  exactly: 'exactly this text',
};
/** From which end of a size as made its classes are counted. */
export const CLASS_ENDS = ['largest', 'smallest'] as const;

const CLASSES: Readonly<Record<Exclude<(typeof CHARACTERS)[number], 'exactly'>, RegExp>> = {
  digits: /^[0-9]+$/,
  letters: /^[A-Z]+$/,
  lettersAndDigits: /^[A-Z0-9]+$/,
};

export const SegmentSchema = Type.Object(
  {
    name: line('What the segment is called'),
    characters: oneOf(CHARACTERS, 'Which characters stand there'),
    text: Type.Optional(Type.String({ minLength: 1, maxLength: 20, description: 'The text, for "exactly"' })),
    least: Type.Integer({ minimum: 0, maximum: 20, description: 'Fewest characters; 0 makes it optional' }),
    most: Type.Integer({ minimum: 1, maximum: 20, description: 'Most characters' }),
    gives: oneOf(SCHEME_FACT_IDS, 'What it tells'),
    table: Type.Optional(
      Type.Record(Type.String({ minLength: 1, maxLength: 20 }), Type.String({ minLength: 1, maxLength: 80 }), {
        description: 'Meaning by characters; where it is given, nothing else may stand there',
      }),
    ),
    narrows: Type.Optional(
      Type.Object(
        {
          of: Type.String({
            pattern: '^[a-zA-Z]+(\\.[a-zA-Z0-9]+)+$',
            description: 'Dictionary id of the size, one position of which the segment names the class of',
          }),
          from: oneOf(CLASS_ENDS, 'From which limit of the size as made the bands are counted, inward'),
          unit: oneOf<UnitId>(UNIT_IDS, 'Unit of the figures'),
          bands: Type.Record(
            Type.String({ minLength: 1, maxLength: 20 }),
            Type.String({ pattern: '^\\d{1,4}(\\.\\d{1,6})? to \\d{1,4}(\\.\\d{1,6})?$', description: 'As in "0.008 to 0.016"' }),
            { description: 'How far inward, by characters' },
          ),
        },
        { additionalProperties: false, description: 'The size that a class mark narrows' },
      ),
    ),
  },
  { additionalProperties: false },
);
export type Segment = Static<typeof SegmentSchema>;

/** A small grammar, kept as data, that decodes a number. */
export const SchemeSchema = Type.Object(
  {
    id: Id('Stays the same for ever'),
    name: line('What it is called'),
    maker: Type.Optional(Id('Whose numbers it reads')),
    family: Type.Optional(Id('Family whose years cut ambiguous ones')),
    kinds: Type.Array(KindIdSchema, { maxItems: 40, description: 'Kinds of part that carry such numbers; none: the engine itself' }),
    makings: Type.Optional(Type.Array(oneOf(MAKINGS, 'How such numbers are made'), { maxItems: 5 })),
    segments: Type.Array(SegmentSchema, { minItems: 1, maxItems: 20 }),
    samples: Type.Optional(Type.Array(Type.String({ minLength: 1, maxLength: 60 }), { maxItems: 40, description: 'Numbers to try it on' })),
    note: Note,
  },
  { additionalProperties: false },
);
export type Scheme = Static<typeof SchemeSchema>;

/** What one segment took and what that means. */
export interface DecodedSegment {
  readonly segment: Segment;
  readonly text: string;
  readonly meaning: string;
}

/** One way to read a number by a scheme. */
export interface Decoding {
  readonly segments: readonly DecodedSegment[];
  /** Years that fit, in order; several where the number leaves them open, none where the number tells no year. */
  readonly years: readonly number[];
}

export interface Decoded {
  /** Every way to read it; empty when the number is not of this scheme. */
  readonly readings: readonly Decoding[];
  /** Why there is none. */
  readonly problem?: string;
}

const EARLIEST = 1900;
const LATEST = 2099;

/** Characters that count: letters and figures, in capitals. */
const plain = (text: string): string => text.toUpperCase().replace(/[^A-Z0-9]/g, '');

/** What the segment makes of exactly these characters; undefined when they cannot stand there. */
function meaningOf(segment: Segment, text: string): string | undefined {
  if (text === '') return segment.least === 0 ? '' : undefined;
  if (segment.characters === 'exactly') return text === plain(segment.text ?? '') ? (segment.table?.[text] ?? text) : undefined;
  if (!CLASSES[segment.characters].test(text)) return undefined;
  return segment.table ? segment.table[text] : text;
}

/** How many characters a segment may take. */
function lengthsOf(segment: Segment): { readonly least: number; readonly most: number } {
  if (segment.characters !== 'exactly') return segment;
  const length = plain(segment.text ?? '').length;
  return { least: segment.least === 0 ? 0 : length, most: length };
}

/**
 * Reads a number by a scheme. Characters other than letters and figures are skipped.
 *
 * A year told only by its last figure, or by decade and figure with several decades open, gives several years; `years`,
 * those of the family, cuts them.
 *
 * @returns every reading; where a number can be cut up in several ways there are several
 */
export function decode(scheme: Scheme, number: string, years?: Years): Decoded {
  const text = plain(number);
  const found: DecodedSegment[][] = [];
  /** How far any attempt came, for the message. */
  let reached = { at: 0, segment: scheme.segments[0] };
  const walk = (at: number, index: number, taken: DecodedSegment[]): void => {
    const segment = scheme.segments[index];
    if (!segment) {
      if (at === text.length) found.push(taken);
      else if (at > reached.at) reached = { at, segment: undefined };
      return;
    }
    if (at >= reached.at) reached = { at, segment };
    const { least, most } = lengthsOf(segment);
    for (let length = Math.min(most, text.length - at); length >= least; length--) {
      const piece = text.slice(at, at + length);
      const meaning = meaningOf(segment, piece);
      if (meaning !== undefined) walk(at + length, index + 1, length === 0 ? taken : [...taken, { segment, text: piece, meaning }]);
    }
  };
  walk(0, 0, []);
  if (found.length === 0) return { readings: [], problem: problemAt(text, reached.at, reached.segment) };
  const readings = found.map((segments) => ({ segments, years: yearsOf(segments, years) }));
  const possible = readings.filter(({ years: fit, segments }) => fit.length > 0 || !tellsYear(segments));
  return possible.length > 0
    ? { readings: possible }
    : {
        readings: [],
        problem: `It reads as ${readings[0]?.segments.map((each) => each.text).join(' ') ?? text}, but no such year is among those of the family.`,
      };
}

function problemAt(text: string, at: number, segment: Segment | undefined): string {
  if (text === '') return 'There is nothing to read.';
  if (!segment) return `After “${text.slice(0, at)}” the number should end, but “${text.slice(at)}” follows.`;
  const rest = text.slice(at);
  const begun = at > 0 ? `After “${text.slice(0, at)}” ` : '';
  return rest === ''
    ? `${begun}${segment.name.toLowerCase()} is missing.`
    : `${begun}“${rest}” cannot be ${segment.name.toLowerCase()}${segment.table ? `: its table has ${Object.keys(segment.table).join(', ')}` : ''}.`;
}

const tellsYear = (segments: readonly DecodedSegment[]): boolean =>
  segments.some(({ segment: { gives } }) => gives === 'year' || gives === 'yearDigit' || gives === 'decade');

/** The years that all segments about the year allow. */
function yearsOf(segments: readonly DecodedSegment[], within: Years | undefined): number[] {
  if (!tellsYear(segments)) return [];
  const from = within ? Math.floor(monthOf(within.from) / 12) : EARLIEST;
  const to = within ? (within.to === undefined ? LATEST : Math.floor(monthOf(within.to) / 12)) : LATEST;
  const years: number[] = [];
  for (let year = from; year <= to; year++) if (segments.every((each) => agrees(each, year))) years.push(year);
  return years;
}

/** Whether a segment lets this year be. A meaning of two figures counts in every century. */
function agrees({ segment, meaning }: DecodedSegment, year: number): boolean {
  const figures = meaning.replace(/\D/g, '');
  if (segment.gives === 'year') return String(year).endsWith(figures.padStart(2, '0'));
  if (segment.gives === 'decade') return sameDecade(year, figures);
  return segment.gives !== 'yearDigit' || year % 10 === Number(figures);
}

/** Whether a year lies in the decade told by `1980`, `198`, `80` or `8`; the last two in any century. */
function sameDecade(year: number, figures: string): boolean {
  const decade = Math.floor(year / 10);
  const told = Number(figures);
  switch (figures.length) {
    case 4:
      return decade === Math.floor(told / 10);
    case 3:
      return decade === told;
    case 2:
      return decade % 10 === Math.floor(told / 10);
    default:
      return decade % 10 === told;
  }
}
