/**
 * The two forms of rear seal: what the crank's land is made for, and what the block holds, are told in the same words.
 */
export const REAR_SEAL_OPTIONS = {
  rope: 'rope seal, two-piece | rope, rope seal, two piece seal, knurled seal',
  lip: 'lip seal, one-piece | lip seal, one piece seal, full circle seal',
} as const;
