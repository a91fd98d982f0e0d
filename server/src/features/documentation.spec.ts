import { QUESTION_NAMES, QUESTIONS, RECORD_ROUTES, RESOURCES, type Route } from '@which-bore/core';
import type { FastifyInstance } from 'fastify';
import { appWithDemo } from './testing.js';

interface Operation {
  readonly summary?: string;
  readonly tags?: readonly string[];
  readonly requestBody?: {
    readonly content: Readonly<Record<string, { readonly schema: { readonly required?: readonly string[] } }>>;
  };
  readonly responses: Readonly<
    Record<string, { readonly content?: Readonly<Record<string, { readonly schema: object }>> }>
  >;
}

/** The routes as the OpenAPI document has them: what another program would be written against. */
describe('the documentation of the API', () => {
  let app: FastifyInstance;
  let operations: readonly (readonly [string, Operation])[];
  beforeAll(async () => {
    app = await appWithDemo();
    const { paths } = (await app.inject({ url: '/api/docs/json' })).json<{
      paths: Record<string, Record<string, Operation>>;
    }>();
    operations = Object.entries(paths).flatMap(([path, methods]) =>
      Object.entries(methods).map(([method, operation]) => [`${method} ${path}`, operation] as const),
    );
  });
  afterAll(() => app.close());

  const of = (route: string): Operation => {
    const found = operations.find(([name]) => name === route);
    if (!found) throw new Error(`there is no ${route}`);
    return found[1];
  };

  it('says of every route what it is for, and where it belongs', () => {
    expect(operations.length).toBeGreaterThan(QUESTION_NAMES.length);
    for (const [route, { summary, tags }] of operations) {
      expect(summary?.length).withContext(route).toBeGreaterThan(4);
      expect(tags?.length).withContext(route).toBe(1);
    }
  });

  it('has every question of the contract, with what it wants and what comes back', () => {
    for (const name of QUESTION_NAMES) {
      const { path, request, answer } = QUESTIONS[name];
      const { requestBody, responses } = of(`post /api${path}`);
      const required = (request as { readonly required?: readonly string[] }).required ?? [];
      expect(requestBody?.content['application/json']?.schema.required ?? [])
        .withContext(name)
        .toEqual([...required]);
      const told: { readonly properties?: object } | undefined =
        responses['200']?.content?.['application/json']?.schema;
      expect(Object.keys(told?.properties ?? {}))
        .withContext(name)
        .toEqual(Object.keys((answer as { readonly properties?: object }).properties ?? {}));
    }
  });

  it('has the routes of the contract and no others', () => {
    const declared = [...Object.values<object>(RESOURCES), ...Object.values<object>(RECORD_ROUTES)].flatMap(
      (resource) => Object.values(resource as Readonly<Record<string, Route>>),
    );
    const addressOf = ({ method, path }: Pick<Route, 'method' | 'path'>) =>
      `${method.toLowerCase()} /api${path.replace(/:(\w+)/g, '{$1}')}`;
    const questions = QUESTION_NAMES.map((name) => ({ method: 'POST' as const, path: QUESTIONS[name].path }));
    expect(operations.map(([route]) => route).sort()).toEqual([...declared, ...questions].map(addressOf).sort());
  });

  it('puts whoever changes something on record', () => {
    const nameless = Object.entries(RESOURCES).flatMap(([resource, routes]) =>
      Object.entries(routes as Readonly<Record<string, Route>>)
        .filter(([, { method, author }]) => method !== 'GET' && !author)
        .map(([action]) => `${resource} ${action}`),
    );
    // These ask, and change nothing.
    expect(nameless).toEqual([
      'suppliers ask',
      'suppliers offers',
      'links gridCsv',
      'links gridXlsx',
      'links curvesCsv',
      'links curvesXlsx',
    ]);
  });

  it('leaves no answer open: what may be anything says nothing', () => {
    for (const [route, { responses }] of operations)
      for (const [status, { content }] of Object.entries(responses))
        for (const { schema } of Object.values(content ?? {}))
          expect(Object.keys(schema).filter((key) => key !== 'description').length)
            .withContext(`${route} ${status}`)
            .toBeGreaterThan(0);
  });

  it('answers the example of every question that it gives', async () => {
    for (const name of QUESTION_NAMES) {
      const { path, example } = QUESTIONS[name];
      const { statusCode, body } = await app.inject({ method: 'POST', url: `/api${path}`, payload: example as object });
      expect([200, 404])
        .withContext(`${name}: ${body.slice(0, 200)}`)
        .toContain(statusCode);
    }
  });
});
