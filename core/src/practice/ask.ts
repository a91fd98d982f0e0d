import type { MarkPlace, Parameter } from '../dictionary/definition.js';
import { featureOf, markPlaceOf, parameterOf, sayLook } from '../dictionary/dictionary.js';
import { ASSUMED } from '../identify/assumptions.js';
import { ALPHABET, confusion } from '../marks/confusion.js';
import { INSTRUMENTS } from '../quantity/instrument.js';
import { showValue } from '../quantity/format.js';
import { shownUnit } from '../quantity/unit.js';
import type { LookReading, MarkReading, SizeReading, Understood } from '../readings/reading.js';
import type { Tool } from '../shop/ownInstrument.js';
import { anyOption, pick, type HiddenPart } from './hiddenPart.js';

/** How well the one who reads reads. */
export interface Reader {
  /** Share of characters that cannot be made out. */
  readonly unreadable: number;
  /** How many times the usual share of looks is misjudged. */
  readonly misjudges: number;
}

export const USUAL_READER: Reader = { unreadable: 0.06, misjudges: 1 };

/** What is asked for, by its id in the dictionary, and with which instrument. */
export interface Asked {
  readonly sort: 'size' | 'look' | 'mark';
  readonly id: string;
  readonly tool?: Tool | undefined;
}

/**
 * What is found when a size, look or mark place of a hidden part is asked for: with the instrument's error, as often
 * misjudged as people misjudge, characters misread as worn ones are. Asking twice gives two answers.
 */
export function ask(
  part: HiddenPart,
  { sort, id, tool }: Asked,
  next: () => number,
  reader: Reader = USUAL_READER,
): Understood {
  switch (sort) {
    case 'size':
      return measure(part, parameterOf(id), tool, next);
    case 'mark':
      return readAt(part, markPlaceOf(id), next, reader);
    case 'look':
      return see(part, id, next, reader);
  }
}

function measure(part: HiddenPart, parameter: Parameter, tool: Tool | undefined, next: () => number): SizeReading {
  const truth = part.sizes[parameter.id];
  const sort = tool?.sort ?? parameter.instruments[0];
  const { resolution, permissibleError } = tool ?? INSTRUMENTS[sort];
  // A part has every size of its kind; what its pattern does not state is something, somewhere in what is usual.
  const { low, high } = parameter.plausible;
  const size = truth ?? low * (high / low) ** next();
  const slipped = next() < ASSUMED.sizeMistaken ? size * (1 + 0.2 * (next() - 0.5)) : size;
  const read = slipped + permissibleError * (2 * next() - 1);
  const shown = Math.min(high, Math.max(low, Math.round(read / resolution) * resolution));
  const unit = shownUnit(parameter.quantity, 'metric') ?? 'mm';
  const value = Number(shown.toFixed(4));
  return {
    sort: 'size',
    text: `${parameter.name.toLowerCase()} ${showValue(value, parameter.quantity, 'metric')} ${INSTRUMENTS[sort].words[0] ?? ''}`,
    parameter: parameter.id,
    values: [Math.max(value, 1e-6)],
    unit,
    instrument: sort,
  };
}

function see(part: HiddenPart, id: string, next: () => number, reader: Reader): LookReading {
  const feature = featureOf(id);
  const truth = part.looks[id] ?? anyOption(feature.form, next);
  let seen = truth;
  if (next() < feature.misjudged * reader.misjudges) {
    for (let tries = 0; seen === truth && tries < 20; tries++)
      seen = 'count' in feature.form ? neighbour(truth, next) : anyOption(feature.form, next);
    if ('count' in feature.form)
      seen = String(Math.min(feature.form.count.high, Math.max(feature.form.count.low, Number(seen))));
  }
  return { sort: 'look', text: sayLook(feature, seen), feature: id, option: seen };
}

const neighbour = (count: string, next: () => number): string => String(Number(count) + (next() < 0.5 ? -1 : 1));

function readAt(part: HiddenPart, place: MarkPlace, next: () => number, reader: Reader): MarkReading {
  const there = part.marks.filter((mark) => mark.place === place.id);
  const mark = there[Math.floor(next() * there.length)];
  if (!mark) {
    // Foundry dates and workshop stamps stand where the catalogue knows of nothing.
    const other = next() < ASSUMED.markThere ? Array.from({ length: 3 }, () => pick(ALPHABET, next)).join('') : '';
    return {
      sort: 'mark',
      text: other === '' ? `no mark on ${place.name}` : `${place.makings[0] ?? ''} ${other}`,
      characters: other,
      place: place.id,
    };
  }
  const characters = Array.from(mark.text, (truth) =>
    next() < reader.unreadable ? '?' : readCharacter(truth, mark.making, next),
  ).join('');
  const legible = /[^?]/.test(characters) ? characters : mark.text;
  return { sort: 'mark', text: `${mark.making} ${legible}`, characters: legible, making: mark.making, place: place.id };
}

/** What is read for a character, drawn from the confusion table. */
function readCharacter(truth: string, making: MarkReading['making'], next: () => number): string {
  let left = next();
  for (const read of ALPHABET) {
    left -= confusion(truth, read, making ?? 'cast');
    if (left < 0) return read;
  }
  return truth;
}
