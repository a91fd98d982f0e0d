import { BUILDS_FORMAT, BuildFileSchema } from '../../build/index.js';
import { BuildBodySchema, StoredBuildSchema } from '../documents.js';
import { documentRoutes } from './documentRoutes.js';
import { BUILD_EXAMPLE } from './examples.js';
import { route, withExample } from './route.js';

/** Parts put together into engines. */
export const builds = {
  ...documentRoutes({
    path: 'builds',
    name: 'build',
    plural: 'builds',
    tag: 'builds',
    listed: StoredBuildSchema,
    stored: StoredBuildSchema,
    body: withExample(BuildBodySchema, BUILD_EXAMPLE),
    listedExample: BUILD_EXAMPLE,
  }),
  exported: route({
    method: 'GET',
    path: '/exports/builds.json',
    summary: 'All builds as a file of the open format',
    tag: 'builds',
    answer: withExample(BuildFileSchema, { format: BUILDS_FORMAT, version: 1, builds: [] }),
  }),
};
