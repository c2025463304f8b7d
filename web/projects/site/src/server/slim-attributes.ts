/** What classes and styles ask of their element. */
interface WithAttributes {
  getAttribute(name: string): string | null;
  setAttribute(name: string, value: string): void;
  removeAttribute(name: string): void;
}

/** The names in the class attribute of an element. */
export class SlimClasses {
  constructor(private readonly element: WithAttributes) {}

  add(name: string): void {
    const names = this.element.getAttribute('class') ?? '';
    if (!names.split(' ').includes(name)) this.element.setAttribute('class', names === '' ? name : `${names} ${name}`);
  }

  remove(name: string): void {
    const names = (this.element.getAttribute('class') ?? '').split(' ').filter((one) => one !== name && one !== '');
    this.element.setAttribute('class', names.join(' '));
  }
}

/** The declarations in the style attribute of an element. */
export class SlimStyles {
  constructor(private readonly element: WithAttributes) {}

  setProperty(name: string, value: string | null, priority = ''): void {
    const values = this.read();
    if (value === null || value === '') values.delete(name);
    else values.set(name, priority === '' ? value : `${value} !${priority}`);
    const text = Array.from(values, ([key, own]) => `${key}: ${own};`).join(' ');
    if (text === '') this.element.removeAttribute('style');
    else this.element.setAttribute('style', text);
  }

  removeProperty(name: string): void {
    this.setProperty(name, null);
  }

  private read(): Map<string, string> {
    const values = new Map<string, string>();
    for (const declaration of (this.element.getAttribute('style') ?? '').split(';')) {
      const [name = '', value = ''] = declaration.split(/:(.*)/s);
      if (name.trim() !== '') values.set(name.trim(), value.trim());
    }
    return values;
  }
}

/** Properties of a style are its declarations: `style.objectPosition = …`. */
export function stylesOf(element: WithAttributes): SlimStyles {
  return new Proxy(new SlimStyles(element), {
    set(styles, name, value: string | null): boolean {
      styles.setProperty(
        String(name).replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`),
        value,
      );
      return true;
    },
  });
}
