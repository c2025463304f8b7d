/** Buttons that only a program does anything for, and links for which it does something better. */
const NEEDS_PROGRAM = 'button[type=button]:not([popovertarget]), a[data-needs-program]';

type Control = HTMLInputElement | HTMLSelectElement;

/** What visitors do with a page before its program has started: it is kept, and done again then. */
export class HeldBack {
  private clicked: HTMLElement | null = null;
  /** Buttons to keep listings, of which each counts; what was pressed twice is as before. */
  private readonly kept = new Set<HTMLElement>();
  /** What was opened or folded, and how it was left. */
  private readonly folds = new Map<HTMLDetailsElement, boolean>();
  private readonly changed = new Map<Control, string | boolean>();

  constructor(private readonly document: Document) {
    document.addEventListener('click', this.hold, true);
    for (const type of ['input', 'change']) document.addEventListener(type, this.note, true);
  }

  /** Does it again, in the place where it was done; from now on the program hears everything itself, if it has come. */
  doAgain(): void {
    this.document.removeEventListener('click', this.hold, true);
    for (const type of ['input', 'change']) this.document.removeEventListener(type, this.note, true);
    for (const [control, value] of this.changed) {
      if (!control.isConnected) continue;
      // The program has put there what the page came with.
      if (typeof value === 'boolean') (control as HTMLInputElement).checked = value;
      else control.value = value;
      control.dispatchEvent(new Event(isTyped(control) ? 'input' : 'change', { bubbles: true }));
    }
    for (const [fold, isOpen] of this.folds) fold.open = isOpen;
    for (const button of this.kept) button.click();
    this.clicked?.click();
  }

  private readonly hold = (event: MouseEvent): void => {
    const fold = (event.target as Element).closest('summary')?.parentElement;
    if (fold instanceof HTMLDetailsElement) this.folds.set(fold, !fold.open);
    const wanted = (event.target as Element).closest<HTMLElement>(NEEDS_PROGRAM);
    if (!wanted || event.ctrlKey || event.metaKey || event.shiftKey) return;
    event.preventDefault();
    if (wanted.dataset['keep'] === undefined) this.clicked = wanted;
    else if (!this.kept.delete(wanted)) this.kept.add(wanted);
  };

  private readonly note = ({ target }: Event): void => {
    const control = target as Control;
    if (!control.name) return;
    this.changed.set(control, isTicked(control) ? (control as HTMLInputElement).checked : control.value);
  };
}

function isTicked({ type }: Control): boolean {
  return type === 'checkbox' || type === 'radio';
}

/** Words that are still being typed, which are looked for by themselves. */
function isTyped({ type }: Control): boolean {
  return type === 'search';
}
