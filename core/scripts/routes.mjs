/**
 * Writes down where each question is put and what it needs, and where every other route is, so that a page can ask
 * without carrying every schema. Run after tsc; writes dist/contract/routes.js and its types.
 */
import { writeFile } from 'node:fs/promises';
import { QUESTION_NAMES, QUESTIONS, RECORD_ROUTES, RESOURCES } from '../dist/index.js';

const folder = new URL('../dist/contract/', import.meta.url);
const routeOf = ({ path, says, needs }) => ({ path, says, needs });
const routes = Object.fromEntries(QUESTION_NAMES.map((name) => [name, routeOf(QUESTIONS[name])]));
const callOf = ({ method, path, author }) => ({ method, path, author });
const each = (of, make) => Object.fromEntries(Object.entries(of).map(([name, value]) => [name, make(value)]));
const callsOf = (resources) => each(resources, (resource) => each(resource, callOf));
await writeFile(
  new URL('routes.js', folder),
  `export const ROUTES = ${JSON.stringify(routes)};
export const CALLS = ${JSON.stringify(callsOf(RESOURCES))};
export const RECORD_CALLS = ${JSON.stringify(callsOf(RECORD_ROUTES))};
`,
);
await writeFile(
  new URL('routes.d.ts', folder),
  `import type { QuestionName, RECORD_ROUTES, RESOURCES } from './index.js';
import type { QuestionRoute } from './question.js';
import type { Route } from './resources/index.js';
/** Where each question is put, and what it needs. */
export declare const ROUTES: { readonly [N in QuestionName]: QuestionRoute };
/** Where a route is, and whether a name goes along; of what is sent and told only the types. */
export interface Call<R extends Route = Route> {
  readonly method: R['method'];
  readonly path: string;
  readonly author?: true;
  readonly of?: R;
}
type CallsOf<Resources> = {
  readonly [Name in keyof Resources]: {
    readonly [Action in keyof Resources[Name]]: Resources[Name][Action] extends Route
      ? Call<Resources[Name][Action]>
      : never;
  };
};
/** Every route that is no question, by resource and what is done to it. */
export declare const CALLS: CallsOf<typeof RESOURCES>;
/** Those of single records, by their type. */
export declare const RECORD_CALLS: CallsOf<typeof RECORD_ROUTES>;
`,
);
