import { Type } from '@sinclair/typebox';
import { USUAL_SHOP } from '../../shop/shop.js';
import { DocumentChangeSchema, StoredShopSchema } from '../documents.js';
import { route, withExample } from './route.js';

const stored = withExample(StoredShopSchema, {
  ...USUAL_SHOP,
  instruments: USUAL_SHOP.instruments.slice(0, 1),
  version: 0,
});

/** The shop's own instruments and house rules. */
export const shop = {
  read: route({
    method: 'GET',
    path: '/shop',
    summary: 'The shop’s instruments and house rules',
    tag: 'bench',
    answer: stored,
  }),
  versions: route({
    method: 'GET',
    path: '/shop/versions',
    summary: 'Who changed them',
    tag: 'bench',
    answer: withExample(Type.Array(DocumentChangeSchema), []),
  }),
  write: route({
    method: 'PUT',
    path: '/shop',
    summary: 'Write them whole; 409 when they were changed meanwhile',
    tag: 'bench',
    author: true,
    body: stored,
    answer: stored,
    errors: [409],
  }),
};
