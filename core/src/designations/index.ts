export * from './rollingBearing.js';
export * from './vehicleNumber.js';
export * from './isoFit.js';
