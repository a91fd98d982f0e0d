/**
 * Every kind of part there is. One that stands here has its forms, import columns, places in an engine, work, prices,
 * drawing and checks of identification; in which order kinds are told follows from the places they fill.
 */
export { block } from './block.js';
export { cam } from './cam.js';
export { crank } from './crank.js';
export { fastener } from './fastener.js';
export { flywheel } from './flywheel.js';
export { frontCover } from './frontCover.js';
export { head } from './head.js';
export { headGasket } from './headGasket.js';
export { lifter } from './lifter.js';
export { liner } from './liner.js';
export { mainShell } from './mainShell.js';
export { pin } from './pin.js';
export { piston } from './piston.js';
export { rings } from './rings.js';
export { rod } from './rod.js';
export { rodShell } from './rodShell.js';
export { rollingBearing } from './rollingBearing.js';
export { seal } from './seal.js';
export { thrustWasher } from './thrustWasher.js';
export { valve } from './valve.js';
export { valveSpring } from './valveSpring.js';
