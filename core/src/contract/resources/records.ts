import { Type } from '@sinclair/typebox';
import { RECORD_TYPES, type RecordType } from '../../catalogue/catalogue.js';
import { RecordTypeSchema } from '../catalogue.js';
import { ChangeSchema, storedRecordSchema, UuidSchema } from '../documents.js';
import { IdSchema } from '../schema.js';
import { NOTHING, route, saying, withExample } from './route.js';

const tag = 'catalogue';
const Id = withExample(IdSchema, 'sluice-crank-3375-forged');
const CountedSchema = Type.String({ pattern: '^\\d+$' });

/** Reading, writing and removing single records of a type. */
function recordRoutes<T extends RecordType>(type: T) {
  const stored = storedRecordSchema(type);
  const one = { tag, path: `/records/${type}/:id`, params: Type.Object({ id: Id }) } as const;
  return {
    read: route({ ...one, method: 'GET', summary: `One ${type}, with its version`, answer: stored, errors: [404] }),
    write: route({
      ...one,
      method: 'PUT',
      summary: `Add a ${type} (version 0) or change it`,
      author: true,
      body: saying(stored, { additionalProperties: false }),
      answer: stored,
      errors: [404, 409],
    }),
    remove: route({
      ...one,
      ...NOTHING,
      method: 'DELETE',
      summary: `Remove a ${type}`,
      author: true,
      query: Type.Object({ version: CountedSchema }),
      errors: [404, 409],
    }),
  };
}

/** Single records of the catalogue, type by type. */
export const RECORD_ROUTES = Object.fromEntries(RECORD_TYPES.map((type) => [type, recordRoutes(type)])) as {
  readonly [T in RecordType]: ReturnType<typeof recordRoutes<T>>;
};

/** What was ever done to the catalogue, and the way back. */
export const changes = {
  list: route({
    method: 'GET',
    path: '/changes',
    summary: 'What was changed in the catalogue, newest first',
    tag,
    query: Type.Object({
      type: Type.Optional(RecordTypeSchema),
      id: Type.Optional(Id),
      batch: Type.Optional(Type.String({ format: 'uuid' })),
      before: Type.Optional(saying(CountedSchema, { description: 'Only changes before this one' })),
    }),
    answer: Type.Array(ChangeSchema),
  }),
  undo: route({
    ...NOTHING,
    method: 'POST',
    path: '/changes/:id/undo',
    summary: 'Bring a record back to what it was before a change',
    tag,
    author: true,
    params: Type.Object({ id: withExample(CountedSchema, '1') }),
    errors: [404, 409],
  }),
  undoBatch: route({
    method: 'POST',
    path: '/batches/:batch/undo',
    summary: 'Bring every record back to what it was before changes made together, an import for one',
    tag,
    author: true,
    params: Type.Object({ batch: withExample(UuidSchema, '0b3c0a52-5a9c-4b51-9d0e-0f6b1c2d3e4f') }),
    answer: Type.Object({ records: Type.Integer({ description: 'How many were brought back' }) }),
    errors: [404, 409],
  }),
};
