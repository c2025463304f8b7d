/** For long work in between: requests are answered before it goes on. */
export function breath(): Promise<void> {
  return new Promise((resolve) => setImmediate(resolve));
}
