import type { Size } from '../catalogue/size';
import type { Parameter } from '../dictionary/definition';
import type { SizeEvidence } from '../identify/evidence';
import { estimate, INSTRUMENTS } from '../quantity/instrument';

/** A size of a catalogue that is ground in up to four steps, 0.02 mm from limit to limit. */
export const ground = (low: number, steps: number): Size => ({
  limits: { low, high: low + 0.02 },
  toleranceAssumed: false,
  service: [-0.25, -0.5, -0.75, -1].slice(0, steps),
  wearLimit: undefined,
});

/** What one reading of a size is evidence of. */
export const measured = (
  parameter: Parameter,
  mean: number,
  instrument: 'micrometer' | 'caliper' = 'micrometer',
): SizeEvidence => ({
  sort: 'size',
  text: '',
  parameter,
  estimate: estimate([mean], INSTRUMENTS[instrument]),
  tool: { sort: instrument, ...INSTRUMENTS[instrument], reaches: true },
  step: undefined,
  confirmed: false,
  typedIn: 'metric',
});
