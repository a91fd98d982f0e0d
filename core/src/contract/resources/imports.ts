import { Type } from '@sinclair/typebox';
import { ImportChoicesSchema, ImportOutcomeSchema, ImportRowSchema, ImportSchema, UuidSchema } from '../documents.js';
import { IMPORT_EXAMPLE } from './examples.js';
import { fileOf, NOTHING, route, saying, withExample } from './route.js';

const tag = 'catalogue';
const shown = withExample(ImportSchema, IMPORT_EXAMPLE);
const one = {
  tag,
  params: Type.Object({ id: withExample(UuidSchema, '0b3c0a52-5a9c-4b51-9d0e-0f6b1c2d3e4f') }),
  errors: [404],
} as const;
const ChoicesSchema = saying(ImportChoicesSchema, {
  description: 'By the name of the file or sheet',
  examples: [{ 'cranks.csv': { table: 'crank', columns: { Snout: 'crank.nose.diameter [mm]', Colour: '-' } } }],
});

/** Files on their way into the catalogue: uploaded, looked at, then applied whole or not at all. */
export const imports = {
  begin: route({
    method: 'POST',
    path: '/imports',
    summary: 'Upload a catalogue (JSON, CSV, ZIP of CSV, XLSX); it is read and compared, and nothing is changed',
    tag,
    author: true,
    answer: shown,
    status: 202,
    errors: [413, 415],
    upload: true,
  }),
  list: route({
    method: 'GET',
    path: '/imports',
    summary: 'The last imports, newest first',
    tag,
    answer: Type.Array(shown),
  }),
  look: route({
    ...one,
    method: 'GET',
    path: '/imports/:id',
    summary: 'How far an import is, and what it would do',
    answer: shown,
  }),
  rows: route({
    ...one,
    method: 'GET',
    path: '/imports/:id/rows',
    summary: 'What becomes of each record, in the order of the file',
    query: Type.Object({
      outcome: Type.Optional(ImportOutcomeSchema),
      after: Type.Optional(Type.String({ pattern: '^\\d+$', description: 'Position of the last row seen' })),
    }),
    answer: Type.Array(ImportRowSchema),
  }),
  report: route({
    ...one,
    method: 'GET',
    path: '/imports/:id/report.csv',
    summary: 'The same as a table',
    answer: fileOf('CSV', 'place,type,record,outcome,where,what'),
  }),
  read: route({
    ...one,
    method: 'POST',
    path: '/imports/:id/read',
    summary: 'Read the file again, with columns as chosen',
    author: true,
    body: Type.Object({ choices: Type.Optional(ChoicesSchema) }, { additionalProperties: false }),
    answer: shown,
    status: 202,
    errors: [404, 409],
  }),
  apply: route({
    ...one,
    method: 'POST',
    path: '/imports/:id/apply',
    summary: 'Put what was read into the catalogue, all of it or nothing',
    author: true,
    body: Type.Object(
      { leaveOutRefused: Type.Optional(Type.Boolean({ description: 'Import the rest where some rows are refused' })) },
      { additionalProperties: false },
    ),
    answer: shown,
    status: 202,
    errors: [404, 409],
  }),
  cancel: route({
    ...one,
    ...NOTHING,
    method: 'DELETE',
    path: '/imports/:id',
    summary: 'Stop an import, or clear it away',
    author: true,
  }),
};
