import type { KindId } from './dictionary.js';

/** A place in an engine that one kind of part fills. The word a fitment uses. */
interface Slot {
  readonly id: string;
  readonly kind: KindId;
  readonly name: string;
}

const slot = (id: string, kind: KindId, name: string): Slot => ({ id, kind, name });

/** Every place of an engine, in the order of assembly. */
export const SLOTS: readonly Slot[] = [
  slot('block', 'block', 'Block'),
  slot('crank', 'crank', 'Crank'),
  slot('mainShell', 'mainShell', 'Main shells'),
  slot('mainBearing', 'rollingBearing', 'Main bearing'),
  slot('thrustWasher', 'thrustWasher', 'Thrust washers'),
  slot('rod', 'rod', 'Rods'),
  slot('rodShell', 'rodShell', 'Rod shells'),
  slot('bigEndBearing', 'rollingBearing', 'Big end bearing'),
  slot('smallEndBearing', 'rollingBearing', 'Small end bearing'),
  slot('pin', 'pin', 'Pins'),
  slot('piston', 'piston', 'Pistons'),
  slot('rings', 'rings', 'Rings'),
  slot('liner', 'liner', 'Liners'),
  slot('cam', 'cam', 'Cam'),
  slot('exhaustCam', 'cam', 'Exhaust cam'),
  slot('lifter', 'lifter', 'Lifters'),
  slot('headGasket', 'headGasket', 'Head gasket'),
  slot('head', 'head', 'Head'),
  slot('intakeValve', 'valve', 'Intake valves'),
  slot('exhaustValve', 'valve', 'Exhaust valves'),
  slot('valveSpring', 'valveSpring', 'Valve springs'),
  slot('frontCover', 'frontCover', 'Front cover'),
  slot('frontSeal', 'seal', 'Front seal'),
  slot('rearSeal', 'seal', 'Rear seal'),
  slot('flywheel', 'flywheel', 'Flywheel'),
  slot('headBolt', 'fastener', 'Head bolts'),
  slot('mainBolt', 'fastener', 'Main cap bolts'),
  slot('rodBolt', 'fastener', 'Rod bolts'),
];

const BY_ID = new Map(SLOTS.map((each) => [each.id, each]));

/** The place in an engine of this id; undefined where there is none. */
export const slotOf = (id: string): Slot | undefined => BY_ID.get(id);

const PLACE_OF = new Map(SLOTS.map(({ id }, at) => [id, at]));

/** Where a place of an engine stands in the order of assembly, counted from 0; −1 where there is no such place. */
export const orderOfSlot = (id: string): number => PLACE_OF.get(id) ?? -1;
