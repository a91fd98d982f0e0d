import { builds } from './builds.js';
import { catalogue, exports } from './catalogue.js';
import { imports } from './imports.js';
import { jobs } from './jobs.js';
import { links } from './links.js';
import { reservations, suppliers } from './order.js';
import { practice } from './practice.js';
import { changes, RECORD_ROUTES } from './records.js';
import { server } from './server.js';
import { setSearches } from './setSearches.js';
import { shop } from './shop.js';
import { photographs, specimens } from './specimens.js';

export type { Resource, Route, RouteError, Sent, Told } from './route.js';
export { RECORD_ROUTES };

/** Every route that is no question, by resource and what is done to it; records of the catalogue stand beside. */
export const RESOURCES = {
  jobs,
  builds,
  specimens,
  photographs,
  shop,
  reservations,
  suppliers,
  catalogue,
  changes,
  exports,
  imports,
  practice,
  setSearches,
  links,
  server,
};
