import { Type, type Static } from '@sinclair/typebox';
import { HouseRulesSchema } from './houseRules.js';
import { ToolDrawer, OwnInstrumentSchema, USUAL_INSTRUMENTS } from './ownInstrument.js';

/** What a shop says of itself: its instruments and its house rules. */
export const ShopSchema = Type.Object(
  {
    instruments: Type.Array(OwnInstrumentSchema, { maxItems: 500 }),
    rules: HouseRulesSchema,
  },
  { additionalProperties: false, title: 'The shop: instruments and house rules' },
);
export type Shop = Static<typeof ShopSchema>;

export const USUAL_SHOP: Shop = { instruments: [...USUAL_INSTRUMENTS], rules: {} };

/** The drawer of a shop on a day, `YYYY-MM-DD`; without a day no calibration counts as run out. */
export const drawerOf = (shop: Shop, today = ''): ToolDrawer => new ToolDrawer(shop.instruments, today);
