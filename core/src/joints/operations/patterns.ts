import type { Part } from '../../catalogue/part.js';
import type { Interface } from '../../dictionary/definition.js';

/** Gives a face another pattern: by drilling bosses that were cast but never drilled, by welding and redrilling. */
export const withPattern = (part: Part, face: Interface, pattern: string): Part => ({
  ...part,
  interfaces: { ...part.interfaces, [face.id]: pattern },
});
