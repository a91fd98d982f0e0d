/** Writes the list of figures of a build; with --check only says whether it is up to date. */
import { readFile, writeFile } from 'node:fs/promises';
import { FIGURES, SUBJECTS } from '@which-bore/core';

const file = new URL('../docs/figures-of-a-build.md', import.meta.url);
const cell = (text) => text.replaceAll('|', '\\|');
const PER = { cylinder: 'each cylinder', main: 'each main', crankpin: 'each crankpin', engine: 'the engine' };

/** What a name in a formula stands for. */
function stands(input) {
  switch (input.reads) {
    case 'size':
      return `\`${input.parameter.id}\``;
    case 'first':
      return input.of.map(stands).join(', else ');
    case 'orElse':
      return `${stands(input.of)}, else ${Number.isFinite(input.value) ? input.value : 'no limit'}`;
    case 'figure':
      return input.figure.name.toLowerCase();
    case 'over':
      return `${input.how} of ${input.figure.name.toLowerCase()}`;
    case 'chosen':
      return `\`${input.parameter.id}\`, else of the shell that is chosen by housing and journal`;
    case 'told':
      return input.name.toLowerCase();
  }
}

const row = ({ id, name, says, per, formula, of, source }) =>
  `| ${name} | ${PER[per]} | \`${cell(formula)}\` | ${cell(
    Object.entries(of)
      .map(([key, input]) => `_${key}_ ${stands(input)}`)
      .join('; '),
  )} | ${cell(says)} | ${cell(source)} | \`${id}\` |`;

const text = `# Figures of a build

Everything that follows from a build, with its formula. Lengths are millimetres, volumes cubic centimetres, weights grams, angles degrees, forces newton, pressures newton a square millimetre, speeds revolutions a minute or metres a second.

Formulas call by name what has no short one: \`fall(stroke, rod, offset, angle)\` is how far the piston is below its top with the crank at an angle, \`sqrt((rod + stroke / 2)^2 - offset^2) - (stroke / 2 cos(angle) + sqrt(rod^2 - (stroke / 2 sin(angle) + offset)^2))\`; \`fallRate\` and \`fallCurve\` are its first and second derivative by the angle in radians; \`fastest\` is where the first is greatest; \`dwell(stroke, rod, offset, drop)\` for how many degrees the fall is less than a drop; \`swingAtFoot(stroke, rod, offset, foot, beam)\` is how far the edge of a beam swings out at the height of the foot of the cylinder; \`lift(greatest, duration, centre, angle)\` is \`greatest (1 - u^2)^3\` with \`u = (angle - centre) / (duration / 2)\`, unless the lift was measured; \`seat(greatest, duration, at)\` is a duration from seat to seat of one that is counted from a lift; \`nearest\` is the angle at which piston and valve are nearest.

A spec works every formula out with mathjs, from this text, and holds it to the figure. Between which limits a figure should lie is in [the rules of thumb](rules-of-thumb.md).

This page is written from the code (\`npm run figures\`).
${Object.entries(SUBJECTS)
  .map(
    ([id, name]) => `
## ${name}

| Figure | For | Formula | In which | What it is | Source | Id |
| --- | --- | --- | --- | --- | --- | --- |
${FIGURES.filter(({ subject }) => subject === id)
  .map(row)
  .join('\n')}
`,
  )
  .join('')}`;
if (!process.argv.includes('--check')) await writeFile(file, text);
else if ((await readFile(file, 'utf8')) !== text) {
  console.error('docs/figures-of-a-build.md is not what the code says: run npm run figures.');
  process.exit(1);
}
