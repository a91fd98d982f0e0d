import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import type { Job } from '@which-bore/core';
import { NzInputModule } from 'ng-zorro-antd/input';
import { Jobs } from '../data/jobs';

type Told = 'customer' | 'contact' | 'machine' | 'asked';

const LINES: readonly { readonly field: Exclude<Told, 'asked'>; readonly name: string }[] = [
  { field: 'customer', name: 'Whose engine it is' },
  { field: 'contact', name: 'How he is reached' },
  { field: 'machine', name: 'What it drives' },
];

/** Whose engine it is, and what is asked for. */
@Component({
  selector: 'wb-job-record',
  imports: [NzInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (line of lines; track line.field) {
      <label
        >{{ line.name }}
        <input
          #field
          nz-input
          type="text"
          maxlength="200"
          autocomplete="off"
          [value]="job()[line.field] ?? ''"
          (change)="write(line.field, field.value, 200)"
          (keydown.enter)="field.blur()"
      /></label>
    }
    <label
      >What is asked for
      <textarea
        #asked
        nz-input
        rows="2"
        maxlength="4000"
        [value]="job().asked ?? ''"
        (change)="write('asked', asked.value, 4000)"
      ></textarea>
    </label>
  `,
  styles: `
    label {
      display: grid;
      font-size: 14px;
      margin-bottom: 6px;
    }
  `,
})
export class JobRecord {
  private readonly jobs = inject(Jobs);
  readonly job = input.required<Job>();
  protected readonly lines = LINES;

  protected write(field: Told, text: string, longest: number): void {
    const told = text.trim().slice(0, longest);
    this.jobs.alter(this.job().id, ({ [field]: _before, ...job }) => ({
      ...job,
      ...(told === '' ? {} : { [field]: told }),
    }));
  }
}
