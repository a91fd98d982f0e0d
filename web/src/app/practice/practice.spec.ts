import { PRACTICE_LEVELS, type RecordedRound } from '@which-bore/core';
import { settled } from '../testing/settled';
import { button, click, server, setUp, show, text } from '../testing/setUp';
import { PracticeProgress } from './practiceProgress';
import { PracticeStation } from './practiceStation';

const round = (more: Partial<RecordedRound>): RecordedRound => ({
  id: crypto.randomUUID(),
  level: 'used',
  kind: 'crank',
  minutes: 6,
  engineMinutes: 3,
  wasted: 1,
  score: 70,
  at: '2026-03-02T08:10:00.000Z',
  who: 'Tilda',
  right: true,
  ...more,
});

describe('practice', () => {
  async function begun() {
    setUp();
    const shown = await show(PracticeStation);
    server().expectOne('/api/practice').flush([]);
    await click(shown.fixture, button(shown.page, 'Hide a part'));
    return shown;
  }

  it('offers every level and counts the minutes of what is asked', async () => {
    const { fixture, page } = await begun();
    expect(page.querySelectorAll('input[name=level]').length).toBe(PRACTICE_LEVELS.length);
    await click(fixture, page.querySelector('.asking button'));
    await click(fixture, page.querySelectorAll('.asking button')[4]);
    expect(page.querySelectorAll('.found ol li').length).toBe(2);
    expect(Number(text(page.querySelector('.clock b')))).toBeGreaterThan(0);
    expect(page.querySelectorAll('.asking .again').length).toBe(2);
  });

  it('tells in the end what it was, what was wasted, how the engine would have done it, and puts it on record', async () => {
    const { fixture, page } = await begun();
    await click(fixture, page.querySelector('.asking button'));
    // As the list of names would.
    (fixture.componentInstance as unknown as { named: { set: (id: string) => void } }).named.set('ambit-crank-3');
    await fixture.whenStable();
    await click(fixture, button(page, 'That is it'));
    expect(text(page)).toMatch(/(Right|Wrong) ?It was/);
    expect(text(page)).toContain('By the next check');
    const request = server().expectOne((each) => each.method === 'POST' && each.url === '/api/practice');
    expect(request.request.body).toEqual(
      jasmine.objectContaining({ level: 'clean', kind: 'crank', named: 'ambit-crank-3' }),
    );
    request.flush(null);
    await settled();
    server()
      .expectOne('/api/practice')
      .flush([round({ right: false })]);
    await fixture.whenStable();
    expect(text(page)).toContain('The last ones');
  });

  it('shows progress level by level', async () => {
    setUp();
    const { page } = await show(PracticeProgress, {
      record: [round({}), round({ right: false, score: 0, minutes: 12 }), round({ level: 'worn' })],
    });
    const rows = [...page.querySelectorAll('tbody tr')].map((row) => [...row.children].map(text).join(' '));
    expect(rows[0]).toBe('Used 2 50 % 3.0 times 1.0 35');
    expect(rows[1]).toContain('Worn 1 100 %');
    const empty = await show(PracticeProgress, { record: [] });
    expect(text(empty.page)).toContain('kept here');
  });
});
