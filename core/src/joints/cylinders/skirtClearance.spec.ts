import { say } from '../../quantity/sentence';
import { finding, judged, made } from '../../testing/made';

// What cylinders run with and how they are brought to another size: common practice, no source.

const cast = { rings: '3', compressionRings: '2', crown: 'flat', material: 'cast' };
const twoStroke = { ...cast, rings: '2' };
const skirt = (
  bore: number,
  size: number,
  looks: Readonly<Record<string, string>>,
  cylinder: Readonly<Record<string, string>>,
) =>
  [
    'pistonInBlock',
    'skirtClearance',
    [
      made('block', { bore, wall: 12 }, { cylinderWall: 'parent', ...cylinder }),
      made('piston', { 'skirt.diameter': size }, looks),
    ],
  ] as const;

describe('the skirt of a two-stroke piston', () => {
  it('has half the room in a plated cylinder that it has in iron: what is right in the one seizes or slaps in the other', () => {
    // Of 54 mm: 0.048 is 0.9 thousandths, 0.086 is 1.6.
    expect(judged(...skirt(54, 53.952, twoStroke, { boreSurface: 'plated' }))).toBe('fits');
    expect(judged(...skirt(54, 53.952, twoStroke, { boreSurface: 'iron' }))).not.toBe('fits');
    expect(judged(...skirt(54, 53.914, twoStroke, { boreSurface: 'iron' }))).toBe('fits');
    expect(judged(...skirt(54, 53.914, twoStroke, { boreSurface: 'plated' }))).not.toBe('fits');
  });

  it('cannot be told where nobody has seen what it runs on, but is refused where neither bears it', () => {
    expect(judged(...skirt(54, 53.952, twoStroke, { material: 'aluminium' }))).toBe('cannotTell');
    expect(finding(...skirt(54, 75, twoStroke, { material: 'aluminium' })).verdict).toBe('doesNotFit');
    // A cylinder bored in iron is iron.
    expect(judged(...skirt(54, 53.914, twoStroke, { material: 'iron' }))).toBe('fits');
  });
});

describe('a cylinder that is too small for its piston', () => {
  const tight = (cylinder: Readonly<Record<string, string>>) => finding(...skirt(80, 80.45, cast, cylinder));

  it('is bored and honed in iron, lapped and etched besides in aluminium, and plated anew where it was plated', () => {
    const steps = (boreSurface: string) => tight({ boreSurface }).work[0]?.steps;
    expect(steps('iron')).toEqual(['bore', 'hone']);
    expect(steps('silicon')).toEqual(['bore', 'hone', 'etch']);
    expect(steps('plated')).toEqual(['bore', 'plate']);
    expect(steps('sprayed')).toEqual(['bore', 'plate']);
  });

  it('is not touched before somebody has seen what it runs on', () => {
    const { verdict, needs } = tight({ material: 'aluminium' });
    expect(verdict).toBe('cannotTell');
    expect(needs).toContain('block.boreSurface');
  });

  it('is never honed through its plating', () => {
    const { work } = finding(...skirt(80, 79.99, cast, { boreSurface: 'plated' }));
    expect(work.flatMap(({ steps }) => steps)).not.toContain('hone');
  });
});

describe('a plated cylinder that is worn', () => {
  it('is stripped and plated back to size, with the plater’s caution, while the plating stays thin; it is not sleeved', () => {
    const worn = finding(...skirt(80.2, 79.96, cast, { boreSurface: 'plated' }));
    expect(worn.work.map(({ steps }) => steps.join())).toEqual(['plate']);
    expect(worn.work[0]?.caution).toContain('poisonous');
    expect(say(worn.work[0]?.says ?? [], 'metric')).toContain('plated anew');
    expect(finding(...skirt(80.6, 79.96, cast, { boreSurface: 'plated' })).verdict).toBe('doesNotFit');
  });
});
