import { Type } from '@sinclair/typebox';
import {
  DocumentParamsSchema,
  PhotographSchema,
  ReadingChangeSchema,
  ReservationSchema,
  SpecimenBodySchema,
  SpecimenSummarySchema,
  StoredSpecimenSchema,
  UuidSchema,
} from '../documents.js';
import { documentRoutes } from './documentRoutes.js';
import { HELD_EXAMPLE, SPECIMEN_EXAMPLE, SUMMARY_EXAMPLE } from './examples.js';
import { NOTHING, route, withExample } from './route.js';

const one = { tag: 'bench', params: DocumentParamsSchema, errors: [404] } as const;

/** Parts on the bench and on the shelf. */
export const specimens = {
  ...documentRoutes({
    path: 'specimens',
    name: 'specimen',
    plural: 'specimens',
    tag: 'bench',
    listed: SpecimenSummarySchema,
    stored: StoredSpecimenSchema,
    body: withExample(SpecimenBodySchema, SPECIMEN_EXAMPLE),
    listedExample: SUMMARY_EXAMPLE,
  }),
  history: route({
    ...one,
    method: 'GET',
    path: '/specimens/:id/history',
    summary: 'What became of the readings of a specimen',
    answer: Type.Array(ReadingChangeSchema),
  }),
  reservations: route({
    ...one,
    method: 'GET',
    path: '/specimens/:id/reservations',
    summary: 'For whom a part was put aside, last first',
    tag: 'order',
    answer: withExample(Type.Array(ReservationSchema), [HELD_EXAMPLE]),
  }),
  photographs: route({
    ...one,
    method: 'GET',
    path: '/specimens/:id/photographs',
    summary: 'The photographs of a specimen, oldest first',
    answer: Type.Array(PhotographSchema),
  }),
  addPhotograph: route({
    ...one,
    method: 'POST',
    path: '/specimens/:id/photographs',
    summary: 'Add a photograph: multipart/form-data with a field “file”; JPEG, PNG or WebP, at most 12 MiB',
    author: true,
    query: Type.Object({
      reading: Type.Optional(Type.String({ format: 'uuid', description: 'The reading it shows' })),
    }),
    answer: PhotographSchema,
    status: 201,
    errors: [404, 409, 413, 415],
    upload: true,
  }),
};

const picture = {
  method: 'GET',
  tag: 'bench',
  params: Type.Object({ id: withExample(UuidSchema, '9c1d5a1e-3f7f-4f43-8f25-5b8f4f4a1a22') }),
  errors: [404],
} as const;
const JPEG = Type.Unsafe<unknown>({ type: 'string', format: 'binary', description: 'image/jpeg' });

/** Photographs of parts and of single readings. */
export const photographs = {
  image: route({ ...picture, path: '/photographs/:id', summary: 'A photograph', answer: JPEG }),
  thumbnail: route({ ...picture, path: '/photographs/:id/thumbnail', summary: 'A photograph, small', answer: JPEG }),
  remove: route({
    ...picture,
    ...NOTHING,
    method: 'DELETE',
    path: '/photographs/:id',
    summary: 'Delete a photograph; it can be brought back',
    author: true,
  }),
  restore: route({
    ...picture,
    method: 'POST',
    path: '/photographs/:id/restore',
    summary: 'Bring a deleted photograph back',
    author: true,
    answer: PhotographSchema,
  }),
};
