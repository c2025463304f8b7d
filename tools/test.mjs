// Runs all checks, or those that are named, and ends with one line: N passed, N failed.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

const CHROMIUM = process.env.CHROME_BIN ?? '/usr/bin/chromium';

/** A check that is one thing: it counts as one passed or one failed. */
const whole = (name, command, cwd) => ({ name, command, cwd });
/** A check made of specs: it counts what its runner says. */
const specs = (name, command, { cwd, pattern, before } = {}) => ({
  name,
  command,
  cwd,
  before,
  pattern: pattern ?? /(\d+) specs?, (\d+) failures?/g,
});

const PARTS = {
  types: whole('types', 'npx --no-install tsc -b core server demo e2e bench'),
  imports: whole('imports', 'node tools/check-imports.mjs'),
  lint: whole('lint', 'npm run --silent lint'),
  core: specs('core', 'npx --no-install jasmine --config=jasmine.mjs', { cwd: 'core' }),
  server: specs('server', 'npx --no-install jasmine --config=jasmine.mjs', { cwd: 'server' }),
  angular: specs('angular', 'npx --no-install ng test desk --progress=false', {
    cwd: 'web',
    pattern: /Executed (\d+) of \d+ (?:\((\d+) FAILED\))?/g,
    before: needChromium,
  }),
  browser: specs('browser', 'node tools/browser-specs.mjs', {
    before: () => needChromium() && run('./plindo build').code === 0,
  }),
};

/** Makes sure that there is a Chromium, installing Debian's when it may; else says exactly what to install. */
function needChromium() {
  if (existsSync(CHROMIUM)) return true;
  const mayInstall = process.getuid?.() === 0 && spawnSync('sh', ['-c', 'command -v apt-get']).status === 0;
  if (mayInstall) {
    console.log('Installing Debian’s chromium.');
    run('apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium > /dev/null');
  }
  if (existsSync(CHROMIUM)) return true;
  console.error('The browser tests need Chromium: run "apt-get install chromium" as root, or set CHROME_BIN to one.');
  return false;
}

function run(command, cwd = '.') {
  const { status } = spawnSync('sh', ['-c', command], { cwd, stdio: 'inherit' });
  return { code: status ?? 1 };
}

/** Runs a command, shows what it prints as it comes, and gives it back too. */
function listen(command, cwd = '.') {
  return new Promise((resolve) => {
    const child = spawn('sh', ['-c', command], { cwd, stdio: ['ignore', 'pipe', 'pipe'] });
    let output = '';
    for (const stream of [child.stdout, child.stderr]) {
      stream.on('data', (part) => {
        output += part;
        process.stdout.write(part);
      });
    }
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

async function check(part) {
  console.log(`\n— ${part.name}`);
  if (part.before && !part.before()) return { passed: 0, failed: 1 };
  const { code, output } = await listen(part.command, part.cwd);
  if (!part.pattern) return code === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
  const last = [...output.matchAll(part.pattern)].at(-1);
  const total = Number(last?.[1] ?? 0);
  // A runner that ended badly without naming a failed spec, or ran nothing, has failed all the same.
  const failed = Math.max(Number(last?.[2] ?? 0), code !== 0 || total === 0 ? 1 : 0);
  return { passed: Math.max(0, total - failed), failed };
}

const wanted = process.argv.slice(2);
const unknown = wanted.filter((name) => !(name in PARTS));
if (unknown.length > 0) {
  console.error(`There is no part ${unknown.join(', ')}; there are ${Object.keys(PARTS).join(', ')}.`);
  process.exit(2);
}
let passed = 0;
let failed = 0;
const summary = [];
for (const name of wanted.length > 0 ? wanted : Object.keys(PARTS)) {
  const startedAt = Date.now();
  const result = await check(PARTS[name]);
  passed += result.passed;
  failed += result.failed;
  const seconds = Math.round((Date.now() - startedAt) / 1000);
  summary.push(`${name.padEnd(8)} ${result.passed} passed, ${result.failed} failed, ${seconds} s`);
}
console.log(`\n${summary.map((line) => `  ${line}`).join('\n')}`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
