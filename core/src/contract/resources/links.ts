import { Type } from '@sinclair/typebox';
import { buildCurves } from '../builds.js';
import { audit, search } from '../catalogue.js';
import { grid, GridRequestSchema } from '../interchange.js';
import { WordingSchema } from '../schema.js';
import { fileOf, route, withExample } from './route.js';

const units = Type.Optional(WordingSchema);
const catalogue = { method: 'GET', tag: 'catalogue' } as const;

const gridAs = (ending: 'csv' | 'xlsx') =>
  route({
    method: 'POST',
    path: `/interchange/grid.${ending}`,
    summary: `The grid as ${ending.toUpperCase()}, a donor a row`,
    tag: 'swap',
    body: withExample(GridRequestSchema, grid.example),
    answer: fileOf(ending.toUpperCase()),
  });

const curvesAs = (ending: 'csv' | 'xlsx') =>
  route({
    method: 'POST',
    path: `/builds/curves.${ending}`,
    summary: `Motion of a build over the crank angle as ${ending.toUpperCase()}`,
    tag: 'builds',
    body: Type.Object(
      {
        ...buildCurves.request.properties,
        units: Type.Optional(
          Type.Union([Type.Literal('metric'), Type.Literal('inch')], {
            description: 'Units of the table; metric where nothing is said',
          }),
        ),
      },
      { additionalProperties: false, examples: [{ ...(buildCurves.example as object), units: 'inch' }] },
    ),
    answer: fileOf(ending.toUpperCase()),
  });

/** Questions that are asked in another way besides: as a plain link, or for a file. */
export const links = {
  search: route({
    ...catalogue,
    path: '/search',
    summary: search.summary,
    query: Type.Object({ q: Type.String({ maxLength: 200, examples: ['piston 116 +0.5'] }), units }),
    answer: search.answer,
  }),
  audit: route({
    ...catalogue,
    path: '/audit',
    summary: audit.summary,
    query: Type.Object({ rule: Type.Optional(Type.String({ maxLength: 40, examples: ['displacement'] })), units }),
    answer: audit.answer,
  }),
  gridCsv: gridAs('csv'),
  gridXlsx: gridAs('xlsx'),
  curvesCsv: curvesAs('csv'),
  curvesXlsx: curvesAs('xlsx'),
};
