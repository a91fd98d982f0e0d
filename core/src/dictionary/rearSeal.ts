/**
 * The two forms of rear seal: what the crank's land is made for, and what the block holds, are told in the same words.
 */
export const REAR_SEAL_OPTIONS = {
  rope: 'rope seal, two-piece | rope, rope seal, two piece seal, two piece rear seal, two piece rear main seal, two piece rear main, rope rear seal, rope rear main seal, split seal, knurled seal',
  lip: 'lip seal, one-piece | lip seal, one piece seal, one piece rear seal, one piece rear main seal, one piece rear main, full circle seal',
} as const;
