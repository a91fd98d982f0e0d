import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Workshop, type QuestionName, type Requests } from '@which-bore/core';
import { of, Subject } from 'rxjs';
import { CATALOGUE } from '../testing/demo';
import { Questions } from './questions';
import { Records } from './records';

describe('records at hand', () => {
  let asked: Requests['records'][];
  let workshop: Workshop;
  let changed: Subject<void>;
  let records: Records;
  beforeEach(() => {
    [asked, workshop, changed] = [[], new Workshop(CATALOGUE), new Subject()];
    const questions = {
      changed$: changed,
      askOnce: (name: QuestionName, request: Requests['records']) => {
        asked.push(request);
        return of(workshop.ask(name, request));
      },
    };
    TestBed.configureTestingModule({
      providers: [provideZonelessChangeDetection(), { provide: Questions, useValue: questions }],
    });
    records = TestBed.inject(Records);
  });

  it('are asked for together when they are first wanted, and once', async () => {
    expect(records.label('pattern', 'ambit-crank-3')).toBe('ambit-crank-3');
    expect(records.record('variant', 'sluice-357')).toBeUndefined();
    records.label('pattern', 'ambit-crank-3');
    await Promise.resolve();
    expect(asked.map(({ refs }) => refs.map(({ id }) => id))).toEqual([['ambit-crank-3', 'sluice-357']]);
    expect(records.label('pattern', 'ambit-crank-3')).toBe('Vesk Ambit, three-bearing, stroke 73');
    expect(records.shortLabel('pattern', 'ambit-crank-3')).toBe('three-bearing, stroke 73');
    expect(records.shortLabel('variant', 'sluice-357')).toBe('357');
    await Promise.resolve();
    expect(asked.length).withContext('family and maker came along').toBe(1);
  });

  it('that are not there keep their id and are not asked for again and again', async () => {
    records.label('pattern', 'nobody');
    await Promise.resolve();
    expect(records.label('pattern', 'nobody')).toBe('nobody');
    await Promise.resolve();
    expect(asked.length).toBe(1);
  });

  it('are looked at again when the catalogue is changed', async () => {
    records.label('pattern', 'ambit-crank-3');
    await Promise.resolve();
    const pattern = workshop.catalogue.pattern('ambit-crank-3');
    if (!pattern) throw new Error('the demo is not as it was');
    workshop.change([{ type: 'pattern', id: pattern.id, record: { ...pattern, name: 'called otherwise' } }]);
    changed.next();
    expect(records.shortLabel('pattern', 'ambit-crank-3')).toBe('called otherwise');
  });

  it('say when some are ready', () => {
    let ready = 0;
    records.ready([{ type: 'pattern', id: 'ambit-crank-3' }]).subscribe(() => ready++);
    records.ready([{ type: 'pattern', id: 'ambit-crank-3' }]).subscribe(() => ready++);
    expect([ready, asked.length]).toEqual([2, 1]);
  });
});
