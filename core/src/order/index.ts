export type { Need, OnShelf } from './need.js';
export { BY_HAND, orderListOf } from './orderList.js';
export { numbersToOrder } from './numbers.js';
export { offersFor, soughtNumbers, type Offer, type Offered } from './offers.js';
export {
  PRICE_LIST_FORMAT,
  PriceListSchema,
  priceLinesOf,
  readPrice,
  type PriceLine,
  type PriceList,
  type PriceProblem,
} from './priceList.js';
export { placeKey, shopSheetOf } from './shopSheet.js';
export { stepOf } from './serviceSize.js';
export { stagesOf } from './stages.js';
export * from './supplier.js';
