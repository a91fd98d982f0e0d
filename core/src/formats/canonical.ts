import type { TSchema } from '@sinclair/typebox';
import { RECORD_SCHEMAS, type RecordOf, type RecordType } from '../catalogue/catalogue.js';

type Shape = TSchema & {
  readonly properties?: Readonly<Record<string, TSchema>>;
  readonly patternProperties?: object;
  readonly items?: TSchema;
};

/**
 * A record with its keys in the order of the schema, tables by key, so that the same record is always the same text.
 */
export const inOrder = <T extends RecordType>(type: T, record: RecordOf[T]): RecordOf[T] =>
  ordered(record, RECORD_SCHEMAS[type]) as RecordOf[T];

function ordered(value: unknown, schema: TSchema): unknown {
  const shape: Shape = schema;
  if (Array.isArray(value)) return shape.items ? value.map((item) => ordered(item, shape.items as TSchema)) : value;
  if (typeof value !== 'object' || value === null) return value;
  const entries = value as Readonly<Record<string, unknown>>;
  if (shape.properties) {
    const { properties } = shape;
    return Object.fromEntries(
      Object.keys(properties).flatMap((key) =>
        key in entries ? [[key, ordered(entries[key], properties[key] as TSchema)]] : [],
      ),
    );
  }
  const inner = Object.values((shape.patternProperties ?? {}) as Readonly<Record<string, TSchema>>)[0];
  return Object.fromEntries(
    Object.keys(entries)
      .sort()
      .map((key) => [key, inner ? ordered(entries[key], inner) : entries[key]]),
  );
}
