import { Type } from '@sinclair/typebox';
import { EMPTY_CATALOGUE } from '../../catalogue/catalogue.js';
import { PatternSchema } from '../../catalogue/pattern.js';
import { TABLE_IDS, type TableId } from '../../formats/columns.js';
import { CatalogueChangesSchema } from '../catalogue.js';
import { IdSchema } from '../schema.js';
import { fileOf, route, withExample } from './route.js';

const get = { method: 'GET', tag: 'catalogue' } as const;
const Told = Type.Object({ says: Type.Array(Type.Object({ text: Type.String(), says: Type.String() })) });
const open = (description: string, example: object) =>
  Type.Unsafe<unknown>({ description, type: 'object', additionalProperties: true, examples: [example] });

/** The catalogue as a whole, what became of it since, the dictionary, and what designations say. */
export const catalogue = {
  whole: route({
    ...get,
    path: '/catalogue',
    summary: 'The whole catalogue in the open format, as it is read',
    answer: open('See /api/catalogue.schema.json', EMPTY_CATALOGUE),
    also: { 304: Type.Unsafe<undefined>({ type: 'null', description: 'Unchanged since the ETag sent' }) },
  }),
  changesSince: route({
    ...get,
    path: '/catalogue/changes',
    summary: 'What became of the catalogue since a state of it, record by record',
    query: Type.Object({ since: Type.String({ maxLength: 60, examples: ['1a2b3c4d-17'] }) }),
    answer: CatalogueChangesSchema,
  }),
  schema: route({
    ...get,
    path: '/catalogue.schema.json',
    summary: 'JSON Schema of the catalogue format',
    answer: open('A JSON Schema', { type: 'object' }),
  }),
  pattern: route({
    ...get,
    path: '/patterns/:id',
    summary: 'One pattern',
    params: Type.Object({ id: withExample(IdSchema, 'sluice-crank-3375-forged') }),
    answer: PatternSchema,
    errors: [404],
  }),
  dictionary: route({
    ...get,
    path: '/dictionary',
    summary: 'Every kind of part with its sizes, looks, mark places and faces',
    answer: open('By kind', { crank: { id: 'crank', name: 'Crank' } }),
  }),
  bearing: route({
    ...get,
    path: '/bearings/:designation',
    summary: 'What the designation of a rolling bearing says',
    params: Type.Object({ designation: Type.String({ maxLength: 40, examples: ['6204-2Z'] }) }),
    answer: Told,
  }),
  vehicleNumber: route({
    ...get,
    path: '/vehicle-numbers/:number',
    summary: 'Check digit and model year of a vehicle identification number',
    params: Type.Object({ number: Type.String({ maxLength: 40, examples: ['11111111111111111'] }) }),
    answer: Told,
  }),
};

/** The catalogue in its open formats. */
export const exports = {
  json: route({
    ...get,
    path: '/exports/catalogue.json',
    summary: 'The catalogue as JSON',
    answer: fileOf('See /api/catalogue.schema.json'),
  }),
  zip: route({
    ...get,
    path: '/exports/catalogue.zip',
    summary: 'The catalogue as CSV files in a ZIP',
    answer: fileOf('ZIP'),
  }),
  xlsx: route({
    ...get,
    path: '/exports/catalogue.xlsx',
    summary: 'The catalogue as a workbook',
    answer: fileOf('XLSX'),
  }),
  table: route({
    ...get,
    path: '/exports/:table.csv',
    summary: 'One table of the catalogue as CSV',
    params: Type.Object({ table: Type.Unsafe<TableId>({ type: 'string', enum: [...TABLE_IDS], examples: ['crank'] }) }),
    answer: fileOf('CSV'),
  }),
};
