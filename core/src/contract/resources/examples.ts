import type { Specimen } from '../../readings/reading.js';

/** Examples for the documentation of documents, all of them of the demo's frost fan. */
const readings: Specimen['readings'] = [
  {
    id: '0b3c0a52-5a9c-4b51-9d0e-0f6b1c2d3e4f',
    at: '2026-03-02T08:10:00.000Z',
    is: {
      sort: 'size',
      text: 'main 2.3482in mic',
      parameter: 'crank.mainJournal.diameter',
      values: [2.3482],
      unit: 'in',
      instrument: 'micrometer',
    },
  },
];

export const SPECIMEN_EXAMPLE = { name: 'Frost fan crank, bin 4', kind: 'crank', readings, version: 0 };

export const SUMMARY_EXAMPLE = {
  id: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11',
  name: SPECIMEN_EXAMPLE.name,
  kind: SPECIMEN_EXAMPLE.kind,
  readings: readings.length,
  version: 1,
  updatedAt: '2026-03-02T08:10:04.000Z',
};

export const JOB_EXAMPLE = {
  name: 'Frost fan of the upper orchard',
  readings: [
    {
      id: '0b3c0a52-5a9c-4b51-9d0e-0f6b1c2d3e50',
      at: '2026-03-02T08:00:00.000Z',
      is: { sort: 'claim', text: 'year 1962', about: 'year', value: '1962' },
    },
  ],
  version: 0,
};

export const IMPORT_EXAMPLE = {
  id: '0b3c0a52-5a9c-4b51-9d0e-0f6b1c2d3e4f',
  fileName: 'cranks.csv',
  bytes: 1200,
  who: 'Ansgar',
  state: 'read',
  progress: 1,
  tables: [],
  choices: {},
  counts: [{ type: 'pattern', outcome: 'added', count: 12 }],
  createdAt: '2026-03-02T08:10:04.000Z',
};

export const BUILD_EXAMPLE = {
  name: 'Frost fan on a thinner gasket',
  variant: 'sluice-357',
  places: [{ slot: 'block', work: [{ operation: 'deck', by: { value: 0.1, unit: 'mm' } }] }],
  sizes: [{ of: 'headGasket.thickness', value: 0.8, unit: 'mm' }],
  version: 0,
};

export const HELD_EXAMPLE = {
  specimen: '7a0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a11',
  job: '5d2f9f52-6c1e-4d0e-8f0b-2a7c3b1d9e10',
  who: 'Ansgar',
  at: '2026-03-02T08:10:04.000Z',
};

export const SUPPLIER_EXAMPLE = {
  name: 'Ridge Road Parts',
  currency: 'EUR',
  address: '/simulated/suppliers/ridge-road',
};

export const ROUND_EXAMPLE = {
  id: '1f0d5a1e-3f7f-4f43-8f25-5b8f4f4a1a33',
  level: 'used',
  kind: 'crank',
  pattern: 'ambit-crank-3',
  named: 'ambit-crank-3',
  minutes: 5,
  engineMinutes: 4,
  wasted: 1,
  score: 90,
};
