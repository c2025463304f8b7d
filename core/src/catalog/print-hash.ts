/** 53 bits of texts: two multiplicative hashes side by side (after FNV-1a, with other primes and a last mixing). */
export class PrintHash {
  private a = 0x811c9dc5;
  private b = 0x2f0b4c47;

  add(text: string): this {
    let { a, b } = this;
    for (let at = 0; at < text.length; at++) {
      const code = text.charCodeAt(at);
      a = Math.imul(a ^ code, 0x01000193);
      b = Math.imul(b ^ code, 0x5bd1e995);
      b ^= b >>> 15;
    }
    // So that it matters where a text ends.
    this.a = Math.imul(a ^ 0x10000, 0x01000193);
    this.b = Math.imul(b ^ 0x10000, 0x5bd1e995);
    return this;
  }

  value(): number {
    const mixed = Math.imul(this.a ^ (this.a >>> 16), 0x85ebca6b);
    return ((mixed ^ (mixed >>> 13)) >>> 0) * 2 ** 21 + (this.b >>> 11);
  }
}
