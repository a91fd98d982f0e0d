import type { CatalogueRecord, RecordType } from '../catalogue/catalogue.js';
import { isIdOf, isKindId, sayEntry } from '../dictionary/dictionary.js';
import { recordTypeOf, type TableId } from './columns.js';
import { RECORD_FORMS, type Fields } from './fields.js';
import { formTextOf } from './formText.js';
import { writeList } from './itemText.js';

/** One value of a record before and after a change, as a form has it; empty where there was none. */
export interface Difference {
  readonly what: string;
  readonly before: string;
  readonly after: string;
}

/** What a change changed, value by value. An undefined record is one that was not there. */
export function differences(
  type: RecordType,
  before: CatalogueRecord | undefined,
  after: CatalogueRecord | undefined,
): Difference[] {
  const [from, to] = [textsOf(type, before), textsOf(type, after)];
  return [...new Set([...from.keys(), ...to.keys()])]
    .map((what) => ({ what, before: from.get(what) ?? '', after: to.get(what) ?? '' }))
    .filter((each) => each.before !== each.after);
}

/** Everything a record says, as texts by what they are about. */
function textsOf(type: RecordType, record: CatalogueRecord | undefined): ReadonlyMap<string, string> {
  const texts = new Map<string, string>();
  if (!record) return texts;
  const kind = 'kind' in record && isKindId(record.kind) ? record.kind : undefined;
  const table: TableId = type === 'pattern' ? (kind ?? 'block') : type;
  const form = RECORD_FORMS[recordTypeOf(table)];
  const text = formTextOf(table, record);
  for (const field of form.fields) texts.set(field.name.toLowerCase(), text.fields[field.path] ?? '');
  for (const values of [text.sizes, text.looks, text.faces])
    for (const [id, says] of Object.entries(values)) texts.set(nameOf(id), says);
  for (const list of form.lists)
    texts.set(
      list.name.toLowerCase(),
      writeList(list, ((record as unknown as Fields)[list.path] ?? []) as readonly Fields[]),
    );
  return texts;
}

const nameOf = (id: string): string =>
  isIdOf('parameter', id) || isIdOf('feature', id) || isIdOf('interface', id) ? sayEntry(id) : id;
