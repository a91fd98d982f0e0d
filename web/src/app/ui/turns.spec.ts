import { Component, provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { InTurn, Turns } from './turns';

@Component({
  imports: [InTurn],
  template: `first
    @if (shown()) {
      <b *wbInTurn>second {{ word() }}</b
      >,<i *wbInTurn="about()">third</i>
    }`,
})
class View {
  readonly shown = signal(true);
  readonly word = signal('part');
  readonly about = signal('one part');
}

describe('turns of the page', () => {
  let due: (() => void)[];
  /** One turn of the page. */
  const turn = () => due.shift()?.();
  beforeEach(() => {
    due = [];
    spyOn(globalThis, 'setTimeout').and.callFake(((work: () => void) => due.push(work)) as typeof setTimeout);
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
  });

  it('one piece of work a turn, in the order in which they came, but for what is called off', () => {
    const turns = TestBed.inject(Turns);
    const done: string[] = [];
    turns.next(() => done.push('a'));
    const callOff = turns.next(() => done.push('b'));
    turns.next(() => done.push('c'));
    turns.next(() => done.push('d'));
    callOff();
    expect(done).toEqual([]);
    turn();
    expect(done).toEqual(['a']);
    turn();
    expect(done).toEqual(['a', 'c']);
    turns.next(() => done.push('e'));
    turn();
    turn();
    expect(done).toEqual(['a', 'c', 'd', 'e']);
  });

  it('work that fails holds up none behind it', () => {
    const turns = TestBed.inject(Turns);
    const done: string[] = [];
    turns.next(() => {
      throw new Error('torn');
    });
    turns.next(() => done.push('after it'));
    expect(() => turn()).toThrowError('torn');
    turn();
    expect(done).toEqual(['after it']);
  });

  it('parts of a view are drawn one a turn, whole at once, and follow what they show', () => {
    const fixture = TestBed.createComponent(View);
    const text = () => (fixture.nativeElement as HTMLElement).textContent.trim();
    // The page has other things in its queue as well.
    const drawn = () => {
      for (const before = text(); text() === before && due.length > 0;) turn();
    };
    fixture.detectChanges();
    expect(text()).toBe('first ,');
    drawn();
    expect(text()).toBe('first second part,');
    drawn();
    expect(text()).toBe('first second part,third');
    fixture.componentInstance.word.set('engine');
    fixture.detectChanges();
    expect(text()).toBe('first second engine,third');
  });

  it('a part that is about another thing is drawn anew, in its turn', () => {
    const fixture = TestBed.createComponent(View);
    const third = () => (fixture.nativeElement as HTMLElement).querySelector('i');
    fixture.detectChanges();
    while (due.length > 0) turn();
    const before = third();
    expect(before).not.toBeNull();
    fixture.componentInstance.about.set('another part');
    fixture.detectChanges();
    expect(third()).toBeNull();
    while (due.length > 0) turn();
    expect(third()).not.toBeNull();
    expect(third()).not.toBe(before);
  });

  it('a part whose view has gone is not drawn', () => {
    const fixture = TestBed.createComponent(View);
    fixture.detectChanges();
    fixture.componentInstance.shown.set(false);
    fixture.detectChanges();
    while (due.length > 0) turn();
    expect((fixture.nativeElement as HTMLElement).textContent.trim()).toBe('first');
  });
});
