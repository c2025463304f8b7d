// Runs all checks, or those that are named, some at a time where they don't need one another, and ends with one line:
// N passed, N failed.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { cpus } from 'node:os';
import { needPostgres } from './postgres.mjs';

const CHROMIUM = process.env.CHROME_BIN ?? '/usr/bin/chromium';

/** A check that is one thing: it counts as one passed or one failed. `needs` names the parts on whose results it stands. */
const whole = (name, command, { needs = [] } = {}) => ({ name, command, needs, weight: 1 });
/** A check made of specs: it counts what its runner says. `weight` is how many processes it keeps busy. */
const specs = (name, command, options) => ({
  ...{ name, command, weight: 1, needsChromium: false, needsPostgres: false },
  pattern: /(\d+) specs?, (\d+) failures?/g,
  ...options,
});

/** Of those that may begin, the first does: what others stand on, then what takes longest. */
const PARTS = [
  whole('types', 'npx --no-install tsc -b core server demo e2e bench'),
  whole('lint', 'npm run --silent lint'),
  whole('build', './plindo build', { needs: ['types'] }),
  specs('browser', 'node tools/browser-specs.mjs', {
    needs: ['build'],
    weight: 2,
    needsChromium: true,
    needsPostgres: true,
  }),
  specs('angular', 'npx --no-install ng test desk --progress=false', {
    cwd: 'web',
    needs: ['types'],
    pattern: /Executed (\d+) of \d+ (?:\((\d+) FAILED\))?/g,
    needsChromium: true,
  }),
  // The specs of the server on the other kind of database.
  specs('postgres', 'node ../tools/postgres.mjs npx --no-install jasmine --config=jasmine.mjs', {
    cwd: 'server',
    needs: ['types'],
    needsPostgres: true,
  }),
  specs('server', 'npx --no-install jasmine --config=jasmine.mjs', { cwd: 'server', needs: ['types'] }),
  specs('core', 'npx --no-install jasmine --config=jasmine.mjs', { cwd: 'core', needs: ['types'] }),
  whole('imports', 'node tools/check-imports.mjs'),
];

/** What a part that is asked for alone needs besides. */
const NEEDED = { browser: ['build'] };
/** One more process than there are processors, as each waits for its disk and its database now and then. */
const AT_ONCE = Math.min(3, cpus().length + 1);

/** Makes sure that there is a Chromium, installing Debian's when it may; else says exactly what to install. */
function needChromium() {
  if (existsSync(CHROMIUM)) return true;
  const mayInstall = process.getuid?.() === 0 && spawnSync('sh', ['-c', 'command -v apt-get']).status === 0;
  if (mayInstall) {
    console.log('Installing Debian’s chromium.');
    const install = 'apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium > /dev/null';
    spawnSync('sh', ['-c', install], { stdio: 'inherit' });
  }
  if (existsSync(CHROMIUM)) return true;
  console.error('The browser tests need Chromium: run "apt-get install chromium" as root, or set CHROME_BIN to one.');
  return false;
}

/** Runs a command and gives back what it printed. */
function listen(command, cwd = '.') {
  return new Promise((resolve) => {
    const child = spawn('sh', ['-c', command], { cwd, stdio: ['ignore', 'pipe', 'pipe'] });
    let output = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (output += part));
    child.on('close', (code) => resolve({ code: code ?? 1, output }));
  });
}

function partCalled(name) {
  return PARTS.find((part) => part.name === name);
}

function resultOf({ pattern }, { code, output }) {
  if (!pattern) return code === 0 ? { passed: 1, failed: 0 } : { passed: 0, failed: 1 };
  const last = [...output.matchAll(pattern)].at(-1);
  const total = Number(last?.[1] ?? 0);
  // A runner that ended badly without naming a failed spec, or ran nothing, has failed all the same.
  const failed = Math.max(Number(last?.[2] ?? 0), code !== 0 || total === 0 ? 1 : 0);
  return { passed: Math.max(0, total - failed), failed };
}

/** Runs a part and prints what it said when it is through, so that parts don't mix. */
async function check({ name, command, cwd, pattern, needsChromium, needsPostgres }) {
  if (needsChromium && !hasChromium) return { passed: 0, failed: 1, line: `  ${name.padEnd(8)} needs Chromium` };
  if (needsPostgres && !hasPostgres) return { passed: 0, failed: 1, line: `  ${name.padEnd(8)} needs PostgreSQL` };
  console.log(`— ${name} …`);
  const startedAt = Date.now();
  const told = await listen(command, cwd);
  const { passed, failed } = resultOf({ pattern }, told);
  const seconds = Math.round((Date.now() - startedAt) / 1000);
  console.log(`\n— ${name}\n${told.output.trim()}\n`);
  return { passed, failed, line: `  ${name.padEnd(8)} ${passed} passed, ${failed} failed, ${seconds} s` };
}

/** Runs parts, each when those are through that it needs and when there is room for it. */
async function checkAll(parts) {
  const waiting = [...parts];
  const running = new Map();
  const results = [];
  const isThrough = (name) => !running.has(name) && !waiting.some((part) => part.name === name);
  const room = () => AT_ONCE - [...running.keys()].reduce((sum, name) => sum + partCalled(name).weight, 0);
  const beginNext = () => {
    const next = waiting.find(({ needs }) => needs.every(isThrough));
    // What takes more than there is alone begins when nothing else runs.
    if (!next || (running.size > 0 && next.weight > room())) return false;
    waiting.splice(waiting.indexOf(next), 1);
    running.set(
      next.name,
      check(next).then((result) => {
        results.push(result);
        running.delete(next.name);
      }),
    );
    return true;
  };
  while (waiting.length + running.size > 0) {
    while (beginNext());
    await Promise.race(running.values());
  }
  return results;
}

const asked = process.argv.slice(2);
const unknown = asked.filter((name) => !partCalled(name));
if (unknown.length > 0) {
  console.error(`There is no part ${unknown.join(', ')}; there are ${PARTS.map(({ name }) => name).join(', ')}.`);
  process.exit(2);
}
const names = new Set(asked.flatMap((name) => [...(NEEDED[name] ?? []), name]));
const wanted = asked.length > 0 ? PARTS.filter(({ name }) => names.has(name)) : PARTS;
const hasChromium = wanted.some((part) => part.needsChromium) && needChromium();
const hasPostgres = wanted.some((part) => part.needsPostgres) && needPostgres();
const results = await checkAll(wanted);
const sum = (of) => results.reduce((total, result) => total + of(result), 0);
const failed = sum((result) => result.failed);
console.log(results.map(({ line }) => line).join('\n'));
console.log(`${sum((result) => result.passed)} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
