import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Preferences } from './preferences';
import { UndoBar } from './undoBar';

function visit(): Preferences {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [provideZonelessChangeDetection()] });
  return TestBed.inject(Preferences);
}

describe('preferences', () => {
  beforeEach(() => localStorage.clear());
  afterAll(() => {
    localStorage.clear();
    delete document.documentElement.dataset.theme;
  });

  it('are kept for the next visit and seen on the page', () => {
    const first = visit();
    first.units.set('inch');
    first.ground.set('dark');
    TestBed.tick();
    expect(document.documentElement.dataset.theme).toBe('dark');
    const second = visit();
    expect([second.units(), second.ground()]).toEqual(['inch', 'dark']);
  });

  it('fall back to millimetres when something else was left there', () => {
    localStorage.setItem('which-bore.units', '"furlongs"');
    localStorage.setItem('which-bore.ground', '"green"');
    const preferences = visit();
    expect(preferences.units()).toBe('metric');
    expect(['light', 'dark']).toContain(preferences.ground());
  });
});

describe('the offer to undo', () => {
  it('is taken once, replaced by the next, and gone after a while', () => {
    jasmine.clock().install();
    try {
      const bar = new UndoBar();
      const undone: string[] = [];
      bar.offer('first', () => undone.push('first'));
      bar.offer('second', () => undone.push('second'));
      bar.take();
      bar.take();
      expect(undone).toEqual(['second']);
      bar.offer('third', () => undone.push('third'));
      jasmine.clock().tick(60_000);
      expect(bar.offered()).toBeUndefined();
    } finally {
      jasmine.clock().uninstall();
    }
  });
});
