import type { FastifyPluginAsyncTypebox } from '@fastify/type-provider-typebox';
import { checkReadings, DataError, RESOURCES, type Specimen } from '@which-bore/core';
import type { SpecimenStore } from '../documents/specimenStore.js';
import { declared } from './declared.js';
import { documentRoutes } from './documentRoutes.js';

/** Throws a DataError where a specimen cannot be kept. */
function check({ kind, readings }: Specimen): void {
  const problems = checkReadings(
    kind,
    readings.map((reading) => reading.is),
    'body.readings',
  );
  const ids = new Set(readings.map((reading) => reading.id));
  if (ids.size < readings.length)
    problems.push({ where: 'body.readings', what: 'two readings have the same id; give each its own.' });
  if (problems.length > 0) throw new DataError('Some readings cannot be kept.', problems);
}

/** Specimens: list, read, write, delete, bring back; and what became of their readings. */
export const specimens: FastifyPluginAsyncTypebox<{ specimens: SpecimenStore }> = async (app, { specimens: store }) => {
  await app.register(documentRoutes({ routes: RESOURCES.specimens, store, list: () => store.summaries(), check }));
  app.route({
    ...declared(RESOURCES.specimens.history),
    handler: (request) => store.readingHistory(request.params.id),
  });
};
