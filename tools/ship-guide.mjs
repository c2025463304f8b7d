// Puts the guide and the pictures that it shows beside the built Desk, which serves them.
import { cp, mkdir, readFile, readdir } from 'node:fs/promises';
import { join } from 'node:path';

const [GUIDE, PICTURES, TARGET] = ['docs/guide', 'docs/screenshots', 'web/dist/desk/browser/guide'];

await mkdir(join(TARGET, 'screenshots'), { recursive: true });
const shown = new Set();
for (const name of await readdir(GUIDE)) {
  await cp(join(GUIDE, name), join(TARGET, name));
  const text = await readFile(join(GUIDE, name), 'utf8');
  for (const [, picture] of text.matchAll(/\]\(\.\.\/screenshots\/([\w-]+\.png)\)/g)) shown.add(picture);
}
for (const picture of shown) await cp(join(PICTURES, picture), join(TARGET, 'screenshots', picture));
