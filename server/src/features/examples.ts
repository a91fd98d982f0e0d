import type { IdentifyRequest, InterchangeRequest, Specimen } from '@which-bore/core';

/** One example for each route of the documentation, all of them readings of the demo's frost fan crank. */
const readings: Specimen['readings'] = [
  {
    id: '0b3c0a52-5a9c-4b51-9d0e-0f6b1c2d3e4f',
    at: '2026-03-02T08:10:00.000Z',
    is: { sort: 'size', text: 'main 2.3482in mic', parameter: 'crank.mainJournal.diameter', values: [2.3482], unit: 'in', instrument: 'micrometer' },
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

export const IDENTIFY_EXAMPLE: IdentifyRequest = {
  kind: 'crank',
  entry: 'cast 41?7 main 2.349in mic pin 52.05 stroke 3.375" forged 8 weights',
  most: 3,
  units: 'metric',
};

export const INTERCHANGE_EXAMPLE: InterchangeRequest = {
  donor: { pattern: 'sluice-crank-3375-forged' },
  recipients: ['sluice-block-low-small', 'sluice-block-low-large'],
  units: 'inch',
};

export const READ_EXAMPLE = { kind: 'crank', entry: 'cast 41?7 main 2.349 mm' };
