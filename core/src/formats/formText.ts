import type { CatalogueRecord } from '../catalogue/catalogue.js';
import type { Dimension } from '../catalogue/figure.js';
import { isKindId } from '../dictionary/dictionary.js';
import { describedBy, recordTypeOf, type TableId } from './columns.js';
import { readDimension, TextError, writeDimension } from './dimensionText.js';
import { RECORD_FORMS, valueAt, withValueAt, type Fields } from './fields.js';
import { readField, writeField } from './itemText.js';
import { emptyRecord, readOption } from './table.js';

/** A record as a form holds it while somebody types: everything as text, by path or dictionary id. */
export interface FormText {
  readonly id: string;
  readonly fields: Readonly<Record<string, string>>;
  readonly sizes: Readonly<Record<string, string>>;
  readonly looks: Readonly<Record<string, string>>;
  readonly faces: Readonly<Record<string, string>>;
  /** Items of each list, a text a field. */
  readonly lists: Readonly<Record<string, readonly Readonly<Record<string, string>>[]>>;
}

/**
 * What is wrong with a text of a form, by the place it stands at: `fields.name`, `sizes.crank.stroke`,
 * `lists.marks.2.text`.
 */
export type FormProblems = Readonly<Record<string, string>>;

const record = (of: unknown): Readonly<Record<string, unknown>> => (of ?? {}) as Readonly<Record<string, unknown>>;
const mapped = <T>(of: Readonly<Record<string, T>>, text: (value: T) => string): Record<string, string> =>
  Object.fromEntries(Object.entries(of).map(([key, value]) => [key, text(value)]));

/** A record as texts, units and digits as they were given. */
export function formTextOf(table: TableId, of: CatalogueRecord | Fields): FormText {
  const fields = of as Fields;
  const form = RECORD_FORMS[recordTypeOf(table)];
  return {
    id: typeof fields.id === 'string' ? fields.id : '',
    fields: Object.fromEntries(
      form.fields.map((field) => [field.path, writeField(field, valueAt(fields, field.path))]),
    ),
    sizes: mapped(record(fields.dimensions) as Readonly<Record<string, Dimension>>, (dimension) =>
      writeDimension(dimension),
    ),
    looks: mapped(record(fields.features), String),
    faces: mapped(record(fields.interfaces), String),
    lists: Object.fromEntries(
      form.lists.map((list) => [
        list.path,
        ((fields[list.path] ?? []) as readonly Fields[]).map((item) =>
          Object.fromEntries(list.fields.map((field) => [field.path, writeField(field, valueAt(item, field.path))])),
        ),
      ]),
    ),
  };
}

/** Reads a form. What can be read is in the record; the rest is told place by place. */
export function readFormText(
  table: TableId,
  text: FormText,
): { readonly record: Fields; readonly problems: FormProblems } {
  const form = RECORD_FORMS[recordTypeOf(table)];
  const kind = describedBy(table);
  const problems: Record<string, string> = {};
  const tried = <T>(place: string, read: () => T): T | undefined => {
    try {
      return read();
    } catch (error) {
      if (!(error instanceof TextError)) throw error;
      problems[place] = error.message;
      return undefined;
    }
  };
  let found: Fields = { ...emptyRecord(table), id: text.id.trim() };
  if (!/^[a-z0-9][a-z0-9-]{1,79}$/.test(text.id.trim()))
    problems.id = 'An id is made of lower-case letters, figures and dashes, two to eighty of them.';
  for (const field of form.fields) {
    const value = tried(`fields.${field.path}`, () => readField(field, text.fields[field.path] ?? '', found));
    if (value !== undefined) found = withValueAt(found, field.path, value);
    else if (field.required && field.form !== 'choices' && !(`fields.${field.path}` in problems))
      problems[`fields.${field.path}`] = `${field.name} is needed.`;
  }
  const dimensions: Record<string, Dimension> = {};
  for (const parameter of Object.values(kind?.parameters ?? {})) {
    const written = text.sizes[parameter.id]?.trim() ?? '';
    const dimension =
      written === '' ? undefined : tried(`sizes.${parameter.id}`, () => readDimension(written, parameter));
    if (dimension) dimensions[parameter.id] = dimension;
  }
  const features: Record<string, string> = {};
  for (const feature of Object.values(kind?.features ?? {})) {
    const written = text.looks[feature.id]?.trim() ?? '';
    const option = written === '' ? undefined : tried(`looks.${feature.id}`, () => readOption(feature, written));
    if (option !== undefined) features[feature.id] = option;
  }
  if (kind) found = { ...found, dimensions, features };
  if (isKindId(table))
    found = {
      ...found,
      interfaces: Object.fromEntries(
        Object.entries(text.faces).flatMap(([id, name]) => (name.trim() === '' ? [] : [[id, name.trim()]])),
      ),
    };
  for (const list of form.lists) {
    const items = (text.lists[list.path] ?? []).map((item, at) => {
      let read: Fields = {};
      for (const field of list.fields) {
        const place = `lists.${list.path}.${at}.${field.path}`;
        const value = tried(place, () => readField(field, item[field.path] ?? '', read));
        if (value !== undefined) read = withValueAt(read, field.path, value);
        else if (field.required && !(place in problems)) problems[place] = `${field.name} is needed.`;
      }
      return read;
    });
    if (items.length > 0 || list.always) found = { ...found, [list.path]: items };
  }
  return { record: found, problems };
}
