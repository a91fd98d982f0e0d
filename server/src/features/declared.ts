import { ErrorBodySchema, type Route } from '@which-bore/core';
import type { TSchema } from '@sinclair/typebox';

/** Status that a route answers with. */
type StatusOf<R extends Route> = R extends { readonly status: infer S extends number } ? S : 200;
type Part<R extends Route, Name extends 'params' | 'query' | 'body'> =
  R extends Readonly<Record<Name, infer S extends TSchema>> ? S : undefined;

/** A schema as Fastify takes it, so that what a handler gets and gives has the types of the contract. */
interface SchemaOf<R extends Route> {
  readonly params: Part<R, 'params'>;
  readonly querystring: Part<R, 'query'>;
  readonly body: Part<R, 'body'>;
  readonly response: Readonly<Record<StatusOf<R>, R['answer']>> &
    (R extends { readonly also: infer Also } ? Also : object);
}

const refusal = (description: string) => ({ ...ErrorBodySchema, description });

const ERRORS = {
  400: refusal('What was sent cannot be used; it says where and what to do'),
  404: refusal('What is named is not there'),
  409: refusal('Somebody else was faster, or something stands against it'),
  413: refusal('What was sent is too large'),
  415: refusal('What was sent is of a sort that is not taken'),
  429: refusal('Too many at one time'),
  503: refusal('The database is away'),
} as const;

/** A route of the contract as Fastify is told of it: `app.route({ ...declared(RESOURCES.jobs.list), handler })`. */
export function declared<R extends Route>(route: R) {
  const { method, path, summary, tag, params, query, body, answer, status = 200, also, errors = [], upload } = route;
  const isSent = params ?? query ?? body ?? upload;
  const refusals = [...(isSent ? ([400] as const) : []), ...errors];
  return {
    method,
    url: path,
    schema: {
      summary,
      tags: [tag],
      ...(upload ? { consumes: ['multipart/form-data'] } : {}),
      ...(params ? { params } : {}),
      ...(query ? { querystring: query } : {}),
      ...(body ? { body } : {}),
      response: { ...Object.fromEntries(refusals.map((each) => [each, ERRORS[each]])), ...also, [status]: answer },
    } as unknown as SchemaOf<R>,
  };
}
