import { inject, Pipe, type PipeTransform } from '@angular/core';
import { say, type Sentence } from '@which-bore/core';
import { Preferences } from '../data/preferences';

/** A sentence of the core in the reader's units. Impure: it follows the choice of units. */
@Pipe({ name: 'said', pure: false })
export class Said implements PipeTransform {
  private readonly preferences = inject(Preferences);

  transform(sentence: Sentence): string {
    return say(sentence, this.preferences.units());
  }
}
