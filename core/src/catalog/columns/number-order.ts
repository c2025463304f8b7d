const RADIX_BITS = 16;
const RADIX = 1 << RADIX_BITS;
const FEW_ROWS = 4096;

/** The rows in the order of their values, equal ones in the order given. No value may be NaN. */
export function orderedByValue(rows: Uint32Array, values: Float64Array): Uint32Array {
  if (rows.length < FEW_ROWS) return rows.slice().sort((a, b) => values[a]! - values[b]!);
  return radixOrdered(rows, values);
}

/**
 * A radix sort over the bits of the numbers, 16 at a time from the lowest. Bits of IEEE 754 numbers compare as the
 * numbers do once those of negative ones are all turned over, and the sign of the others is.
 */
function radixOrdered(rows: Uint32Array, values: Float64Array): Uint32Array {
  const numbers = new Float64Array(rows.length);
  // −0 and 0 are equal, and their bits have to be too.
  for (let at = 0; at < rows.length; at++) numbers[at] = values[rows[at]!]! + 0;
  const bits = new Uint32Array(numbers.buffer);
  for (let at = 0; at < bits.length; at += 2) {
    const isNegative = bits[at + 1]! >>> 31 === 1;
    bits[at] = isNegative ? ~bits[at]! : bits[at]!;
    bits[at + 1] = isNegative ? ~bits[at + 1]! : bits[at + 1]! ^ 0x80000000;
  }
  let order = Uint32Array.from(rows, (_, at) => at);
  let spare = new Uint32Array(rows.length);
  for (let digit = 0; digit < 4; digit++) {
    const shift = digit % 2 === 0 ? 0 : RADIX_BITS;
    const ends = digitEnds(bits, digit >> 1, shift);
    if (!ends) continue;
    for (let at = order.length - 1; at >= 0; at--) {
      const own = order[at]!;
      spare[--ends[(bits[own * 2 + (digit >> 1)]! >>> shift) & (RADIX - 1)]!] = own;
    }
    [order, spare] = [spare, order];
  }
  return order.map((at) => rows[at]!);
}

/** Where the rows of each digit end; null when all have the same, so that there is nothing to sort. */
function digitEnds(bits: Uint32Array, half: number, shift: number): Uint32Array | null {
  const ends = new Uint32Array(RADIX);
  for (let at = half; at < bits.length; at += 2) ends[(bits[at]! >>> shift) & (RADIX - 1)]!++;
  if (ends[(bits[half]! >>> shift) & (RADIX - 1)] === bits.length / 2) return null;
  for (let digit = 1; digit < RADIX; digit++) ends[digit]! += ends[digit - 1]!;
  return ends;
}
