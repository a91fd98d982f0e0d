import { fromInside } from '../quantity/unit.js';
import type { GaugeProtocol } from './protocol.js';

/** What may be the matter with an answer of the simulated gauge. */
export const MANNERS = ['ok', 'rubbish', 'two', 'inch', 'unit', 'mute'] as const;
export type Manner = (typeof MANNERS)[number];

/** A gauge that is only there to be tried out, and what is wrong with it. Millimetres. */
export interface SimulatedGauge {
  /** What lies under it. */
  readonly truth: number;
  /** It always shows so much more. */
  readonly error: number;
  /** And so much more each time it is asked. */
  readonly drift: number;
  /** Its last digit. */
  readonly resolution: number;
  /** What it does each time it is asked, over and over. */
  readonly manners: readonly Manner[];
}

/** What a simulated gauge sends when it is asked for the n-th time, from 0; nothing where it is mute. */
export function simulatedLine(gauge: SimulatedGauge, protocol: GaugeProtocol, time: number): string {
  const { truth, error, drift, resolution, manners } = gauge;
  const manner = manners[time % Math.max(1, manners.length)] ?? 'ok';
  const shown = Math.round((truth + error + drift * time) / resolution) * resolution;
  const places = Math.max(0, Math.ceil(-Math.log10(resolution)));
  const unit = manner === 'inch' ? 'in' : protocol.unit;
  const digits = (of: number) => of.toFixed(unit === 'in' ? places + 1 : places).replace('.', protocol.decimal);
  const figure = digits(fromInside(shown, unit));
  const written = {
    ok: figure,
    inch: figure,
    unit: figure,
    two: `${figure} ${digits(fromInside(shown + 1, unit))}`,
    rubbish: 'E#~!',
    mute: '',
  }[manner];
  if (manner === 'mute') return '';
  const word = manner === 'unit' ? 'furlong' : manner === 'rubbish' ? '' : unit;
  const { fields, ends } = protocol;
  if (!fields) return `${[written, word].filter((part) => part !== '').join(' ')}${ends}`;
  const parts = Array.from({ length: Math.max(fields.figure, fields.unit ?? 0) + 1 }, () => '1');
  parts[fields.figure] = written;
  if (fields.unit !== undefined) parts[fields.unit] = word;
  return `${parts.join(fields.by)}${ends}`;
}
