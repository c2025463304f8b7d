// Runs the browser specs, or those whose files are named, some files at a time, each in a process of its own, and prints
// the sum: N specs, N failures.
import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const AT_ONCE = 2;
const FOLDER = 'e2e/dist/specs';

const wanted = process.argv.slice(2);
const demo = mkdtempSync(join(tmpdir(), 'plindo-demo-'));
const filled = spawnSync(process.execPath, ['demo/dist/fill.js', join(demo, 'store')], { stdio: 'inherit' });
if (filled.status !== 0) process.exit(1);

/** Runs one file and prints what it said when it is through, so that the two don't mix. */
function run(file) {
  return new Promise((resolve) => {
    const args = ['--no-install', 'jasmine', '--config=e2e/jasmine.mjs', join(FOLDER, file)];
    const child = spawn('npx', args, { env: { ...process.env, PLINDO_FILLED_DEMO: join(demo, 'store') } });
    let output = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (output += part));
    child.on('close', (code) => {
      console.log(`${file}\n${output.trim()}\n`);
      const [, specs = '0', failures = '0'] = /(\d+) specs?, (\d+) failures?/.exec(output) ?? [];
      resolve({ specs: Number(specs), failures: Math.max(Number(failures), code === 0 ? 0 : 1) });
    });
  });
}

// The longest first, so that no long one is left over at the end.
const waiting = readdirSync(FOLDER)
  .filter((file) => file.endsWith('.spec.js') && (wanted.length === 0 || wanted.some((name) => file.startsWith(name))))
  .sort((a, b) => statSync(join(FOLDER, b)).size - statSync(join(FOLDER, a)).size);
const results = [];
async function work() {
  for (let file = waiting.shift(); file !== undefined; file = waiting.shift()) results.push(await run(file));
}
await Promise.all(Array.from({ length: AT_ONCE }, work));
rmSync(demo, { recursive: true, force: true });
const sum = (of) => results.reduce((total, result) => total + of(result), 0);
const failures = sum((result) => result.failures);
console.log(`${sum((result) => result.specs)} specs, ${failures} failures`);
process.exit(failures === 0 ? 0 : 1);
