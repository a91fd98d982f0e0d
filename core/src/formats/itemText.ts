import type { Dimension } from '../catalogue/figure.js';
import { isIdOf, parameterOf } from '../dictionary/dictionary.js';
import { readDimension, TextError, writeDimension } from './dimensionText.js';
import { valueAt, withValueAt, type Field, type FieldList, type Fields } from './fields.js';

/**
 * What separates list items, the fields of one, and words of a list inside a field. A backslash takes the meaning away.
 */
const ITEM = '|';
const FIELD = ';';
const WORD = ',';

const escaped = (text: string, separators: string): string =>
  text.replace(/[\\|;,=]/g, (character) =>
    character === '\\' || separators.includes(character) ? `\\${character}` : character,
  );

/** Cuts at unescaped separators, leaving the escapes to whoever reads the pieces. */
function cut(text: string, separator: string): string[] {
  const pieces: string[] = [];
  let piece = '';
  for (let at = 0; at < text.length; at++) {
    const character = text.charAt(at);
    if (character === '\\' && at + 1 < text.length) {
      piece += character + text.charAt(++at);
    } else if (character === separator) {
      pieces.push(piece);
      piece = '';
    } else piece += character;
  }
  return [...pieces, piece].map((each) => each.trim());
}

const plain = (text: string): string => text.replace(/\\(.)/g, '$1');

/** Characters to be escaped in a field that stands alone in a cell. */
const ALONE = '';
/** Characters to be escaped in a field of a list item. */
const IN_LIST = ITEM + FIELD;

/** One field's value as text; empty where there is none. */
export function writeField(field: Field, value: unknown, inList = false): string {
  const outer = inList ? IN_LIST : ALONE;
  if (value === undefined || value === null) return '';
  switch (field.form) {
    case 'texts':
    case 'choices':
      // An empty list is not the same as none: it is written as a dash.
      return (value as readonly string[]).length === 0
        ? '-'
        : (value as readonly string[]).map((word) => escaped(word, outer + WORD)).join(`${WORD} `);
    case 'pairs':
      return Object.entries(value as Readonly<Record<string, string>>)
        .map(([key, says]) => `${escaped(key, `${outer + WORD}=`)} = ${escaped(says, outer + WORD)}`)
        .join(`${WORD} `);
    case 'dimension':
      return escaped(writeDimension(value as Dimension), outer);
    case 'number':
      return `${value as number}`;
    case 'text':
    case 'long':
    case 'date':
    case 'digits':
    case 'choice':
    case 'reference':
    case 'about':
    case 'place':
      return inList ? escaped(value as string, outer) : (value as string);
  }
}

/** Reads what writeField wrote, or what a person wrote in its place. Throws a TextError. */
export function readField(field: Field, text: string, record: Fields, inList = false): unknown {
  const trimmed = text.trim();
  if (trimmed === '') return undefined;
  const unescaped = inList ? plain(trimmed) : trimmed;
  switch (field.form) {
    case 'texts':
      return trimmed === '-' ? [] : cut(trimmed, WORD).filter(Boolean).map(plain);
    case 'choices':
      return trimmed === '-'
        ? []
        : cut(trimmed, WORD)
            .filter(Boolean)
            .map((word) => chosen(field, plain(word)));
    case 'pairs':
      return Object.fromEntries(
        cut(trimmed, WORD).map((pair) => {
          const [key = '', ...says] = cut(pair, '=');
          if (key === '' || says.length === 0)
            throw new TextError(`“${pair}” is no entry of a table; write it like A = January.`);
          return [plain(key), plain(says.join('='))];
        }),
      );
    case 'dimension': {
      const about = record.about;
      if (typeof about !== 'string' || !isIdOf('parameter', about))
        throw new TextError(`A size needs to be told first what it is about; “${String(about)}” is no size.`);
      return readDimension(unescaped, parameterOf(about));
    }
    case 'number': {
      const number = Number(unescaped.replace(',', '.'));
      if (!Number.isFinite(number)) throw new TextError(`${field.name}: “${unescaped}” is no number.`);
      return number;
    }
    case 'choice':
      return chosen(field, unescaped);
    case 'text':
    case 'long':
    case 'date':
    case 'digits':
    case 'reference':
    case 'about':
    case 'place':
      return unescaped;
  }
}

/** The choice meant by its id or by its name. */
function chosen(field: Field, text: string): string {
  const lower = text.toLowerCase();
  const found = field.choices?.find((each) => each.id.toLowerCase() === lower || each.name.toLowerCase() === lower);
  if (!found)
    throw new TextError(
      `${field.name}: “${text}” is none of ${field.choices?.map((each) => each.id).join(', ') ?? 'the choices'}.`,
    );
  return found.id;
}

/**
 * A list as one cell: items between bars, fields between semicolons, the first one bare and each other one behind its
 * name: `4187; making: cast; place: crank.web | F8; making: stamped`.
 */
export const writeList = (list: FieldList, items: readonly Fields[]): string =>
  items
    .map((item) =>
      list.fields
        .flatMap((field, at) => {
          const text = writeField(field, valueAt(item, field.path), true);
          return text === '' ? [] : [at === 0 ? text : `${field.name}: ${text}`];
        })
        .join(`${FIELD} `),
    )
    .join(` ${ITEM} `);

/** Reads a list as writeList writes it. Throws a TextError that names the item. */
export function readList(list: FieldList, text: string): Fields[] {
  if (text.trim() === '') return [];
  return cut(text, ITEM).map((item) => {
    const pieces = cut(item, FIELD).filter(Boolean);
    let found: Fields = {};
    pieces.forEach((piece, at) => {
      const named = /^([a-z][a-z ]*?)\s*:\s*(.*)$/is.exec(piece);
      const field = named ? list.fields.find((each) => each.name.toLowerCase() === named[1]?.toLowerCase()) : undefined;
      const bare = at === 0 && !field ? list.fields[0] : undefined;
      const used = field ?? bare;
      if (!used)
        throw new TextError(
          `${list.name}: “${piece}” is not understood; write ${list.fields.map((each) => each.name).join(', ')} each with a colon.`,
        );
      const value = readField(used, field ? (named?.[2] ?? '') : piece, found, true);
      if (value !== undefined) found = withValueAt(found, used.path, value);
    });
    const lacking = list.fields.find((field) => field.required && valueAt(found, field.path) === undefined);
    if (lacking) throw new TextError(`${list.name}: “${plain(item)}” has no ${lacking.name}.`);
    return found;
  });
}
