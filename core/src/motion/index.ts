export * from './crankAngles.js';
export * from './rodSwing.js';
export * from './sliderCrank.js';
export * from './valveLift.js';
