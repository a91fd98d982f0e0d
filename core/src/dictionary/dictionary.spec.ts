import { toInside } from '../quantity/unit';
import { one } from '../quantity/phrase';
import {
  DESCRIBED_IDS,
  describedAs,
  featureOf,
  isKindId,
  isOptionOf,
  KIND_IDS,
  KINDS,
  parameterOf,
  sayEntry,
  sayLook,
} from './dictionary';
import type { Kind } from './definition';
import * as kinds from './kinds/index';
import { orderOfSlot, SLOTS } from './slots';

const kindList = KIND_IDS.map((id) => KINDS[id]);

describe('the dictionary', () => {
  for (const id of KIND_IDS) {
    const kind = KINDS[id];
    it(`has every ${id} entry under its full id, defined in a sentence`, () => {
      for (const [key, parameter] of Object.entries(kind.parameters)) {
        expect(parameter.id).toBe(`${id}.${key}`);
        expect(parameterOf(parameter.id)).toBe(parameter);
        expect(parameter.definition).toMatch(/^[A-Z].*\.$/);
        expect(parameter.plausible.low).toBeLessThan(parameter.plausible.high);
      }
      for (const feature of Object.values(kind.features)) {
        expect(feature.tell).toMatch(/^[A-Z].*\.$/);
        if ('options' in feature.form)
          for (const option of feature.form.options) expect(isOptionOf(feature, option.id)).toBeTrue();
      }
    });

    // Of a big end there is a bore and a weight: the unit tells which is meant.
    it(`uses no word for two different ${id} sizes of one quantity`, () => {
      const seen = new Map<string, string>();
      for (const parameter of Object.values(kind.parameters)) {
        for (const word of new Set([parameter.name.toLowerCase(), ...parameter.synonyms])) {
          const key = `${word} ${parameter.quantity}`;
          expect(seen.get(key)).withContext(`${word} of ${parameter.id}`).toBeUndefined();
          seen.set(key, parameter.id);
        }
      }
    });

    it(`has service steps of ${id} that grow, and agree in inches and millimetres within a tenth`, () => {
      for (const { service } of Object.values(kind.parameters)) {
        if (!service) continue;
        const [mm, inches] = [service.mm.map(Number), service.in.map((step) => toInside(Number(step), 'in'))];
        for (let at = 1; at < mm.length; at++) expect(Math.abs(mm[at] ?? 0)).toBeGreaterThan(Math.abs(mm[at - 1] ?? 0));
        if (id === 'crank')
          mm.forEach((step, at) => expect(Math.abs(step - (inches[at] ?? 0))).toBeLessThan(0.1 * Math.abs(step)));
      }
    });
  }

  it('has every kind under its own name, in a place of the engine, after a place that there is', () => {
    const declared = Object.entries<Kind>(kinds).flatMap(([name, { id, places = [] }]) => {
      expect(id).toBe(name);
      expect(places.length).withContext(name).toBeGreaterThan(0);
      return places.map((place) => place.id ?? name);
    });
    expect(SLOTS.map(({ id }) => id).sort()).toEqual(declared.sort());
    // Common practice, no source: the crank goes into the block before the rods, pistons before the head is on.
    const order = ['block', 'crank', 'rod', 'pin', 'piston', 'headGasket', 'head', 'flywheel'];
    expect([...order].sort((a, b) => orderOfSlot(a) - orderOfSlot(b))).toEqual(order);
  });

  it('names kinds and sizes that there are, wherever a kind speaks of others', () => {
    for (const { id, comesWith = [], fittedNew, keySizes = [], drawnAs, parameters } of kindList) {
      for (const other of [...comesWith, ...(fittedNew?.with ?? [])])
        expect(isKindId(other)).withContext(`${other} of ${id}`).toBeTrue();
      const { form: _form, ...drawn } = drawnAs ?? { form: undefined };
      for (const key of [...keySizes, ...Object.values<string>(drawn)])
        expect(Object.keys(parameters)).withContext(id).toContain(key);
    }
    const work = kindList.flatMap(({ fittedNew }) => fittedNew?.operation ?? []);
    expect(new Set(work).size).toBe(work.length);
  });

  it('calls no two values by one id', () => {
    for (const kind of Object.values(KINDS)) {
      const ids = [kind.parameters, kind.features, kind.interfaces].flatMap((entries) => Object.keys(entries));
      expect(ids.length).withContext(kind.id).toBe(new Set(ids).size);
    }
  });

  it('names what it does not know', () => {
    expect(() => parameterOf('crank.colour')).toThrowError(/crank\.colour/);
    expect(() => sayEntry('wing.span')).toThrowError(/wing\.span/);
  });

  it('says entries and looks in words', () => {
    expect(sayEntry('block.mainHousing.diameter')).toBe('main housing of the block');
    expect(sayLook(featureOf('crank.counterweights'), '8')).toBe('8 counterweights');
    expect(sayLook(featureOf('crank.rearSeal'), 'rope')).toBe('rope seal, two-piece');
  });

  it('names every kind so that the article before it can be told from its first letter', () => {
    // English: “an” stands before a vowel sound, and “u” or “eu” may sound like “you”.
    for (const id of DESCRIBED_IDS) {
      const name = describedAs(id).name.toLowerCase();
      expect(name).not.toMatch(/^(u|eu|ho)/);
      expect(one(name)).toBe(`${/^[aeio]/.test(name) ? 'an' : 'a'} ${name}`);
    }
  });
});
