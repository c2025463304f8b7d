import { checkLook, makeLook, ownCssFaults, scopedCss } from '../index.js';

describe('Own CSS', () => {
  it('holds inside the parts of a page only', () => {
    expect(scopedCss('h1, .strip > p { color: teal }')).toBe(
      [
        ':where(pl-designed-page, pl-site-header, pl-site-footer) h1',
        ':where(pl-designed-page, pl-site-header, pl-site-footer):not(*)',
        ':where(pl-designed-page, pl-site-header, pl-site-footer) .strip > p',
        ':where(pl-designed-page, pl-site-header, pl-site-footer).strip > p { color: teal }',
      ].join(', '),
    );
    expect(scopedCss('@media (width > 40rem) { b { top: 0 } }')).toContain('@media (width > 40rem) { :where(');
    expect(scopedCss('@keyframes turn { from { rotate: 0deg } }')).toBe('@keyframes turn { from { rotate: 0deg } }');
  });

  it('is refused with line and reason where it reaches outside, fetches from elsewhere, or lies over everything', () => {
    const refused: readonly (readonly [css: string, line: number, why: RegExp])[] = [
      ['@import "x.css";', 1, /@import/],
      ['@font-face { font-family: x }', 1, /@font-face/],
      ['p {\n  background: url(https://evil.example/x.png)\n}', 2, /not on this site/],
      ['p { background: url("//evil.example/x") }', 1, /not on this site/],
      ['p { background: url(data:image/png;base64,x) }', 1, /not on this site/],
      ['p { background: image-set("https://evil.example/x" 1x) }', 1, /elsewhere/],
      ['p { width: expression(alert(1)) }', 1, /program/],
      ['b { top: 0 }\n\n.x { position: fixed }', 3, /bar for editors/],
      ['.x { position: STICKY }', 1, /bar for editors/],
      ['.x { z-index: 99999 }', 1, /up to 20/],
      ['body { display: none }', 1, /outside/],
      ['p, :root { color: red }', 1, /outside/],
      ['p { background: u\\72l(https://evil.example/x) }', 1, /backslash/],
      ['p { p\\6fsition: fixed }', 1, /backslash/],
      ['p { color: red', 1, /cannot be read/],
    ];
    for (const [css, line, why] of refused) {
      const [fault] = ownCssFaults(css);
      expect([fault?.line, why.test(fault?.why ?? '')])
        .withContext(`${css}: ${fault?.why}`)
        .toEqual([line, true]);
      expect(scopedCss(css)).toBe('');
    }
    expect(ownCssFaults('.x { background: url(/pictures/a.png); z-index: 2; position: relative }')).toEqual([]);
    expect(ownCssFaults('/* body */ .body-text { color: red }')).toEqual([]);
  });

  it('stands among what is wrong with a look', () => {
    const [issue] = checkLook(makeLook({ name: 'Ours', css: 'p { color: red }\n@import "x";' }));
    expect([issue?.field, issue?.message]).toEqual(['css', jasmine.stringContaining('line 2') as never]);
  });
});
