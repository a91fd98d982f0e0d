import { readLifts } from './liftTable';

describe('a lift curve as it was measured', () => {
  it('is read line by line, from whatever degree it was counted, its greatest lift at nothing', () => {
    expect(readLifts('degrees lift\n10 0\n60; 4,2\n110\t9\n\n210 0', 'metric')).toEqual({
      points: [
        [-100, 0],
        [-50, 4.2],
        [0, 9],
        [100, 0],
      ],
    });
    const inch = readLifts('-90 0\n0 0.4\n90 0', 'inch');
    expect('points' in inch && inch.points[1]?.[1]).toBeCloseTo(10.16, 9);
  });

  it('says which line is none, which degree stands twice, and what is too little', () => {
    expect(readLifts('0 0\nten 3\n20 4 5', 'metric')).toEqual({
      problems: [
        { line: 2, what: '“ten 3” is not two figures: write crank degrees and lift.' },
        { line: 3, what: '“20 4 5” is not two figures: write crank degrees and lift.' },
      ],
    });
    expect(readLifts('0 0\n10 3\n10 4', 'metric')).toEqual({
      problems: [{ what: '10° is there twice: take one of the two out.' }],
    });
    expect(readLifts('0 0\n10 3', 'metric')).toEqual({
      problems: [{ what: 'A curve wants 3 points at the least.' }],
    });
    expect(readLifts('0 0\n10 300\n20 0', 'metric')).toEqual({
      problems: [{ line: 2, what: 'A lift of 300 mm is out of all reason.' }],
    });
    expect(readLifts('0 0\n10 3\n900 0', 'metric')).toEqual({
      problems: [{ what: 'The curve is wider than two turns of the crank.' }],
    });
  });
});
