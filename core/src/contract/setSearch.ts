import { Type, type Static } from '@sinclair/typebox';
import { oneOf } from '../quantity/oneOf.js';
import { SEARCH_STATES, type SearchState } from './searchState.js';
import { planConflicts, PlanProgressSchema, planSets, planWorth } from './plan.js';

/** A search for sets that a server does, this one or another, whoever still looks at it. */
export const SetSearchSchema = Type.Object({
  id: Type.String({ format: 'uuid' }),
  state: oneOf<SearchState>(Object.keys(SEARCH_STATES) as SearchState[], 'How it stands'),
  askedAt: Type.String({ format: 'date-time' }),
  endedAt: Type.Optional(Type.String({ format: 'date-time' })),
  ahead: Type.Optional(Type.Integer({ minimum: 0, description: 'While it waits, how many are taken before it' })),
  takenUp: Type.Integer({
    minimum: 0,
    description: 'How often it was begun: more than once where a server went down in the middle of it',
  }),
  part: Type.Optional(
    oneOf(
      ['sets', 'conflicts', 'worth'] as const,
      'What it looks for now: sets, why there is none, or what demands cost',
    ),
  ),
  progress: Type.Optional(PlanProgressSchema),
  sets: Type.Optional(planSets.answer),
  conflicts: Type.Optional(planConflicts.answer),
  worth: Type.Optional(planWorth.answer),
  problem: Type.Optional(Type.String({ description: 'Why it could not be done' })),
});
export type SetSearch = Static<typeof SetSearchSchema>;
