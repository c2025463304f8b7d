/** What tells in a page which listing a card or a row is of. */
const MARK = 'data-listing';
const IN_STEP = 'in-step';

/** The cards and rows of a page that go along with a map: those of one listing are marked on both. */
export class ListingsInStep {
  /** Marks the cards of a listing; null for none. */
  mark(id: number | null): void {
    for (const marked of document.querySelectorAll(`.${IN_STEP}`)) marked.classList.remove(IN_STEP);
    for (const one of id === null ? [] : this.of(id)) one.classList.add(IN_STEP);
  }

  /** Marks the cards of a listing and brings the first into view. */
  show(id: number): void {
    this.mark(id);
    this.of(id)[0]?.scrollIntoView({ block: 'nearest', behavior: 'smooth' });
  }

  /** Tells which listing's card is pointed at or has the focus, until what it returns is called. */
  follow(tell: (id: number | null) => void): () => void {
    const idAt = ({ target }: Event): number | null => {
      const own = (target as Element).closest?.(`[${MARK}]`)?.getAttribute(MARK);
      return own === null || own === undefined ? null : Number(own);
    };
    let last: number | null = null;
    const listen = (event: Event): void => {
      const id = idAt(event);
      if (id !== last) tell(id);
      last = id;
    };
    const events = ['pointerover', 'focusin'] as const;
    for (const name of events) document.addEventListener(name, listen);
    return () => {
      for (const name of events) document.removeEventListener(name, listen);
    };
  }

  private of(id: number): Element[] {
    return [...document.querySelectorAll(`[${MARK}="${id}"]`)];
  }
}
