import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { provideZonelessChangeDetection, type Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import {
  CameraOutline,
  CheckOutline,
  PrinterOutline,
  CloseOutline,
  DeleteOutline,
  DownOutline,
  EditOutline,
  EnterOutline,
  PlusOutline,
  SearchOutline,
  SwapOutline,
} from '@ant-design/icons-angular/icons';
import { provideNzIcons } from 'ng-zorro-antd/icon';
import { LocalCopies } from '../data/documents/localCopies';
import { ServerEvents } from '../data/serverEvents';
import { Questions } from '../data/questions';
import { Specimens } from '../data/specimens';
import { NEVER } from 'rxjs';
import { FakeHeldStore } from './fakeHeldStore';
import { FakeQuestions, FakeSpecimens, type specimen } from './demo';
import { countTimers, settled } from './settled';

/** Shows a component over the demo catalogue, with these specimens on the shelf. */
export function setUp(...shelf: ReturnType<typeof specimen>[]): FakeSpecimens {
  localStorage.clear();
  countTimers();
  const specimens = new FakeSpecimens(...shelf);
  TestBed.configureTestingModule({
    providers: [
      provideZonelessChangeDetection(),
      provideRouter([{ path: '**', children: [] }]),
      provideNzIcons([
        CameraOutline,
        PrinterOutline,
        CloseOutline,
        DeleteOutline,
        EditOutline,
        EnterOutline,
        PlusOutline,
        SearchOutline,
        DownOutline,
        SwapOutline,
        CheckOutline,
      ]),
      provideHttpClient(),
      provideHttpClientTesting(),
      { provide: Specimens, useValue: specimens },
      { provide: Questions, useClass: FakeQuestions },
      { provide: LocalCopies, useClass: FakeHeldStore },
      { provide: ServerEvents, useValue: { events$: NEVER } },
    ],
  });
  return specimens;
}

export async function show<T>(
  component: Type<T>,
  inputs: Record<string, unknown> = {},
): Promise<{ fixture: ComponentFixture<T>; page: HTMLElement }> {
  const fixture = TestBed.createComponent(component);
  for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
  await fixture.whenStable();
  await settled();
  await fixture.whenStable();
  return { fixture, page: fixture.nativeElement as HTMLElement };
}

/**
 * Waits until a state is there that comes by itself, as a list that is drawn bit by bit; the test's own time-out ends
 * it.
 */
export async function until(state: () => boolean): Promise<void> {
  while (!state()) await new Promise((resolve) => setTimeout(resolve));
}

export const text = (page: Element | null) => (page?.textContent ?? '').replace(/\s+/g, ' ').trim();
export const click = async (fixture: ComponentFixture<unknown>, element: Element | null | undefined) => {
  (element as HTMLElement | null)?.click();
  await fixture.whenStable();
  await settled();
};
export const button = (page: HTMLElement, label: string) =>
  [...page.querySelectorAll('button')].find(
    (each) => text(each).includes(label) || each.getAttribute('aria-label')?.includes(label),
  );

export const server = (): HttpTestingController => TestBed.inject(HttpTestingController);
