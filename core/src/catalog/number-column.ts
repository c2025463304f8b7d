/** A number a row; NaN stands for no value. */
export class NumberColumn {
  readonly kind = 'number';
  values: Float64Array;

  constructor(capacity: number) {
    this.values = new Float64Array(capacity).fill(NaN);
  }

  grow(capacity: number): void {
    const larger = new Float64Array(capacity).fill(NaN);
    larger.set(this.values);
    this.values = larger;
  }

  put(row: number, value: number | null): void {
    this.values[row] = value ?? NaN;
  }
}
