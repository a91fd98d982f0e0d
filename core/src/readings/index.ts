export * from './reading.js';
export * from './entryLine.js';
export type { WhyUnread } from './unread.js';
export { readFigures, type Figures } from './size.js';
export * from './measured.js';
export { monthsOf, type Months } from './claim.js';
export { completeEntry, type Completion } from './completion.js';
