import type { Part } from '../../catalogue/part.js';
import { piston } from '../../dictionary/kinds/piston.js';
import { rings } from '../../dictionary/kinds/rings.js';
import { rod } from '../../dictionary/kinds/rod.js';
import { countDrawn, Sheet, sizeDrawn, worse, type Outline } from '../outline.js';

/** A rod from the side, its big end at the origin. */
export function rodOutline(part: Part): Outline {
  const sizes = rod.parameters;
  const length = sizeDrawn(part, sizes.length, 150);
  const big = sizeDrawn(part, sizes['bigEnd.bore'], length.size * 0.36);
  const small = sizeDrawn(part, sizes['smallEnd.bore'], length.size * 0.15);
  const bolt = sizeDrawn(part, sizes['bolt.diameter'], big.size * 0.18);
  const bigOut = big.size * 1.3;
  const smallOut = small.size * 1.55;
  const sheet = new Sheet().polygon(
    [
      [-smallOut * 0.34, -length.size],
      [smallOut * 0.34, -length.size],
      [bigOut * 0.32, -bigOut * 0.35],
      [-bigOut * 0.32, -bigOut * 0.35],
    ],
    length.known,
    'metal',
    'length',
  );
  if (part.looks[rod.features.capSplit.id]?.option !== 'onePiece')
    for (const side of [-1, 1])
      sheet.block(side * bigOut * 0.54, 0, bolt.size * 1.6, bigOut * 0.7, bolt.known, 'metal', 'bolt');
  return sheet
    .circle(0, 0, bigOut, 'guessed')
    .circle(0, -length.size, smallOut, 'guessed')
    .circle(0, 0, big.size, big.known, 'hollow', 'bigEnd')
    .circle(0, -length.size, small.size, worse(small.known, length.known), 'hollow', 'smallEnd')
    .at('smallEnd', 0, -length.size - small.size / 2, true)
    .at('smallEndWidth', smallOut / 2, -length.size, true)
    .at('length', -smallOut * 0.3, -length.size * 0.55, true)
    .at('bigEnd', 0, big.size / 2, false)
    .at('bigEndWidth', -bigOut / 2, 0, false)
    .at('bolt', bigOut * 0.54, bigOut * 0.35, false)
    .done('from the side');
}

/** Cubic millimetres in a cubic centimetre. */
const PER_CC = 1000;

/** A piston in section through its pin, the flat of the crown at the origin. */
export function pistonOutline(part: Part): Outline {
  const sizes = piston.parameters;
  const bore = sizeDrawn(part, sizes.bore, 90);
  const skirt = sizeDrawn(part, sizes['skirt.diameter'], bore.size - 0.05);
  const compression = sizeDrawn(part, sizes.compressionHeight, bore.size * 0.45);
  const height = sizeDrawn(part, sizes.height, compression.size + bore.size * 0.36);
  const pinBore = sizeDrawn(part, sizes['pin.diameter'], bore.size * 0.25);
  const offset = sizeDrawn(part, sizes['pin.offset'], 0);
  const gap = sizeDrawn(part, sizes.bossGap, bore.size * 0.35);
  const bowl = sizeDrawn(part, sizes['crown.volume'], 0);
  const dome = sizeDrawn(part, sizes['crown.dome'], 0);
  const top = sizeDrawn(part, sizes['ring.top'], bore.size * 0.02);
  const second = sizeDrawn(part, sizes['ring.second'], top.size);
  const oil = sizeDrawn(part, sizes['ring.oil'], top.size * 2);
  const deep = part.looks[piston.features.crown.id]?.option;
  const across = bore.size * (deep === 'bowl' || deep === 'reentrant' ? 0.55 : 0.8);
  /** Depth that a round hollow or dome of this breadth needs to hold the volume. */
  const depth = (volume: number) => (volume * PER_CC) / ((Math.PI / 4) * across ** 2);
  const sheet = new Sheet().rect(
    -skirt.size / 2,
    0,
    skirt.size,
    height.size,
    worse(skirt.known, height.known),
    'metal',
    'skirt',
  );
  if (dome.size > 0) sheet.block(0, -depth(dome.size) / 2, across, depth(dome.size), dome.known, 'metal', 'crown');
  if (bowl.size > 0) sheet.block(0, depth(bowl.size) / 2, across, depth(bowl.size), bowl.known, 'hollow', 'crown');
  const lands = compression.size - pinBore.size / 2;
  const grooves = countDrawn(part, piston.features.rings, 3);
  for (let at = 0; at < grooves; at++) {
    const size = at === 0 ? top : at === grooves - 1 && grooves > 2 ? oil : second;
    for (const side of [-1, 1])
      sheet.block(
        (side * bore.size * 0.95) / 2,
        lands * (0.22 + (0.66 * at) / Math.max(1, grooves - 1)),
        bore.size * 0.05,
        size.size,
        size.known,
        'hollow',
        at === 0 ? 'topGroove' : undefined,
      );
  }
  /** Below the pin's middle the piston is open between its bosses. */
  const inside = compression.size + pinBore.size * 0.4;
  return sheet
    .rect(-gap.size / 2, inside, gap.size, height.size - inside, gap.known, 'hollow', 'bossGap')
    .circle(offset.size, compression.size, pinBore.size, worse(pinBore.known, compression.known), 'hollow', 'pin')
    .at('bore', -bore.size * 0.3, 0, true)
    .at('crown', 0, 0, true)
    .at('valvePocket', bore.size * 0.3, 0, true)
    .at('topGroove', bore.size / 2, lands * 0.22, true)
    .at('compressionHeight', -bore.size * 0.2, compression.size, false)
    .at('pin', offset.size, compression.size + pinBore.size / 2, false)
    .at('pinOffset', offset.size, compression.size, false)
    .at('bossGap', gap.size / 2, height.size * 0.95, false)
    .at('skirt', bore.size / 2, height.size * 0.85, false)
    .at('height', -bore.size / 2, height.size, false)
    .done('in section, seen along the pin');
}

/** The top ring from above, and the rings of the set on edge. */
export function ringsOutline(part: Part): Outline {
  const sizes = rings.parameters;
  const bore = sizeDrawn(part, sizes.bore, 90);
  const radial = sizeDrawn(part, sizes['top.radial'], bore.size / 24);
  const top = sizeDrawn(part, sizes['top.height'], 1.8);
  const second = sizeDrawn(part, sizes['second.height'], 2);
  const oil = sizeDrawn(part, sizes['oil.height'], 4);
  const count = countDrawn(part, rings.features.count, 3);
  const sheet = new Sheet()
    .circle(0, 0, bore.size, bore.known, 'bright', 'bore')
    .circle(0, 0, bore.size - 2 * radial.size, radial.known, 'hollow', 'radial');
  let y = bore.size / 2 + bore.size * 0.12;
  for (let at = 0; at < count; at++) {
    const ring = at === 0 ? top : at === count - 1 && count > 2 ? oil : second;
    sheet.rect(-bore.size / 2, y, bore.size, ring.size, ring.known, 'bright', at === 0 ? 'topRing' : undefined);
    y += ring.size + bore.size * 0.05;
  }
  return sheet
    .at('bore', 0, -bore.size / 2, true)
    .at('radial', bore.size / 2 - radial.size / 2, 0, true)
    .at('topRing', 0, bore.size * 0.62, false)
    .done('from above and on edge');
}
