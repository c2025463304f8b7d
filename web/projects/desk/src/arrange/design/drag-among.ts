/** Dragging of marked parts of a live view onto one another, with the browser's own means. */
export class DragAmong {
  /** Key of what is being dragged. */
  private lifted: string | null = null;

  /**
   * @param mark name of the data attribute that marks what can be dragged, in camel case
   * @param drop is told what was dropped on what, and whether behind it
   */
  constructor(
    private readonly host: HTMLElement,
    private readonly mark: string,
    private readonly drop: (from: string, onto: string, isBehind: boolean) => void,
  ) {
    host.addEventListener('dragstart', (event) => this.lift(event));
    host.addEventListener('dragover', (event) => this.dragOver(event));
    host.addEventListener('drop', (event) => this.dropped(event));
    host.addEventListener('dragend', () => this.letGo());
  }

  private lift(event: DragEvent): void {
    const part = this.partAt(event);
    this.lifted = part?.dataset[this.mark] ?? null;
    if (!part || !event.dataTransfer) return;
    event.dataTransfer.effectAllowed = 'move';
    // Firefox drags nothing without data.
    event.dataTransfer.setData('text/plain', this.lifted ?? '');
  }

  private dragOver(event: DragEvent): void {
    const part = this.lifted === null ? null : this.partAt(event);
    this.clearMarks();
    if (!part) return;
    event.preventDefault();
    part.classList.add(isBehind(event, part) ? 'drop-after' : 'drop-before');
  }

  private dropped(event: DragEvent): void {
    const [from, part] = [this.lifted, this.partAt(event)];
    const onto = part?.dataset[this.mark];
    if (part && from !== null && onto !== undefined) {
      event.preventDefault();
      this.drop(from, onto, isBehind(event, part));
    }
    this.letGo();
  }

  private letGo(): void {
    this.lifted = null;
    this.clearMarks();
  }

  private clearMarks(): void {
    for (const part of this.host.querySelectorAll('.drop-before, .drop-after')) {
      part.classList.remove('drop-before', 'drop-after');
    }
  }

  private partAt({ target }: Event): HTMLElement | null {
    const attribute = this.mark.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
    return target instanceof Element ? target.closest<HTMLElement>(`[data-${attribute}]`) : null;
  }
}

/** Whether a point lies in the lower half of something. */
function isBehind({ clientY }: MouseEvent, element: HTMLElement): boolean {
  const { top, height } = element.getBoundingClientRect();
  return clientY > top + height / 2;
}
