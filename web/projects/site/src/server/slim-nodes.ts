/** What a node asks of the one that it is in. */
export interface SlimParent {
  firstChild: SlimNode | null;
  lastChild: SlimNode | null;
  readonly isConnected: boolean;
  insertBefore(node: SlimNode, next: SlimNode | null): SlimNode;
}

/**
 * Nodes of a document that is written once and read once, as a string: they hold what Angular's renderer puts into them
 * and nothing else. Names are those of the DOM standard, as the renderer calls them.
 */
export abstract class SlimNode {
  parentNode: SlimParent | null = null;
  previousSibling: SlimNode | null = null;
  nextSibling: SlimNode | null = null;
  abstract readonly nodeType: number;

  constructor(readonly ownerDocument: unknown) {}

  abstract get textContent(): string;

  /** The node as HTML. */
  abstract html(): string;

  get parentElement(): SlimParent | null {
    return this.parentNode;
  }

  get isConnected(): boolean {
    return this.parentNode?.isConnected ?? false;
  }

  remove(): void {
    const { parentNode: parent, previousSibling: before, nextSibling: after } = this;
    if (!parent) return;
    if (before) before.nextSibling = after;
    else parent.firstChild = after;
    if (after) after.previousSibling = before;
    else parent.lastChild = before;
    this.parentNode = this.previousSibling = this.nextSibling = null;
  }

  after(node: SlimNode): void {
    this.parentNode?.insertBefore(node, this.nextSibling);
  }

  addEventListener(): void {
    // Nothing happens in it.
  }

  removeEventListener(): void {
    // As nothing was added.
  }
}

/** A node that is a text. */
abstract class SlimData extends SlimNode {
  constructor(
    owner: unknown,
    public nodeValue: string,
  ) {
    super(owner);
  }

  get textContent(): string {
    return this.nodeValue;
  }
}

export class SlimText extends SlimData {
  readonly nodeType = 3;

  html(): string {
    return escapedText(String(this.nodeValue));
  }
}

export class SlimComment extends SlimData {
  readonly nodeType = 8;

  html(): string {
    return `<!--${this.nodeValue}-->`;
  }
}

/** HTML that comes as it is: of the page that the build has made, or cleaned before. */
export class SlimHtml extends SlimData {
  readonly nodeType = 3;

  html(): string {
    return this.nodeValue;
  }
}

function escapedText(text: string): string {
  return /[&<>\u00a0]/.test(text)
    ? text
        .replace(/&/g, '&amp;')
        .replace(/</g, '&lt;')
        .replace(/>/g, '&gt;')
        .replace(/\u00a0/g, '&nbsp;')
    : text;
}
