import { buildSheetOf, FIGURES, type FigureFound } from '../build/index';
import { say } from '../quantity/sentence';
import { demoEngine, demoPart, LOOKUP } from '../testing/demo';
import { ASSEMBLY_STEPS, assemblyNotesOf, type AssemblyGround, type StepNotes } from './index';
import { sayTorque } from './torque';

function groundOf(
  variant: string,
  more: Partial<AssemblyGround> = {},
  sizes: Readonly<Record<string, number>> = {},
): AssemblyGround {
  const engine = demoEngine(variant, sizes);
  const figures = new Map<string, FigureFound[]>();
  for (const each of buildSheetOf(engine, FIGURES).figures)
    figures.set(each.figure.id, [...(figures.get(each.figure.id) ?? []), each]);
  return { engine, figures, shells: {}, labelOf: (id) => LOOKUP.label(id), ...more };
}
const words = (step: StepNotes | undefined): string =>
  (step?.notes ?? []).map(({ says }) => say(says, 'metric')).join(' ');
const stepOf = (steps: readonly StepNotes[], id: string): StepNotes | undefined => steps.find((step) => step.id === id);
const at = (steps: readonly StepNotes[], id: string): number => steps.findIndex((step) => step.id === id);

describe('the order of assembly', () => {
  const steps = assemblyNotesOf(groundOf('lumen-4-77'));

  // Common practice, no source: crank before pistons, end float before pistons hide it, pistons before the head, and
  // oil before the first run.
  it('is that of the trade', () => {
    const order = [
      'clean',
      'mains',
      'endFloat',
      'pistonsOnRods',
      'rings',
      'pistonsIn',
      'cam',
      'head',
      'valves',
      'close',
      'firstRun',
    ];
    expect(steps.map(({ id }) => id)).toEqual(order);
    expect(new Set(ASSEMBLY_STEPS.map(({ id }) => id)).size).toBe(ASSEMBLY_STEPS.length);
  });

  it('leaves out what an engine has not: a two-stroke in rolling bearings has no shells and no cam', () => {
    const two = assemblyNotesOf(groundOf('minnow-48'));
    expect(at(two, 'mains')).toBe(-1);
    expect(at(two, 'cam')).toBe(-1);
    expect(at(two, 'rollingMains')).toBeGreaterThan(-1);
    expect(words(stepOf(two, 'rollingMains'))).toContain('warm the case');
  });

  it('never lacks its cautions', () => {
    for (const id of ['clean', 'pistonsOnRods', 'rings', 'head', 'valves', 'close', 'firstRun'])
      expect(stepOf(steps, id)?.cautions.length).withContext(id).toBeGreaterThan(0);
    expect(stepOf(steps, 'firstRun')?.cautions.join(' ')).toContain('licensed inspector');
  });
});

describe('what the notes say', () => {
  it('speaks of every main, cylinder and ring by itself, with a box for what is found', () => {
    const steps = assemblyNotesOf(groundOf('lumen-4-77'));
    const places = (id: string) => (stepOf(steps, id)?.notes ?? []).flatMap((note) => note.at ?? []);
    expect(places('mains')).toEqual([1, 2, 3, 4, 5]);
    expect(places('pistonsOnRods')).toEqual([1, 2, 3, 4]);
    expect(places('rings')).toEqual([1, 2, 3, 4]);
    const gap = stepOf(steps, 'rings')?.notes.find((note) => note.at === 3);
    expect(gap?.find?.name).toBe('Gap of the top ring');
    expect(gap?.find?.required?.low).toBeGreaterThan(0);
    expect(say(gap?.says ?? [], 'metric')).toContain('Worked out:');
    expect(say(gap?.says ?? [], 'inch')).toContain('in');
  });

  it('names the shell that fitting chose, its clearance, and says where it is not settled', () => {
    const shells = {
      mainShell: [
        {
          position: 1,
          patterns: ['lumen-shell-ab-red'],
          clearance: { low: 0.02, high: 0.03 },
          required: { low: 0.015, high: 0.04 },
        },
        { position: 2, patterns: ['lumen-shell-ab-red', 'lumen-shell-ab-green'] },
        { position: 3, patterns: [], open: ['Mark and measure disagree.'] },
        { position: 4, patterns: [] },
      ],
    };
    const mains = stepOf(assemblyNotesOf(groundOf('lumen-4-77', { shells })), 'mains');
    const [first, second, third, fourth] = (mains?.notes ?? []).map((note) => ({
      ...note,
      text: say(note.says, 'metric'),
    }));
    expect(first?.text).toContain('red');
    expect(first?.text).toContain('0.020 to 0.030');
    expect(first?.find?.required).toEqual({ low: 0.015, high: 0.04 });
    expect(second?.text).toContain('Half of');
    expect(third?.open).toBeTrue();
    expect(third?.text).toContain('disagree');
    expect(fourth?.open).toBeTrue();
    expect(first?.open).toBeUndefined();
  });

  // Common practice, no source: a pin is offset to one thrust side, so a piston has a way round; a fractured cap fits
  // its own rod only; a pressed pin is put in hot, a floating one has locks.
  it('says which way round, how pins are held, and whose cap is whose', () => {
    const lumen = words(stepOf(assemblyNotesOf(groundOf('lumen-4-77')), 'pistonsOnRods'));
    expect(lumen).toContain('faces the front');
    expect(lumen).toContain('off centre, to the thrust side');
    expect(lumen).toContain('Floating pins');
    const sluice = words(stepOf(assemblyNotesOf(groundOf('sluice-357')), 'pistonsOnRods'));
    expect(sluice).toMatch(/Pressed pins|Floating pins/);
    const machined = words(stepOf(assemblyNotesOf(groundOf('lumen-4-77')), 'pistonsIn'));
    expect(machined).toContain('Each cap on its own rod');
  });

  it('has the firing order where the engine is on record with one', () => {
    expect(words(stepOf(assemblyNotesOf(groundOf('lumen-4-77', { firingOrder: '1-3-4-2' })), 'valves'))).toContain(
      '1-3-4-2',
    );
  });

  it('knows who signed, the last first', () => {
    const signed = ['a', 'b'].map((who, index) => ({
      id: `00000000-0000-4000-8000-00000000000${index}`,
      step: 'mains',
      at: `2026-11-0${index + 1}T08:00:00.000Z`,
      who,
    }));
    const steps = assemblyNotesOf(groundOf('lumen-4-77'), { signed });
    expect(stepOf(steps, 'mains')?.signed.map(({ who }) => who)).toEqual(['b', 'a']);
    expect(stepOf(steps, 'head')?.signed).toEqual([]);
  });
});

describe('the torque of bolts', () => {
  const bolt = demoPart('lumen-bolt-main');

  it('is worked out from class and thread, and never promised', () => {
    const said = say(sayTorque(bolt).says, 'metric');
    expect(said).toMatch(/about \d+ Nm/);
    // One lbf·ft is 1.3558 Nm (NIST SP 811, table B.8).
    const nm = Number(/about (\d+) Nm/.exec(said)?.[1]);
    const inches = say(sayTorque(bolt).says, 'inch');
    expect(Math.abs(Number(/about (\d+) lbf·ft/.exec(inches)?.[1]) * 1.3558 - nm)).toBeLessThan(1.2);
    expect(said).toContain('ISO 898-1');
    expect(said).toContain('The maker’s own figure comes before it');
  });

  it('is open where class or thread are not known, or nobody has tabled the class', () => {
    expect(sayTorque(undefined).open).toBeTrue();
    expect(sayTorque({ ...bolt, looks: {} }).open).toBeTrue();
    const { 'fastener.thread.diameter': _thread, ...values } = bolt.values;
    expect(sayTorque({ ...bolt, values }).open).toBeTrue();
    const grade = { 'fastener.grade': { option: 'lines6', source: 'pattern' as const } };
    expect(sayTorque({ ...bolt, looks: { ...bolt.looks, ...grade } }).open).toBeTrue();
  });
});
