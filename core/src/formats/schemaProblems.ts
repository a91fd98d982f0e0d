import type { Problem } from './problem.js';

/** What a JSON Schema validator says of data that is not as it should be, as Ajv has it. */
export interface SchemaError {
  readonly instancePath: string;
  readonly keyword: string;
  readonly params: Readonly<Record<string, unknown>>;
  readonly message?: string | undefined;
}

/** The same in words: where, what, and what to do. */
export const schemaProblems = (errors: readonly SchemaError[]): Problem[] =>
  errors.map(({ instancePath, keyword, params, message }) => {
    const where = instancePath.slice(1).replaceAll('/', '.');
    const of = (name: string) => String(params[name]);
    switch (keyword) {
      case 'required':
        return {
          where: where === '' ? of('missingProperty') : where,
          what: `${of('missingProperty')} is missing; give it.`,
        };
      case 'additionalProperties':
        return { where, what: `“${of('additionalProperty')}” is nothing that belongs here; take it out.` };
      case 'enum':
        return {
          where,
          what: `it is none of ${(params.allowedValues as readonly unknown[]).slice(0, 30).join(', ')}.`,
        };
      case 'pattern':
        if (where === 'id')
          return { where, what: 'an id is made of lower-case letters, figures and dashes, two to eighty of them.' };
        if (of('pattern').startsWith('^\\d{4}'))
          return { where, what: 'it is no date; write 1986, 1986-09 or 1986-09-14.' };
        return { where, what: `it ${message ?? 'is not as it should be'}.` };
      default:
        return { where: where === '' ? 'the record' : where, what: `it ${message ?? 'is not as it should be'}.` };
    }
  });
