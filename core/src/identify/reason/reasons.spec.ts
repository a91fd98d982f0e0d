import type { KindId } from '../../dictionary/dictionary';
import { say } from '../../quantity/sentence';
import { readEntry } from '../../readings/entryLine';
import { CATALOGUE } from '../../testing/demo';
import { indexCatalogue, type CatalogueIndex } from '../catalogueIndex';
import { Identification } from '../identify';

const indexes = new Map<KindId, CatalogueIndex>();
function reason(kind: KindId, text: string, pattern: string): string {
  const index = indexes.get(kind) ?? indexCatalogue(kind, CATALOGUE);
  indexes.set(kind, index);
  const { words } = readEntry(text, kind);
  const row = index.patterns.indexOf(pattern);
  if (row < 0) throw new Error(`no ${pattern}`);
  return new Identification(index)
    .read(words)
    .pullsOn(row)
    .map((pull) => say(pull.why, 'metric'))
    .join(' ');
}

describe('the reasons, in words', () => {
  it('say where the sources of a value disagree', () => {
    expect(reason('crank', 'main 79.46 mic', 'skerry-crank-4-112')).toContain('Sources disagree');
    expect(reason('crank', 'main 79.46 mic', 'skerry-crank-4-104')).not.toContain('Sources disagree');
  });

  it('say of a mark what it is, what was slipped, and what was not read', () => {
    expect(reason('crank', 'cast 4187', 'sluice-crank-3375-forged')).toBe('4187 on the web, as read.');
    expect(reason('crank', 'cast 4l87', 'sluice-crank-3375-forged')).toContain(
      '1 read as L is a common slip on a sand casting',
    );
    expect(reason('crank', 'cast 418', 'sluice-crank-3375-forged')).toContain('1 more character not read');
    expect(reason('crank', 'cast 9999', 'sluice-crank-3375-forged')).toContain('none of them reads like this');
    expect(reason('crank', 'cast flange 4187', 'sluice-crank-3375-forged')).toContain('recorded in another place');
  });

  it('say of a missing mark whether one should be there', () => {
    expect(reason('crank', 'no mark on web', 'sluice-crank-3375-forged')).toBe('No mark found, where 4187 should be.');
    expect(reason('crank', 'no mark on nose', 'sluice-crank-3375-forged')).toBe(
      'No mark found, and none is recorded there.',
    );
  });

  it('say of an old number what took its place', () => {
    expect(reason('piston', 'number HV-8421', 'skerry-piston-112-170-two')).toBe(
      'HV8421: an old number, replaced by HV-8423 since 1990.',
    );
  });

  it('say of a mark that is none of its own whether its maker’s scheme or a size explains it', () => {
    expect(reason('crank', 'stamped MABBCA', 'lumen-crank-4b')).toContain(
      'reads as one of the scheme “Tarrow main journal classes”',
    );
    expect(reason('piston', 'stamped crown 030', 'sluice-piston-380-3375-85')).toContain('the stamp of a service size');
  });

  it('say of a service size whether it is made in it', () => {
    expect(reason('crank', 'main 10 under', 'sluice-crank-3375-forged')).toBe(
      'First undersize, one of its service sizes.',
    );
    expect(reason('crank', 'main std', 'sluice-crank-3375-forged')).toBe('Standard, as it is made.');
    expect(reason('crank', 'main 0.37 mm under', 'sluice-crank-3375-forged')).toContain(
      'not made in that service size',
    );
  });

  it('say of a claim which engines agree, or that none does', () => {
    expect(reason('crank', 'engine 357 D', 'sluice-crank-3590')).toMatch(
      /^Fitted to 357 D.*which agrees with that engine\.$/,
    );
    expect(reason('crank', 'engine 357 D', 'ambit-crank-3')).toMatch(/none of them agrees with that engine\.$/);
    expect(reason('crank', 'year 1962', 'sluice-crank-3375-forged')).toContain('which agrees with that year');
  });

  it('say of a look what was seen and what the catalogue has', () => {
    expect(reason('crank', 'forged', 'sluice-crank-3375-forged')).toBe('Seen forged, as the catalogue has it.');
    expect(reason('crank', 'forged', 'sluice-crank-3375-cast')).toBe('Seen forged, but this one has cast.');
  });

  it('say of everything the catalogue leaves open that it counts neither way', () => {
    expect(reason('crank', 'lip diameter 132 mm caliper', 'ambit-crank-3')).toContain(
      'the catalogue does not say, so it counts neither way',
    );
  });
});
