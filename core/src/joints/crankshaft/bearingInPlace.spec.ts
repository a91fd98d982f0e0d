import { readBearing } from '../../designations/rollingBearing';
import { say } from '../../quantity/sentence';
import { finding, made } from '../../testing/made';

/**
 * Rings by designation, as ISO 15 and the makers' tables have it, from memory: NU has its shoulders on the outer ring
 * only, N on the inner one only, NJ one on the inner ring besides, and NUP a loose one on its other side.
 */
const RINGS = { NU: ['none', 'two'], N: ['two', 'none'], NJ: ['one', 'two'], NUP: ['two', 'two'] } as const;
type Form = keyof typeof RINGS;
const ring = (form: Form) => {
  const [innerShoulder, outerShoulder] = RINGS[form];
  return made('rollingBearing', {}, { form: 'cylindrical', innerShoulder, outerShoulder });
};
const inPlace = (mine: Form, was: Form) =>
  finding('bearingInPlace', 'shoulders', [ring(mine)], { replaced: [ring(was)] });

// What holds endways and what does not: common practice, no source.
describe('cylindrical rollers in place of others', () => {
  it('have the shoulders that their designation says', () => {
    for (const form of ['NU', 'N', 'NJ'] as const)
      expect(readBearing(`${form} 205`).innerShoulder)
        .withContext(form)
        .toBe(RINGS[form][0]);
  });

  it('change nothing where neither ring pair holds the shaft: N and NU for each other', () => {
    for (const [mine, was] of [
      ['N', 'NU'],
      ['NU', 'N'],
    ] as const)
      expect(inPlace(mine, was).verdict).toBe('fits');
  });

  it('let the shaft wander where the old ones held it', () => {
    for (const [mine, was] of [
      ['NU', 'NJ'],
      ['N', 'NJ'],
      ['NJ', 'NUP'],
      ['N', 'NUP'],
    ] as const)
      expect(inPlace(mine, was).verdict).withContext(`${mine} for ${was}`).toBe('doesNotFit');
  });

  it('want shims where they hold what the old ones did not, and their side minded where both hold it one way', () => {
    expect(inPlace('NJ', 'NU').work[0]?.steps).toEqual(['shimBearing']);
    expect(say(inPlace('NJ', 'NJ').because, 'metric')).toContain('on the side where that of the old one was');
  });

  it('are not judged while a shoulder that decides was not looked at', () => {
    const unseen = made('rollingBearing', {}, { innerShoulder: 'two' });
    expect(finding('bearingInPlace', 'shoulders', [unseen], { replaced: [ring('NUP')] }).verdict).toBe('cannotTell');
  });
});
