/** What something costly comes to, made when it is first asked for and the same ever after. */
export function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}
