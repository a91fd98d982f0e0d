/**
 * Loads files of the open formats into the database: `node dist/cli/load.js catalogue.json specimens.json`.
 * Specimens that are there already are left alone.
 */
import { readFile } from 'node:fs/promises';
import {
  BuildFileSchema,
  CatalogueSchema,
  checkCatalogue,
  checkReadings,
  DataError,
  JobFileSchema,
  SpecimenFileSchema,
  SupplierFileSchema,
  type BuildFile,
  type Catalogue,
  type JobFile,
  type Problem,
  type SpecimenFile,
  type SupplierFile,
} from '@which-bore/core';
import { Ajv } from 'ajv';
import addFormats from 'ajv-formats';
import { readConfig, SUPPLIER_WITHIN } from '../config.js';
import { Database } from '../database/database.js';
import { CatalogueStore } from '../features/catalogueStore.js';
import { ChangedError, MissingError } from '../documents/errors.js';
import { BuildStore } from '../documents/buildStore.js';
import { JobStore } from '../documents/jobStore.js';
import { NoSuchJobError } from '../documents/jobOf.js';
import { SupplierStore } from '../order/supplierStore.js';
import { SpecimenStore } from '../documents/specimenStore.js';

/** Under whose name what is loaded goes on record. */
const LOADER = 'loaded from a file';

const ajv = new Ajv({ allErrors: true, discriminator: true });
addFormats.default(ajv);
const isCatalogue = ajv.compile<Catalogue>(CatalogueSchema);
const isJobFile = ajv.compile<JobFile>(JobFileSchema);
const isBuildFile = ajv.compile<BuildFile>(BuildFileSchema);
const isSupplierFile = ajv.compile<SupplierFile>(SupplierFileSchema);
const isSpecimenFile = ajv.compile<SpecimenFile>(SpecimenFileSchema);

/** What is wrong with a file, by the format it says it is of. */
const errorsOf = (format: unknown): typeof isCatalogue.errors => {
  if (format === 'which-bore-specimens') return isSpecimenFile.errors;
  if (format === 'which-bore-jobs') return isJobFile.errors;
  if (format === 'which-bore-builds') return isBuildFile.errors;
  if (format === 'which-bore-suppliers') return isSupplierFile.errors;
  return isCatalogue.errors;
};

const schemaProblems = (errors: typeof isCatalogue.errors): Problem[] =>
  (errors ?? []).map((error) => ({ where: error.instancePath || 'the file', what: `${error.message ?? 'is wrong'}.` }));

/** Says of a failure that a job is named which is not there, where it is that. */
function jobsBefore(
  what: string,
  { name, job }: { readonly name: string; readonly job?: string },
  failure: unknown,
): void {
  if (failure instanceof NoSuchJobError)
    throw new DataError(`The ${what} cannot be loaded.`, [
      { where: name, what: `it names the job ${job ?? ''}, which is not there; load the file of jobs before.` },
    ]);
}

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
      if (!(error instanceof MissingError)) throw error;
      await store.save(specimen, 0, LOADER).catch((failure: unknown) => {
        jobsBefore('specimens', specimen, failure);
        // Deleted by a user: it stays deleted.
        if (!(failure instanceof MissingError)) throw failure;
      });
      added++;
    }
  }
  return added;
}

/** Whether a document was added: one that is there already, or was deleted by a user, is left alone. */
const begun = (saved: Promise<unknown>): Promise<boolean> =>
  saved.then(
    () => true,
    (error: unknown) => {
      if (error instanceof ChangedError || error instanceof MissingError) return false;
      throw error;
    },
  );

/** Builds that are there already, or were deleted by a user, are left alone. */
async function loadBuilds(store: BuildStore, file: BuildFile): Promise<number> {
  let added = 0;
  for (const build of file.builds) {
    const saved = store.save(build, 0, LOADER).catch((failure: unknown) => {
      jobsBefore('builds', build, failure);
      throw failure;
    });
    if (await begun(saved)) added++;
  }
  return added;
}

/** Jobs that are there already, or were deleted by a user, are left alone. */
async function loadJobs(store: JobStore, file: JobFile): Promise<number> {
  let added = 0;
  for (const job of file.jobs) {
    const problems = checkReadings(
      'variant',
      job.readings.map(({ is }) => is),
      job.name,
    );
    if (problems.length > 0) throw new DataError('Some readings cannot be kept.', problems);
    if (await begun(store.save(job, 0, LOADER))) added++;
  }
  return added;
}

/** Suppliers that are there already are left alone. */
async function loadSuppliers(store: SupplierStore, file: SupplierFile): Promise<number> {
  const there = new Set((await store.list()).map(({ id }) => id));
  const added = file.suppliers.filter(({ id }) => !there.has(id));
  for (const supplier of added) await store.save(supplier);
  return added.length;
}

const database = new Database(
  readConfig(process.env).databaseUrl,
  (message, error) => error && console.error(message, error),
);
await database.open();
try {
  for (const path of process.argv.slice(2)) {
    const content: unknown = JSON.parse(await readFile(path, 'utf8'));
    if (isCatalogue(content)) {
      const problems = checkCatalogue(content);
      if (problems.length > 0) throw new DataError(`${path} cannot be loaded.`, problems);
      await new CatalogueStore(database).load(content, LOADER);
      console.log(`${path}: ${content.patterns.length} patterns.`);
    } else if (isJobFile(content)) {
      console.log(`${path}: ${await loadJobs(new JobStore(database), content)} jobs added.`);
    } else if (isSupplierFile(content)) {
      console.log(
        `${path}: ${await loadSuppliers(new SupplierStore(database, SUPPLIER_WITHIN), content)} suppliers added.`,
      );
    } else if (isBuildFile(content)) {
      console.log(`${path}: ${await loadBuilds(new BuildStore(database), content)} builds added.`);
    } else if (isSpecimenFile(content)) {
      console.log(`${path}: ${await loadSpecimens(new SpecimenStore(database), content)} specimens added.`);
    } else {
      const format =
        typeof content === 'object' && content !== null && 'format' in content ? content.format : undefined;
      throw new DataError(`${path} cannot be loaded.`, schemaProblems(errorsOf(format)));
    }
  }
} finally {
  await database.close();
}
