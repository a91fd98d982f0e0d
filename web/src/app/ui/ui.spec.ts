import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { readEntry, VERDICTS, VERDICT_WORDS } from '@which-bore/core';
import { BandStrip } from './bandStrip';
import { shownAs } from './understood';
import { VerdictMark } from './verdictMark';

const shown = (text: string) => {
  const [is] = readEntry(text, 'crank').words;
  if (!is) throw new Error('nothing understood');
  return shownAs(is);
};

describe('a reading in words', () => {
  it('stays as it was typed, with the other unit at hand', () => {
    expect(shown('main 2.3482in mic')).toEqual({
      of: 'Main journal',
      read: '2.3482 in',
      converted: '59.644 mm',
      note: 'micrometer',
      more: '= 59.644 mm',
    });
    expect(shown('pin 52.05').more).toBe(
      '= 2.0492 in; no unit written, read as mm; no instrument named, taken for a micrometer',
    );
    // NIST SP 811: an ounce is 28.349523125 g.
    expect(
      shownAs({ sort: 'size', text: '', parameter: 'rod.mass', values: [600, 610], unit: 'g', instrument: 'scale' })
        .converted,
    ).toBe('21.16 / 21.52 oz');
    expect(
      shownAs({ sort: 'size', text: '', parameter: 'rod.bend', values: [0.02], unit: 'mm', instrument: 'feeler' })
        .converted,
    ).toBe('0.0008 in');
    expect(shown('pin 52.05').note).toBe('micrometer?');
  });

  it('tells marks, looks and what was not understood apart', () => {
    expect(shown('cast 41?7')).toEqual(jasmine.objectContaining({ of: 'cast', read: '41?7' }));
    expect(shown('no mark on web').of).toBe('No mark on web');
    expect(shown('8 weights').read).toBe('8 counterweights');
    expect(shown('wobble')).toEqual({ of: '', read: 'wobble', more: 'wobble' });
  });
});

describe('a verdict', () => {
  beforeEach(() => TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] }));

  it('has a shape of its own and a word, never colour alone', async () => {
    const shapes = new Set<string>();
    for (const verdict of VERDICTS) {
      const fixture = TestBed.createComponent(VerdictMark);
      fixture.componentRef.setInput('verdict', verdict);
      await fixture.whenStable();
      const element = fixture.nativeElement as HTMLElement;
      expect(element.textContent.trim()).toBe(VERDICT_WORDS[verdict]);
      shapes.add(element.querySelector('svg')?.innerHTML ?? '');
      fixture.componentRef.setInput('wordless', true);
      await fixture.whenStable();
      expect(element.querySelector('svg')?.getAttribute('aria-label')).toBe(VERDICT_WORDS[verdict]);
    }
    expect(shapes.size).toBe(VERDICTS.length);
  });

  it('is drawn where it lies: found inside, astride or outside of what is wanted', async () => {
    const edges = async (low: number, high: number) => {
      const fixture = TestBed.createComponent(BandStrip);
      fixture.componentRef.setInput('value', { low, high });
      fixture.componentRef.setInput('required', { low: 1, high: 2 });
      fixture.componentRef.setInput('verdict', 'fits');
      await fixture.whenStable();
      const box = (name: string) => {
        const rect = (fixture.nativeElement as HTMLElement).querySelector(`.${name}`);
        const x = Number(rect?.getAttribute('x'));
        return [x, x + Number(rect?.getAttribute('width'))] as const;
      };
      return { found: box('found'), wanted: box('wanted') };
    };
    const inside = await edges(1.2, 1.6);
    expect(inside.found[0] > inside.wanted[0] && inside.found[1] < inside.wanted[1]).toBeTrue();
    const astride = await edges(0.5, 1.5);
    expect(astride.found[0] < astride.wanted[0] && astride.found[1] < astride.wanted[1]).toBeTrue();
    const outside = await edges(5, 6);
    expect(outside.found[0]).toBeGreaterThan(outside.wanted[1]);
    expect(outside.found[1]).toBeLessThanOrEqual(200);
  });
});
