import { normalForm } from '../catalogue/facePattern.js';
import type { Feature, Interface, Making, Parameter } from '../dictionary/definition.js';
import { featureOf, interfaceOf, parameterOf } from '../dictionary/dictionary.js';
import { readMark, type MarkPosition } from '../marks/markText.js';
import { estimate, type Estimate } from '../quantity/instrument.js';
import type { Sentence } from '../quantity/sentence.js';
import { toInside, type UnitId } from '../quantity/unit.js';
import { sizesOfPart } from '../readings/measured.js';
import type { ClaimAbout, Understood } from '../readings/reading.js';
import { ToolDrawer, type Tool } from '../shop/ownInstrument.js';

export interface SizeEvidence {
  readonly sort: 'size';
  readonly text: string;
  readonly parameter: Parameter;
  readonly estimate: Estimate;
  readonly tool: Tool;
  /** How far from standard the size is said to stand, inside unit; undefined where nothing was said. */
  readonly step: number | undefined;
  /** Whether a repeat or a second instrument bears it out: then it is hardly a slip. */
  readonly confirmed: boolean;
  /** The figure as it was written, where it is one. */
  readonly written?: { readonly figures: string; readonly unit: UnitId };
}
export interface LookEvidence {
  readonly sort: 'look';
  readonly text: string;
  readonly feature: Feature;
  readonly option: string;
  /** Whether it was seen to be any but this one. */
  readonly not: boolean;
}
export interface FaceEvidence {
  readonly sort: 'face';
  readonly text: string;
  readonly face: Interface;
  readonly pattern: string;
}
export interface MarkEvidence {
  readonly sort: 'mark';
  readonly text: string;
  /** Empty where it was found that nothing is marked. */
  readonly positions: readonly MarkPosition[];
  readonly making: Making | undefined;
  readonly place: string | undefined;
}
export interface StepEvidence {
  readonly sort: 'step';
  readonly text: string;
  readonly parameter: Parameter;
  /** Signed distance from standard, inside unit. */
  readonly offset: number;
}
export interface ClaimEvidence {
  readonly sort: 'claim';
  readonly text: string;
  readonly about: ClaimAbout;
  readonly value: string;
}

/** A part found in an engine: how it agrees with each engine is worked out from its own identification. */
export interface PartEvidence {
  readonly sort: 'part';
  readonly text: string;
  readonly say: (row: number) => Sentence;
}

/** One independent piece of evidence, with the words it came from. */
export type Evidence =
  SizeEvidence | LookEvidence | FaceEvidence | MarkEvidence | StepEvidence | ClaimEvidence | PartEvidence;

const USUAL_DRAWER = new ToolDrawer();

/**
 * The evidence in some readings, by a key that is the same whenever the evidence is. The same thing seen twice counts
 * once, repeats are pooled, words not understood say nothing. Neither order nor keys depend on the order of the
 * readings.
 */
export function evidenceByKey(
  readings: readonly Understood[],
  drawer: ToolDrawer = USUAL_DRAWER,
): ReadonlyMap<string, Evidence> {
  const byKey = new Map<string, Evidence>();
  /** Of the same thing said in two ways the words that come first in the alphabet stay, whichever was typed first. */
  const put = (key: string, evidence: Evidence) => {
    const known = byKey.get(key);
    if (!known || evidence.text < known.text) byKey.set(key, evidence);
  };
  const steps = new Map(
    readings.flatMap((reading): [string, number][] =>
      reading.sort === 'step' ? [[reading.parameter, toInside(reading.offset, reading.unit)]] : [],
    ),
  );
  for (const { parameter, text, inside, tool, confirmed, written } of finest(readings, drawer)) {
    const step = steps.get(parameter.id);
    const evidence: SizeEvidence = {
      sort: 'size',
      text,
      parameter,
      estimate: estimate(inside, tool),
      tool,
      step,
      confirmed,
      ...(written ? { written } : {}),
    };
    put(
      `1 size ${parameter.id} ${tool.sort} ${inside.map((value) => value.toFixed(7)).join(' ')} ${step ?? ''} ${tool.permissibleError}${confirmed ? ' confirmed' : ''}`,
      evidence,
    );
  }
  for (const reading of readings) {
    switch (reading.sort) {
      case 'look':
        put(`2 look ${reading.feature} ${reading.option}${reading.not ? ' not' : ''}`, {
          sort: 'look',
          text: reading.text,
          feature: featureOf(reading.feature),
          option: reading.option,
          not: reading.not ?? false,
        });
        break;
      case 'face':
        put(`2 face ${reading.face} ${normalForm(reading.pattern)}`, {
          sort: 'face',
          text: reading.text,
          face: interfaceOf(reading.face),
          pattern: reading.pattern,
        });
        break;
      case 'mark':
        // What is ground away tells nothing of what it was.
        if (reading.gone) break;
        put(`0 mark ${reading.characters} ${reading.making ?? ''} ${reading.place ?? ''}`, {
          sort: 'mark',
          text: reading.text,
          positions: reading.characters ? readMark(reading.characters) : [],
          making: reading.making,
          place: reading.place,
        });
        break;
      case 'step': {
        const offset = toInside(reading.offset, reading.unit);
        put(`3 step ${reading.parameter} ${offset.toFixed(5)}`, {
          sort: 'step',
          text: reading.text,
          parameter: parameterOf(reading.parameter),
          offset,
        });
        break;
      }
      case 'claim':
        put(`4 claim ${reading.about} ${reading.value.toLowerCase()}`, {
          sort: 'claim',
          text: reading.text,
          about: reading.about,
          value: reading.value,
        });
        break;
      case 'size':
      case 'unread':
        break;
    }
  }
  return new Map([...byKey].sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)));
}

export const evidenceFrom = (readings: readonly Understood[], drawer?: ToolDrawer): Evidence[] => [
  ...evidenceByKey(readings, drawer).values(),
];

interface Measured {
  readonly parameter: Parameter;
  readonly text: string;
  readonly inside: readonly number[];
  readonly tool: Tool;
  readonly confirmed: boolean;
  readonly written?: { readonly figures: string; readonly unit: UnitId };
}

/** How many times finer an instrument must be for its reading to take the place of a coarser one's. */
const FINER = 1.5;
/** Readings of one size further apart than this many of their uncertainties are not of one thing. */
const AGREE_WITHIN = 3;

/**
 * The measurements, with only the finest of several that agree on one size: a caliper before a micrometer tells nothing
 * more once the micrometer has spoken, and counting both would count the part's own spread twice.
 */
function finest(readings: readonly Understood[], drawer: ToolDrawer): Measured[] {
  const all = sizesOfPart(readings).map((size): Measured => {
    const inside = size.values.map((value) => toInside(value, size.unit)).sort((a, b) => a - b);
    return {
      parameter: parameterOf(size.parameter),
      text: size.text,
      inside,
      tool: drawer.take(size.instrument, inside[0] ?? 0),
      confirmed: inside.length > 1,
      ...(inside.length === 1
        ? { written: { figures: size.figures ?? String(size.values[0] ?? ''), unit: size.unit } }
        : {}),
    };
  });
  const outdone = (coarse: Measured, fine: Measured): boolean => {
    if (coarse.parameter.id !== fine.parameter.id) return false;
    const [a, b] = [estimate(coarse.inside, coarse.tool), estimate(fine.inside, fine.tool)];
    return (
      a.uncertainty > FINER * b.uncertainty &&
      Math.abs(a.mean - b.mean) <= AGREE_WITHIN * Math.hypot(a.uncertainty, b.uncertainty) + coarse.parameter.usualWear
    );
  };
  return all
    .filter((each) => !all.some((other) => outdone(each, other)))
    .map((each) => {
      const bearingOut = all.filter((other) => outdone(other, each));
      return {
        ...each,
        text: [each.text, ...bearingOut.map(({ text }) => text)].join(', '),
        confirmed: each.confirmed || bearingOut.length > 0,
      };
    });
}
