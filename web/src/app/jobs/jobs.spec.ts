import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { KindId } from '@which-bore/core';
import { Jobs } from '../data/jobs';
import { readings } from '../testing/demo';
import { settled } from '../testing/settled';
import { button, click, server, setUp, show, text } from '../testing/setUp';
import { JobList } from './jobList';
import { JobStation } from './jobStation';

const JOB = '5d2f9f52-6c1e-4d0e-8f0b-2a7c3b1d9e10';
const at = '2026-03-02T08:10:00.000Z';
const part = (id: string, name: string, kind: KindId, words: string) => ({
  id,
  name,
  kind,
  readings: readings(words, kind),
  job: JOB,
});
const stored = { id: JOB, name: 'Frost fan', readings: [], version: 1, updatedAt: at };

async function open(...parts: ReturnType<typeof part>[]) {
  const specimens = setUp(...parts);
  TestBed.inject(Jobs);
  server()
    .match('/api/jobs')
    .forEach((request) => request.flush([stored]));
  const shown = await show(JobStation, { id: JOB });
  await settled();
  await shown.fixture.whenStable();
  return { ...shown, specimens };
}

const ENGINE = [
  part('00000000-0000-4000-8000-000000000001', 'Block', 'block', 'cast B2903 bore 3.802in bore gauge'),
  part('00000000-0000-4000-8000-000000000002', 'Rod', 'rod', 'length 5.700in caliper machined'),
  part(
    '00000000-0000-4000-8000-000000000003',
    'Crank',
    'crank',
    'main 53.99 mic pin 44.44 mic stroke 73 caliper 5 mains cast',
  ),
];

describe('a job', () => {
  it('names the engine, the part that does not belong, and why', async () => {
    const { page } = await open(...ENGINE);
    expect(text(page.querySelector('.engine'))).toContain('Brackmere Sluice');
    const foreign = page.querySelector('.part-list li.foreign');
    expect(text(foreign)).toContain('Crank');
    expect(text(foreign)).toContain('does not belong');
    expect(text(foreign)).toContain('Vesk Ambit');
    expect(page.querySelectorAll('.part-list li.belongs').length).toBe(2);
  });

  it('calls out rods that must not be mixed', async () => {
    const { page } = await open(
      part('00000000-0000-4000-8000-000000000004', 'Rod 1', 'rod', 'fractured'),
      part('00000000-0000-4000-8000-000000000005', 'Rod 2', 'rod', 'machined cap'),
    );
    expect(text(page.querySelector('.mixed'))).toContain('Fractured caps on Rod 1');
  });

  it('takes what is said of the engine, shows it as understood, and keeps it', async () => {
    const { fixture, page } = await open();
    const field = page.querySelector<HTMLInputElement>('#engine-line');
    if (!field) throw new Error('no line');
    field.value = 'serial A20000';
    field.dispatchEvent(new Event('input'));
    await fixture.whenStable();
    expect(text(page.querySelector('.words'))).toContain('Serial number');
    page.querySelector('form')?.dispatchEvent(new Event('submit'));
    await settled();
    const request = server().expectOne((each) => each.method === 'PUT' && each.url === `/api/jobs/${JOB}`);
    expect((request.request.body as { readings: { is: { value: string } }[] }).readings[0]?.is.value).toBe('A20000');
    request.flush({ ...stored, ...(request.request.body as object), version: 2 });
    await fixture.whenStable();
    await settled();
    expect(text(page.querySelector('.engine'))).toContain('Vesk Ambit 1200');
  });

  it('takes a part out and leaves it on the shelf', async () => {
    const { fixture, page, specimens } = await open(...ENGINE);
    await click(fixture, button(page, 'Take out of this engine: Rod'));
    expect(specimens.peek(ENGINE[1]?.id ?? '')?.job).toBeUndefined();
    expect(specimens.peek(ENGINE[1]?.id ?? '')).toBeDefined();
  });

  it('that is gone says so', async () => {
    setUp();
    const { page } = await show(JobStation, { id: JOB });
    expect(text(page)).toContain('This job is not there');
  });
});

describe('the jobs', () => {
  it('are listed with their parts, begun, deleted and brought back', async () => {
    setUp(...ENGINE);
    TestBed.inject(Jobs);
    server()
      .match('/api/jobs')
      .forEach((request) => request.flush([stored]));
    const { fixture, page } = await show(JobList);
    server()
      .match('/api/jobs')
      .forEach((request) => request.flush([stored]));
    await fixture.whenStable();
    expect(text(page.querySelector('tbody tr'))).toContain('Frost fan');
    expect(text(page.querySelector('tbody .number'))).toBe('3');
    await click(fixture, button(page, 'Another engine'));
    expect(TestBed.inject(Router).url).toContain('/jobs/');
    await settled();
    // Documents go up one after the other: the one that was begun comes first.
    const begun = server().expectOne((request) => request.method === 'PUT');
    begun.flush({ id: begun.request.url.split('/').at(-1), name: 'Begun', readings: [], version: 1, updatedAt: at });
    await settled();
    await click(fixture, button(page, 'Delete Frost fan'));
    await settled();
    server()
      .expectOne((request) => request.method === 'DELETE')
      .flush(null);
    expect(text(page)).not.toContain('Frost fan');
  });
});
