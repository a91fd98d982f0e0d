import type { Part } from '../catalogue/part.js';
import { KINDS, type KindId } from '../dictionary/dictionary.js';
import {
  blockOutline,
  linerOutline,
  mainShellOutline,
  rodShellOutline,
  rollingBearingOutline,
  sealOutline,
} from './kinds/bottomEnd.js';
import { crankEnd, crankOutline } from './kinds/crank.js';
import { pistonOutline, ringsOutline, rodOutline } from './kinds/pistons.js';
import {
  camOutline,
  fastenerOutline,
  flywheelOutline,
  frontCoverOutline,
  headGasketOutline,
  headOutline,
  lifterOutline,
  valveOutline,
  valveSpringOutline,
} from './kinds/topEnd.js';
import type { Outline } from './outline.js';
import { simpleOutline } from './simple.js';

export type { Known, Outline, Shape } from './outline.js';
export { sizeDrawn } from './outline.js';

/** Those that are more than a ring or a bar, which a kind says itself. */
const OUTLINES: Readonly<Partial<Record<KindId, (part: Part) => Outline>>> = {
  block: blockOutline,
  crank: crankOutline,
  mainShell: mainShellOutline,
  rod: rodOutline,
  rodShell: rodShellOutline,
  piston: pistonOutline,
  rings: ringsOutline,
  liner: linerOutline,
  cam: camOutline,
  lifter: lifterOutline,
  head: headOutline,
  headGasket: headGasketOutline,
  valve: valveOutline,
  valveSpring: valveSpringOutline,
  rollingBearing: rollingBearingOutline,
  frontCover: frontCoverOutline,
  flywheel: flywheelOutline,
  seal: sealOutline,
  fastener: fastenerOutline,
};

/** A part drawn to scale from what is known of it; sizes not known are guessed from those that are, and marked so. */
export const outline = (part: Part): Outline => OUTLINES[part.kind]?.(part) ?? simpleOutline(part, KINDS[part.kind]);

/** The drawing in which two parts of a kind are laid over each other: for a crank its end, for others the usual one. */
export const outlineToCompare = (part: Part): Outline => (part.kind === 'crank' ? crankEnd(part) : outline(part));
