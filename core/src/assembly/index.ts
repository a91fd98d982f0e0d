export { ASSEMBLY_STEPS, assemblyNotesOf, type StepNotes } from './notes.js';
export type { AssemblyGround } from './step.js';
