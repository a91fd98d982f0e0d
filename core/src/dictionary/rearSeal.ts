/** The two forms of rear seal: what the crank's land is made for, and what the block holds, are told in the same words. */
export const REAR_SEAL_OPTIONS = [
  { id: 'rope', name: 'rope seal, two-piece', words: ['rope', 'rope seal', 'two piece seal', 'knurled seal'] },
  { id: 'lip', name: 'lip seal, one-piece', words: ['lip seal', 'one piece seal', 'full circle seal'] },
] as const;
