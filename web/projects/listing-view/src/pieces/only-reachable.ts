/** Makes everything on the page but one element unreachable, until what it returns is called. */
export function onlyReachable(element: HTMLElement): () => void {
  const others: Element[] = [];
  for (let own: Element | null = element; own?.parentElement; own = own.parentElement) {
    for (const sibling of own.parentElement.children) {
      if (sibling !== own && !sibling.hasAttribute('inert')) others.push(sibling);
    }
  }
  for (const other of others) other.setAttribute('inert', '');
  return () => {
    for (const other of others) other.removeAttribute('inert');
  };
}
