/** What was typed into a form, by the names of its controls. */
export type KeptAnswers = ReadonlyMap<string, readonly string[]>;

/** What was typed into a form and not sent, kept in this browser. */
export class FormMemory {
  private readonly name: string;

  constructor(form: number) {
    this.name = `plindo.form.${form}`;
  }

  /** Keeps what stands in a form; what people don't see, and files, are not kept. */
  keep(form: HTMLFormElement): void {
    const entries = entriesOf(form);
    try {
      if (entries.length > 0) localStorage.setItem(this.name, JSON.stringify(entries));
      else this.forget();
    } catch {
      // A browser that keeps nothing only loses the draft.
    }
  }

  /** What was kept, by name; null for nothing. */
  read(): KeptAnswers | null {
    try {
      const entries = JSON.parse(localStorage.getItem(this.name) ?? 'null') as readonly [string, string][] | null;
      return entries && byName(entries);
    } catch {
      return null;
    }
  }

  forget(): void {
    try {
      localStorage.removeItem(this.name);
    } catch {
      // There is nothing to forget.
    }
  }
}

type Entry = readonly [name: string, value: string];

function entriesOf(form: HTMLFormElement): Entry[] {
  return [...new FormData(form)].filter(
    (entry): entry is [string, string] => typeof entry[1] === 'string' && entry[1] !== '' && !UNKEPT.has(entry[0]),
  );
}

function byName(entries: readonly Entry[]): KeptAnswers {
  const names = [...new Set(entries.map(([name]) => name))];
  return new Map(names.map((name) => [name, entries.filter(([own]) => own === name).map(([, value]) => value)]));
}

/** What stands in a form, by name; null for no form, and where nothing does. */
export function partsOfForm(form: HTMLFormElement | null): KeptAnswers | null {
  const entries = form ? entriesOf(form) : [];
  return entries.length > 0 ? byName(entries) : null;
}

/** How many rows of a field it takes for what was typed. */
export function rowsKept(kept: KeptAnswers | null, field: string): number {
  const begins = `${field}.`;
  const numbers = [...(kept?.keys() ?? [])]
    .filter((name) => name.startsWith(begins))
    .map((name) => Number.parseInt(name.slice(begins.length), 10));
  return Math.max(0, ...numbers.filter((at) => at >= 0).map((at) => at + 1));
}

const UNKEPT: ReadonlySet<string> = new Set(['path', 'secret', 'token', 'fax']);

/** Puts what was kept back into the controls of a form. */
export function fillForm(form: HTMLFormElement, kept: KeptAnswers): void {
  for (const control of form.elements) {
    if (control instanceof HTMLSelectElement || control instanceof HTMLTextAreaElement) {
      const [value] = kept.get(control.name) ?? [];
      if (value !== undefined) control.value = value;
    } else if (control instanceof HTMLInputElement && control.type !== 'file' && control.type !== 'hidden') {
      const values = kept.get(control.name);
      if (!values) continue;
      if (control.type === 'checkbox' || control.type === 'radio') control.checked = values.includes(control.value);
      else control.value = values[0] ?? '';
    }
  }
}
