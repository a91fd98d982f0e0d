/** Options that two kinds of part tell in the same words, so that a joint can compare them. */

/** How a pin is held, as the rod is made for it and as the piston is. */
export const PIN_FIXING = {
  pressed: 'pressed in the rod | pressed, press fit, pressed pin, press fit pin, interference fit pin',
  circlip:
    'floating, circlips | circlip, circlips, floating, floating pin, full floating, full floater, full floaters, floater, floaters, fully floating, full floating pin, fully floating pin, snap rings',
  spiralLock: 'floating, spiral locks | spiral lock, spiral locks',
  endCaps: 'floating, end caps | end cap, end caps, buttons',
} as const;

/** Where the combustion chamber sits over the bore, in the head and as a piston is made for it. */
export const CHAMBER_POSITION = {
  central: 'central | central, centred, centered',
  offset: 'offset | offset, to one side',
} as const;

/** What follows the cam, as the lifter is and as the cam asks for. */
export const LIFTER_FORM = {
  solidFlat:
    'solid, flat | solid flat, mechanical flat, solid flat tappet, mechanical flat tappet, mechanical lifter, solid lifter',
  hydraulicFlat: 'hydraulic, flat | hydraulic flat, hydraulic flat tappet, hydraulic lifter, hydraulic tappet',
  solidRoller: 'solid roller | solid roller, mechanical roller',
  hydraulicRoller: 'hydraulic roller | hydraulic roller, hydraulic roller lifter',
  deactivating: 'deactivating roller | deactivating, collapsing',
} as const;

/** Lifters whose foot is a roller, and those that oil sets. */
export const ROLLER_LIFTERS: readonly string[] = ['solidRoller', 'hydraulicRoller', 'deactivating'];
export const HYDRAULIC_LIFTERS: readonly string[] = ['hydraulicFlat', 'hydraulicRoller', 'deactivating'];

/** What the flywheel sits on, as crank and flywheel are made for it. */
export const FLYWHEEL_SEAT = {
  flange: 'a flange | flanged, flanged end',
  taper: 'a taper | tapered end, taper end, tapered tail, tapered flywheel end, tapered flywheel bore, tapered bore',
} as const;

/** How the crank turns the cam. */
export const CAM_DRIVE = {
  gear: 'gears | gear, gears, gear drive',
  chain: 'chain | chain, chain drive',
  belt: 'toothed belt | belt, toothed belt',
} as const;

export const ROTATION = {
  clockwise: 'clockwise, from the front | clockwise, cw',
  anticlockwise: 'anticlockwise, from the front | anticlockwise, counterclockwise, ccw',
} as const;

/** How the throws of a crank lie round its axis. */
export const THROWS = {
  single: 'one throw | single throw',
  together: 'two side by side | 360 crank, parallel throws',
  opposed: 'two opposite each other | 180 crank, opposed throws',
  three: 'three at 120° | three throws at 120',
  plane: 'four in one plane | flat plane, single plane',
  cross: 'four at 90°, a cross | cross plane, crossplane',
  fifths: 'five at 72° | throws at 72',
  pairs: 'six in pairs at 120° | six throws in pairs',
} as const;

/** Where the head lets its coolant out. */
export const COOLANT_FACE = {
  deck: 'through the deck | deck coolant, deck ports',
  intake: 'through the intake face | intake coolant, intake ports',
  both: 'through both | both ways',
} as const;

/** How gear and pulley hub are held on the crank nose, as the crank is and as the hub is made. */
export const FRONT_DRIVE = {
  key: 'by a key | keyed, key, keyed nose, keyed hub',
  friction: 'by friction | friction hub, friction, no key',
  spline: 'by a spline | splined, spline, splined nose, splined hub',
  taper: 'by a taper | tapered nose, taper nose, nose tapered, taper on the nose, tapered hub',
} as const;

/** What centres the head on the deck. */
/** What lies between the flange of a liner and its seat. */
export const LINER_SHIM = { none: 'none | no shim', steel: 'steel | steel shim', brass: 'brass | brass shim' };

export const HEAD_DOWELS = {
  none: 'none | no dowels, without dowels',
  pins: 'solid pins | solid dowels, dowel pins, pins',
  hollow: 'hollow, round bolts | hollow dowels, ring dowels, sleeves',
} as const;
