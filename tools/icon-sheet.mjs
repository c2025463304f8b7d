// Writes the one file with all icons from those of the package that `icons.json` names, each as a symbol.
import { readFileSync, writeFileSync } from 'node:fs';

const folder = new URL('../web/projects/listing-view/src/icons/', import.meta.url);
const drawings = new URL('../node_modules/@material-symbols/svg-400/outlined/', import.meta.url);

const files = Object.entries(JSON.parse(readFileSync(new URL('icons.json', folder), 'utf8')));
const symbols = files.map(([name, file]) => {
  const svg = readFileSync(new URL(`${file}.svg`, drawings), 'utf8');
  const [, viewBox] = /viewBox="([^"]+)"/.exec(svg);
  const [, path] = /(<path [^>]*>)/.exec(svg);
  return `<symbol id="${name}" viewBox="${viewBox}">${path}</symbol>`;
});
const sheet = `<svg xmlns="http://www.w3.org/2000/svg">\n${symbols.join('\n')}\n</svg>\n`;
writeFileSync(new URL('icons.svg', folder), sheet);
