import fc from 'fast-check';
import { CatalogueLookup } from '../catalogue/lookup';
import { random } from '../quantity/random';
import { CATALOGUE, demoPart, LOOKUP, SETTING } from '../testing/demo';
import { Grid, isNothingAgainst, verdictOf, verdictOfJoint } from './grid';
import { groupsOf, openGroupsOf, orderOf } from './groups';
import { thinned } from './halfKnown';
import { DONOR_KINDS, recipientsFor } from './pairing';
import { swapParts } from './swap';
import { swapContextOf } from './swapContext';
import { WhatElse } from './whatElse';
import { VERDICTS } from '../joints/index';
import { holds } from '../testing/laws';

const all = new Map(DONOR_KINDS.map((kind) => [kind, LOOKUP.ofKind(kind).map(({ id }) => demoPart(id))]));
const partsOf = (kind: (typeof DONOR_KINDS)[number]) => all.get(kind) ?? [];
const rowsOf = (grid: Grid) => grid.donors.map((_, at) => grid.row(at));

describe('the grid', () => {
  for (const donor of DONOR_KINDS)
    it(`gives for every ${donor} the verdicts of the plain pairwise swap, on the whole and joint by joint`, () => {
      for (const recipient of recipientsFor(donor)) {
        const grid = new Grid(partsOf(donor), partsOf(recipient), SETTING);
        rowsOf(grid).forEach((row, i) =>
          row.forEach((cell, j) => {
            const [mine, theirs] = [grid.donors[i], grid.recipients[j]];
            // Every fifth is enough to walk all of the demo in a second.
            if (!mine || !theirs || (i + j) % 5 !== 0) return;
            const plain = swapParts(mine, theirs, SETTING);
            expect(verdictOf(cell)).withContext(`${mine.label} / ${theirs.label}`).toBe(plain.verdict);
            expect(isNothingAgainst(cell)).withContext(`${mine.label} / ${theirs.label}`).toBe(plain.nothingAgainst);
            for (const joint of plain.joints) {
              const at = grid.joints.findIndex(({ id }) => id === joint.id);
              expect(verdictOfJoint(cell, at)).withContext(joint.id).toBe(joint.verdict);
            }
          }),
        );
      }
    });

  it('puts what interchanges freely together', () => {
    const grid = new Grid(partsOf('crank'), partsOf('block'), SETTING);
    const rows = rowsOf(grid);
    const order = orderOf(rows, grid.recipients.length);
    expect([...order.donors].sort((a, b) => a - b)).toEqual([...rows.keys()]);
    // Where a donor fits, the columns of its fits stand next to each other, but for those of its block between them.
    const fits = (i: number, j: number) => verdictOf(rows[i]?.[j] ?? 0) === 'fits';
    for (const donor of order.donors) {
      const columns = order.recipients.flatMap((recipient, at) => (fits(donor, recipient) ? [at] : []));
      const between = order.recipients.slice(columns[0] ?? 0, (columns[columns.length - 1] ?? 0) + 1);
      for (const recipient of between) expect(order.donors.some((other) => fits(other, recipient))).toBeTrue();
    }
  });

  it('finds the groups that are drop-in for one another', () => {
    const grid = new Grid(partsOf('crank'), partsOf('block'), SETTING);
    const rows = rowsOf(grid);
    const groups = groupsOf(rows);
    for (const { donors, dropInto } of groups) {
      expect(dropInto.length).toBeGreaterThan(0);
      for (const donor of donors) expect(rows[donor]).toEqual(rows[donors[0] ?? 0]);
      for (const recipient of dropInto)
        for (const donor of donors) expect(verdictOf(rows[donor]?.[recipient] ?? 0)).toBe('fits');
    }
    const small = grid.recipients.findIndex(({ pattern }) => pattern === 'sluice-block-low-small');
    const into = groupsOf(rows, small).flatMap(({ donors }) => donors.map((at) => grid.donors[at]?.pattern));
    expect(into).toContain('sluice-crank-3375-cast');
    expect(into).toContain('sluice-crank-3375-forged');
    expect(into).not.toContain('sluice-crank-3375-large');
  });
});

describe('a grid of which half is known', () => {
  const lookup = new CatalogueLookup(thinned(CATALOGUE, 0.4, random(7)));
  const context = swapContextOf(lookup);
  const grid = new Grid(lookup.partsOfKind('head'), lookup.partsOfKind('block'), context);
  const rows = rowsOf(grid);

  it('tells open answers that nothing is against, as the plain swap does', () => {
    let told = 0;
    rows.forEach((row, i) =>
      row.forEach((cell, j) => {
        const [mine, theirs] = [grid.donors[i], grid.recipients[j]];
        if (!mine || !theirs) return;
        expect(isNothingAgainst(cell)).toBe(swapParts(mine, theirs, context).nothingAgainst);
        if (isNothingAgainst(cell)) told++;
      }),
    );
    expect(told).toBeGreaterThan(0);
  });

  it('has groups with nothing against them, told apart from what is proven', () => {
    const groups = openGroupsOf(rows);
    expect(groups.length).toBeGreaterThan(0);
    for (const { donors, dropInto, mayDropInto } of groups) {
      const cells = (into: number) => donors.map((donor) => rows[donor]?.[into] ?? 0);
      for (const into of mayDropInto) {
        expect(cells(into).every((cell) => verdictOf(cell) === 'fits' || isNothingAgainst(cell))).toBeTrue();
        expect(cells(into).some(isNothingAgainst)).toBeTrue();
      }
      for (const into of dropInto) expect(cells(into).every((cell) => verdictOf(cell) === 'fits')).toBeTrue();
    }
    const [first] = groups[0]?.mayDropInto ?? [];
    for (const { dropInto, mayDropInto } of openGroupsOf(rows, first))
      expect([...dropInto, ...mayDropInto]).toContain(first ?? -1);
  });
});

describe('what else', () => {
  it('answers as the full scan does, both ways round', () => {
    const pairs = DONOR_KINDS.flatMap((donor) => recipientsFor(donor).map((recipient) => [donor, recipient] as const));
    holds(
      fc.property(fc.constantFrom(...pairs), fc.nat(), fc.boolean(), ([donor, recipient], pick, taking) => {
        const [one, side] = taking ? ([donor, 'recipient'] as const) : ([recipient, 'donor'] as const);
        const many = partsOf(taking ? recipient : donor);
        const asked = partsOf(one)[pick % partsOf(one).length];
        if (!asked) return;
        const scan = many.map(
          (other) => (taking ? swapParts(asked, other, SETTING) : swapParts(other, asked, SETTING)).verdict,
        );
        const { best, counts } = new WhatElse(one, many, side, SETTING).ask(asked, many.length);
        for (const verdict of VERDICTS)
          expect(counts[verdict])
            .withContext(`${asked.label} ${verdict}`)
            .toBe(scan.filter((each) => each === verdict).length);
        for (const { at, swap } of best) expect(swap.verdict).toBe(scan[at] ?? 'fits');
        expect(best.length).toBe(scan.filter((verdict) => verdict !== 'doesNotFit').length);
      }),
      60,
    );
  });

  it('ranks by verdict, then by what the work costs, then by what the part is sold for', () => {
    const blocks = partsOf('block');
    const { best } = new WhatElse('crank', blocks, 'recipient', SETTING).ask(demoPart('sluice-crank-3375-forged'), 10);
    const ranks = best.map(
      ({ at, swap }) => VERDICTS.indexOf(swap.verdict) * 1e9 + swap.price * 1e5 + (blocks[at]?.price ?? 99_999),
    );
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
    expect(best[0]?.swap.verdict).toBe('fits');
  });
});
