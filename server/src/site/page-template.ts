import { readFile, readdir } from 'node:fs/promises';
import { join } from 'node:path';

/** What pages that nobody has given a look are set in. */
const STANDARD_FACES = { '--pl-heading': 'Bricolage Grotesque', '--pl-text': 'Figtree Variable' };

/** The document that the build of the site has made, into which pages go, and the typefaces that its sheet has. */
export interface PageTemplate {
  readonly document: string;
  /** By family, the file with the letters of most European languages; of several weights, the last in the sheet. */
  readonly faces: ReadonlyMap<string, string>;
}

/** Screens on which the program starts at once, as `narrowScreen` of the browser's side has it. */
const WIDE = '(min-width: 46.0625rem)';

/** Reads the template of the build in a folder. Its scripts are fetched after what the visitor sees. */
export async function readTemplate(folder: string): Promise<PageTemplate> {
  const built = await readFile(join(folder, 'server', 'index.server.html'), 'utf8');
  const [, main = ''] = /<script src="(main[^"]*)" type="module">/.exec(built) ?? [];
  const early = (await programOf(join(folder, 'browser'), main)).map(
    (file) => `<link rel="modulepreload" fetchpriority="low" media="${WIDE}" href="${file}">`,
  );
  const document = built
    .replaceAll('<link rel="modulepreload"', '<link rel="modulepreload" fetchpriority="low"')
    .replace(`<script src="${main}"`, `${early.join('')}<script src="${main}" fetchpriority="low"`);
  return { document, faces: await facesIn(join(folder, 'browser')) };
}

/** The files of the program that the first script fetches when it is wanted, so that wide screens needn't wait for that. */
async function programOf(folder: string, main: string): Promise<string[]> {
  const scriptIn = (file: string): Promise<string> => readFile(join(folder, file), 'utf8').catch(() => '');
  const [, program] = /import\("\.\/([^"]+\.js)"\)/.exec(await scriptIn(main)) ?? [];
  if (program === undefined) return [];
  const needs = [...(await scriptIn(program)).matchAll(/from"\.\/([^"]+\.js)"/g)].map(([, file]) => file!);
  return [program, ...new Set(needs)];
}

async function facesIn(folder: string): Promise<Map<string, string>> {
  const sheets = (await readdir(folder).catch(() => [])).filter((name) => /^styles.*\.css$/.test(name));
  const css = await Promise.all(sheets.map((name) => readFile(join(folder, name), 'utf8')));
  const faces = new Map<string, string>();
  for (const [rule] of css.join('\n').matchAll(/@font-face\s*\{[^}]*\}/g)) {
    const family = /font-family:\s*["']?([^;"'}]+)/.exec(rule)?.[1]?.trim();
    const file = /url\(["']?(?:\.\/)?([^)"']+\.woff2)/.exec(rule)?.[1];
    if (family && file && /unicode-range:[^;}]*U\+0{1,4}-(0{0,2}FF)\b/i.test(rule)) faces.set(family, `/${file}`);
  }
  return faces;
}

/** A rendered page that lets browsers fetch the typefaces of its look with the sheet, not only when that is read. */
export function withFaces(html: string, look: string, faces: PageTemplate['faces']): string {
  const files = Object.entries(STANDARD_FACES).flatMap(([property, standard]) => {
    const own = new RegExp(`${property}: ([^;]*)`).exec(look)?.[1];
    const family = own === undefined ? standard : /^'([^']+)'/.exec(own)?.[1];
    return faces.get(family ?? '') ?? [];
  });
  const links = [...new Set(files)].map(
    (file) => `<link rel="preload" href="${file}" as="font" type="font/woff2" crossorigin>`,
  );
  return html.replace('<link rel="stylesheet"', `${links.join('')}<link rel="stylesheet"`);
}
