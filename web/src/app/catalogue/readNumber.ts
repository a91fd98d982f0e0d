import { decode, readBearing, readVehicleNumber, type CatalogueLookup } from '@which-bore/core';

/** One way in which a number can be read. */
export interface NumberSays {
  /** By what it was read. */
  readonly by: string;
  readonly says: string;
}

const VEHICLE = /^[A-Z0-9]{17}$/i;
/** Shorter than this everything is a number of some scheme. */
const SHORTEST = 3;

/** What a number says by itself, without a record that bears it; empty for words and sizes. */
export function readNumber(catalogue: CatalogueLookup, text: string): NumberSays[] {
  const number = text.trim();
  const found: NumberSays[] = [];
  if (number.length < SHORTEST || !/\d/.test(number)) return found;
  const tried = (by: string, read: () => string | undefined) => {
    try {
      const says = read();
      if (says !== undefined) found.push({ by, says });
    } catch {
      // Not such a number.
    }
  };
  tried('Rolling bearing:', () =>
    readBearing(number)
      .says.map((each) => each.says)
      .join('; '),
  );
  if (VEHICLE.test(number)) tried('Vehicle number:', () => readVehicleNumber(number).says);
  for (const scheme of catalogue.catalogue.schemes) {
    // Only numbers with letters: a bare figure is a size.
    if (!/[A-Z]/i.test(number)) continue;
    const [reading] = decode(scheme, number, scheme.family === undefined ? undefined : catalogue.yearsOf(scheme.family)).readings;
    if (!reading) continue;
    const segments = reading.segments.map(({ segment, meaning }) => `${segment.name.toLowerCase()} ${meaning}`).join(', ');
    found.push({ by: `${scheme.name}:`, says: reading.years.length === 0 ? segments : `${segments}; ${reading.years.join(' or ')}` });
  }
  return found;
}
