/** Writes the list of figures of thumb; with --check only says whether it is up to date. */
import { readFile, writeFile } from 'node:fs/promises';
import { say, sayFigure, sayLeeway, THUMB_SUBJECTS } from '@which-bore/core';

const file = new URL('../docs/rules-of-thumb.md', import.meta.url);
const cell = (text) => text.replaceAll('|', '\\|');
const row = (figure) => {
  const leeway = sayLeeway(figure);
  return `| ${figure.name} | ${say(sayFigure(figure), 'metric')} | ${leeway ? say(leeway, 'metric') : ''} | ${cell(figure.says)}. | ${figure.source} | \`${figure.id}\` |`;
};
const text = `# Rules of thumb

What the checks go by where nobody says what the maker asks for. _Common practice_ is common practice without a source. A maker goes as far as the third column; outside it all of them refuse, between the two what is specified decides. A shop may put its own figures in their places, in **Rules** or under \`rules.figures\` of \`PUT /api/shop\`, by the ids of the last column and in millimetres, grams and revolutions a minute; a share is a share, 0.001 for a thousandth.

This page is written from the code (\`npm run rules-of-thumb\`).
${THUMB_SUBJECTS.map(
  ({ name, figures }) => `
## ${name}

| Figure | Usual | Makers go | Why | Source | Id |
| --- | --- | --- | --- | --- | --- |
${figures.map(row).join('\n')}
`,
).join('')}`;
if (!process.argv.includes('--check')) await writeFile(file, text);
else if ((await readFile(file, 'utf8')) !== text) {
  console.error('docs/rules-of-thumb.md is not what the code says: run npm run rules-of-thumb.');
  process.exit(1);
}
