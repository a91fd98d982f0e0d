/** The Hungarian method: pairs of row and column whose costs together are least. */
declare module 'munkres-js' {
  export default function munkres(costs: readonly (readonly number[])[]): [row: number, column: number][];
}
