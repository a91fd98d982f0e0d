export { advise, type Advice, type Advised } from './advise.js';
export { checkKey } from './checks.js';
export { REACH_SAYS } from './teardown.js';
