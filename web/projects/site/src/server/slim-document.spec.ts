import { SlimDocument } from './slim-document';

const PAGE = `<!doctype html>
<html lang="en">
  <head>
    <title>Old</title>
    <meta name="description" content=""/>
    <base href="/"/>
  </head>
  <body><!-- a note --><script>if (1 < 2) { x = "<p>"; }</script>
    <pl-site ngcspnonce="N"></pl-site>
  </body>
</html>
`;

describe('The document of one rendering', () => {
  const made = (): SlimDocument => new SlimDocument(PAGE, 'http://localhost/berths?page=2');

  it('begins as the page of the build', () => {
    const document = made();
    const squeezed = (html: string): string => html.replace(/\s+/g, ' ').replaceAll('"/>', '">').trim();
    expect(squeezed(document.serialize())).toBe(squeezed(PAGE).replace('<!-- a note -->', ''));
    expect([document.head.localName, document.body.localName, document.location.search]).toEqual([
      'head',
      'body',
      '?page=2',
    ]);
  });

  it('finds what it is asked for', () => {
    const document = made();
    document.title = 'Berths & more';
    expect([document.title, document.querySelector('base')?.getAttribute('href')]).toEqual(['Berths & more', '/']);
    expect(document.querySelector('meta[name="description"]')).not.toBeNull();
    expect(document.querySelector('meta[name="keywords"]')).toBeNull();
    expect(document.body.querySelector('[ngCspNonce]')?.getAttribute('ngCspNonce')).toBe('N');
    expect(document.querySelectorAll('style,link,base').map(({ localName }) => localName)).toEqual(['base']);
  });

  it('writes texts and attributes so that a browser reads the same', () => {
    const document = made();
    const link = document.createElement('a');
    link.setAttribute('title', 'a "b" & <c>\u00a0d');
    link.append(document.createTextNode('a "b" & <c>\u00a0d'));
    link.append(document.createComment('x'));
    const read = new DOMParser().parseFromString(link.html(), 'text/html').body.firstElementChild!;
    expect([read.getAttribute('title'), read.textContent, read.childNodes.length]).toEqual([
      'a "b" & <c>\u00a0d',
      'a "b" & <c>\u00a0d',
      2,
    ]);
  });

  it('keeps nodes in their order while they are put in, moved and taken out', () => {
    const document = made();
    const list = document.createElement('ul');
    const [a, b, c] = ['a', 'b', 'c'].map((name) => document.createElement(name)) as [never, never, never];
    list.appendChild(a);
    list.appendChild(c);
    list.insertBefore(b, c);
    expect(list.html()).toBe('<ul><a></a><b></b><c></c></ul>');
    list.insertBefore(c, a);
    list.removeChild(b);
    expect(list.html()).toBe('<ul><c></c><a></a></ul>');
    list.textContent = '';
    expect([list.html(), list.firstChild, list.lastChild]).toEqual(['<ul></ul>', null, null]);
  });

  it('keeps properties, classes and styles as attributes', () => {
    const document = made();
    const input = document.createElement('input') as unknown as HTMLInputElement;
    input.type = 'checkbox';
    input.checked = true;
    input.disabled = false;
    input.classList.add('wide');
    input.classList.add('late');
    input.classList.remove('wide');
    input.style.setProperty('--depth', '2');
    input.style.color = 'red';
    input.style.setProperty('--depth', null);
    const attributes = ['type', 'checked', 'disabled', 'class', 'style'].map((name) => input.getAttribute(name));
    expect(attributes).toEqual(['checkbox', '', null, 'late', 'color: red;']);
  });
});
