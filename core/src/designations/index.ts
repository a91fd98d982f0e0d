export * from './rollingBearing.js';
export * from './vehicleNumber.js';
