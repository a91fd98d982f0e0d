/**
 * The workshop of this browser: it holds the catalogue, so that the page need not, and answers when the server is away.
 */
import { expose } from 'comlink';
import { WorkshopHere } from './workshopHere';

export type WorkshopWorker = Pick<WorkshopHere, 'isThere' | 'open' | 'ask' | 'setShop' | 'refresh'>;

expose(new WorkshopHere());
