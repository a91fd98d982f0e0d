import type { Parameter } from '../dictionary/definition.js';
import { interval, type Interval } from '../quantity/interval.js';
import { toInside } from '../quantity/unit.js';
import type { Dimension } from './figure.js';

/** A dimension of a pattern in inside units, with what the dictionary adds where the pattern says nothing. */
export interface Size {
  /** As made, new. */
  readonly limits: Interval;
  /** True when the pattern gives one figure only and the usual tolerance of the kind is taken. */
  readonly toleranceAssumed: boolean;
  /** Signed service steps, first step first. */
  readonly service: readonly number[];
  readonly wearLimit: number | undefined;
}

/** Reads a dimension. Throws a RangeError when its limits are out of order. */
export function sizeFrom(dimension: Dimension, parameter: Parameter): Size {
  const { unit } = dimension;
  const inside = (digits: string) => toInside(Number(digits), unit);
  const given = interval(inside(dimension.low), inside(dimension.high));
  const single = given.low === given.high;
  const usual = parameter.service ? (unit === 'in' ? parameter.service.in : parameter.service.mm) : [];
  return {
    limits: single ? interval(given.low - parameter.usualTolerance, given.high + parameter.usualTolerance) : given,
    toleranceAssumed: single,
    service: (dimension.service ?? usual).map(inside),
    wearLimit: dimension.wearLimit === undefined ? undefined : inside(dimension.wearLimit),
  };
}
