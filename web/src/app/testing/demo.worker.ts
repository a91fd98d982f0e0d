/** The worker as it is, over the demo instead of a server. */
import type { Shop } from '@which-bore/core';
import { expose } from 'comlink';
import demo from '../../../../demo-data/catalogue.json';
import { CatalogueStock } from '../data/catalogueStock';
import { WorkshopHere } from '../data/workshopHere';

class DemoStock extends CatalogueStock {
  override kept() {
    return Promise.resolve({ tag: 'demo-1', catalogue: demo as never });
  }
  override changesSince() {
    return Promise.resolve({ tag: 'demo-1', changed: [] });
  }
}

const here = new WorkshopHere(new DemoStock());
/** Without word of how it stands: the tests ask only. */
export interface DemoWorker {
  open(shop: Shop, today: string): Promise<void>;
  ask: WorkshopHere['ask'];
}

expose({
  open: (shop: Shop, today: string) => here.open(() => undefined, shop, today),
  ask: (...given: Parameters<WorkshopHere['ask']>) => here.ask(...given),
});
