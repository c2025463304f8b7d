import type { DesignedPage } from '@plindo/core/page';
import { partsInDocument } from '@plindo/listing-view';

const MARK = 'pointed-at';

/** While it lasts, what the pointer is over on a page is marked, and a click gives its key instead of doing what it does. */
export class Pointing {
  private readonly keys: ReadonlyMap<Element, string>;
  private marked: Element | null = null;

  /** @param chosen is told the key of the strip or piece that was clicked; null when Escape was pressed */
  constructor(
    private readonly document: Document,
    model: DesignedPage,
    private readonly chosen: (key: string | null) => void,
  ) {
    this.keys = new Map(partsInDocument(document, model).map(({ element, key }) => [element, key]));
    document.addEventListener('pointerover', this.over);
    document.addEventListener('click', this.click, true);
    document.addEventListener('keydown', this.press);
  }

  end(): void {
    this.mark(null);
    this.document.removeEventListener('pointerover', this.over);
    this.document.removeEventListener('click', this.click, true);
    this.document.removeEventListener('keydown', this.press);
  }

  private readonly over = ({ target }: Event): void => this.mark(this.partAt(target));

  private readonly click = (event: Event): void => {
    const part = this.partAt(event.target);
    const key = part && this.keys.get(part);
    if (key == null) return;
    event.preventDefault();
    event.stopPropagation();
    this.chosen(key);
  };

  private readonly press = ({ key }: KeyboardEvent): void => {
    if (key === 'Escape') this.chosen(null);
  };

  /** The innermost part of the page around something. */
  private partAt(target: EventTarget | null): Element | null {
    let element = target instanceof Element ? target : null;
    while (element && !this.keys.has(element)) element = element.parentElement;
    return element;
  }

  private mark(element: Element | null): void {
    this.marked?.classList.remove(MARK);
    element?.classList.add(MARK);
    this.marked = element;
  }
}
