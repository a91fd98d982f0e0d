import { Type, type TSchema } from '@sinclair/typebox';
import { DocumentChangeSchema, DocumentParamsSchema } from '../documents.js';
import { NOTHING, route, type Tag } from './route.js';

/** Documents of a sort, as other programs have them. */
interface Documents<Listed extends TSchema, Stored extends TSchema, Body extends TSchema> {
  /** As in the address: `jobs`. */
  readonly path: string;
  /** As in a sentence. */
  readonly name: string;
  readonly plural: string;
  /** What is said where one is deleted. */
  readonly stays?: string;
  readonly tag: Tag;
  readonly listed: Listed;
  readonly stored: Stored;
  readonly body: Body;
  /** One of a list, without what the server adds. */
  readonly listedExample: object;
}

const ID = '5d2f9f52-6c1e-4d0e-8f0b-2a7c3b1d9e10';

/** The routes that documents with versions have alike: list, bin, read, write, versions, delete, bring back. */
export function documentRoutes<Listed extends TSchema, Stored extends TSchema, Body extends TSchema>({
  path,
  name,
  plural,
  stays = '',
  tag,
  listed,
  stored,
  body,
  listedExample,
}: Documents<Listed, Stored, Body>) {
  const params = DocumentParamsSchema;
  const one = { tag, params, errors: [404] as const };
  return {
    list: route({
      method: 'GET',
      path: `/${path}`,
      summary: `All ${plural}, last changed first`,
      tag,
      answer: Type.Array(listed, {
        examples: [[{ id: ID, ...listedExample, version: 1, updatedAt: '2026-03-02T08:10:04.000Z' }]],
      }),
    }),
    bin: route({
      method: 'GET',
      path: `/${path}/bin`,
      summary: `${plural[0]?.toUpperCase() ?? ''}${plural.slice(1)} that are deleted and can be brought back`,
      tag,
      answer: Type.Array(stored, { examples: [[]] }),
    }),
    read: route({ ...one, method: 'GET', path: `/${path}/:id`, summary: `One ${name}`, answer: stored }),
    write: route({
      ...one,
      method: 'PUT',
      path: `/${path}/:id`,
      summary: `Write a ${name} whole; 409 when it was changed meanwhile`,
      author: true,
      body,
      answer: stored,
      errors: [404, 409],
    }),
    versions: route({
      ...one,
      method: 'GET',
      path: `/${path}/:id/versions`,
      summary: `Who did what to a ${name}`,
      answer: Type.Array(DocumentChangeSchema),
    }),
    remove: route({
      ...one,
      ...NOTHING,
      method: 'DELETE',
      path: `/${path}/:id`,
      summary: `Delete a ${name}; it can be brought back${stays}`,
      author: true,
    }),
    restore: route({
      ...one,
      method: 'POST',
      path: `/${path}/:id/restore`,
      summary: `Bring a deleted ${name} back`,
      author: true,
      answer: stored,
      errors: [404, 409],
    }),
  };
}
