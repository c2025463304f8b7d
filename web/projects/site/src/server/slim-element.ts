import type { SlimStyles } from './slim-attributes';
import { SlimClasses, stylesOf } from './slim-attributes';
import { SlimComment, SlimHtml, SlimNode, SlimText } from './slim-nodes';
import type { SlimParent } from './slim-nodes';
import { matcher } from './slim-selector';

const HTML = 'http://www.w3.org/1999/xhtml';
/** Elements that have no end (HTML standard, 13.1.2). */
export const VOID = new Set('area base br col embed hr img input link meta source track wbr'.split(' '));
/** Elements whose text is not escaped (HTML standard, 13.3, serialising HTML fragments). */
const RAW_TEXT = new Set(['style', 'script']);

export class SlimElement extends SlimNode implements SlimParent {
  readonly nodeType = 1;
  firstChild: SlimNode | null = null;
  lastChild: SlimNode | null = null;
  readonly isHtml: boolean;
  readonly tagName: string;
  /** Names and values beside one another: an element has few, for which a map takes longer. */
  private readonly names: string[] = [];
  private readonly values: string[] = [];

  constructor(
    owner: unknown,
    readonly localName: string,
    namespace = HTML,
  ) {
    super(owner);
    this.isHtml = namespace === HTML;
    this.tagName = this.isHtml ? localName.toUpperCase() : localName;
  }

  override get isConnected(): boolean {
    return this.parentNode?.isConnected ?? this.localName === 'html';
  }

  get nodeName(): string {
    return this.tagName;
  }

  get children(): SlimElement[] {
    return this.childNodes.filter((node) => node instanceof SlimElement);
  }

  get childNodes(): SlimNode[] {
    const nodes: SlimNode[] = [];
    for (let node = this.firstChild; node; node = node.nextSibling) nodes.push(node);
    return nodes;
  }

  appendChild<Node extends SlimNode>(node: Node): Node {
    return this.insertBefore(node, null);
  }

  append(node: SlimNode): void {
    this.insertBefore(node, null);
  }

  insertBefore<Node extends SlimNode>(node: Node, next: SlimNode | null): Node {
    node.remove();
    const before = next ? next.previousSibling : this.lastChild;
    node.parentNode = this;
    node.previousSibling = before;
    node.nextSibling = next;
    if (before) before.nextSibling = node;
    else this.firstChild = node;
    if (next) next.previousSibling = node;
    else this.lastChild = node;
    return node;
  }

  removeChild(node: SlimNode): void {
    node.remove();
  }

  get textContent(): string {
    return this.childNodes.map((node) => (node instanceof SlimComment ? '' : node.textContent)).join('');
  }

  set textContent(text: string) {
    this.clear();
    if (text !== '') this.append(new SlimText(this.ownerDocument, text));
  }

  get outerHTML(): string {
    return this.html();
  }

  get innerHTML(): string {
    let html = '';
    for (let node = this.firstChild; node; node = node.nextSibling) html += node.html();
    return html;
  }

  set innerHTML(content: string) {
    this.clear();
    this.append(new SlimHtml(this.ownerDocument, String(content)));
  }

  private clear(): void {
    this.firstChild = this.lastChild = null;
  }

  querySelector(selector: string): SlimElement | null {
    return this.first(matcher(selector));
  }

  querySelectorAll(selector: string): SlimElement[] {
    return this.all(matcher(selector));
  }

  /** The first element inside that fits, in the order of the document. */
  first(fits: (element: SlimElement) => boolean): SlimElement | null {
    for (let node = this.firstChild; node; node = node.nextSibling) {
      if (!(node instanceof SlimElement)) continue;
      const found = fits(node) ? node : node.first(fits);
      if (found) return found;
    }
    return null;
  }

  private all(fits: (element: SlimElement) => boolean): SlimElement[] {
    return this.children.flatMap((child) => [...(fits(child) ? [child] : []), ...child.all(fits)]);
  }

  getAttribute(name: string): string | null {
    return this.values[this.names.indexOf(this.nameOf(name))] ?? null;
  }

  hasAttribute(name: string): boolean {
    return this.names.includes(this.nameOf(name));
  }

  setAttribute(name: string, value: unknown): void {
    const own = this.nameOf(name);
    const at = this.names.indexOf(own);
    if (at < 0) this.names.push(own);
    this.values[at < 0 ? this.names.length - 1 : at] = String(value);
  }

  setAttributeNS(_namespace: string, name: string, value: unknown): void {
    this.setAttribute(name, value);
  }

  removeAttribute(name: string): void {
    const at = this.names.indexOf(this.nameOf(name));
    if (at < 0) return;
    this.names.splice(at, 1);
    this.values.splice(at, 1);
  }

  removeAttributeNS(_namespace: string, name: string): void {
    this.removeAttribute(name);
  }

  get classList(): SlimClasses {
    return new SlimClasses(this);
  }

  get style(): SlimStyles {
    return stylesOf(this);
  }

  html(): string {
    let html = `<${this.localName}`;
    for (let at = 0; at < this.names.length; at++) html += ` ${this.names[at]}="${escapedAttribute(this.values[at]!)}"`;
    if (this.isHtml && VOID.has(this.localName)) return `${html}>`;
    html += '>';
    const content = RAW_TEXT.has(this.localName) ? this.textContent : this.innerHTML;
    return `${html}${content}</${this.localName}>`;
  }

  /** Names of attributes of HTML elements are known in small letters only. */
  private nameOf(name: string): string {
    return this.isHtml ? name.toLowerCase() : name;
  }
}

const TEXTS = ['id', 'href', 'src', 'alt', 'title', 'name', 'type', 'action', 'method', 'lang', 'placeholder', 'rel'];
const MORE_TEXTS = ['min', 'max', 'step', 'sizes', 'srcset', 'media', 'role', 'value', 'target', 'width', 'height'];
const SWITCHES = ['checked', 'disabled', 'hidden', 'open', 'required', 'multiple', 'readonly'];

/** Properties that stand for attributes (HTML standard, 2.6.1, reflecting content attributes). */
for (const name of [...TEXTS, ...MORE_TEXTS]) {
  Object.defineProperty(SlimElement.prototype, name, {
    get(this: SlimElement) {
      return this.getAttribute(name) ?? '';
    },
    set(this: SlimElement, value: unknown) {
      this.setAttribute(name, value);
    },
  });
}
for (const name of SWITCHES) {
  Object.defineProperty(SlimElement.prototype, name, {
    set(this: SlimElement, value: unknown) {
      if (value) this.setAttribute(name, '');
      else this.removeAttribute(name);
    },
  });
}

function escapedAttribute(text: string): string {
  return /["&\u00a0]/.test(text)
    ? text
        .replace(/&/g, '&amp;')
        .replace(/"/g, '&quot;')
        .replace(/\u00a0/g, '&nbsp;')
    : text;
}
