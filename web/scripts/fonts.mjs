/**
 * Cuts the fonts in two: the characters that the interface itself writes, and the rest of the Latin ones, which a
 * browser fetches only where a name needs them. Run before the build; writes web/generated.
 */
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import subsetFont from 'subset-font';

const FACES = [
  { family: 'Barlow', from: 'barlow', weights: [400, 600] },
  { family: 'Barlow Condensed', from: 'barlow-condensed', weights: [600] },
  { family: 'JetBrains Mono', from: 'jetbrains-mono', weights: [400] },
];
const between = (from, to) => Array.from({ length: to - from + 1 }, (_, at) => from + at);
/** What can be typed without a thought, and the signs of sentences and sizes. */
const OWN = [...between(0x20, 0x7e), ...[...'\u00a0’‘“”–—…·×±°²³µ½¼¾Ø−′″√•'].map((each) => each.codePointAt(0))];
const REST = [...between(0xa1, 0x17f), 0x2c6, 0x2da, 0x2dc, 0x20ac, 0x2122].filter((point) => !OWN.includes(point));

/** U+20-7E, U+A0, and so on. */
function rangesOf(points) {
  const ranges = [];
  for (const point of [...points].sort((a, b) => a - b)) {
    const last = ranges.at(-1);
    if (last && last[1] === point - 1) last[1] = point;
    else ranges.push([point, point]);
  }
  const hex = (point) => point.toString(16).toUpperCase();
  return ranges.map(([from, to]) => (from === to ? `U+${hex(from)}` : `U+${hex(from)}-${hex(to)}`)).join(', ');
}

const files = createRequire(import.meta.url);
const folder = new URL('../generated/', import.meta.url);
await mkdir(folder, { recursive: true });
// Ligatures and other forms that no style asks for stay out.
let sheet = '// Written by scripts/fonts.mjs.\n';
for (const { family, from, weights } of FACES)
  for (const weight of weights) {
    const font = await readFile(files.resolve(`@fontsource/${from}/files/${from}-latin-${weight}-normal.woff2`));
    for (const [part, points] of [
      ['own', OWN],
      ['rest', REST],
    ]) {
      const name = `${from}-${weight}-${part}.woff2`;
      await writeFile(
        new URL(name, folder),
        await subsetFont(font, String.fromCodePoint(...points), { targetFormat: 'woff2', noLayoutClosure: true }),
      );
      sheet += `@font-face {
  font-family: '${family}';
  font-style: normal;
  font-weight: ${weight};
  font-display: swap;
  src: url('./${name}') format('woff2');
  unicode-range: ${rangesOf(points)};
}
`;
    }
  }
await writeFile(new URL('fonts.less', folder), sheet);
