/** A worker of bench/builds.mjs: draws engines of a build, piece by piece. */
import { readFile } from 'node:fs/promises';
import { parentPort } from 'node:worker_threads';
import { CatalogueLookup, engineOf, figureOf, swapContextOf, ToleranceModel } from '@which-bore/core';

const catalogue = new CatalogueLookup(
  JSON.parse(await readFile(new URL('../demo-data/catalogue.json', import.meta.url), 'utf8')),
);
const lookup = { catalogue, context: swapContextOf(catalogue), specimens: [], takenFor: () => undefined };
parentPort.on('message', ({ build, figure, ...run }) => {
  const model = new ToleranceModel(engineOf(build, lookup), figureOf(figure));
  parentPort.postMessage(model.run({ spread: 'uniform', oneSetup: [], ...run }));
});
parentPort.postMessage('there');
