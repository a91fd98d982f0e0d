import { Type, type Static } from '@sinclair/typebox';
import { MAKINGS } from '../dictionary/definition.js';
import { oneOf } from '../quantity/oneOf.js';
import { KindIdSchema } from '../readings/reading.js';
import { UNIT_IDS, type UnitId } from '../quantity/unit.js';
import { Id, line, monthOf, Note, type Years } from './figure.js';

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
type SchemeFact = keyof typeof SCHEME_FACTS;
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
            Type.String({
              pattern: '^\\d{1,4}(\\.\\d{1,6})? to \\d{1,4}(\\.\\d{1,6})?$',
              description: 'As in "0.008 to 0.016"',
            }),
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

/** The class of a part that bears no mark. */
export const NO_MARK = 'none';

const MarkOfClass = (description: string) =>
  Type.String({ minLength: 1, maxLength: 20, description: `${description}; "${NO_MARK}" for no mark` });

/** A small grammar, kept as data, that decodes a number. */
export const SchemeSchema = Type.Object(
  {
    id: Id('Stays the same for ever'),
    name: line('What it is called'),
    maker: Type.Optional(Id('Whose numbers it reads')),
    family: Type.Optional(Id('Family whose years cut ambiguous ones')),
    kinds: Type.Array(KindIdSchema, {
      maxItems: 40,
      description: 'Kinds of part that carry such numbers; none: the engine itself',
    }),
    makings: Type.Optional(Type.Array(oneOf(MAKINGS, 'How such numbers are made'), { maxItems: 5 })),
    segments: Type.Array(SegmentSchema, { minItems: 1, maxItems: 20 }),
    circle: Type.Optional(
      Type.String({
        minLength: 1,
        maxLength: 160,
        description: 'What a circle round such a mark means; absent where it has none, or nobody knows',
      }),
    ),
    place: Type.Optional(
      Type.String({
        maxLength: 80,
        description: 'Mark place of the dictionary where such marks stand: seen bare, the part is of the class "none"',
      }),
    ),
    shellsBy: Type.Optional(
      Type.Object(
        {
          second: Id('Scheme of the mark that tells together with this one: of the case, of the rod'),
          third: Type.Optional(Id('Scheme of a third mark')),
        },
        {
          additionalProperties: false,
          description: 'Where the maker prints a table of shells: what else it is entered by',
        },
      ),
    ),
    shells: Type.Optional(
      Type.Array(
        Type.Object(
          {
            own: MarkOfClass('Class by this mark'),
            second: MarkOfClass('Class by the second mark'),
            third: Type.Optional(MarkOfClass('Class by the third mark')),
            takes: Id('Pattern of the shell'),
            half: Type.Optional(Id('Pattern of the other half, where the maker mixes two')),
          },
          { additionalProperties: false },
        ),
        { maxItems: 400, description: 'The table; one row for each housing where the same marks choose for several' },
      ),
    ),
    samples: Type.Optional(
      Type.Array(Type.String({ minLength: 1, maxLength: 60 }), { maxItems: 40, description: 'Numbers to try it on' }),
    ),
    note: Note,
  },
  { additionalProperties: false },
);
export type Scheme = Static<typeof SchemeSchema>;

/** What one segment took and what that means. */
interface DecodedSegment {
  readonly segment: Segment;
  readonly text: string;
  readonly meaning: string;
}

/** One way to read a number by a scheme. */
interface Decoding {
  readonly segments: readonly DecodedSegment[];
  /** Years that fit, in order; several where the number leaves them open, none where the number tells no year. */
  readonly years: readonly number[];
}

interface Decoded {
  /** The ways to read it, those that take the most characters first; empty when the number is not of this scheme. */
  readonly readings: readonly Decoding[];
  /** There are more ways than are listed: the scheme leaves too much open to say what the number means. */
  readonly more?: true;
  /** Why there is none. */
  readonly problem?: string;
}

/** So many ways to read a number are told; a scheme that leaves more open tells nothing by them. */
export const MOST_WAYS = 40;

const EARLIEST = 1900;
const LATEST = 2099;

/** Characters that count: letters and figures, in capitals. */
const plain = (text: string): string => text.toUpperCase().replace(/[^A-Z0-9]/g, '');

/** What the segment makes of exactly these characters; undefined when they cannot stand there. */
function meaningOf(segment: Segment, text: string): string | undefined {
  if (text === '') return segment.least === 0 ? '' : undefined;
  if (segment.characters === 'exactly')
    return text === plain(segment.text ?? '') ? (segment.table?.[text] ?? text) : undefined;
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
 * What the rest of a number can be: bit 0 that it can be read at all, bit 1 without telling a year, then a bit a year.
 */
type Outlook = bigint;
const READABLE = 1n;
const FIRST_YEAR_BIT = 2n;

/** Years that a number may tell, and the outlooks they make. */
class YearSpan {
  private readonly years: readonly number[];
  /** Everything is open still. */
  readonly open: Outlook;

  constructor(within: Years | undefined) {
    const from = within ? Math.floor(monthOf(within.from) / 12) : EARLIEST;
    const to = within ? (within.to === undefined ? LATEST : Math.floor(monthOf(within.to) / 12)) : LATEST;
    this.years = Array.from({ length: Math.max(0, to - from + 1) }, (_, at) => from + at);
    this.open = (1n << (FIRST_YEAR_BIT + BigInt(this.years.length))) - 1n;
  }

  /** What stays open once this piece has been read. */
  after(outlook: Outlook, piece: DecodedSegment): Outlook {
    if (!aboutYear(piece)) return outlook;
    return (
      outlook &
      this.years.reduce(
        (mask, year, at) => (agrees(piece, year) ? mask | (1n << (FIRST_YEAR_BIT + BigInt(at))) : mask),
        READABLE,
      )
    );
  }

  in(outlook: Outlook): number[] {
    return this.years.filter((_, at) => (outlook >> (FIRST_YEAR_BIT + BigInt(at))) & 1n);
  }
}

/**
 * Reads a number by a scheme. Characters other than letters and figures are skipped.
 *
 * A year told only by its last figure, or by decade and figure with several decades open, gives several years; `years`,
 * those of the family, cuts them.
 *
 * What each segment can make of what is left is worked out once for every place of the number, from the end, so that
 * only cuts that lead to a reading are followed, and at most MOST_WAYS of them are: the cost is that of the table,
 * segments by characters by lengths, however many ways there are.
 *
 * @returns every reading up to MOST_WAYS; where a number can be cut up in several ways there are several
 */
export function decode(scheme: Scheme, number: string, years?: Years): Decoded {
  const text = plain(number);
  const { segments } = scheme;
  const span = new YearSpan(years);
  /** What the segment can take at a place, the longest piece first. */
  const pieces = (index: number, at: number): readonly DecodedSegment[] => {
    const segment = segments[index];
    if (!segment) return [];
    const { least, most } = lengthsOf(segment);
    const found: DecodedSegment[] = [];
    for (let length = Math.min(most, text.length - at); length >= least; length--) {
      const piece = text.slice(at, at + length);
      const meaning = meaningOf(segment, piece);
      if (meaning !== undefined) found.push({ segment, text: piece, meaning });
    }
    return found;
  };
  /** By segment and place: what there is to come, seen from there. */
  const ahead: Outlook[][] = Array.from({ length: segments.length + 1 }, () =>
    new Array<Outlook>(text.length + 1).fill(0n),
  );
  const end = ahead[segments.length];
  if (end) end[text.length] = span.open;
  for (let index = segments.length - 1; index >= 0; index--)
    for (let at = 0; at <= text.length; at++) {
      let outlook = 0n;
      for (const piece of pieces(index, at))
        outlook |= span.after(ahead[index + 1]?.[at + piece.text.length] ?? 0n, piece);
      (ahead[index] ?? [])[at] = outlook;
    }
  const all = ahead[0]?.[0] ?? 0n;
  if (all === 0n) return { readings: [], problem: problemOf(text, segments, pieces) };
  // Where no year of the family agrees, one way is looked for all the same, to be told.
  const wanted = all & ~READABLE;
  const readings: Decoding[] = [];
  const walk = (index: number, at: number, taken: readonly DecodedSegment[], outlook: Outlook): void => {
    if (readings.length > MOST_WAYS) return;
    if (index === segments.length) {
      readings.push({ segments: taken, years: taken.some(aboutYear) ? span.in(outlook) : [] });
      return;
    }
    for (const piece of pieces(index, at)) {
      const [then, next] = [span.after(outlook, piece), at + piece.text.length];
      if ((then & (ahead[index + 1]?.[next] ?? 0n)) !== 0n)
        walk(index + 1, next, piece.text === '' ? taken : [...taken, piece], then);
    }
  };
  walk(0, 0, [], wanted === 0n ? span.open : span.open & ~READABLE);
  if (wanted === 0n)
    return {
      readings: [],
      problem: `It reads as ${readings[0]?.segments.map((each) => each.text).join(' ') ?? text}, but no such year is among those of the family.`,
    };
  return readings.length > MOST_WAYS ? { readings: readings.slice(0, MOST_WAYS), more: true } : { readings };
}

/** Where reading comes to a stand: the furthest place any cut reaches, and the last segment that may stand there. */
function problemOf(
  text: string,
  segments: readonly Segment[],
  pieces: (index: number, at: number) => readonly DecodedSegment[],
): string {
  let places = new Set([0]);
  let reached: { readonly at: number; readonly segment: Segment | undefined } = { at: 0, segment: segments[0] };
  for (let index = 0; index <= segments.length && places.size > 0; index++) {
    const [at, segment] = [Math.max(...places), segments[index]];
    if (at > reached.at || (at === reached.at && segment)) reached = { at, segment };
    places = new Set([...places].flatMap((place) => pieces(index, place).map((piece) => place + piece.text.length)));
  }
  return problemAt(text, reached.at, reached.segment);
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

/** Whether a piece tells of the year; one that was left out tells nothing. */
const aboutYear = ({ segment: { gives }, text }: DecodedSegment): boolean =>
  text !== '' && (gives === 'year' || gives === 'yearDigit' || gives === 'decade');

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
