import { firstValueFrom } from 'rxjs';
import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { FakeQuestions, FakeSpecimens, ID, specimen } from '../testing/demo';
import { countTimers, settled as nothingDue } from '../testing/settled';
import { Bench } from './bench';
import { Questions } from './questions';
import { Specimens } from './specimens';

const settled = async () => {
  TestBed.tick();
  await nothingDue();
  TestBed.tick();
};

describe('the bench', () => {
  let specimens: FakeSpecimens;

  function bench(...onShelf: Parameters<typeof specimen>[]): Bench {
    TestBed.resetTestingModule();
    specimens = new FakeSpecimens(...onShelf.map((each) => specimen(...each)));
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        { provide: Specimens, useValue: specimens },
        { provide: Questions, useClass: FakeQuestions },
      ],
    });
    return TestBed.inject(Bench);
  }
  const words = (of: Bench) => of.readings().map((reading) => reading.is.text);

  beforeEach(() => {
    localStorage.clear();
    countTimers();
  });
  afterAll(() => localStorage.clear());

  it('begins a part with the first words entered, and adds the next to it', async () => {
    const subject = bench();
    subject.draft.set('crank main 59.67 mic');
    const id = subject.enter();
    subject.draft.set('8 weights');
    await settled();
    expect(subject.enter()).toBe(id ?? '');
    await settled();
    expect(words(subject)).toEqual(['main 59.67 mic', '8 weights']);
    expect(subject.draft()).toBe('');
    expect(subject.specimen()?.name).toMatch(/^Crank of /);
  });

  it('enters nothing from nothing, and not what is too long', () => {
    const subject = bench();
    expect(subject.enter()).toBeUndefined();
    subject.draft.set('main 59.67 '.repeat(500));
    expect(subject.enter()).toBeUndefined();
    expect(subject.draft().length).toBe(5500);
  });

  it('keeps what is typed and not entered through a reload', async () => {
    bench().draft.set('main 59.6');
    await settled();
    expect(bench().draft()).toBe('main 59.6');
  });

  it('follows with the line-up while words are typed', async () => {
    const subject = bench(['cast 41?7 main 2.3482in mic']);
    subject.specimenId.set(ID);
    await settled();
    const before = subject.lineUp()?.candidates[0]?.probability ?? 0;
    subject.draft.set('forged 8 weights pin 52.05 mic stroke 3.375in');
    await settled();
    expect(subject.lineUp()?.status).toBe('settled');
    expect(subject.takenFor()).toBe('sluice-crank-3375-forged');
    expect(subject.lineUp()?.candidates[0]?.probability).toBeGreaterThan(before);
  });

  it('corrects a reading in its place, by as many as the new words say', async () => {
    const subject = bench(['main 59.67 mic 8 weights forged']);
    subject.specimenId.set(ID);
    await settled();
    const second = subject.readings()[1]?.id ?? '';
    subject.replace(second, '6 weights rope seal');
    await settled();
    expect(words(subject)).toEqual(['main 59.67 mic', '6 weights', 'rope seal', 'forged']);
    expect(subject.readings()[1]?.id).toBe(second);
    subject.replace(second, '  ');
    await settled();
    expect(words(subject)).toEqual(['main 59.67 mic', 'rope seal', 'forged']);
    expect(subject.undo()).toBeTrue();
  });

  it('removing a reading brings back the line-up without it, exactly', async () => {
    const subject = bench(['main 59.67 mic']);
    subject.specimenId.set(ID);
    await settled();
    const before = JSON.stringify(subject.lineUp());
    subject.draft.set('forged');
    subject.enter();
    await settled();
    expect(JSON.stringify(subject.lineUp())).not.toBe(before);
    subject.remove(subject.readings()[1]?.id ?? '');
    await settled();
    expect(JSON.stringify(subject.lineUp())).toBe(before);
  });

  it('asks of which kind a part is where nobody said and several may be meant, and answers for none until then', async () => {
    const subject = bench();
    subject.draft.set('bore 88.9');
    await settled();
    expect(subject.whichKind().map(({ kind }) => kind)).toContain('piston');
    expect(subject.enter()).toBeUndefined();
    expect(subject.draft()).toBe('bore 88.9');
    expect(subject.lineUp()?.status).toBe('noEvidence');
    subject.setKind('piston');
    expect(subject.whichKind()).toEqual([]);
    expect(subject.enter()).toBeDefined();
    await settled();
    expect(subject.specimen()?.kind).toBe('piston');
    // On a clear bench it is open again.
    subject.clear();
    await settled();
    expect(subject.shownKind()).toBeUndefined();
  });

  it('takes the kind that alone can be meant, or that the catalogue leaves no doubt of', async () => {
    const subject = bench();
    subject.draft.set('main 59.67 pin 52.05');
    expect([subject.kind(), subject.whichKind().length]).toEqual(['crank', 0]);
    subject.draft.set('HV-8421');
    const id = await firstValueFrom(subject.enterOnceKnown());
    await settled();
    expect(id).toBeDefined();
    expect(subject.specimen()?.kind).toBe('piston');
  });

  it('reads all again in the words of another kind', async () => {
    const subject = bench(['main 64.6 mic']);
    subject.specimenId.set(ID);
    await settled();
    // No word of the line changes what it is, once something was read on it: that takes a press.
    subject.draft.set('block 2 bolt mains');
    expect(subject.kind()).toBe('crank');
    subject.setKind('block');
    subject.enter();
    await settled();
    expect(subject.kind()).toBe('block');
    const [first] = subject.readings();
    expect(first?.is.sort === 'size' ? first.is.parameter : '').toBe('block.mainHousing.diameter');
    subject.setKind('crank');
    await settled();
    expect(subject.specimen()?.kind).toBe('crank');
    expect(subject.readings().length).toBeGreaterThan(1);
  });

  it('takes a new name, but no empty one', async () => {
    const subject = bench(['forged']);
    subject.specimenId.set(ID);
    await settled();
    subject.rename('  Winch crank ');
    subject.rename('   ');
    await settled();
    expect(subject.specimen()?.name).toBe('Winch crank');
  });
});
