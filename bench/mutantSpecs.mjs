/** Runs a bundle of specs and says whether all passed; ends at the first that does not. For mutants.mjs. */
import { pathToFileURL } from 'node:url';
import jasmineRequire from 'jasmine-core';

const env = jasmineRequire.boot().getEnv();
env.configure({ random: false, stopOnSpecFailure: true });
let failed = false;
env.addReporter({
  specDone: ({ status }) => {
    if (status !== 'failed') return;
    failed = true;
    process.send('failed');
  },
  jasmineDone: ({ overallStatus }) => process.send(!failed && overallStatus === 'passed' ? 'passed' : 'failed'),
});
await import(pathToFileURL(process.argv[2]).href);
await env.execute();
