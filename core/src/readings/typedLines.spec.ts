import type { KindId } from '../dictionary/dictionary';
import { KIND_IDS, KINDS } from '../dictionary/dictionary';
import TYPED_LINES from '../testing/typedLines.csv';
import { shortForm, wanted } from '../testing/typedLines';
import { readEntry, whyUnread } from './entryLine';

const LINES = TYPED_LINES.trim()
  .split('\n')
  .map((line) => line.split('|'));

/** What a line is understood as, in short forms; words not understood among them. */
const understood = (text: string, kind: KindId) => readEntry(text, kind).words.map(shortForm);
const readOf = (text: string, kind: KindId) => understood(text, kind).filter((each) => !each.startsWith('unread'));

describe('what a workshop types', () => {
  it('is read for nine parts in ten and more, and hardly ever taken for what it does not say', () => {
    // The lines and what is meant by them are our own; the words are those of the trade: common practice, no source.
    let [read, misread] = [0, 0];
    for (const [kind = '', text = '', meant = ''] of LINES) {
      const entry = readEntry(text, kind as KindId);
      const got = entry.words.filter(({ sort }) => sort !== 'unread').map(shortForm);
      const { readings, open } = wanted(meant);
      const wrong = got.some((each) => !readings.includes(each)) || (entry.kind ?? kind) !== kind;
      const whole = readings.every((each) => got.includes(each)) && (open || got.length === entry.words.length);
      if (wrong) misread++;
      else if (whole) read++;
    }
    expect(read / LINES.length).toBeGreaterThan(0.95);
    expect(misread / LINES.length).toBeLessThan(0.01);
  });

  it('says of the part only what is said of it', () => {
    // What a crank is balanced for is no weight of its own, and a crown of steel no steel piston.
    for (const [text, kind] of [
      ['8.5 kg', 'crank'],
      ['steel crown', 'piston'],
      ['pin offset to the left', 'piston'],
    ] as const)
      expect(readOf(text, kind)).withContext(text).toEqual([]);
    expect(readOf('steel', 'piston')).toEqual(['material:steel']);
  });

  it('never says the contrary: no look is read that is denied', () => {
    const denied = ['not', 'no', 'without', 'isn’t', 'not a'];
    const wrong: string[] = [];
    let tried = 0;
    for (const kind of KIND_IDS)
      for (const feature of Object.values(KINDS[kind].features))
        for (const option of 'options' in feature.form ? feature.form.options : [])
          for (const word of option.words)
            for (const no of [...denied, 'non-']) {
              const text = no.endsWith('-') ? `${no}${word}` : `${no} ${word}`;
              const taken = readEntry(text, kind).words.some(
                (is) => is.sort === 'look' && is.feature === feature.id && is.option === option.id && !is.not,
              );
              tried++;
              // `no lip` and the like say of themselves that nothing is there.
              if (taken && option.id !== 'none' && !/^(?:un|not?\b)/.test(word)) wrong.push(`${kind}: ${text}`);
            }
    expect(tried).toBeGreaterThan(2000);
    expect(wrong).toEqual([]);
  });

  it('never says a count that is denied, nor any of two that are left open', () => {
    const wrong: string[] = [];
    for (const kind of KIND_IDS)
      for (const feature of Object.values(KINDS[kind].features)) {
        if (!('count' in feature.form)) continue;
        const { low, high } = feature.form.count;
        const count = String(Math.max(1, Math.round((low + high) / 2)));
        for (const word of feature.synonyms)
          for (const text of [`not ${count} ${word}`, `isn't a ${count} ${word}`]) {
            const says = readEntry(text, kind).words;
            if (says.some((is) => is.sort === 'look' && is.option === count && !is.not)) wrong.push(`${kind}: ${text}`);
          }
      }
    expect(wrong).toEqual([]);
    expect(readOf('not a 4 valve', 'head')).toEqual(['valves!4']);
    expect(readOf('no counterweights at all', 'crank')).toEqual(['counterweights:0']);
    expect(readOf('no counterweights on the middle throws, forged', 'crank')).toEqual(['material:forged']);
    expect(readOf('neither forged nor cast', 'crank')).toEqual(['material!forged', 'material!cast']);
    expect(readOf('forged? no, cast', 'piston')).toEqual(['material:cast']);
    expect(readOf('std not 30 over', 'block')).not.toContain('bore~0.03in');
    for (const text of ['cast or forged', 'either forged or sintered', 'main 2.349 or 2.359', '59 or 60 on the mains'])
      expect(readOf(text, 'crank')).withContext(text).toEqual([]);
  });

  it('takes nothing that hangs on a word nobody understood, on common words or a few figures', () => {
    for (const [kind, text] of [
      ['crank', 'cracked at no 3 pin'],
      ['crank', 'number 2 throw spun a bearing'],
      ['crank', 'no 3 pin, scored'],
      ['crank', 'min 59.62 on main 4'],
      ['crank', 'book says 59.66 for the mains'],
      ['crank', 'half stroke 40'],
      ['crank', 'pins 010 tapered'],
      ['crank', 'pins .010 out of round'],
      ['block', 'sleeved number 5'],
      ['block', 'cyl 3 scored'],
      ['block', 'oil galley plugs brass'],
      ['block', 'water pump holes 3'],
      ['piston', 'crown height above pin 36'],
      ['piston', '4.030 dish pistons'],
      ['piston', 'cam ground'],
      ['rod', 'stamped 1 to 8'],
      ['rod', 'numbered 3 both sides'],
      ['fastener', 'M10x1.25x80'],
      ['crank', 'cast number 41 7? on web'],
      ['crank', 'flywheel flange 110 mm caliper'],
      ['block', 'sleeves'],
      ['rod', 'cracked'],
      ['head', 'round'],
      ['rollingBearing', 'two'],
    ] as const)
      expect(readOf(text, kind)).withContext(text).toEqual([]);
    expect(readOf('cracked at no 3 pin, 5 mains', 'crank')).toEqual(['mainCount:5']);
    // What is counted says of what it is.
    expect(readOf('main 2.349in mic forged eight weights lovely condition', 'crank')).toEqual([
      'mainJournal.diameter=2.349in mic',
      'material:forged',
      'counterweights:8',
    ]);
    // What would be understood by itself is offered.
    expect(whyUnread('cyl 3 scored', 'block').suggestion).toBe('cyl 3');
    expect(readOf('scored, cylinder 3 is 101.70', 'block')).toEqual(['bore@3=101.7mm']);
  });

  it('reads what is said of mains and pins in a row, and figures behind each other', () => {
    const both = ['mainJournal.diameter~-0.01in', 'crankpin.diameter~-0.02in'];
    for (const text of [
      '010 mains 020 rods',
      '.010 mains, .020 rods',
      '10 under mains, 20 under rods',
      'mains .010 pins .020',
    ])
      expect(readOf(text, 'crank')).withContext(text).toEqual(both);
    expect(readOf('std mains 010 rods', 'crank')).toEqual(['mainJournal.diameter~0', 'crankpin.diameter~-0.01in']);
    expect(readOf('main 59.66 59.65 pin 52', 'crank')).toEqual([
      'mainJournal.diameter=59.66/59.65mm',
      'crankpin.diameter=52mm',
    ]);
    expect(readOf('5 main bearings, 4 pins', 'crank')).toEqual(['mainCount:5', 'crankpins:4']);
    expect(readOf('52 pins', 'crank')).toEqual(['crankpin.diameter=52mm']);
    expect(readOf('brass shim, wet liners', 'block')).toEqual(['linerShim:brass', 'cylinderWall:wetLiner']);
    expect(readOf('casting: 3858 174', 'block')).toEqual(['mark 3858174 cast']);
    expect(readOf('bored 60 thou', 'block')).toEqual(['bore~0.06in']);
    expect(readOf('25x52x7', 'seal')).toEqual(['shaft=25mm', 'housing=52mm', 'width=7mm']);
    expect(readOf('44 x 8 x 110', 'valve')).toEqual(['head.diameter=44mm', 'stem.diameter=8mm', 'length=110mm']);
    expect(readOf('bore 4.1 thick .040', 'headGasket')).toEqual(['bore=4.1in', 'thickness=0.04in']);
    expect(readOf('stroke 86ish', 'crank')).toEqual(['stroke=86mm']);
  });

  it('asks of a taper at which end of the crank it is', () => {
    expect(readOf('tapered nose', 'crank')).toEqual(['frontDrive:taper']);
    expect(readOf('tapered flywheel end', 'crank')).toEqual(['flywheelSeat:taper']);
  });

  it('takes nothing for what it was, or for a number where a figure of a size is doubted', () => {
    for (const text of ['main was 59.66 now 59.41', 'main 59.6?', 'pins 0.02 out of round', 'flange missing'])
      expect(readOf(text, 'crank')).withContext(text).toEqual([]);
    expect(readOf('main caps missing', 'block')).toEqual([]);
    expect(readOf('squirters blocked', 'block')).toEqual([]);
  });

  it('keeps the kind of part though the word of another stands in the line', () => {
    for (const [text, kind] of [
      ['gudgeon pin 22', 'piston'],
      ['tappet bores .912', 'block'],
      ['4 valve, pentroof', 'head'],
      ['conrod journal 52.05', 'crank'],
      ['rods 2.0995', 'crank'],
      ['cast 4127, came with the flywheel', 'crank'],
    ] as const) {
      expect(readEntry(text, kind).kind).withContext(text).toBeUndefined();
      expect(readOf(text, kind).length).withContext(text).toBeGreaterThan(0);
    }
    expect(readEntry('head 64cc chambers', 'crank').kind).toBe('head');
    // Where the other kind has nothing of the sort, its name belongs to what follows, and makes another size of it.
    for (const [text, kind] of [
      ['crank bore 66', 'block'],
      ['spring seat 1.25', 'head'],
      ['valve lift 10', 'cam'],
    ] as const)
      expect([readEntry(text, kind).kind, readOf(text, kind)])
        .withContext(text)
        .toEqual([undefined, []]);
    expect(readEntry('crank, no idea what for', 'block').kind).toBe('crank');
    // What is a size of the other kind is one, though nobody can have read it so.
    expect(readEntry('crank main 2.349 mm', 'block').kind).toBe('crank');
  });

  it('binds a figure to the name on the side where the others have theirs', () => {
    expect(readOf('62cc chamber 9 studs', 'head')).toEqual(['chamber.volume=62cc', 'bolts:9']);
    expect(readOf('59.6 main 52 pin', 'crank')).toEqual(['mainJournal.diameter=59.6mm', 'crankpin.diameter=52mm']);
    expect(readOf('main 59.6 pin 52', 'crank')).toEqual(['mainJournal.diameter=59.6mm', 'crankpin.diameter=52mm']);
    expect(readOf('116 bore 2 seal grooves', 'liner')).toEqual(['bore=116mm', 'ringGrooves:2']);
    // Where neither reading takes up all of them nothing is taken from a neighbour in silence.
    expect(understood('59.6 main 52', 'crank')).toEqual(['unread 59.6 main 52']);
  });

  it('binds figures in a row to names in a row, on either side, and none where one has no name here', () => {
    const both = ['mainJournal.diameter=60mm', 'crankpin.diameter=52mm'];
    for (const text of ['60 x 52 main and pin', 'main x pin 60 x 52', 'mains and pins 60 / 52', 'main/pin 60/52'])
      expect(readOf(text, 'crank')).withContext(text).toEqual(both);
    expect(readOf('main/pin 10/20', 'crank')).toEqual(['mainJournal.diameter~-0.01in', 'crankpin.diameter~-0.02in']);
    // The stroke is no size of a block: then nobody knows which of the two the 80 is.
    for (const text of ['95 x 80 bore stroke', 'bore x stroke 95 x 80'])
      expect(readOf(text, 'block')).withContext(text).toEqual([]);
  });

  it('counts by figures in words and before what is several, and makes no size of them', () => {
    for (const [text, kind] of [
      ['twin web lips', 'crank'],
      ['main two', 'crank'],
      ['2 pin oil holes', 'crank'],
      ['2 seal lips', 'frontCover'],
      ['2 seal grooves', 'block'],
    ] as const)
      expect(readOf(text, kind).filter((each) => /=\d/.test(each)))
        .withContext(text)
        .toEqual([]);
    expect(readOf('½ inch pin', 'crank')).toEqual(['crankpin.diameter=0.5in']);
  });

  it('takes no thread, place or pair of sizes for a mark, and refuses a third in words', () => {
    for (const text of ['M12x1.75', '25x52x15', '1st', 'no.1', '#1', '1/3', 'flange 78', 'flange 95/100'])
      expect(readOf(text, 'crank').filter((each) => each.startsWith('mark')))
        .withContext(text)
        .toEqual([]);
    expect(understood('main 1/3', 'crank')).toEqual(['unread main 1/3']);
  });

  it('leaves room in a number for what cannot be read, and closes none that is not a gap', () => {
    for (const text of ['cast 41_7', 'cast 41?7', 'cast 41x7', '41x7 cast'])
      expect(readOf(text, 'crank')).withContext(text).toEqual(['mark 41?7 cast']);
    expect(readOf('cast 41..7', 'crank')).toEqual(['mark 41??7 cast']);
    expect(readOf('casting no. 3 858 174', 'block')).toEqual(['mark 3858174 cast']);
    expect(readOf('"NC 41 7" cast on web', 'crank')).toEqual(['mark NC417 cast web']);
  });

  it('knows a mark that is gone from one that never was', () => {
    expect(readOf('number ground off', 'crank')).toEqual(['gone']);
    expect(readOf('stamp pad decked off', 'block')).toEqual(['gone pad']);
    expect(readOf('decked off', 'block')).toEqual(['gone']);
    // What is ground off here is the lip.
    expect(readOf('lip ground off', 'crank')).not.toContain('gone');
    expect(readOf('no casting number', 'block')).toEqual(['mark - cast']);
  });
});
