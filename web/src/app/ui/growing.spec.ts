import { effect, provideZonelessChangeDetection, signal, type Signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { growing } from './growing';

const entries = (count: number) => Array.from({ length: count }, (_, at) => at);

describe('growing', () => {
  beforeEach(() => {
    jasmine.clock().install();
    TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
  });
  afterEach(() => jasmine.clock().uninstall());

  /** The list as it grows, and how long it was at each drawing of the page. */
  const made = (list: Signal<readonly number[]>, atOnce: number) =>
    TestBed.runInInjectionContext(() => {
      const drawn = growing(list, atOnce);
      const lengths: number[] = [];
      effect(() => void lengths.push(drawn().length));
      TestBed.tick();
      return { drawn, lengths };
    });
  const turns = () => {
    for (let turn = 0; turn < 6; turn++) {
      TestBed.tick();
      jasmine.clock().tick(1);
    }
  };

  it('draws some at once and as many more with each turn, in order, until all are there', () => {
    const { drawn, lengths } = made(signal(entries(25)), 10);
    expect(lengths).toEqual([10]);
    expect(drawn()).toEqual(entries(10));
    turns();
    expect(lengths).toEqual([10, 20, 25]);
    expect(drawn()).toEqual(entries(25));
  });

  it('gives a short list as it is, and takes no turn for it', () => {
    const list = entries(3);
    const { drawn, lengths } = made(signal(list), 10);
    turns();
    expect(drawn()).toBe(list);
    expect(lengths).toEqual([3]);
  });

  it('keeps what is drawn when the list changes, and grows on with it', () => {
    const list = signal(entries(12));
    const { lengths } = made(list, 10);
    turns();
    list.set(entries(40));
    turns();
    expect(lengths).toEqual([10, 12, 20, 30, 40]);
    list.set(entries(5));
    turns();
    expect(lengths.at(-1)).toBe(5);
  });

  it('begins when the list before it is there to its end', () => {
    TestBed.runInInjectionContext(() => {
      const before = growing(signal(entries(25)), 10);
      const empty = growing(signal(entries(0)), 10, before);
      const after = growing(signal(entries(3)), 2, empty);
      const seen: string[] = [];
      effect(() => void seen.push(`${before().length}+${after().length}`));
      turns();
      expect(seen).toEqual(['10+0', '20+0', '25+0', '25+2', '25+3']);
      expect([before.isWhole(), empty.isWhole(), after.isWhole()]).toEqual([true, true, true]);
    });
  });

  it('draws no more once its component is gone', () => {
    const { lengths } = made(signal(entries(25)), 10);
    TestBed.resetTestingModule();
    jasmine.clock().tick(1);
    expect(lengths).toEqual([10]);
  });
});
