/**
 * Writes down where each question is put and what it needs, so that a page can ask without carrying every schema. Run
 * after tsc; writes dist/contract/routes.js and its types.
 */
import { writeFile } from 'node:fs/promises';
import { QUESTION_NAMES, QUESTIONS } from '../dist/index.js';

const folder = new URL('../dist/contract/', import.meta.url);
const routeOf = ({ path, says, needs }) => ({ path, says, needs });
const routes = Object.fromEntries(QUESTION_NAMES.map((name) => [name, routeOf(QUESTIONS[name])]));
await writeFile(new URL('routes.js', folder), `export const ROUTES = ${JSON.stringify(routes)};\n`);
await writeFile(
  new URL('routes.d.ts', folder),
  `import type { QuestionName } from './index.js';
import type { QuestionRoute } from './question.js';
/** Where each question is put, and what it needs. */
export declare const ROUTES: { readonly [N in QuestionName]: QuestionRoute };
`,
);
