import { CLAIM_KIND_NAMES, CLAIM_KINDS } from '../catalogue/claim.js';
import type { RecordType } from '../catalogue/catalogue.js';
import { COMPANION_RELATIONS, COMPANION_SAYS, SWAP_RESULT_SAYS, SWAP_RESULTS } from '../catalogue/pattern.js';
import { CHARACTERS, CHARACTERS_SAY, CLASS_ENDS, NO_MARK, SCHEME_FACT_IDS, SCHEME_FACTS } from '../catalogue/scheme.js';
import { MAKINGS, type Parameter } from '../dictionary/definition.js';
import { KIND_IDS, KINDS } from '../dictionary/dictionary.js';
import { SLOTS } from '../dictionary/slots.js';
import { UNIT_IDS, UNITS } from '../quantity/unit.js';

export interface Choice {
  readonly id: string;
  readonly name: string;
}

/** One value of a record or of an item of one of its lists, as a form asks for it and a table writes it. */
export interface Field {
  /** Where it stands in the record: `name`, `years.from`. */
  readonly path: string;
  /** Heading in forms and tables. */
  readonly name: string;
  /**
   * `pairs` is a small table of text against text, `dimension` a size with its unit, `about` the id of a value of the
   * record's kind, `place` one of its mark places, `texts` a list of words.
   */
  readonly form:
    | 'text'
    | 'long'
    | 'date'
    | 'digits'
    | 'number'
    | 'texts'
    | 'choice'
    | 'choices'
    | 'reference'
    | 'pairs'
    | 'dimension'
    | 'about'
    | 'place';
  readonly required?: true;
  /** How it is written, where the form alone does not say. */
  readonly example?: string;
  /** Long, so that a form gives it room. */
  readonly wide?: true;
  readonly choices?: readonly Choice[];
  /** Which records a reference may name. */
  readonly of?: RecordType;
}

/** A list of a record: what one of its items is called and is made of. The first field is the one that names it. */
export interface FieldList {
  readonly path: string;
  readonly name: string;
  readonly one: string;
  readonly fields: readonly Field[];
  /** The list stands in every record, if only empty. */
  readonly always?: true;
}

/** What a type of record consists of, its dictionary values apart. */
export interface RecordForm {
  readonly fields: readonly Field[];
  readonly lists: readonly FieldList[];
}

const named = <T extends string>(ids: readonly T[], names: (id: T) => string): Choice[] =>
  ids.map((id) => ({ id, name: names(id) }));

const text = (path: string, name: string): Field => ({ path, name, form: 'text' });
const date = (path: string, name: string): Field => ({ path, name, form: 'date' });
const digits = (path: string, name: string): Field => ({ path, name, form: 'digits' });
const needed = (field: Field): Field => ({ ...field, required: true });
const reference = (path: string, name: string, of: RecordType): Field => ({
  path,
  name,
  form: 'reference',
  of,
  wide: true,
});
const choice = (path: string, name: string, choices: readonly Choice[]): Field => ({
  path,
  name,
  form: 'choice',
  choices,
});

const NAME = needed(text('name', 'Name'));
/** The remark on an item of a list. */
const REMARK: Field = { ...text('note', 'note'), wide: true };
const NOTE: Field = { path: 'note', name: 'Note', form: 'long' };
const ALIASES: Field = { path: 'aliases', name: 'Other names', form: 'texts' };
const YEARS = [date('years.from', 'From'), date('years.to', 'To')];
const LENGTH_UNITS = UNIT_IDS.filter((id) => UNITS[id].quantity === 'length');
/** Sizes that there are several of on a part, so that a mark may tell the class of each. */
const CLASSED: readonly Choice[] = KIND_IDS.flatMap((id) =>
  Object.values<Parameter>(KINDS[id].parameters)
    .filter(({ per, quantity }) => per !== 'part' && quantity === 'length')
    .map((parameter) => ({ id: parameter.id, name: `${KINDS[id].name}: ${parameter.name.toLowerCase()}` })),
);
const MAKING_CHOICES = named(MAKINGS, (id) => id);
const CLAIM_CHOICES = named(CLAIM_KINDS, (id) => CLAIM_KIND_NAMES[id]);
const SOURCE = [
  choice('source.kind', 'Values from', CLAIM_CHOICES),
  text('source.who', 'Source'),
  date('source.on', 'Source of'),
];

const CLAIMS: FieldList = {
  path: 'claims',
  name: 'Claims',
  one: 'claim',
  fields: [
    needed({ path: 'about', name: 'about', form: 'about' }),
    { path: 'size', name: 'size', form: 'dimension' },
    text('option', 'option'),
    needed(choice('kind', 'kind', CLAIM_CHOICES)),
    text('who', 'who'),
    date('on', 'on'),
    text('basis', 'basis'),
    REMARK,
  ],
};

/** Every type of record, in the order in which its fields are asked for and written. */
export const RECORD_FORMS: Readonly<Record<RecordType, RecordForm>> = {
  maker: { fields: [NAME, ALIASES, reference('licensedFrom', 'Licensed from', 'maker'), NOTE], lists: [] },
  family: { fields: [needed(reference('maker', 'Maker', 'maker')), NAME, ALIASES, NOTE], lists: [] },
  pattern: {
    fields: [
      reference('family', 'Family', 'family'),
      NAME,
      ...YEARS,
      { path: 'price', name: 'Price', form: 'number' },
      { path: 'pieces', name: 'Pieces for that price', form: 'number' },
      {
        path: 'completeWith',
        name: 'Complete with',
        form: 'choices',
        choices: named(KIND_IDS, (id) => KINDS[id].name),
      },
      ...SOURCE,
      NOTE,
    ],
    lists: [
      {
        path: 'marks',
        name: 'Marks',
        one: 'mark',
        always: true,
        fields: [
          needed(text('text', 'text')),
          needed(choice('making', 'making', MAKING_CHOICES)),
          { path: 'place', name: 'place', form: 'place' },
          REMARK,
        ],
      },
      {
        path: 'numbers',
        name: 'Part numbers',
        one: 'part number',
        always: true,
        fields: [
          needed(text('number', 'number')),
          reference('maker', 'maker', 'maker'),
          text('replacedBy', 'replaced by'),
          date('since', 'since'),
          REMARK,
        ],
      },
      {
        path: 'companions',
        name: 'Companions',
        one: 'companion',
        fields: [
          needed(
            choice(
              'relation',
              'relation',
              named(COMPANION_RELATIONS, (id) => COMPANION_SAYS[id]),
            ),
          ),
          needed(reference('pattern', 'pattern', 'pattern')),
          REMARK,
        ],
      },
      CLAIMS,
    ],
  },
  variant: {
    fields: [
      needed(reference('family', 'Family', 'family')),
      needed(text('code', 'Designation')),
      text('name', 'Name'),
      ...YEARS,
      { path: 'machines', name: 'Machines', form: 'texts' },
      text('rating', 'Rating'),
      text('firingOrder', 'Firing order'),
      ...SOURCE,
      NOTE,
    ],
    lists: [
      {
        path: 'serials',
        name: 'Serials',
        one: 'run of serials',
        fields: [text('prefix', 'prefix'), digits('from', 'from'), digits('to', 'to'), REMARK],
      },
      {
        path: 'fitments',
        name: 'Fitments',
        one: 'fitment',
        always: true,
        fields: [
          needed(
            choice(
              'slot',
              'slot',
              SLOTS.map(({ id, name }) => ({ id, name })),
            ),
          ),
          needed(reference('pattern', 'pattern', 'pattern')),
          date('from', 'from'),
          date('to', 'to'),
          digits('serialFrom', 'serial from'),
          digits('serialTo', 'serial to'),
          { path: 'share', name: 'share', form: 'number' },
          REMARK,
        ],
      },
      CLAIMS,
    ],
  },
  scheme: {
    fields: [
      NAME,
      reference('maker', 'Maker', 'maker'),
      reference('family', 'Family', 'family'),
      {
        path: 'kinds',
        name: 'Kinds of part',
        form: 'choices',
        required: true,
        choices: named(KIND_IDS, (id) => KINDS[id].name),
      },
      { path: 'makings', name: 'Made how', form: 'choices', choices: MAKING_CHOICES },
      { path: 'circle', name: 'A circle round it means', form: 'text', wide: true },
      text('place', 'Mark place'),
      reference('shellsBy.second', 'Shells by this and', 'scheme'),
      reference('shellsBy.third', 'and by', 'scheme'),
      { path: 'samples', name: 'Samples', form: 'texts' },
      NOTE,
    ],
    lists: [
      {
        path: 'segments',
        name: 'Segments',
        one: 'segment',
        always: true,
        fields: [
          needed(text('name', 'name')),
          needed(
            choice(
              'characters',
              'characters',
              named(CHARACTERS, (id) => CHARACTERS_SAY[id]),
            ),
          ),
          text('text', 'text'),
          needed({ path: 'least', name: 'least', form: 'number' }),
          needed({ path: 'most', name: 'most', form: 'number' }),
          needed(
            choice(
              'gives',
              'gives',
              named(SCHEME_FACT_IDS, (id) => SCHEME_FACTS[id]),
            ),
          ),
          { path: 'table', name: 'table', form: 'pairs', wide: true, example: 'A = January, B = February' },
          { ...choice('narrows.of', 'narrows', CLASSED), wide: true },
          choice(
            'narrows.from',
            'counted from',
            named(CLASS_ENDS, (id) => `the ${id} as made`),
          ),
          choice(
            'narrows.unit',
            'unit',
            named(LENGTH_UNITS, (id) => UNITS[id].symbol),
          ),
          { path: 'narrows.bands', name: 'bands', form: 'pairs', wide: true, example: 'A = 0 to 8, B = 8 to 16' },
        ],
      },
      {
        path: 'shells',
        name: 'Table of shells',
        one: 'row of the table',
        fields: [
          needed({ ...text('own', 'this mark'), example: NO_MARK }),
          needed({ ...text('second', 'second mark'), example: NO_MARK }),
          text('third', 'third mark'),
          needed(reference('takes', 'takes', 'pattern')),
          reference('half', 'other half', 'pattern'),
        ],
      },
    ],
  },
  swap: {
    fields: [
      needed(reference('donor', 'Donor', 'pattern')),
      needed(reference('recipient', 'Recipient', 'pattern')),
      needed(
        choice(
          'result',
          'Result',
          named(SWAP_RESULTS, (id) => SWAP_RESULT_SAYS[id]),
        ),
      ),
      { path: 'work', name: 'Work', form: 'texts' },
      text('who', 'Who'),
      date('on', 'When'),
      NOTE,
    ],
    lists: [],
  },
};

/** A record or item whose fields are reached by path. */
export type Fields = Readonly<Record<string, unknown>>;

/** The value at a path of one or two steps; undefined where there is none. */
export function valueAt(of: Fields, path: string): unknown {
  const [first = '', second] = path.split('.');
  const found = of[first];
  if (second === undefined || found === undefined) return found;
  return (found as Fields)[second];
}

/** The same with another value at a path; undefined takes it away, and an object of which nothing is left as well. */
export function withValueAt(of: Fields, path: string, value: unknown): Fields {
  const [first = '', second] = path.split('.');
  const inner = second === undefined ? value : withValueAt((of[first] ?? {}) as Fields, second, value);
  const gone = inner === undefined || (second !== undefined && Object.keys(inner as object).length === 0);
  if (!gone) return { ...of, [first]: inner };
  return Object.fromEntries(Object.entries(of).filter(([key]) => key !== first));
}
