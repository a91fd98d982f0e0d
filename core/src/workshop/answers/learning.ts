import { parameterOf } from '../../dictionary/dictionary.js';
import { assumedOf, ASSUMED, LEARNT } from '../../identify/assumptions.js';
import { withOwn } from '../../identify/index.js';
import { bandsOf, brierBetween, confirmedCases, measuredHere, PRIOR_CASES, reestimate } from '../../learning/index.js';
import type { Answering } from './answering.js';

export const calibration: Answering<'calibration'> = (workshop, { specimens = [] }) => {
  const { catalogue, identifyOptions } = workshop;
  const called = (id: string) => ({ id, label: catalogue.label(id) });
  const cases = confirmedCases(specimens, (kind) => workshop.index(kind), identifyOptions);
  return {
    cases: cases.map(({ specimen, identification, said, was, asSister, probability, right }) => ({
      specimen: specimen.id,
      name: specimen.name,
      kind: specimen.kind,
      status: identification.lineUp(1).status,
      probability,
      ...(said === undefined ? {} : { said: called(said) }),
      asSister,
      ...(was === undefined ? {} : { was: called(was) }),
      by: specimen.confirmed?.by ?? 'known',
      right,
    })),
    bands: bandsOf(cases).map(({ from, count, right, said, low, high }) => ({ from, count, right, said, low, high })),
    brier: brierBetween(cases),
    chances: reestimate(cases, withOwn(identifyOptions.rules?.assumptions), catalogue).map((each) => ({
      ...each,
      name: LEARNT[each.id],
      usual: assumedOf(ASSUMED, each.id),
    })),
    priorCases: PRIOR_CASES,
    measured: measuredHere(cases).map(({ pattern, parameter, wear, ...rest }) => ({
      ...rest,
      pattern: called(pattern),
      parameter,
      name: parameterOf(parameter).name,
      ...(wear === undefined ? {} : { wear }),
    })),
  };
};
