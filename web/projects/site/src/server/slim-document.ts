import { SlimElement, VOID } from './slim-element';
import { SlimComment, SlimHtml, SlimText } from './slim-nodes';

const TAG = /<!--.*?-->|<(\/?)([a-z][\w-]*)((?:\s+[\w-]+(?:="[^"]*")?)*)\s*(\/?)>/gs;
const ATTRIBUTE = /([\w-]+)(?:="([^"]*)")?/g;

/**
 * A document for one rendering, in the place of the server DOM of Angular: that one can do all that the DOM can, which
 * takes more than half of the time of a rendering. It begins as the page that the build has made, whose HTML is well
 * formed, with every attribute in double quotes.
 */
export class SlimDocument {
  readonly nodeType = 9;
  readonly documentElement: SlimElement;
  readonly head: SlimElement;
  readonly body: SlimElement;
  /** Listeners on it are never called. */
  readonly defaultView = { addEventListener: () => undefined, removeEventListener: () => undefined };
  readonly location: URL;

  constructor(page: string, url: string) {
    this.location = new URL(url);
    this.documentElement = this.read(page);
    this.head = this.documentElement.children.find(({ localName }) => localName === 'head')!;
    this.body = this.documentElement.children.find(({ localName }) => localName === 'body')!;
  }

  /** What cleans HTML needs a document that can read it, which the server DOM of Angular can. */
  get implementation(): DOMImplementation {
    return new (globalThis as unknown as { DOMImplementation: new () => DOMImplementation }).DOMImplementation();
  }

  get title(): string {
    return this.querySelector('title')?.textContent ?? '';
  }

  set title(text: string) {
    this.querySelector('title')!.textContent = text;
  }

  createElement(name: string): SlimElement {
    return new SlimElement(this, name);
  }

  createElementNS(namespace: string, name: string): SlimElement {
    return new SlimElement(this, name, namespace);
  }

  createTextNode(text: string): SlimText {
    return new SlimText(this, text);
  }

  createComment(text: string): SlimComment {
    return new SlimComment(this, text);
  }

  getElementById(id: string): SlimElement | null {
    return this.documentElement.first((element) => element.getAttribute('id') === id);
  }

  querySelector(selector: string): SlimElement | null {
    return this.documentElement.querySelector(selector);
  }

  querySelectorAll(selector: string): SlimElement[] {
    return this.documentElement.querySelectorAll(selector);
  }

  addEventListener(): void {
    // Nothing happens in it.
  }

  removeEventListener(): void {
    // As nothing was added.
  }

  /** As the platform asks for it at the end. */
  serialize(): string {
    return `<!doctype html>\n${this.documentElement.html()}`;
  }

  private read(page: string): SlimElement {
    const open: SlimElement[] = [];
    let root: SlimElement | null = null;
    let end = 0;
    for (const match of page.matchAll(TAG)) {
      const [all, slash = '', name = '', attributes = '', closed = ''] = match;
      const text = page.slice(end, match.index);
      const parent = open.at(-1);
      // Whatever looks like a tag inside a script is none.
      if (parent?.localName === 'script' && !(slash && name === 'script')) continue;
      if (text !== '') parent?.append(new SlimHtml(this, text));
      end = match.index + all.length;
      if (slash) open.pop();
      if (slash || name === '') continue;
      const element = new SlimElement(this, name);
      for (const [, key = '', value = ''] of attributes.matchAll(ATTRIBUTE)) element.setAttribute(key, value);
      parent?.append(element);
      root ??= element;
      if (!closed && !VOID.has(name)) open.push(element);
    }
    return root!;
  }
}
