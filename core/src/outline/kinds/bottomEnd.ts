import type { Part } from '../../catalogue/part.js';
import { block } from '../../dictionary/kinds/block.js';
import { liner } from '../../dictionary/kinds/liner.js';
import { mainShell } from '../../dictionary/kinds/mainShell.js';
import { rodShell } from '../../dictionary/kinds/rodShell.js';
import { rollingBearing } from '../../dictionary/kinds/rollingBearing.js';
import { seal } from '../../dictionary/kinds/seal.js';
import { arc, countDrawn, Sheet, sizeDrawn, worse, type Outline } from '../outline.js';

/** A block in section through one cylinder: deck, bore, crankcase and the main axis at the origin. */
export function blockOutline(part: Part): Outline {
  const sizes = block.parameters;
  const deck = sizeDrawn(part, sizes.deckHeight, 230);
  const bore = sizeDrawn(part, sizes.bore, deck.size * 0.42);
  const main = sizeDrawn(part, sizes['mainHousing.diameter'], bore.size * 0.65);
  const swing = sizeDrawn(part, sizes['crankcase.swing'], deck.size * 0.36);
  const wall = sizeDrawn(part, sizes.wall, bore.size * 0.06);
  const cam = sizeDrawn(part, sizes['camBore.diameter'], main.size * 0.7);
  const lifter = sizeDrawn(part, sizes['lifterBore.diameter'], bore.size * 0.22);
  const half = Math.max(swing.size * 1.08, bore.size / 2 + wall.size * 2.6);
  const skirt = bore.size / 2 + wall.size * 2.6;
  const sheet = new Sheet()
    .polygon(
      [
        [-skirt, -deck.size],
        [skirt, -deck.size],
        [skirt, -swing.size * 0.95],
        [half, -swing.size * 0.6],
        [half, main.size * 0.2],
        [-half, main.size * 0.2],
        [-half, -swing.size * 0.6],
        [-skirt, -swing.size * 0.95],
      ],
      deck.known,
      'metal',
      'deckHeight',
    )
    .circle(0, 0, 2 * swing.size, swing.known, 'room', 'crankcaseSwing')
    .rect(
      -bore.size / 2,
      -deck.size,
      bore.size,
      deck.size - swing.size * 0.8,
      worse(bore.known, deck.known),
      'hollow',
      'bore',
    )
    .circle(0, 0, main.size, main.known, 'hollow', 'mainHousing')
    .at('deckHeight', skirt * 0.9, -deck.size, true)
    .at('bore', 0, -deck.size * 0.9, true)
    .at('boreSpacing', skirt * 0.6, -deck.size * 0.75, true)
    .at('wall', -bore.size / 2 - wall.size / 2, -deck.size * 0.8, true)
    .at('linerSeat', bore.size / 2, -deck.size * 0.95, true)
    .at('mainHousing', 0, main.size / 2, false)
    .at('crankcaseSwing', swing.size * 0.7, swing.size * 0.7, false)
    .at('rearSeal', main.size * 0.3, main.size * 0.4, false)
    .at('frontNose', -main.size * 0.2, main.size * 0.2, false)
    .at('mainPitch', -half, main.size * 0.1, false)
    .at('mainHousingWidth', -main.size / 2, 0, false);
  if (countDrawn(part, block.features.camBearings, 1) > 0) {
    const [x, y] = [half * 0.82, -swing.size * 1.12];
    sheet
      .circle(x, y, cam.size, cam.known, 'hollow', 'camBore')
      .block(
        x,
        y - cam.size * 0.5 - lifter.size * 1.2,
        lifter.size,
        lifter.size * 1.8,
        lifter.known,
        'hollow',
        'lifterBore',
      );
    sheet.at('camBore', x, y, false).at('lifterBore', x, y - cam.size - lifter.size, true);
  }
  return sheet.done('in section through one cylinder');
}

/** A liner in section, its seat face at the origin. */
export function linerOutline(part: Part): Outline {
  const sizes = liner.parameters;
  const bore = sizeDrawn(part, sizes.bore, 100);
  const outside = sizeDrawn(part, sizes['outside.upper'], bore.size + 10);
  const lower = sizeDrawn(part, sizes['outside.lower'], outside.size - 2);
  const flange = sizeDrawn(part, sizes['flange.diameter'], outside.size * 1.06);
  const height = sizeDrawn(part, sizes['flange.height'], bore.size * 0.08);
  const length = sizeDrawn(part, sizes.length, bore.size * 1.9);
  const bottom = length.size - height.size;
  const sheet = new Sheet()
    .block(0, -height.size / 2, flange.size, height.size, worse(flange.known, height.known), 'metal', 'flange')
    .block(0, bottom * 0.3, outside.size, bottom * 0.6, outside.known, 'metal', 'outside')
    .block(0, bottom * 0.8, lower.size, bottom * 0.4, worse(lower.known, length.known), 'metal', 'lowerOutside')
    .block(0, (bottom - height.size) / 2, bore.size, length.size, bore.known, 'hollow', 'bore');
  const grooves = countDrawn(part, liner.features.ringGrooves, 0);
  for (let at = 0; at < grooves; at++)
    for (const side of [-1, 1])
      sheet.block(
        (side * (lower.size - 1.5)) / 2,
        bottom * (0.68 + 0.08 * at),
        1.5,
        bottom * 0.03,
        'pattern',
        'hollow',
      );
  return sheet
    .at('flange', -flange.size / 2, -height.size / 2, true)
    .at('flangeHeight', flange.size / 2, -height.size / 2, true)
    .at('bore', 0, -height.size, true)
    .at('outside', outside.size / 2, bottom * 0.3, false)
    .at('wall', (bore.size + outside.size) / 4, bottom * 0.45, false)
    .at('lowerOutside', -lower.size / 2, bottom * 0.8, false)
    .at('length', 0, bottom, false)
    .done('in section');
}

/** A pair of shells, the upper half from its end. */
function shellOutline(part: Part, sizes: typeof mainShell.parameters | typeof rodShell.parameters): Outline {
  const housing = sizeDrawn(part, sizes['housing.diameter'], 60);
  const wall = sizeDrawn(part, sizes.wall, housing.size * 0.035);
  const width = sizeDrawn(part, sizes.width, housing.size * 0.35);
  const flange =
    'flangeWidth' in sizes && part.values[sizes.flangeWidth.id]
      ? sizeDrawn(part, sizes.flangeWidth, width.size)
      : undefined;
  const outer = housing.size / 2;
  const inner = outer - wall.size;
  const x = outer * 1.7;
  const sheet = new Sheet().polygon(
    [...arc(0, 0, outer, 180, 360), ...arc(0, 0, inner, 360, 180)],
    worse(housing.known, wall.known),
    'bright',
    'shellWall',
  );
  sheet.block(x, -outer / 2, width.size, outer, width.known, 'metal', 'shellWidth');
  if (flange)
    for (const side of [-1, 1])
      sheet.block(
        x + (side * (flange.size + width.size)) / 4,
        -outer / 2 - outer * 0.04,
        (flange.size - width.size) / 2,
        outer * 1.08,
        flange.known,
        'metal',
        'shellFlange',
      );
  return sheet
    .at('shellOutside', 0, -outer, true)
    .at('shellWall', -outer + wall.size / 2, -1, false)
    .at('shellWidth', x, -outer, true)
    .at('shellFlange', x, 0, false)
    .done('from its end and from the side');
}
export const mainShellOutline = (part: Part): Outline => shellOutline(part, mainShell.parameters);
export const rodShellOutline = (part: Part): Outline => shellOutline(part, rodShell.parameters);

/** A rolling bearing in section, above and below its axis. */
export function rollingBearingOutline(part: Part): Outline {
  const sizes = rollingBearing.parameters;
  const bore = sizeDrawn(part, sizes.bore, 25);
  const outside = sizeDrawn(part, sizes.outside, bore.size * 2);
  const width = sizeDrawn(part, sizes.width, bore.size * 0.6);
  const ring = (outside.size - bore.size) / 2;
  const roller = part.looks[rollingBearing.features.form.id]?.option !== 'ball';
  const sheet = new Sheet();
  for (const side of [-1, 1]) {
    sheet.block(
      0,
      side * (bore.size / 2 + ring * 0.15),
      width.size,
      ring * 0.3,
      worse(bore.known, width.known),
      'metal',
      'bore',
    );
    sheet.block(
      0,
      side * (outside.size / 2 - ring * 0.15),
      width.size,
      ring * 0.3,
      worse(outside.known, width.known),
      'metal',
      'outside',
    );
    const middleOfRing = side * (bore.size + ring) * 0.5;
    if (roller) sheet.block(0, middleOfRing, width.size * 0.6, ring * 0.42, 'guessed', 'bright');
    else sheet.circle(0, middleOfRing, Math.min(ring * 0.58, width.size * 0.8), 'guessed', 'bright');
  }
  return sheet
    .at('outside', -width.size / 4, -outside.size / 2, true)
    .at('width', width.size / 2, -outside.size / 2, true)
    .at('bore', 0, bore.size / 2, false)
    .done('in section');
}

/** A shaft seal in section, above and below its axis. */
export function sealOutline(part: Part): Outline {
  const sizes = seal.parameters;
  const shaft = sizeDrawn(part, sizes.shaft, 50);
  const housing = sizeDrawn(part, sizes.housing, shaft.size * 1.35);
  const width = sizeDrawn(part, sizes.width, shaft.size * 0.16);
  const ring = (housing.size - shaft.size) / 2;
  const sheet = new Sheet();
  for (const side of [-1, 1]) {
    sheet.block(
      0,
      side * (housing.size / 2 - ring * 0.14),
      width.size,
      ring * 0.28,
      worse(housing.known, width.known),
      'metal',
      'housing',
    );
    sheet.polygon(
      [
        [-width.size / 2, side * (housing.size / 2 - ring * 0.28)],
        [-width.size * 0.2, side * (housing.size / 2 - ring * 0.28)],
        [width.size * 0.3, side * (shaft.size / 2)],
        [-width.size * 0.1, side * (shaft.size / 2 + ring * 0.15)],
      ],
      shaft.known,
      'bright',
      'shaft',
    );
  }
  return sheet
    .at('housing', 0, -housing.size / 2, true)
    .at('width', width.size / 2, -housing.size / 2, true)
    .at('shaft', 0, shaft.size / 2, false)
    .done('in section');
}
