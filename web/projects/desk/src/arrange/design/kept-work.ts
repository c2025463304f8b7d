/** Work on a design that isn't saved, kept in this browser so that it outlives a reload. */
export class KeptWork<Design> {
  private readonly key: string;

  constructor(name: string) {
    this.key = `plindo-design-${name}`;
  }

  /** What was kept of work on this version of the design; null for nothing, or when it was on another version. */
  read(version: number): Design | null {
    try {
      const kept = JSON.parse(localStorage.getItem(this.key) ?? 'null') as { version: number; design: Design } | null;
      return kept?.version === version ? kept.design : null;
    } catch {
      return null;
    }
  }

  write(version: number, design: Design): void {
    try {
      localStorage.setItem(this.key, JSON.stringify({ version, design }));
    } catch {
      // Where the browser keeps nothing, leaving asks first all the same.
    }
  }

  forget(): void {
    try {
      localStorage.removeItem(this.key);
    } catch {
      // There is nothing to forget.
    }
  }
}
