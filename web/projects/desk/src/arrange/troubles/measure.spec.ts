import { troublesIn } from './measure';

describe('Measuring what is drawn', () => {
  let root: HTMLElement;

  function draw(html: string, width = 200): ReturnType<typeof troublesIn> {
    root = document.createElement('div');
    root.style.cssText = `position: fixed; inset-inline-start: -9999px; inline-size: ${width}px; font: 16px monospace`;
    root.innerHTML = html;
    document.body.appendChild(root);
    return troublesIn(root);
  }
  afterEach(() => root.remove());

  it('finds nothing wrong with what has room', () => {
    expect(draw('<p>Short</p><p>Words that go on in a second line without harm</p><img alt="A quay">')).toEqual([]);
  });

  it('finds words that are cut, by a limit of lines or in a line', () => {
    const clamp = 'display: -webkit-box; -webkit-box-orient: vertical; -webkit-line-clamp: 1; overflow: hidden';
    expect(draw(`<p style="${clamp}">Far more words than a single line can hold</p>`)).toEqual([
      { sort: 'cut', what: 'Far more words than a single line can hold' },
    ]);
    root.remove();
    const line = 'white-space: nowrap; overflow: hidden; text-overflow: ellipsis';
    expect(draw(`<p style="${line}">Far more words than a single line can hold</p>`).map(({ sort }) => sort)).toEqual([
      'cut',
    ]);
    root.remove();
    expect(draw(`<p style="${line}">Far more words than a single line can hold</p>`, 800)).toEqual([]);
  });

  it('finds words that can hardly be read on some picture, whichever lies behind them', () => {
    const card = (ground: string, ink: string): string =>
      `<div class="picture-behind"><div class="words" style="background: ${ground}"><p style="color: ${ink}">Quay</p></div></div>`;
    const dark = 'rgb(10 18 26 / 72%)';
    expect(draw(card(dark, '#ffffff'))).toEqual([]);
    root.remove();
    expect(draw(card(dark, '#2a9d8f'))).toEqual([{ sort: 'faint', what: 'Quay' }]);
    root.remove();
    expect(draw(card('rgb(10 18 26 / 20%)', '#ffffff')).map(({ sort }) => sort)).toEqual(['faint']);
    root.remove();
    // On a ground of its own the picture does not matter; elsewhere the look is checked already.
    expect(draw(card('#ffffff', '#16263a'))).toEqual([]);
    root.remove();
    expect(draw('<p style="color: #eeeeee">Quay</p>')).toEqual([]);
  });

  it('finds words that stand out of their place, but not what is moved along, hidden or for machines only', () => {
    const word = 'Unreasonablylongcompoundwordwithoutabreak';
    expect(draw(`<p>${word}</p>`)).toEqual([{ sort: 'overflows', what: word }]);
    root.remove();
    expect(draw(`<div style="overflow-x: auto"><p>${word}</p></div>`)).toEqual([]);
    root.remove();
    expect(draw(`<p class="hidden-text">${word}</p><p hidden>${word}</p>`)).toEqual([]);
  });

  it('finds pictures without words, and tells the same trouble once', () => {
    expect(draw('<img alt=""><img alt=" "><img alt="Boats">')).toEqual([{ sort: 'no-alternative', what: 'Picture' }]);
  });
});
