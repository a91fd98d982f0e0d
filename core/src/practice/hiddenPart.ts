import type { Pattern } from '../catalogue/pattern.js';
import { sizeFrom } from '../catalogue/size.js';
import type { Making, Parameter } from '../dictionary/definition.js';
import { KINDS, parameterOf, type KindId } from '../dictionary/dictionary.js';
import { ASSUMED } from '../identify/assumptions.js';
import { stepAt } from '../identify/sizeLikelihood.js';
import { tiedTo } from '../identify/tiedSizes.js';
import { normaliseMark } from '../marks/markText.js';

/** A part as it really is: what the trainee, or a simulation, has to find out by asking. */
export interface HiddenPart {
  readonly kind: KindId;
  /** Which pattern it is; undefined for one that is in no catalogue. */
  readonly pattern: string | undefined;
  /** True sizes by parameter id, worn as they are, inside unit. */
  readonly sizes: Readonly<Record<string, number>>;
  /** Service step of each size that has any, counted from 1; 0 standard. */
  readonly steps: Readonly<Record<string, number>>;
  readonly looks: Readonly<Record<string, string>>;
  readonly marks: readonly { readonly text: string; readonly making: Making; readonly place: string | undefined }[];
  /**
   * Of a part in no catalogue, the sizes by which it can be known as such: one of each list at least must be measured.
   * Any where absent.
   */
  readonly own?: readonly (readonly string[])[];
}

/** How hard a round of practice is: what has become of the part. */
export interface Hardship {
  /** How many times the usual wear. */
  readonly wear: number;
  /** Share of service sizes. */
  readonly reground: number;
  /** Share of marks that are gone. */
  readonly marksGone: number;
}

export const USUAL_HARDSHIP: Hardship = { wear: 1, reground: 1 - ASSUMED.standardSize, marksGone: ASSUMED.markGone };

/**
 * A part of a pattern, as one comes in: made somewhere between its limits, perhaps reground, worn, with the marks that
 * are left.
 *
 * @param next draws from 0 up to 1, as `random(seed)` does: the same seed makes the same part
 */
export function drawPart(pattern: Pattern, next: () => number, hardship: Hardship = USUAL_HARDSHIP): HiddenPart {
  const kind = KINDS[pattern.kind];
  const sizes: Record<string, number> = {};
  const steps: Record<string, number> = {};
  const offsets: Record<string, number> = {};
  for (const parameter of Object.values(kind.parameters)) {
    const dimension = pattern.dimensions[parameter.id];
    if (!dimension) continue;
    const { limits, service } = sizeFrom(dimension, parameter);
    const tie = tiedTo(parameter.id);
    const before = tie && offsets[tie.other];
    // Reworked together with the size before it, or by itself.
    const same = tie && before !== undefined && next() < tie.alike ? stepAt({ service }, before) : undefined;
    const step = same ?? drawStep(service.length, next, hardship.reground);
    offsets[parameter.id] = step === 0 ? 0 : (service[step - 1] ?? 0);
    const made = limits.low + next() * (limits.high - limits.low) + (offsets[parameter.id] ?? 0);
    sizes[parameter.id] = made + drawWear(parameter, next, hardship.wear);
    if (service.length > 0) steps[parameter.id] = step;
  }
  const marks = pattern.marks
    .filter(() => next() >= hardship.marksGone)
    .map(({ text, making, place }) => ({ text: normaliseMark(text), making, place }));
  return { kind: pattern.kind, pattern: pattern.id, sizes, steps, looks: pattern.features, marks };
}

/** Each further service step half as often as the one before. */
function drawStep(steps: number, next: () => number, reground: number): number {
  if (steps === 0 || next() >= reground) return 0;
  for (let step = 1; step < steps; step++) if (next() < 0.5) return step;
  return steps;
}

/** Signed: the way use moves the size. A tenth of parts are worn several times more. */
function drawWear({ wear, usualWear }: Parameter, next: () => number, times: number): number {
  const amount = -Math.log(1 - next()) * usualWear * times * (next() < ASSUMED.muchWorn ? ASSUMED.muchWornTimes : 1);
  switch (wear) {
    case 'shrinks':
      return -amount;
    case 'grows':
      return amount;
    case 'neither':
      return 0;
  }
}

/** What strangers are: most are sisters of a known pattern, some put together of two, and a few like none. */
export const STRANGER_SHARES = { sister: 0.6, mixture: 0.15, far: 0.25 } as const;

/**
 * A part that no catalogue has: by its share a sister of a pattern, one with the sizes of two, or one like none.
 *
 * @param other a second pattern, for what is put together of two; without it those are sisters as well
 */
export function drawStranger(model: Pattern, next: () => number, other?: Pattern): HiddenPart {
  const share = next();
  if (share < STRANGER_SHARES.far) return drawFarStranger(model, next);
  return other && share < STRANGER_SHARES.far + STRANGER_SHARES.mixture
    ? drawMixture(model, other, next)
    : drawSister(model, next);
}

/** A known pattern with one size or two of its own, now and then a look, and in a third of cases numbers of its own. */
export function drawSister(model: Pattern, next: () => number): HiddenPart {
  const part = drawPart(model, next);
  const [ids, sizes] = [Object.keys(part.sizes), { ...part.sizes }];
  const own: string[] = [];
  for (let left = next() < 0.6 ? 1 : 2; left > 0 && ids.length > 0; left--) {
    const [id = ''] = ids.splice(Math.floor(next() * ids.length), 1);
    const { usualTolerance, usualWear } = parameterOf(id);
    const size = sizes[id] ?? 0;
    // Apart by more than making and wear blur.
    const by = Math.max(size * (0.01 + 0.06 * next()), 4 * usualTolerance + 8 * usualWear);
    sizes[id] = next() < 0.5 && size > 2 * by ? size - by : size + by;
    own.push(id);
  }
  const features = Object.values(KINDS[model.kind].features);
  const looks = Object.fromEntries(
    Object.entries(part.looks).map(([id, option]) => {
      const feature = features.find((each) => each.id === id);
      return [id, feature && next() < 0.06 ? anyOption(feature.form, next) : option];
    }),
  );
  const marks =
    next() < 1 / 3 ? part.marks.map((mark) => ({ ...mark, text: otherNumber(mark.text, next) })) : part.marks;
  return { ...part, pattern: undefined, sizes, looks, marks, own: [own] };
}

/** Half of its sizes, looks and marks are those of a second pattern. */
function drawMixture(model: Pattern, second: Pattern, next: () => number): HiddenPart {
  const [one, two] = [drawPart(model, next), drawPart(second, next)];
  const mixed = <T>(of: Readonly<Record<string, T>>, with_: Readonly<Record<string, T>>) =>
    Object.fromEntries(Object.entries(of).map(([id, value]) => [id, next() < 0.5 ? (with_[id] ?? value) : value]));
  const [sizes, looks] = [mixed(one.sizes, two.sizes), mixed(one.looks, two.looks)];
  const apart = (id: string, from: HiddenPart) => {
    const { usualTolerance, usualWear } = parameterOf(id);
    return Math.abs((sizes[id] ?? 0) - (from.sizes[id] ?? sizes[id] ?? 0)) > 4 * usualTolerance + 8 * usualWear;
  };
  return {
    ...one,
    pattern: undefined,
    sizes,
    looks,
    marks: next() < 0.5 ? one.marks : two.marks,
    own: [one, two].map((from) => Object.keys(sizes).filter((id) => apart(id, from))),
  };
}

const otherNumber = (text: string, next: () => number): string =>
  text.replace(/[A-Z]/g, () => pick('ABCDEFGHKLMNPRSTVW', next)).replace(/\d/g, () => pick('0123456789', next));

/**
 * A part like none of the catalogue: of the build of a pattern, as engines of one trade are alike, but every size three
 * to nine per cent off, other numbers, and half of its looks its own.
 */
function drawFarStranger(model: Pattern, next: () => number): HiddenPart {
  const kind = KINDS[model.kind];
  const scale = 1 + (next() < 0.5 ? -1 : 1) * (0.03 + 0.06 * next());
  const part = drawPart(model, next);
  const looks = Object.fromEntries(
    Object.entries(part.looks).map(([id, option]) => {
      const feature = Object.values(kind.features).find((each) => each.id === id);
      return [id, feature && next() < 0.5 ? anyOption(feature.form, next) : option];
    }),
  );
  return {
    kind: model.kind,
    pattern: undefined,
    sizes: Object.fromEntries(Object.entries(part.sizes).map(([id, size]) => [id, size * scale])),
    steps: part.steps,
    looks,
    marks: part.marks.map((mark) => ({
      ...mark,
      text: otherNumber(mark.text, next),
    })),
  };
}

export const pick = (from: string, next: () => number): string => from.charAt(Math.floor(next() * from.length));

/** Any answer a look can have. */
export function anyOption(
  form:
    | { readonly options: readonly { readonly id: string }[] }
    | { readonly count: { readonly low: number; readonly high: number } },
  next: () => number,
): string {
  if ('options' in form) return form.options[Math.floor(next() * form.options.length)]?.id ?? '';
  return String(
    form.count.low + Math.floor(next() * (Math.min(form.count.high, form.count.low + 8) - form.count.low + 1)),
  );
}
