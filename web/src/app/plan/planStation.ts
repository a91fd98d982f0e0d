import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { ActivatedRoute, Router, RouterLink } from '@angular/router';
import { running, type Feature, type FigureTold } from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { map } from 'rxjs';
import { Builds } from '../data/builds';
import { Jobs } from '../data/jobs';
import { ReferenceField } from '../ui/referenceField';
import { Said } from '../ui/said';
import { FigureSheet } from './figureSheet';
import { JointsPanel } from './jointsPanel';
import { MotionCharts } from './motionCharts';
import { PartsPanel } from './partsPanel';
import { PlanState } from './planState';
import { SectionView } from './sectionView';
import { SolvePanel } from './solvePanel';
import { TolerancePanel } from './tolerancePanel';
import { TypedSizes } from './typedSizes';
import { WhatIf } from './whatIf';

/** What stands under the drawing. */
const PANELS = {
  curves: 'Curves',
  joints: 'Joints',
  back: 'Work back',
  whatIf: 'What if',
  tolerance: 'Tolerance',
} as const;
type Panel = keyof typeof PANELS;

const isPanel = (name: string | null): name is Panel => name !== null && Object.hasOwn(PANELS, name);

const decided = ({ id, name, form }: Feature) => ({ id, name, options: 'options' in form ? form.options : [] });

/** A build: what is in each place, the section to scale, and all that follows. The address holds the whole state. */
@Component({
  selector: 'wb-plan-station',
  imports: [
    FigureSheet,
    FormsModule,
    JointsPanel,
    MotionCharts,
    NzButtonModule,
    NzSelectModule,
    PartsPanel,
    ReferenceField,
    RouterLink,
    Said,
    SectionView,
    SolvePanel,
    TolerancePanel,
    TypedSizes,
    WhatIf,
  ],
  providers: [PlanState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './planStation.html',
  styleUrl: './planStation.less',
})
export class PlanStation {
  private readonly route = inject(ActivatedRoute);
  private readonly router = inject(Router);
  private readonly builds = inject(Builds);
  protected readonly state = inject(PlanState);
  protected readonly missing = signal<'missing' | 'away' | undefined>(undefined);
  protected readonly panels = (Object.keys(PANELS) as Panel[]).map((id) => ({ id, name: PANELS[id] }));
  /** What somebody decides, and what goes where nobody does. */
  protected readonly decisions = [
    { ...decided(running.features.duty), otherwise: 'changing, where nobody says' },
    { ...decided(running.features.fuel), otherwise: 'as plugs and injection tell' },
    { ...decided(running.features.liftForm), otherwise: 'a polynomial, where none was measured' },
  ];

  private readonly query = toSignal(this.route.queryParamMap, { requireSync: true });
  protected readonly panel = computed((): Panel => {
    const name = this.query().get('show');
    return isPanel(name) ? name : 'curves';
  });
  /** The figure that is worked with under the drawing. */
  protected readonly figureId = computed(() => this.query().get('figure') ?? 'squish');
  protected readonly figure = computed(() => this.figures().find(({ id }) => id === this.figureId()));
  protected readonly figures = computed((): readonly FigureTold[] => this.state.sheet()?.figures ?? []);
  protected readonly cylinders = computed(() =>
    Array.from({ length: this.state.sheet()?.cylinders ?? 1 }, (_, at) => at + 1),
  );
  protected readonly job = computed(() => this.jobs().find(({ id }) => id === this.state.build()?.job));
  private readonly jobs = toSignal(inject(Jobs).all$, { initialValue: [] });
  constructor() {
    const id = toSignal(this.route.paramMap.pipe(map((params) => params.get('id') ?? undefined)));
    effect(() => {
      const wanted = id();
      this.state.id.set(wanted);
      this.missing.set(undefined);
      if (wanted !== undefined)
        void this.builds.open(wanted).then((found) => this.missing.set(found === 'there' ? undefined : found));
    });
    const { cylinder, angle } = this.route.snapshot.queryParams as Readonly<Record<string, string | undefined>>;
    if (cylinder !== undefined && Number(cylinder) >= 1)
      this.state.cylinder.set(Math.min(16, Math.round(Number(cylinder))));
    const turned = Number(angle ?? 0);
    if (Number.isFinite(turned)) this.state.angle.set(Math.max(-360, Math.min(360, turned)));
    // The address follows the drawing once it stands.
    effect((onCleanup) => {
      const [at, which] = [Math.round(this.state.angle()), this.state.cylinder()];
      const timer = setTimeout(
        () => this.go({ angle: at === 0 ? null : at, cylinder: which === 1 ? null : which }),
        400,
      );
      onCleanup(() => clearTimeout(timer));
    });
  }

  protected go(queryParams: Readonly<Record<string, string | number | null>>): void {
    void this.router.navigate([], { queryParams, queryParamsHandling: 'merge', replaceUrl: true });
  }

  protected work(figure: string): void {
    this.go({ figure, show: ['back', 'whatIf', 'tolerance'].includes(this.panel()) ? this.panel() : 'whatIf' });
  }

  protected rename(name: string): void {
    const wanted = name.trim();
    if (wanted !== '') this.state.alter(`Called “${wanted}”.`, (build) => ({ ...build, name: wanted }));
  }

  protected noted(text: string): void {
    this.state.alter('Note changed.', ({ note: _note, ...build }) => ({
      ...build,
      ...(text.trim() === '' ? {} : { note: text.trim() }),
    }));
  }

  protected startFrom(variant: string): void {
    this.state.alter('Starts from another engine.', ({ variant: _variant, ...build }) => ({
      ...build,
      ...(variant === '' ? {} : { variant }),
    }));
  }

  protected chosen(id: string): string | null {
    return this.state.build()?.looks?.find(({ of }) => of === id)?.option ?? null;
  }

  protected choose(id: string, name: string, option: string | null): void {
    this.state.alter(`${name} changed.`, (build) => ({
      ...build,
      looks: [...(build.looks ?? []).filter(({ of }) => of !== id), ...(option === null ? [] : [{ of: id, option }])],
    }));
  }

  /** A copy to change, beside this one. */
  protected copy(): void {
    const build = this.state.build();
    if (!build) return;
    const { id: _id, ...rest } = build;
    void this.router.navigate(['/plan', this.builds.begin({ ...rest, name: `${build.name}, changed`.slice(0, 120) })]);
  }

  protected print(): void {
    window.print();
  }
}
