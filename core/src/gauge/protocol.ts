import { unitOf, type UnitId } from '../quantity/unit.js';

/** How a gauge writes its lines: a number, a unit, a line end. */
export interface GaugeProtocol {
  readonly id: string;
  readonly name: string;
  readonly decimal: '.' | ',';
  /** Between the fields of a line, and which of them, from 0, has the figure; one field alone where absent. */
  readonly fields?: { readonly by: string; readonly figure: number; readonly unit?: number };
  /** What it measures in where no unit stands in its lines. */
  readonly unit: UnitId;
  /** What ends a line. */
  readonly ends: string;
  /** What is sent to it to have it send its figure; nothing where only its own key does. */
  readonly asks?: string;
}

/** The ways in which gauges are known to write. *Common practice, no source*; another is one line more. */
export const GAUGE_PROTOCOLS: readonly GaugeProtocol[] = [
  { id: 'plain', name: 'figure, unit, new line', decimal: '.', unit: 'mm', ends: '\r\n', asks: '?\r\n' },
  { id: 'comma', name: 'figure with a comma, unit, new line', decimal: ',', unit: 'mm', ends: '\r\n', asks: '?\r\n' },
  {
    id: 'channels',
    name: 'channel; figure; unit',
    decimal: '.',
    fields: { by: ';', figure: 1, unit: 2 },
    unit: 'mm',
    ends: '\n',
    asks: 'R\n',
  },
  { id: 'bareInch', name: 'figure only, in inches', decimal: '.', unit: 'in', ends: '\r' },
];

/** A figure that came from a gauge. */
export interface GaugeFigure {
  readonly value: number;
  readonly unit: UnitId;
  /** As it was sent, with all its digits. */
  readonly text: string;
}

/** Why a line is no figure. */
type GaugeTrouble = 'nothing' | 'rubbish' | 'twoFigures' | 'unit' | 'tooLong';
export interface GaugeProblem {
  readonly trouble: GaugeTrouble;
  readonly line: string;
}

export const TROUBLE_SAYS: Readonly<Record<GaugeTrouble, string>> = {
  nothing: 'an empty line',
  rubbish: 'no figure can be read in it',
  twoFigures: 'it has two figures, and nobody knows which is meant',
  unit: 'its unit is none that is known here',
  tooLong: 'no line end came: the gauge writes another way than is set',
};

const isProblem = (read: GaugeFigure | GaugeProblem): read is GaugeProblem => 'trouble' in read;

/**
 * What a line of a gauge says. Nothing is guessed: a line with two figures, or in a unit nobody knows, is none.
 *
 * @example readGaugeLine('+00078.021 mm', GAUGE_PROTOCOLS[0]) // { value: 78.021, unit: 'mm', text: '78.021' }
 */
export function readGaugeLine(line: string, { decimal, fields, unit }: GaugeProtocol): GaugeFigure | GaugeProblem {
  const trouble = (is: GaugeTrouble): GaugeProblem => ({ trouble: is, line: line.slice(0, 80) });
  const bare = line.trim();
  if (bare === '') return trouble('nothing');
  const split = fields ? bare.split(fields.by).map((field) => field.trim()) : [bare];
  const written = split[fields?.figure ?? 0] ?? '';
  const own = fields?.unit === undefined ? undefined : split[fields.unit];
  const [, sign = '', digits = '', word = ''] = /^([+-]?)\s*(\d+(?:[.,]\d+)?)\s*([^\d\s].*)?$/.exec(written) ?? [];
  if (digits === '') {
    // Another figure behind the first is no unit.
    return trouble((written.match(/\d+(?:[.,]\d+)?/g) ?? []).length > 1 ? 'twoFigures' : 'rubbish');
  }
  if (/\d/.test(word)) return trouble('twoFigures');
  if (digits.includes(decimal === '.' ? ',' : '.')) return trouble('rubbish');
  const named = (own ?? word).trim();
  const found = named === '' ? unit : unitOf(named);
  if (found === undefined) return trouble('unit');
  const plain = digits.replace(',', '.').replace(/^0+(?=\d)/, '');
  const text = `${sign === '-' ? '-' : ''}${plain}`;
  return { value: Number(text), unit: found, text };
}

/** A line longer than this is none. */
const LONGEST = 200;

/** Puts together what comes from a gauge in pieces, and reads it line by line. */
export class GaugeReader {
  private pending = '';

  constructor(private readonly protocol: GaugeProtocol) {}

  /** What came with a piece: figures and problems, in order. */
  read(piece: string): readonly (GaugeFigure | GaugeProblem)[] {
    this.pending += piece;
    const lines = this.pending.split(this.protocol.ends);
    this.pending = lines.pop() ?? '';
    const said = lines.map((line) => readGaugeLine(line, this.protocol)).filter(isWorthSaying);
    if (this.pending.length <= LONGEST) return said;
    const line = this.pending.slice(0, 80);
    this.pending = '';
    return [...said, { trouble: 'tooLong', line }];
  }
}

const isWorthSaying = (read: GaugeFigure | GaugeProblem): boolean => !isProblem(read) || read.trouble !== 'nothing';
