export { advise, type Advice, type Advised } from './advise.js';
export { checkKey, type Situation } from './checks.js';
export type { Separation } from './tellApart.js';
export { dismantling, REACH_SAYS } from './teardown.js';
export { entropy } from './outcomes.js';
