import type { AtRule, ChildNode, Declaration, Root, Rule } from 'postcss';
import { CssSyntaxError, parse } from 'postcss';

/** What a publisher's own CSS may not have, with the line and why. */
export interface CssFault {
  readonly line: number;
  readonly why: string;
}

/** At-rules that only say when something holds. */
const ALLOWED_AT_RULES = ['media', 'supports', 'container', 'keyframes'];
/** The parts of a page that own CSS is for; the bar for editors and the Desk are outside. */
const SCOPE = ':where(pl-designed-page, pl-site-header, pl-site-footer)';
const HIGHEST = 20;

/** Everything in own CSS that is refused, in the order of its lines. */
export function ownCssFaults(css: string): CssFault[] {
  const root = parsed(css);
  return 'nodes' in root ? faultsIn(root) : [root];
}

function faultsIn(root: Root): CssFault[] {
  const faults: CssFault[] = [];
  root.walk((node) => {
    const why = faultOf(node);
    if (why !== null) faults.push({ line: node.source?.start?.line ?? 1, why });
  });
  return faults;
}

/** Own CSS for the parts of a page only, each selector inside them; '' where anything of it is refused. */
export function scopedCss(css: string): string {
  const root = parsed(css);
  if (!('nodes' in root) || faultsIn(root).length > 0) return '';
  root.walkRules((rule) => {
    if (isKeyframe(rule)) return;
    rule.selectors = rule.selectors.flatMap((selector) => [`${SCOPE} ${selector}`, `${SCOPE}${attachable(selector)}`]);
  });
  return root.toString();
}

function parsed(css: string): Root | CssFault {
  try {
    return parse(css);
  } catch (error) {
    if (!(error instanceof CssSyntaxError)) throw error;
    return { line: error.line ?? 1, why: `it cannot be read: ${error.reason.toLowerCase()}.` };
  }
}

function faultOf(node: ChildNode): string | null {
  if (node.type === 'atrule') return faultOfAtRule(node);
  if (node.type === 'rule') return faultOfRule(node);
  return node.type === 'decl' ? faultOfDeclaration(node) : null;
}

function faultOfAtRule({ name }: AtRule): string | null {
  if (name === 'import') return '“@import” fetches other sheets, which visitors would wait for: put their rules here.';
  return ALLOWED_AT_RULES.includes(name.toLowerCase()) ? null : `“@${name}” is not for own CSS.`;
}

function faultOfRule(rule: Rule): string | null {
  if (isKeyframe(rule)) return null;
  const outside = /(^|[\s,>+~(])(html|body|:root|:host)\b/i.exec(rule.selector)?.[2];
  return outside ? `“${outside}” is outside of what own CSS is for: name what stands in a page.` : null;
}

function faultOfDeclaration({ prop, value }: Declaration): string | null {
  const name = prop.toLowerCase();
  // An escape can hide any word from what is looked for below.
  if (prop.includes('\\') || (name !== 'content' && value.includes('\\'))) return 'a backslash is for “content” only.';
  const foreign = [...value.matchAll(/url\(\s*["']?([^"')]*)/gi)].find(
    ([, address]) => !/^(\/(?!\/)|#)/.test(address!),
  );
  if (foreign) return `“url(${foreign[1]})” is not on this site: addresses in it begin with one /.`;
  if (/image-set\(|src\(|@import/i.test(value)) return `“${value}” may fetch something from elsewhere.`;
  if (/expression\(|javascript:/i.test(value) || name === 'behavior' || name === '-moz-binding') {
    return `“${prop}” could run a program.`;
  }
  if (name === 'position' && /\b(fixed|sticky)\b/i.test(value)) {
    return '“position” can be relative or absolute only: nothing may lie over the bar for editors.';
  }
  if (name === 'z-index' && Number.parseInt(value, 10) > HIGHEST) {
    return `“z-index” goes up to ${HIGHEST}: nothing may lie over the bar for editors.`;
  }
  return null;
}

function isKeyframe({ parent }: Rule): boolean {
  return parent?.type === 'atrule' && /keyframes$/i.test((parent as AtRule).name);
}

/** A selector that can stand right behind the scope, so that the parts themselves are meant too; else one that never fits. */
function attachable(selector: string): string {
  return /^[.#[:]/.test(selector) ? selector : ':not(*)';
}
