import { isHardToReadOnPicture } from './on-pictures';

/** What can be wrong with what is drawn of a listing. */
export type TroubleSort = 'cut' | 'overflows' | 'no-alternative' | 'no-picture' | 'empty' | 'faint';

export interface Trouble {
  readonly sort: TroubleSort;
  /** What of it: the beginning of the text, or what the part is called. */
  readonly what: string;
}

const TOLERANCE_IN_PX = 1.5;
const LONGEST_WHAT = 60;

/** Everything that is wrong with what stands in an element as it is laid out now. */
export function troublesIn(root: HTMLElement): Trouble[] {
  const found = new Map<string, Trouble>();
  const add = (sort: TroubleSort, what: string): void => {
    const trouble = { sort, what: shortened(what) };
    found.set(`${sort} ${trouble.what}`, trouble);
  };
  const { right } = root.getBoundingClientRect();
  for (const element of root.querySelectorAll<HTMLElement>('*')) {
    if (element instanceof HTMLImageElement) {
      if (element.alt.trim() === '') add('no-alternative', 'Picture');
      continue;
    }
    if (!hasOwnText(element) || isUnseen(element) || isScrolled(element, root)) continue;
    if (isHardToReadOnPicture(element)) add('faint', element.textContent ?? '');
    if (isCut(element)) add('cut', element.textContent ?? '');
    else if (textRight(element) > right + TOLERANCE_IN_PX) add('overflows', element.textContent ?? '');
  }
  return [...found.values()];
}

/** Whether an element holds text of its own, not only that of others inside it. */
function hasOwnText({ childNodes }: HTMLElement): boolean {
  return [...childNodes].some((node) => node.nodeType === Node.TEXT_NODE && (node.textContent ?? '').trim() !== '');
}

/** Where the text of an element ends, which may be outside of its box. */
function textRight(element: HTMLElement): number {
  const range = document.createRange();
  range.selectNodeContents(element);
  return range.getBoundingClientRect().right;
}

function isUnseen(element: HTMLElement): boolean {
  return (
    element.closest('.hidden-text, [hidden], dialog:not([open])') !== null || element.getClientRects().length === 0
  );
}

/** Whether it stands in something that is moved along, where nothing is lost. */
function isScrolled(element: HTMLElement, root: HTMLElement): boolean {
  for (let at = element.parentElement; at && at !== root; at = at.parentElement) {
    if (['auto', 'scroll'].includes(getComputedStyle(at).overflowX)) return true;
  }
  return false;
}

/** Whether some of its text is not shown: by a limit of lines, or because it is wider than its box. */
function isCut(element: HTMLElement): boolean {
  const boxes = [element, element.parentElement].filter((box) => box !== null);
  return boxes.some((box) => {
    const { overflowX, overflowY } = getComputedStyle(box);
    const isWider = overflowX !== 'visible' && box.scrollWidth > box.clientWidth + TOLERANCE_IN_PX;
    const isTaller = overflowY !== 'visible' && box.scrollHeight > box.clientHeight + TOLERANCE_IN_PX;
    return box.clientWidth > 0 && (isWider || isTaller);
  });
}

function shortened(text: string): string {
  const plain = text.replace(/\s+/g, ' ').trim();
  return plain.length > LONGEST_WHAT ? `${plain.slice(0, LONGEST_WHAT - 1)}…` : plain;
}
