import { capital, counted, either, listed } from './phrase';

// British usage: no comma before the last (The Oxford Style Manual calls the other a serial comma; from memory).
describe('phrases', () => {
  it('list things as a sentence does', () => {
    expect([listed([]), listed(['pin']), listed(['pin', 'bush']), listed(['pin', 'bush', 'eye'])]).toEqual([
      '',
      'pin',
      'pin and bush',
      'pin, bush and eye',
    ]);
    expect(either(['1967', '1977', '1987'])).toBe('1967, 1977 or 1987');
  });

  it('count, and tell one from several', () => {
    expect([counted(0, 'record'), counted(1, 'record'), counted(2, 'record'), counted(2, 'half', 'halves')]).toEqual([
      '0 records',
      '1 record',
      '2 records',
      '2 halves',
    ]);
  });

  it('begin a sentence', () => expect(capital('pin size')).toBe('Pin size'));
});
