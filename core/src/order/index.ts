export { BY_HAND, orderListOf, type Need, type OnShelf, type SoldBy } from './orderList.js';
export { numbersToOrder } from './numbers.js';
export { offersFor, soughtNumbers, type Offer, type Offered } from './offers.js';
export {
  MOST_PRICED,
  PRICE_LIST_FORMAT,
  PriceLineSchema,
  PriceListSchema,
  priceLinesOf,
  readPrice,
  type PriceLine,
  type PriceList,
  type PriceProblem,
} from './priceList.js';
export { placeKey, shopSheetOf, type ShopSheet, type ShopStep } from './shopSheet.js';
export { sizeToOrder, stepOf } from './serviceSize.js';
export { stagesOf, type Stage } from './stages.js';
export * from './supplier.js';
