import type { RecordType } from '../catalogue/catalogue.js';
import type { CatalogueLookup } from '../catalogue/lookup.js';
import { defineRule, type Finding, type Rule } from '../rules/rule.js';

/** A place in the catalogue, where a finding can be mended. */
export interface AuditPlace {
  readonly type: RecordType;
  readonly id: string;
  /** What of the record, as its form calls it: a dictionary id, or a field like `numbers`. */
  readonly at?: string;
}

/** Something in the catalogue that does not agree with itself. */
export type AuditFinding = Finding<AuditPlace>;
/** One thing the audit looks for. */
export type AuditRule = Rule<CatalogueLookup, AuditPlace>;

export const auditRule = defineRule<CatalogueLookup, AuditPlace>;
