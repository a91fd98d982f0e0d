import { AjvCompiler } from '@fastify/ajv-compiler';

type BuildCompiler = ReturnType<typeof AjvCompiler>;
type Validate = ReturnType<ReturnType<BuildCompiler>>;

/** What is compiled is kept for the process, however many applications are put together in it. */
const compilers: BuildCompiler = AjvCompiler();

/**
 * Validators of requests that are compiled when a request first needs them: a server that starts does not wait for some
 * hundred schemas.
 */
export const buildValidator: BuildCompiler = (external, options) => {
  const compile = compilers(external, options);
  return (route) => {
    let compiled: Validate | undefined;
    const validate = (data: unknown): unknown => {
      compiled ??= compile(route);
      const answer: unknown = compiled(data);
      // Where Fastify looks for what is wrong.
      (validate as Validate).errors = compiled.errors ?? null;
      return answer;
    };
    return validate as Validate;
  };
};
