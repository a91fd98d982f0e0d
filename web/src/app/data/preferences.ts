import { DOCUMENT, effect, inject, Injectable, signal, type WritableSignal } from '@angular/core';
import type { UnitSystem } from '@which-bore/core';
import { BrowserStorage } from './browserStorage';

type Ground = 'light' | 'dark';

/** What this person has chosen, kept in this browser. */
@Injectable({ providedIn: 'root' })
export class Preferences {
  private readonly kept = inject(BrowserStorage);
  private readonly document = inject(DOCUMENT);

  readonly units: WritableSignal<UnitSystem> = signal(this.kept.read('units') === 'inch' ? 'inch' : 'metric');
  readonly ground: WritableSignal<Ground> = signal(this.startGround());

  /** Under which changes of the catalogue go on record. */
  readonly name: WritableSignal<string> = signal(textOf(this.kept.read('name')));

  constructor() {
    effect(() => this.kept.write('name', this.name()));
    effect(() => this.kept.write('units', this.units()));
    effect(() => {
      const ground = this.ground();
      this.kept.write('ground', ground);
      this.document.documentElement.dataset.theme = ground;
      this.document.getElementById('zorro-theme')?.setAttribute('href', `zorro-${ground}.css`);
    });
  }

  private startGround(): Ground {
    const kept = this.kept.read('ground');
    if (kept === 'light' || kept === 'dark') return kept;
    return this.document.defaultView?.matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
  }
}

const textOf = (value: unknown): string => (typeof value === 'string' ? value : '');
