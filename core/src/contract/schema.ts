import { Type, type Static, type TSchema, type TUnsafe } from '@sinclair/typebox';
import { KIND_IDS, type KindId } from '../dictionary/dictionary.js';
import { VERDICTS, type Verdict } from '../joints/index.js';
import { oneOf } from '../quantity/oneOf.js';
import { say, type Sentence } from '../quantity/sentence.js';
import type { UnitSystem } from '../quantity/unit.js';

/** A list that nobody changes: what the core answers with is never altered by those who asked. */
export const list = <T extends TSchema>(of: T, options: object = {}): TUnsafe<readonly Static<T>[]> =>
  Type.Unsafe<readonly Static<T>[]>(Type.Array(of, options));

/**
 * A sentence of an answer. Asked for in pieces its figures stay numbers, so that a reader who changes units need not
 * ask again; otherwise it is text in the units asked for.
 */
export const SentenceSchema = Type.Unsafe<Sentence>({
  'x-sentence': true,
  description: 'A sentence, in the units asked for; in pieces, words and figures in turn',
  anyOf: [
    { type: 'string' },
    { type: 'array', items: { anyOf: [{ type: 'string' }, { type: 'object', required: ['figure', 'quantity'] }] } },
  ],
});

/** What a rule found, at places of this shape: see `Finding` of the rules. */
export const findingSchema = <T extends TSchema>(place: T) =>
  Type.Object({
    rule: Type.String(),
    weight: oneOf(['wrong', 'look'] as const, 'Cannot be right as it stands, or somebody should look'),
    where: place,
    also: list(place, { description: 'What else is concerned' }),
    says: SentenceSchema,
  });

/** How the sentences of an answer are worded. */
export const WordingSchema = oneOf(
  ['metric', 'inch', 'pieces'],
  'Units of the sentences in the answer; metric where nothing is said',
);
export type Wording = Static<typeof WordingSchema>;

export const VerdictSchema = oneOf<Verdict>(VERDICTS);
export const KindSchema = oneOf<KindId>(KIND_IDS, 'Kind of part');
/** From one figure to another, in inside units. */
export const BandSchema = Type.Object({ low: Type.Number(), high: Type.Number() });
export const IdSchema = Type.String({ maxLength: 80, description: 'Id of a record of the catalogue' });

interface SchemaNode {
  readonly 'x-sentence'?: boolean;
  readonly type?: string;
  readonly properties?: Readonly<Record<string, SchemaNode>>;
  readonly patternProperties?: Readonly<Record<string, SchemaNode>>;
  readonly items?: SchemaNode;
  readonly discriminator?: { readonly propertyName: string };
  readonly oneOf?: readonly SchemaNode[];
  readonly const?: unknown;
}

/**
 * An answer as its contract has it: only what is declared there, sentences worded. What the core knows besides (whole
 * parts, for one) stays where it is and is not sent.
 *
 * @param wording `pieces` leaves sentences as they are
 */
export function shaped(schema: TSchema, answer: unknown, wording: Wording): unknown {
  return shape(schema as SchemaNode, answer, wording === 'pieces' ? undefined : wording);
}

function shape(schema: SchemaNode, value: unknown, units: UnitSystem | undefined): unknown {
  if (schema['x-sentence'])
    return units === undefined ? value : say(typeof value === 'string' ? [value] : (value as Sentence), units);
  if (Array.isArray(value)) {
    const { items } = schema;
    return items && (items['x-sentence'] || items.type === 'object' || items.type === 'array')
      ? value.map((each) => shape(items, each, units))
      : value;
  }
  if (typeof value !== 'object' || value === null) return value;
  const { discriminator: by, oneOf: ways } = schema;
  if (by && ways) {
    const is = (value as Record<string, unknown>)[by.propertyName];
    const way = ways.find(({ properties }) => properties?.[by.propertyName]?.const === is);
    return way ? shape(way, value, units) : value;
  }
  if (schema.properties) {
    const out: Record<string, unknown> = {};
    for (const [key, of] of Object.entries(schema.properties)) {
      const found = (value as Record<string, unknown>)[key];
      if (found !== undefined) out[key] = shape(of, found, units);
    }
    return out;
  }
  const [each] = Object.values(schema.patternProperties ?? {});
  return each
    ? Object.fromEntries(Object.entries(value).map(([key, found]) => [key, shape(each, found, units)]))
    : value;
}
