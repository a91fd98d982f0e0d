import { COVERAGE } from '../quantity/instrument.js';
import { band, sentence, value, type Sentence } from '../quantity/sentence.js';
import { logChance } from '../marks/alignment.js';
import { decibans } from './assumptions.js';
import type { CatalogueIndex } from './catalogueIndex.js';
import type { SizeEvidence } from './evidence.js';
import type { Identification } from './identify.js';
import { explainSize } from './sizeLikelihood.js';
import { faceChance, facesOnRecord } from './weigh/face.js';
import { answersOf, lookChance } from './weigh/look.js';
import { unrecorded } from './weigh/mark.js';
import { sizeMistaken, sizeRatios } from './weigh/size.js';
import { besideColumn } from './weigh/index.js';
import { FIXED, ratioAt, type Weighed } from './weigh/weighed.js';

const figure = (of: number): string =>
  of === 0
    ? '0'
    : Math.abs(of) < 0.001 || Math.abs(of) >= 100_000
      ? of.toExponential(2)
      : String(Number(of.toPrecision(4)));

/**
 * How a weight was worked out: the formula, the figures put in, and where the chances come from; a line a step. For the
 * reading with these words and one pattern. Empty where there is no such reading.
 */
export function calculationOf(identification: Identification, pattern: string, text: string): Sentence[] {
  const { index } = identification;
  const row = index.patterns.indexOf(pattern);
  const weighed = identification.weighed.find((each) => each.evidence.text === text);
  if (row < 0 || !weighed) return [];
  return [...linesFor(index, row, weighed), total(ratioAt(weighed, row) / FIXED)];
}

const total = (logRatio: number): Sentence => [
  `Weight: 10 × log₁₀ of the ratio, ${figure(Math.exp(logRatio))} to 1, is ${decibans(logRatio).toFixed(1)} decibans (I. J. Good, 1979), against a part in no catalogue.`,
];

function linesFor(index: CatalogueIndex, row: number, { evidence }: Weighed): Sentence[] {
  switch (evidence.sort) {
    case 'size':
      return sizeLines(index, row, evidence);
    case 'look': {
      const column = index.looks.get(evidence.feature.id);
      const recorded = column?.distinct[(column.codes[row] ?? 0) - 1];
      if (recorded === undefined) return [['The catalogue does not say, so the ratio is 1.']];
      return [
        [
          `A practised eye misjudges this look ${figure(100 * evidence.feature.misjudged)} times in a hundred, and any is told wrong ${figure(100 * index.assumed.lookMistaken)} times besides, over ${answersOf(evidence.feature)} answers.`,
        ],
        [
          `P(seen so | this pattern) = ${figure(lookChance(index.assumed, evidence.feature, recorded, evidence.option, evidence.not))}.`,
        ],
        [
          'A part in no catalogue looks like those of the catalogue, and a little like none of them (Laplace’s rule of succession).',
        ],
      ];
    }
    case 'face': {
      const column = index.faces.get(evidence.face.id);
      const recorded = column?.distinct[(column.codes[row] ?? 0) - 1];
      if (!column || recorded === undefined) return [['The catalogue does not say, so the ratio is 1.']];
      return [
        [
          `A face is taken for another, or called by another’s name, ${figure(100 * index.assumed.faceMistaken)} times in a hundred, over ${facesOnRecord(column)} patterns on record.`,
        ],
        [
          `P(called so | this pattern) = ${figure(faceChance(index.assumed, recorded, evidence.pattern, facesOnRecord(column)))}.`,
        ],
        [
          'A part in no catalogue has one of the patterns of the catalogue, or one of its own (Laplace’s rule of succession).',
        ],
      ];
    }
    case 'mark':
      if (evidence.positions.length === 0)
        return [
          [
            `Where a mark is recorded it is gone ${figure(100 * index.assumed.markGone)} times in a hundred; where none is, something stands there ${figure(100 * index.assumed.markThere)} times.`,
          ],
        ];
      return [
        [
          'The reading is aligned with each mark and number of the pattern (Needleman and Wunsch, 1970), each character by the confusion table of how it was made.',
        ],
        [
          `A mark that the catalogue does not record is read ${figure(100 * unrecorded(index, evidence))} times in a hundred; by mere chance these characters come up once in ${figure(Math.exp(-logChance(evidence.positions)))}.`,
        ],
      ];
    case 'step':
      return [
        [
          `Standard is taken for ${figure(100 * index.assumed.standardSize)} parts in a hundred, each further service size for half as many; what is said of a size is right ${figure(100 * index.assumed.stepRight)} times.`,
        ],
      ];
    case 'claim':
      return [
        [
          `Such a claim is right ${figure(100 * index.assumed.claimRight[evidence.about])} times in a hundred before the house rule, papers and tags belong to the engine ${figure(100 * index.assumed.papers)} times, and a part is original ${figure(100 * index.assumed.original)} times.`,
        ],
        [
          'The pattern counts by how many of its engines, and for how long, agree with this and with all that is claimed before it, set against the mean of all patterns.',
        ],
      ];
    case 'part':
      return [
        [
          `A part found in an engine has been there from the first ${figure(100 * index.assumed.original)} times in a hundred; else it may be any of its kind.`,
        ],
      ];
  }
}

function sizeLines(index: CatalogueIndex, row: number, evidence: SizeEvidence): Sentence[] {
  const { parameter, estimate, tool, step } = evidence;
  const column = index.sizes.get(parameter.id);
  const code = column?.codes[row] ?? 0;
  const size = column?.distinct[code - 1];
  if (!column || !size) return [['The catalogue does not say, so the ratio is 1.']];
  const { quantity } = parameter;
  const { densityAt, rightlyAt, chance, unknown } = sizeRatios(
    index.assumed,
    column,
    evidence,
    besideColumn(index, evidence),
  );
  const density = densityAt(row);
  const { limits } = explainSize(size, parameter, estimate, step);
  const mistaken = sizeMistaken(index.assumed, evidence);
  const isWrong = column.wrong[code] ?? 0;
  const right = (1 - mistaken) * (1 - isWrong);
  const [asOthers, misrecorded] = [rightlyAt(code), (1 - mistaken) * isWrong];
  const isAlone = column.otherwise?.has(code) ?? false;
  const otherwise = isAlone
    ? `${figure(misrecorded)} × ${figure(asOthers)} + ${figure(mistaken)} × ${figure(chance)}`
    : `${figure(1 - right)} × ${figure(chance)}`;
  return [
    sentence`Measured ${value(estimate.mean, quantity)}, standard uncertainty u = √(a²/3 + d²/12 + s²/n) = ${value(estimate.uncertainty, quantity)}, with a = ${value(tool.permissibleError, quantity)} and d = ${value(tool.resolution, quantity)} of the ${tool.name.toLowerCase()} (JCGM 100:2008); expanded, k = ${COVERAGE}: ${value(COVERAGE * estimate.uncertainty, quantity)}.`,
    sentence`Limits that explain it best: ${band(limits, quantity)}${size.toleranceAssumed ? ', of which the tolerance is the one usual for the kind' : ''}; ${parameter.wear === 'neither' ? 'it does not wear' : `wear ${parameter.wear === 'shrinks' ? 'makes it smaller' : 'makes it larger'}, on average by `}${parameter.wear === 'neither' ? '' : value(parameter.usualWear, quantity)}.`,
    [
      `Density at the reading, over all service sizes: ${figure(density)} per unit for this pattern; ${figure(chance)} for a part of which nothing is known; ${figure(unknown)} for one in no catalogue, which shares its size with those of the catalogue ${figure(100 * index.assumed.sharedSize)} times in a hundred.`,
    ],
    [
      `Ratio: (${figure(right)} × ${figure(density)} + ${otherwise}) / ${figure(unknown)}; ${figure(mistaken)} of sizes ${evidence.confirmed ? 'that are read twice ' : ''}are slips, and ${figure(isWrong)} of what the catalogue says after such a source is wrong${isAlone ? ' where no sister of the family has it, which then mostly should be what they have' : ''}.`,
    ],
  ];
}
