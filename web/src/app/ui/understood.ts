import {
  CLAIMS,
  cut,
  digitsOf,
  featureOf,
  interfaceOf,
  INSTRUMENTS,
  markPlaceOf,
  parameterOf,
  sayLook,
  shownUnit,
  showValue,
  systemOf,
  toInside,
  UNITS,
  type Understood,
} from '@which-bore/core';

/** How a reading is shown: what it is of, what was read, and what was taken for granted. */
interface Shown {
  readonly of: string;
  readonly read: string;
  /** In the other system of units, each figure of it. */
  readonly converted?: string;
  readonly note?: string;
  /** For the pointer that rests on it: the other unit, the reason, what was assumed. */
  readonly more: string;
}

/** The groups of the tray, in their order. */
export const GROUPS = [
  { sort: 'mark', name: 'Marks' },
  { sort: 'size', name: 'Sizes' },
  { sort: 'step', name: 'Service sizes' },
  { sort: 'look', name: 'Looks' },
  { sort: 'face', name: 'Faces' },
  { sort: 'claim', name: 'Claims' },
  { sort: 'unread', name: 'Not understood' },
] as const satisfies readonly { readonly sort: Understood['sort']; readonly name: string }[];

export function shownAs(is: Understood): Shown {
  switch (is.sort) {
    case 'mark': {
      const where = is.place ? ` on ${markPlaceOf(is.place).name}` : '';
      if (is.gone)
        return { of: `Mark gone${where}`, read: '', more: 'Ground, machined or worn away: it tells nothing any more.' };
      if (is.characters === '')
        return { of: `No mark${where}`, read: '', more: 'That nothing stands there is a reading too.' };
      const doubts = /[?[]/.test(is.characters) ? '? could not be read; [..] may be either.' : '';
      return {
        of: `${is.making ?? 'Mark'}${where}`,
        read: is.characters,
        more: doubts || 'Compared with the marks and numbers of the catalogue.',
      };
    }
    case 'size':
      return shownSize(is);
    case 'look': {
      const feature = featureOf(is.feature);
      const seen = sayLook(feature, is.option);
      return { of: '', read: is.not ? `not ${seen}` : seen, more: `${feature.name}. ${feature.tell}` };
    }
    case 'face': {
      const { name, definition } = interfaceOf(is.face);
      return { of: name, read: is.pattern, more: `${definition} Held against what the catalogue calls it.` };
    }
    case 'step':
      return shownStep(is);
    case 'claim':
      return {
        of: CLAIMS[is.about],
        read: is.value.replace('/', ' to '),
        more: 'A claim: weak beside what the part shows, and weighed by the house rule.',
      };
    case 'unread':
      return { of: '', read: is.text.length > 80 ? `${cut(is.text, 80)}…` : is.text, more: is.text };
  }
}

function shownStep(is: Extract<Understood, { sort: 'step' }>): Shown {
  const parameter = parameterOf(is.parameter);
  const size = Math.abs(is.offset);
  const way = is.offset < 0 ? 'under' : 'over';
  const read =
    size === 0
      ? 'standard'
      : is.unit === 'in'
        ? `${Number((size * 1000).toFixed(1))} thou ${way}`
        : `${size.toFixed(2)} mm ${way}`;
  const inside = toInside(size, is.unit);
  return {
    of: parameter.name,
    read,
    more:
      size === 0
        ? 'At its standard size, as it was said.'
        : `= ${showValue(inside, 'length', 'metric')} or ${showValue(inside, 'length', 'inch')}, as it was said`,
  };
}

function shownSize(is: Extract<Understood, { sort: 'size' }>): Shown {
  const parameter = parameterOf(is.parameter);
  const instrument = INSTRUMENTS[is.instrument].name.toLowerCase();
  const values = is.figures ?? is.values.join(' / ');
  const system = systemOf(is.unit) === 'metric' ? 'inch' : 'metric';
  const inside = is.values.map((each) => toInside(each, is.unit));
  const mean = inside.reduce((sum, each) => sum + each, 0) / inside.length;
  const other = showValue(mean, parameter.quantity, system);
  const unit = shownUnit(parameter.quantity, system);
  const converted = [
    inside.map((each) => digitsOf(each, parameter.quantity, system)).join(' / '),
    unit ? UNITS[unit].symbol : '',
  ].join(' ');
  const assumed = [
    is.unitAssumed ? `no unit written, read as ${UNITS[is.unit].symbol}` : '',
    is.instrumentAssumed ? `no instrument named, taken for a ${instrument}` : '',
  ].filter(Boolean);
  const places = [...new Set(is.positions)];
  const [first, last] = [places[0], places.at(-1)];
  const where = first === undefined ? '' : first === last ? ` ${first}` : ` ${first} to ${last}`;
  return {
    of: `${parameter.name}${where}`,
    read: `${values} ${UNITS[is.unit].symbol}`,
    // What both systems write alike needs no second time.
    ...(unit === undefined || unit === shownUnit(parameter.quantity, systemOf(is.unit)) ? {} : { converted }),
    note: is.instrumentAssumed ? `${instrument}?` : instrument,
    more: [places.length > 1 ? 'one for each place, from the front' : `= ${other}`, ...assumed].join('; '),
  };
}
