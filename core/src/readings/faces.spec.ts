import type { KindId } from '../dictionary/dictionary';
import { say } from '../quantity/sentence';
import { readEntry, whyUnread } from './entryLine';

const read = (text: string, kind: KindId) => readEntry(text, kind).words;

describe('the pattern of a face on the entry line', () => {
  it('runs to the comma, whatever words and figures are in it', () => {
    expect(read('flywheel flange Pip taper 8.0, stroke 38 caliper', 'crank')).toEqual([
      jasmine.objectContaining({ sort: 'face', face: 'crank.flywheelFlange', pattern: 'Pip taper 8.0' }),
      jasmine.objectContaining({ sort: 'size', parameter: 'crank.stroke' }),
    ]);
    expect(read('coolant ports Sluice dry deck', 'block')).toEqual([
      jasmine.objectContaining({ face: 'block.coolant', pattern: 'Sluice dry deck' }),
    ]);
  });

  it('ends before what is plainly another reading: a size with its unit, a mark, another face', () => {
    const words = read('bellhousing Ambit plate main housing 54.01 mm starter Ambit pinion cast V311', 'block');
    expect(words.map((each) => (each.sort === 'face' ? each.pattern : each.sort))).toEqual([
      'Ambit plate',
      'size',
      'Ambit pinion',
      'mark',
    ]);
  });

  it('stands in quotes where it would end too early', () => {
    expect(read('mounts "Skerry side, cast" iron', 'block')[0]).toEqual(
      jasmine.objectContaining({ face: 'block.mounts', pattern: 'Skerry side, cast' }),
    );
  });

  it('says what is wanted where none is named, and leaves counts and kinds what they are', () => {
    expect(say(whyUnread('bellhousing', 'block').reason, 'metric')).toMatch(/^Bellhousing: say which pattern after it/);
    expect(read('bellhousing Ambit plate, 3 freeze plugs', 'block').map(({ sort }) => sort)).toEqual(['face', 'look']);
    expect(readEntry('front cover', 'block').kind).toBe('frontCover');
  });
});
