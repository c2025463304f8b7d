declare module '*.css' {
  /** What stands in the file. */
  const text: string;
  export default text;
}
