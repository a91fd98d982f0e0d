/** Text files that tests read whole. */
declare module '*.csv' {
  const text: string;
  export default text;
}
declare module '*.md' {
  const text: string;
  export default text;
}
