import { capital, counted, either, listed, one, ordinal } from './phrase';

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

  // Unicode CLDR 44, Language Plural Rules, ordinals of English: 21st, 22nd, 23rd, but 111th, 112th, 113th.
  it('count in a row', () => {
    expect([1, 2, 3, 12].map(ordinal)).toEqual(['first', 'second', 'third', 'twelfth']);
    expect([13, 20, 21, 22, 23, 24, 101, 111, 112, 113, 121].map(ordinal).join(' ')).toBe(
      '13th 20th 21st 22nd 23rd 24th 101st 111th 112th 113th 121st',
    );
  });

  it('begin a sentence', () => expect(capital('pin size')).toBe('Pin size'));

  // The sounds are those of any dictionary of English, from memory.
  it('put the article before a name by how it sounds', () => {
    for (const name of ['crank', 'unit', 'used part', 'one-piece seal', 'union', 'Halvorn'])
      expect(one(name)).toBe(`a ${name}`);
    for (const name of ['engine variant', 'oil pump', 'idler', 'hour', 'undersize', 'uninspected part'])
      expect(one(name)).toBe(`an ${name}`);
  });
});
