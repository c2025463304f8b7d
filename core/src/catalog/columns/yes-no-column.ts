export const MISSING = 0;
export const NO = 1;
export const YES = 2;

/** Yes, no or no value, a byte a row. */
export class YesNoColumn {
  readonly kind = 'yes-no';
  values: Uint8Array;

  constructor(capacity: number) {
    this.values = new Uint8Array(capacity);
  }

  grow(capacity: number): void {
    const larger = new Uint8Array(capacity);
    larger.set(this.values);
    this.values = larger;
  }

  hasAny(row: number): boolean {
    return this.values[row] !== MISSING;
  }

  kept(): Uint8Array {
    return this.values.slice();
  }

  restore(kept: Uint8Array): void {
    this.values = kept.slice();
  }

  put(row: number, value: boolean | null): void {
    this.values[row] = value === null ? MISSING : value ? YES : NO;
  }
}
