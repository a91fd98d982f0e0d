import { OPERATIONS, type Operation, type OperationId } from './operations.js';

/** Whether it is work for the machine shop: what is only bought and put in is none. */
export function isShopWork(id: OperationId): boolean {
  const { changes = [], canUndo, parts = 0 }: Operation = OPERATIONS[id];
  return changes.length > 0 || !canUndo || parts === 0;
}
