/**
 * Loads files of the open formats into the database: `node dist/cli/load.js catalogue.json specimens.json`.
 * Specimens that are there already are left alone.
 */
import { readFile } from 'node:fs/promises';
import {
  CatalogueSchema,
  checkCatalogue,
  checkReadings,
  DataError,
  SpecimenFileSchema,
  type Catalogue,
  type Problem,
  type SpecimenFile,
} from '@which-bore/core';
import { Ajv } from 'ajv';
import addFormats from 'ajv-formats';
import { readConfig } from '../config.js';
import { Database } from '../database/database.js';
import { CatalogueStore } from '../features/catalogueStore.js';
import { SpecimenStore, UnknownSpecimenError } from '../features/specimenStore.js';

const ajv = new Ajv({ allErrors: true, discriminator: true });
addFormats.default(ajv);
const isCatalogue = ajv.compile<Catalogue>(CatalogueSchema);
const isSpecimenFile = ajv.compile<SpecimenFile>(SpecimenFileSchema);

const schemaProblems = (errors: typeof isCatalogue.errors): Problem[] =>
  (errors ?? []).map((error) => ({ where: error.instancePath || 'the file', what: `${error.message ?? 'is wrong'}.` }));

async function loadSpecimens(store: SpecimenStore, file: SpecimenFile): Promise<number> {
  let added = 0;
  for (const specimen of file.specimens) {
    const problems = checkReadings(
      specimen.kind,
      specimen.readings.map((reading) => reading.is),
      specimen.name,
    );
    if (problems.length > 0) throw new DataError('Some readings cannot be kept.', problems);
    try {
      await store.get(specimen.id);
    } catch (error) {
      if (!(error instanceof UnknownSpecimenError)) throw error;
      await store.save(specimen, 0).catch((failure: unknown) => {
        // Deleted by a user: it stays deleted.
        if (!(failure instanceof UnknownSpecimenError)) throw failure;
      });
      added++;
    }
  }
  return added;
}

const database = new Database(readConfig(process.env).databaseUrl, (message, error) => error && console.error(message, error));
await database.open();
try {
  for (const path of process.argv.slice(2)) {
    const content: unknown = JSON.parse(await readFile(path, 'utf8'));
    if (isCatalogue(content)) {
      const problems = checkCatalogue(content);
      if (problems.length > 0) throw new DataError(`${path} cannot be loaded.`, problems);
      await new CatalogueStore(database).load(content, 'loaded from a file');
      console.log(`${path}: ${content.patterns.length} patterns.`);
    } else if (isSpecimenFile(content)) {
      console.log(`${path}: ${await loadSpecimens(new SpecimenStore(database), content)} specimens added.`);
    } else {
      const format = typeof content === 'object' && content !== null && 'format' in content ? content.format : undefined;
      throw new DataError(`${path} cannot be loaded.`, schemaProblems(format === 'which-bore-specimens' ? isSpecimenFile.errors : isCatalogue.errors));
    }
  }
} finally {
  await database.close();
}
