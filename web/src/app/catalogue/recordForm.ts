import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  model,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { of, switchMap } from 'rxjs';
import { FormsModule } from '@angular/forms';
import {
  describedBy,
  isKindId,
  RECORD_FORMS,
  recordTypeOf,
  sayEntry,
  sayLook,
  UNITS,
  type Choice,
  type Field,
  type FieldList,
  type FormProblems,
  type FormText,
  type Parameter,
  type TableId,
} from '@which-bore/core';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzFormModule } from 'ng-zorro-antd/form';
import { NzIconModule } from 'ng-zorro-antd/icon';
import { NzInputModule } from 'ng-zorro-antd/input';
import { NzSelectModule } from 'ng-zorro-antd/select';
import { Questions } from '../data/questions';
import { growing } from '../ui/growing';
import { ReferenceField } from '../ui/referenceField';

/** What is drawn of a list in one turn: its head, or one field of one of its entries. */
interface Cell {
  readonly list: FieldList;
  readonly entry?: Readonly<Record<string, string>>;
  readonly field?: Field;
}

/** A form made from the dictionary and the record's own fields. Everything is typed as text, units and all. */
@Component({
  selector: 'wb-record-form',
  imports: [FormsModule, NzButtonModule, NzFormModule, NzIconModule, NzInputModule, NzSelectModule, ReferenceField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './recordForm.html',
  styleUrl: './recordForm.less',
})
export class RecordForm {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly questions = inject(Questions);
  readonly table = input.required<TableId>();
  readonly text = model.required<FormText>();
  readonly problems = input.required<FormProblems>();
  /** Whether the record is not in the catalogue yet, so that its id can be chosen. */
  readonly fresh = input(false);
  /** Value or field to begin at: where a finding is to be mended. */
  readonly at = input<string>();

  protected readonly form = computed(() => RECORD_FORMS[recordTypeOf(this.table())]);
  protected readonly fields = growing(
    computed(() => this.form().fields),
    1,
  );
  protected readonly kind = computed(() => describedBy(this.table()));
  protected readonly sizes = growing(
    computed((): readonly Parameter[] => Object.values(this.kind()?.parameters ?? {})),
    2,
    this.fields,
  );
  protected readonly looks = growing(
    computed(() =>
      Object.values(this.kind()?.features ?? {}).map((feature) => ({
        ...feature,
        options:
          'options' in feature.form
            ? feature.form.options.map(({ id }): Choice => ({ id, name: sayLook(feature, id) }))
            : undefined,
      })),
    ),
    2,
    this.sizes,
  );
  /** Faces with the names that others of the catalogue have, so that the same face is written the same. */
  private readonly known = toSignal(
    toObservable(this.table).pipe(
      switchMap((table) => (isKindId(table) ? this.questions.ask('faces', { kind: table }) : of({ faces: [] }))),
    ),
  );
  protected readonly faces = growing(
    computed(() =>
      Object.values(this.kind()?.interfaces ?? {}).map((face) => ({
        ...face,
        known: this.known()?.faces.find(({ id }) => id === face.id)?.known ?? [],
      })),
    ),
    2,
    this.looks,
  );
  /** Every list, and after it its entries field by field: a field to choose in takes long to draw. */
  private readonly cells = growing(
    computed(() =>
      this.form().lists.flatMap((list): readonly Cell[] => [
        { list },
        ...(this.text().lists[list.path] ?? []).flatMap((entry) =>
          list.fields.map((field) => ({ list, entry, field })),
        ),
      ]),
    ),
    1,
    this.faces,
  );
  protected readonly lists = computed(() =>
    this.form().lists.flatMap((list) => {
      const drawn = this.cells().filter((each) => each.list === list);
      if (drawn.length === 0) return [];
      const entries = new Set(drawn.map(({ entry }) => entry).filter((entry) => entry !== undefined));
      return [
        {
          ...list,
          entries: [...entries].map((text) => ({
            text,
            fields: drawn.flatMap(({ entry, field }) => (entry === text ? (field ?? []) : [])),
          })),
        },
      ];
    }),
  );
  protected readonly about = computed((): readonly Choice[] => {
    const kind = this.kind();
    if (!kind) return [];
    return [...Object.values(kind.parameters), ...Object.values(kind.features), ...Object.values(kind.interfaces)].map(
      ({ id, name }) => ({ id, name }),
    );
  });
  protected readonly places = computed((): readonly Choice[] =>
    Object.values(this.kind()?.markPlaces ?? {}).map(({ id, name }) => ({ id, name })),
  );

  /** The place that was gone to, so that it is gone to once. */
  private begunAt: string | undefined;

  constructor() {
    // The place to begin at is drawn bit by bit like all others: it is gone to when it is there.
    afterRenderEffect(() => {
      const at = this.at();
      for (const section of [this.fields, this.sizes, this.looks, this.faces, this.lists]) section();
      if (at === undefined || at === this.begunAt) return;
      const place = this.host.nativeElement.querySelector(`[data-at="${CSS.escape(at)}"]`);
      if (!place) return;
      this.begunAt = at;
      place.scrollIntoView({ block: 'center' });
      place.querySelector<HTMLElement>('input, textarea')?.focus();
    });
  }

  protected problem(place: string): string {
    return this.problems()[place] ?? '';
  }

  protected choicesOf(field: Field): readonly Choice[] {
    return field.form === 'about' ? this.about() : field.form === 'place' ? this.places() : (field.choices ?? []);
  }

  protected hint(field: Field): string {
    if (field.example !== undefined) return field.example;
    switch (field.form) {
      case 'date':
        return '1986, 1986-09 or 1986-09-14';
      case 'texts':
        return 'separated by commas';
      case 'pairs':
        return 'A = one thing, B = another';
      case 'dimension':
        return '59.45..59.47 mm';
      case 'text':
      case 'long':
      case 'digits':
      case 'number':
      case 'choice':
      case 'choices':
      case 'reference':
      case 'about':
      case 'place':
        return '';
    }
  }

  protected exampleOf({ quantity }: Parameter): string {
    const units = Object.values(UNITS).filter((unit) => unit.quantity === quantity);
    return units.length > 1 ? `in ${units.map((unit) => unit.words[0]).join(', ')}` : (units[0]?.words[0] ?? '');
  }

  /** Fields of several choices, as lists that stay the same while the text does. */
  protected readonly severals = computed(() =>
    Object.fromEntries(
      this.form()
        .fields.filter((field) => field.form === 'choices')
        .map((field) => [field.path, several(this.text().fields[field.path] ?? '')]),
    ),
  );

  protected setId(id: string): void {
    this.text.update((text) => ({ ...text, id }));
  }

  protected set(group: 'fields' | 'sizes' | 'looks' | 'faces', key: string, value: string | null): void {
    this.text.update((text) => ({ ...text, [group]: { ...text[group], [key]: value ?? '' } }));
  }

  protected setSeveral(key: string, values: readonly string[]): void {
    this.set('fields', key, values.length === 0 ? '-' : values.join(', '));
  }

  protected setItem(list: FieldList, at: number, path: string, value: string | null): void {
    this.alter(list, (items) => items.map((item, index) => (index === at ? { ...item, [path]: value ?? '' } : item)));
  }

  protected addItem(list: FieldList): void {
    this.alter(list, (items) => [...items, {}]);
  }

  protected removeItem(list: FieldList, at: number): void {
    this.alter(list, (items) => items.filter((_, index) => index !== at));
  }

  protected readonly say = sayEntry;

  private alter(
    list: FieldList,
    change: (items: readonly Readonly<Record<string, string>>[]) => readonly Readonly<Record<string, string>>[],
  ): void {
    this.text.update((text) => ({
      ...text,
      lists: { ...text.lists, [list.path]: change(text.lists[list.path] ?? []) },
    }));
  }
}

const several = (text: string): readonly string[] =>
  text
    .split(',')
    .map((word) => word.trim())
    .filter((word) => word !== '' && word !== '-');
