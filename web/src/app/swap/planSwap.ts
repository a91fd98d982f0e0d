import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { Router } from '@angular/router';
import { partFromPattern, readAddress, SLOTS, type Address, type Build, type BuildPlace } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { firstValueFrom } from 'rxjs';
import { Builds } from '../data/builds';
import { Questions } from '../data/questions';
import { lookupOf } from '../data/records';
import { Specimens } from '../data/specimens';

/** Makes a build of a swap that was looked at: what comes, in the engine or among the parts it would go into. */
@Component({
  selector: 'wb-plan-swap',
  imports: [NzButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<button nz-button type="button" (click)="plan()">Plan it</button>`,
})
export class PlanSwap {
  private readonly builds = inject(Builds);
  private readonly questions = inject(Questions);
  private readonly specimens = inject(Specimens);
  private readonly router = inject(Router);
  readonly donors = input.required<readonly string[]>();
  readonly into = input.required<string>();
  readonly name = input.required<string>();

  protected async plan(): Promise<void> {
    const into = readAddress(this.into());
    const ground = await this.groundOf(into);
    const coming = (await Promise.all(this.donors().map((each) => this.placesOf(readAddress(each))))).flat();
    const taken = new Set(coming.map(({ slot }) => slot));
    const id = this.builds.begin({
      ...ground,
      name: this.name().slice(0, 120),
      places: [...ground.places.filter(({ slot }) => !taken.has(slot)), ...coming],
    });
    void this.router.navigate(['/plan', id]);
  }

  /** What the donors go into: an engine, another build, the parts of a job, or a part by itself. */
  private async groundOf(into: Address): Promise<Omit<Build, 'id' | 'name'>> {
    switch (into.sort) {
      case 'variant':
        return { variant: into.id, places: [], sizes: [] };
      case 'build': {
        const build = this.builds.peek(into.id);
        if (!build) return { places: [], sizes: [] };
        const { id: _id, name: _name, ...rest } = build;
        return rest;
      }
      case 'job': {
        const { places } = await firstValueFrom(this.questions.askOnce('buildBegin', { jobId: into.id }));
        return { job: into.id, places: [...places], sizes: [] };
      }
      case 'pattern':
      case 'specimen':
        return { places: await this.placesOf(into), sizes: [] };
    }
  }

  /** Where a part goes by itself; of an engine, what goes round in it. */
  private async placesOf({ sort, id }: Address): Promise<BuildPlace[]> {
    if (sort === 'pattern') {
      const excerpt = await firstValueFrom(this.questions.askOnce('records', { refs: [{ type: 'pattern', id }] }));
      const pattern = lookupOf(excerpt).pattern(id);
      const slot = pattern && slotFor(pattern);
      return slot === undefined ? [] : [{ slot, pattern: id }];
    }
    if (sort === 'specimen') {
      await this.specimens.open(id);
      const specimen = this.specimens.peek(id);
      if (!specimen) return [];
      const { places } = await firstValueFrom(this.questions.askOnce('buildBegin', { specimens: [specimen] }));
      return [...places];
    }
    if (sort === 'variant') {
      const sheet = await firstValueFrom(
        this.questions.askOnce('buildSheet', {
          build: { id: crypto.randomUUID(), name: 'Internals', variant: id, places: [], sizes: [] },
        }),
      );
      const round = ['crank', 'rod', 'pin', 'piston', 'rings'];
      return sheet.parts.flatMap(({ slot, kind, pattern }) =>
        round.includes(kind) && pattern !== undefined ? [{ slot, pattern }] : [],
      );
    }
    return [];
  }
}

/** The place of an engine that a pattern fills; a valve by its duty. */
function slotFor(pattern: Parameters<typeof partFromPattern>[0]): string | undefined {
  const duty = partFromPattern(pattern, '').looks['valve.duty']?.option;
  if (pattern.kind === 'valve' && duty !== undefined) return `${duty}Valve`;
  return SLOTS.find(({ kind }) => kind === pattern.kind)?.id;
}
