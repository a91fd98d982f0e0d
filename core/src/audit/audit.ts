import type { CatalogueLookup } from '../catalogue/lookup.js';
import type { HouseRules } from '../shop/houseRules.js';
import type { AuditFinding, AuditRule } from './rule.js';
import { companions } from './rules/companions.js';
import { displacement } from './rules/displacement.js';
import { disputes } from './rules/disputes.js';
import { farFromOthers } from './rules/farFromOthers.js';
import { fitmentYears } from './rules/fitmentYears.js';
import { numberTwice } from './rules/numberTwice.js';
import { pistonInBore } from './rules/pistonInBore.js';
import { ratioOfParts } from './rules/ratioOfParts.js';
import { stackInDeck } from './rules/stackInDeck.js';
import { strokeOfCrank } from './rules/strokeOfCrank.js';
import { supersession } from './rules/supersession.js';
import { unreadBySchemes } from './rules/unreadBySchemes.js';

/** Everything the audit looks for, in the order in which it is told. */
export const AUDIT_RULES: readonly AuditRule[] = [
  displacement,
  strokeOfCrank,
  pistonInBore,
  stackInDeck,
  ratioOfParts,
  fitmentYears,
  numberTwice,
  supersession,
  companions,
  farFromOthers,
  disputes,
  unreadBySchemes,
];

/** Goes over a catalogue with every rule, by the shop's own figures where it has any. */
export const audit = (catalogue: CatalogueLookup, rules: HouseRules = {}): AuditFinding[] =>
  AUDIT_RULES.flatMap((rule) => rule.find(catalogue, rules));
