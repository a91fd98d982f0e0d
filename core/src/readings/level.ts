/** Where along a bore or a journal: from the deck down a cylinder, from the front along a journal. */
export const LEVELS = ['top', 'middle', 'bottom'] as const;
export type Level = (typeof LEVELS)[number];
