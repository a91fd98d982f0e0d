import type { Feature, Interface, Parameter } from '../dictionary/definition.js';
import { sayLook } from '../dictionary/dictionary.js';
import { interval, minus, plus, SAME_WITHIN, type Interval } from '../quantity/interval.js';
import { band, sentence, value, type Sentence } from '../quantity/sentence.js';
import { hold, interfaceAt, lookOf, missing, valueOf, type Assembly, type Check, type Finding, type WorkOption } from './check.js';

/** Work offered when a check fails, given what it found. */
type Mending<D> = (assembly: Assembly, detail: D) => readonly WorkOption[];

const mended = (finding: Finding, work: readonly WorkOption[]): Finding =>
  finding.verdict === 'doesNotFit' && work.length > 0 ? { ...finding, verdict: 'fitsWithWork', work } : { ...finding, work };

/** Both parts have the same number of something. No work changes a count. */
export function sameCount(spec: { readonly id: string; readonly name: string; readonly of: Feature; readonly as: Feature }): Check {
  return {
    id: spec.id,
    name: spec.name,
    judge: (assembly) => {
      const [mine, theirs] = [lookOf(assembly, spec.of), lookOf(assembly, spec.as)];
      if (mine === undefined || theirs === undefined) return missing(mine === undefined ? [spec.of] : [spec.as], 'count');
      const [found, required] = [interval(Number(mine)), interval(Number(theirs))];
      const same = mine === theirs;
      return {
        verdict: same ? 'fits' : 'doesNotFit',
        quantity: 'count',
        found,
        required,
        margin: same ? 0 : -Math.abs(found.low - required.low),
        because: [same ? `${mine} on both.` : `${sayLook(spec.of, mine)} against ${sayLook(spec.as, theirs)}: no work changes that.`],
        work: [],
        needs: [],
      };
    },
  };
}

/** Both parts show the same option of a look. */
export function sameLook(spec: {
  readonly id: string;
  readonly name: string;
  readonly of: Feature;
  readonly as: Feature;
  readonly mend?: Mending<{ readonly mine: string; readonly theirs: string }>;
}): Check {
  return {
    id: spec.id,
    name: spec.name,
    judge: (assembly) => {
      const [mine, theirs] = [lookOf(assembly, spec.of), lookOf(assembly, spec.as)];
      if (mine === undefined || theirs === undefined)
        return missing([...(mine === undefined ? [spec.of] : []), ...(theirs === undefined ? [spec.as] : [])], 'count');
      if (mine === theirs) return { verdict: 'fits', quantity: 'count', because: [`Both: ${sayLook(spec.of, mine)}.`], work: [], needs: [] };
      const finding: Finding = {
        verdict: 'doesNotFit',
        quantity: 'count',
        because: [`Made for ${sayLook(spec.of, mine)}; the recipient has ${sayLook(spec.as, theirs)}.`],
        work: [],
        needs: [],
      };
      return mended(finding, spec.mend?.(assembly, { mine, theirs }) ?? []);
    },
  };
}

/** Two faces that mate by pattern bear the same one. */
export function samePattern(spec: {
  readonly id: string;
  readonly name: string;
  readonly of: Interface;
  readonly as: Interface;
  readonly mend?: Mending<{ readonly mine: string; readonly theirs: string }>;
}): Check {
  return {
    id: spec.id,
    name: spec.name,
    judge: (assembly) => {
      const [mine, theirs] = [interfaceAt(assembly, spec.of), interfaceAt(assembly, spec.as)];
      if (mine === undefined || theirs === undefined)
        return missing([...(mine === undefined ? [spec.of] : []), ...(theirs === undefined ? [spec.as] : [])], 'count');
      if (mine === theirs) return { verdict: 'fits', quantity: 'count', because: [`Both ${mine}.`], work: [], needs: [] };
      const finding: Finding = { verdict: 'doesNotFit', quantity: 'count', because: [`${mine} against ${theirs}.`], work: [], needs: [] };
      return mended(finding, spec.mend?.(assembly, { mine, theirs }) ?? []);
    },
  };
}

/** A size of one part equals the size the other is made for, within a play either way. */
export function sameSize(spec: {
  readonly id: string;
  readonly name: string;
  readonly of: Parameter;
  readonly as: Parameter;
  /** Allowed difference, own size less the other's. */
  readonly play: Interval;
  readonly playFrom: string;
  readonly mend?: Mending<{ readonly found: Interval; readonly required: Interval }>;
}): Check {
  return {
    id: spec.id,
    name: spec.name,
    judge: (assembly) => {
      const [mine, theirs] = [valueOf(assembly, spec.of), valueOf(assembly, spec.as)];
      if (!mine || !theirs) return missing([...(mine ? [] : [spec.of]), ...(theirs ? [] : [spec.as])]);
      const found = mine.interval;
      const centre = (theirs.interval.low + theirs.interval.high) / 2;
      const required = plus(interval(centre), spec.play);
      const held = hold(found, required);
      const finding: Finding = {
        ...held,
        quantity: spec.of.quantity,
        found,
        required,
        ruleOfThumb: spec.playFrom,
        because: because(spec.of.name, found, required, held.verdict),
        work: [],
        needs: held.verdict === 'cannotTell' && mine.source !== 'measured' ? [spec.of.id] : held.verdict === 'cannotTell' ? [spec.as.id] : [],
      };
      return mended(finding, held.verdict === 'doesNotFit' ? (spec.mend?.(assembly, { found, required }) ?? []) : []);
    },
  };
}

function because(name: string, found: Interval, required: Interval, verdict: Finding['verdict']): Sentence {
  const [own, wanted] = [band(found), band(required)];
  if (verdict === 'fits') return sentence`${name} ${own}, made for ${wanted}.`;
  if (verdict === 'cannotTell') return sentence`${name} ${own} lies astride what it must be, ${wanted}: measure it closer.`;
  const by = found.low > required.high ? found.low - required.high : required.low - found.high;
  return sentence`${name} ${own} is ${value(by)} too ${found.low > required.high ? 'large' : 'small'}: ${wanted} wanted.`;
}

/** One part stays inside the room another gives it. */
export function notLargerThan(spec: {
  readonly id: string;
  readonly name: string;
  readonly of: Parameter;
  readonly within: Parameter;
  /** Least room that must be left. */
  readonly room: number;
  readonly roomFrom: string;
  readonly caution?: string;
  readonly mend?: Mending<{ readonly lacking: number; readonly required: Interval }>;
}): Check {
  return {
    id: spec.id,
    name: spec.name,
    judge: (assembly) => {
      const [mine, theirs] = [valueOf(assembly, spec.of), valueOf(assembly, spec.within)];
      if (!mine || !theirs) return missing([...(mine ? [] : [spec.of]), ...(theirs ? [] : [spec.within])]);
      const found = minus(theirs.interval, mine.interval);
      // Any room above the least will do: the band is drawn as wide again as it needs to be.
      const required = interval(spec.room, Math.max(found.high, spec.room) + spec.room);
      const held = hold(found, required);
      const lacking = spec.room - found.low;
      const finding: Finding = {
        ...held,
        quantity: spec.of.quantity,
        found,
        required,
        atLeast: true,
        ruleOfThumb: spec.roomFrom,
        because: roomSaid(found, spec.room, held.verdict),
        work: [],
        needs:
          held.verdict === 'cannotTell'
            ? [spec.of.id, spec.within.id].filter(
                (id) => ![mine, theirs].some((each, at) => each.source === 'measured' && [spec.of.id, spec.within.id][at] === id),
              )
            : [],
        ...(spec.caution && held.verdict !== 'fits' ? { caution: spec.caution } : {}),
      };
      return mended(finding, held.verdict === 'fits' || lacking <= SAME_WITHIN ? [] : (spec.mend?.(assembly, { lacking, required }) ?? []));
    },
  };
}

function roomSaid(found: Interval, least: number, verdict: Finding['verdict']): Sentence {
  if (verdict === 'fits') return sentence`${band(found)} of room, at least ${value(least)} wanted.`;
  if (verdict === 'cannotTell') return sentence`${band(found)} of room, astride the least of ${value(least)}: measure before trusting it.`;
  return found.high < 0
    ? sentence`It would strike by ${band({ low: -found.high, high: -found.low })}.`
    : sentence`Only ${band(found)} of room, at least ${value(least)} wanted.`;
}
