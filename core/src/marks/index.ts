export * from './markText.js';
export * from './confusion.js';
export * from './alignment.js';
export * from './characterSet.js';
