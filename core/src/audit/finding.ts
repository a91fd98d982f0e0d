import type { RecordType } from '../catalogue/catalogue.js';
import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { Sentence } from '../quantity/sentence.js';
import type { HasFigures } from '../thumb/index.js';

/** A place in the catalogue, where a finding can be mended. */
export interface AuditPlace {
  readonly type: RecordType;
  readonly id: string;
  /** What of the record, as its form calls it: a dictionary id, or a field like `numbers`. */
  readonly at?: string;
}

/** Something in the catalogue that does not agree with itself. */
export interface AuditFinding {
  readonly rule: string;
  /** `wrong` cannot be right as it stands; `look` may be, and somebody should look. */
  readonly weight: 'wrong' | 'look';
  readonly where: AuditPlace;
  /** Other records concerned. */
  readonly also: readonly AuditPlace[];
  readonly says: Sentence;
}

/** One thing the audit looks for. A rule a file, gathered in the index. */
export interface Rule {
  readonly id: string;
  readonly name: string;
  /** What it compares, in one sentence. */
  readonly checks: string;
  readonly find: (catalogue: CatalogueLookup, rules: HasFigures) => readonly AuditFinding[];
}

type Found = Omit<AuditFinding, 'rule' | 'also'> & { readonly also?: readonly AuditPlace[] };

/** Declares a rule: its findings carry its id. */
export const defineRule = (
  id: string,
  name: string,
  checks: string,
  find: (catalogue: CatalogueLookup, rules: HasFigures) => Iterable<Found>,
): Rule => ({
  id,
  name,
  checks,
  find: (catalogue, rules) => [...find(catalogue, rules)].map((found) => ({ also: [], ...found, rule: id })),
});
