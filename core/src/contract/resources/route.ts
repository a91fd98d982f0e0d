import { Type, type Static, type TSchema } from '@sinclair/typebox';
import type { Subject } from '../question.js';

/** Part of the documentation that a route stands in. */
export type Tag = Subject | 'server';

/** What may go wrong besides what is sent being no sense (400): each answers with an `ErrorBody`. */
export type RouteError = 404 | 409 | 413 | 415 | 429 | 503;

/** A route that is no question of a workshop: what is sent, what comes back, and whose name goes along. */
export interface Route {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE';
  /** Address under /api, with `:name` for each of `params`. */
  readonly path: string;
  readonly summary: string;
  readonly tag: Tag;
  /** It changes something: who does it is put on record, by the header `x-who`. */
  readonly author?: true;
  readonly params?: TSchema;
  readonly query?: TSchema;
  readonly body?: TSchema;
  readonly answer: TSchema;
  /** Status of its answer; 200 where nothing is said. */
  readonly status?: 200 | 201 | 202 | 204;
  /** What it answers with another status, where that is no refusal. */
  readonly also?: Readonly<Partial<Record<304 | 503, TSchema>>>;
  readonly errors?: readonly RouteError[];
  /** It takes one file, as multipart/form-data in a field called “file”. */
  readonly upload?: true;
}

/** Declares a route. */
export const route = <const R extends Route>(declared: R): R => declared;

/** Routes of one resource, by what each does. */
export type Resource = Readonly<Record<string, Route>>;

/** What comes back. */
export type Told<R extends Route> = Static<R['answer']>;

/** What is sent, each part where the route has it. */
export type Sent<R extends Route> = (R extends { readonly params: infer P extends TSchema }
  ? { readonly params: Static<P> }
  : object) &
  (R extends { readonly query: infer Q extends TSchema } ? { readonly query?: Static<Q> } : object) &
  (R extends { readonly body: infer B extends TSchema } ? { readonly body: Static<B> } : object);

/** What answers a request that leaves nothing to say. */
export const NOTHING = { answer: Type.Null(), status: 204 } as const;

/** A schema that says more: what it is, or what is not allowed besides. */
export const saying = <T extends TSchema>(schema: T, more: object): T => ({ ...schema, ...more });

/** A schema with an example for the documentation. */
export const withExample = <T extends TSchema>(schema: T, example: unknown): T =>
  saying(schema, { examples: [example] });

/** A file that is handed over as it is. */
export const fileOf = (description: string, example = 'a file') =>
  Type.Unsafe<unknown>({ description, type: 'string', examples: [example] });
