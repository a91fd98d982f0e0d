import { Ajv } from 'ajv';
import addFormats from 'ajv-formats';
import { CATALOGUE, SPECIMENS } from '../testing/demo';
import { hundredQuestions } from '../workshop/hundredQuestions';
import { QUESTION_NAMES, QUESTIONS, type Question } from './index';

const ajv = new Ajv({ allErrors: true, discriminator: true, strict: false });
addFormats(ajv);
const accepts = (schema: object) => {
  const validate = ajv.compile(schema);
  return (data: unknown) => validate(data);
};

describe('the contract', () => {
  it('refuse properties nobody knows, so that a slip in a name is found', () => {
    expect(accepts(QUESTIONS.identify.request)({ kind: 'crank', reading: [] })).toBeFalse();
    expect(accepts(QUESTIONS.interchange.request)({ donors: [{ pattern: 'a' }], recipients: [] })).toBeFalse();
    expect(
      accepts(QUESTIONS.interchange.request)({ donors: [{ patern: 'a' }], recipients: [{ pattern: 'b' }] }),
    ).toBeFalse();
    expect(
      accepts(QUESTIONS.interchange.request)({ donors: [{ pattern: 'a' }], recipients: [{ pattern: 'b' }] }),
    ).toBeTrue();
  });

  it('accepts the example of every question, and the hundred that are asked', () => {
    for (const name of QUESTION_NAMES)
      expect(accepts(QUESTIONS[name].request)(QUESTIONS[name].example)).withContext(name).toBeTrue();
    for (const { name, request } of hundredQuestions(CATALOGUE, SPECIMENS))
      expect(accepts(QUESTIONS[name].request)(request)).withContext(name).toBeTrue();
  });

  it('gives each question an address of its own', () => {
    const paths = QUESTION_NAMES.map((name) => QUESTIONS[name].path);
    expect(new Set(paths).size).toBe(paths.length);
  });

  it('says of a question that its answer has sentences exactly where its request takes the units they are said in', () => {
    for (const name of QUESTION_NAMES) {
      const { says, request, answer }: Question = QUESTIONS[name];
      expect('units' in ((request.properties ?? {}) as object))
        .withContext(name)
        .toBe(says === true);
      if (JSON.stringify(answer).includes('x-sentence')) expect(says).withContext(name).toBeTrue();
    }
  });
});
