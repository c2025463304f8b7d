interface Matched {
  readonly localName: string;
  getAttribute(name: string): string | null;
}

/** Understands what Angular asks for: names of elements, with attributes and their values, several of them. */
export function matcher(selector: string): (element: Matched) => boolean {
  const alternatives = selector.split(',').map((one) => {
    const [, name = ''] = /^\s*([\w-]*)/.exec(one) ?? [];
    const wanted = [...one.matchAll(/\[([\w-]+)(?:="?([^"\]]*)"?)?\]/g)];
    return (element: Matched): boolean =>
      (name === '' || element.localName === name) &&
      wanted.every(([, key = '', value]) => {
        const own = element.getAttribute(key);
        return value === undefined ? own !== null : own === value;
      });
  });
  return (element) => alternatives.some((fits) => fits(element));
}
