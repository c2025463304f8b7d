declare module '*.svg' {
  /** The text of the file, or its address, as the import asks. */
  const content: string;
  export default content;
}
