// Walks all imports and fails on a wrong edge or a cycle; docs/architecture.md has the rules.
import { readFileSync, readdirSync, statSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = resolve(fileURLToPath(new URL('..', import.meta.url)));

/** Folders of core, lowest first: each may import only those before it. */
const CORE_ORDER = [
  'values',
  'time',
  'structure',
  'listings',
  'design',
  'submissions',
  'plans',
  'catalog',
  'query',
  'page',
  'notices',
  'exchange',
  'learn',
  'site-starters',
  'contract',
];
/** Folders of the server, with what each may import of the others. */
const SERVER_EDGES = {
  store: [],
  live: ['store'],
  site: ['store', 'live'],
  services: ['store', 'live'],
  backup: ['store', 'live', 'site', 'services'],
  jobs: ['store', 'live', 'services', 'backup'],
  standins: [],
  http: ['services', 'live', 'site', 'backup'],
};
/** Drivers of databases, with the folder of the store that alone may use each. */
const DRIVERS = { sqlite3: 'sqlite', pg: 'postgres' };
/** Parts of web, with what each may import of the others. */
const WEB_EDGES = {
  api: [],
  'listing-view': [],
  // Visitors fetch no more of the two than they need.
  site: [
    '@plindo/api/editor-api',
    '@plindo/api/shown-drafts',
    '@plindo/api/signed-in-mark',
    '@plindo/api/tried-look',
    '@plindo/api/visitor-api',
    '@plindo/listing-view',
    '@plindo/listing-view/browser',
    '@plindo/listing-view/form-piece',
  ],
  desk: ['@plindo/api', '@plindo/api/tried-look', '@plindo/listing-view', '@plindo/listing-view/form-piece'],
};

function filesBelow(folder) {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (name === 'dist' || name === 'node_modules') return [];
    if (statSync(path).isDirectory()) return filesBelow(path);
    return /\.ts$/.test(name) && !/\.(spec|d)\.ts$/.test(name) ? [path] : [];
  });
}

function importsOf(file) {
  const text = readFileSync(file, 'utf8');
  return [...text.matchAll(/(?:from|import)\s*\(?\s*'([^']+)'/g)].map(([, name]) => name);
}

const faults = [];
const graph = new Map();

function check(file) {
  const path = relative(root, file);
  const [workspace] = path.split('/');
  const targets = [];
  for (const name of importsOf(file)) {
    if (!name.startsWith('.')) {
      checkPackage(path, workspace, name);
      continue;
    }
    const target = resolve(dirname(file), name.replace(/\.js$/, '.ts'));
    targets.push(target.endsWith('.ts') ? target : `${target}.ts`);
    checkRelative(path, relative(root, target));
    checkDialect(path, relative(root, target));
  }
  checkUnits(file);
  graph.set(file, targets);
}

function checkPackage(path, workspace, name) {
  const refuse = (why) => faults.push(`${path} imports ${name}: ${why}`);
  if (workspace === 'core' && /^(node:|@angular|@plindo|express|sequelize|rxjs)/.test(name))
    refuse('core has no surroundings');
  if (workspace === 'server' && name.startsWith('@angular')) refuse('only the built site is loaded');
  if (workspace === 'web' && name.startsWith('@plindo/server')) refuse('web never imports the server');
  if (/^(sequelize|umzug)$/.test(name) && !path.startsWith('server/src/store/') && workspace === 'server') {
    refuse('only the store knows the database');
  }
  const dialect = DRIVERS[name];
  if (dialect && workspace === 'server' && !path.startsWith(`server/src/store/${dialect}/`)) {
    refuse(`only store/${dialect} knows its driver`);
  }
  if (name === 'express' && !path.startsWith('server/src/http/') && workspace === 'server')
    refuse('only http knows Express');
  if (name === '@angular/common/http' && !/projects\/api\/|app\.config/.test(path))
    refuse('only the api project sends requests');
  const part = /^web\/projects\/([^/]+)/.exec(path)?.[1];
  const isOwnAlias = name.startsWith('@plindo/') && !name.startsWith('@plindo/core');
  if (part && isOwnAlias && !WEB_EDGES[part]?.includes(name)) refuse(`${part} may not`);
}

function checkRelative(path, target) {
  const folders = (prefix) => [path, target].map((name) => new RegExp(`^${prefix}/([^/]+)/`).exec(name)?.[1]);
  const [fromCore, toCore] = folders('core/src');
  if (fromCore && toCore && CORE_ORDER.indexOf(toCore) > CORE_ORDER.indexOf(fromCore)) {
    faults.push(`${path} imports upward: ${target}`);
  }
  const [fromServer, toServer] = folders('server/src');
  if (fromServer && toServer && fromServer !== toServer && !SERVER_EDGES[fromServer]?.includes(toServer)) {
    faults.push(`${path} imports ${target}: ${fromServer} may not import ${toServer}`);
  }
  const [fromWeb, toWeb] = folders('web/projects');
  if (fromWeb && fromWeb !== toWeb) faults.push(`${path} leaves its project: ${target}`);
}

/** Inside the store, what only one database knows is asked for by database.ts alone. */
function checkDialect(path, target) {
  const [from, to] = [path, target].map((name) => /^server\/src\/store\/(sqlite|postgres)\//.exec(name)?.[1]);
  if (to && from !== to && path !== 'server/src/store/database.ts') {
    faults.push(`${path} imports ${target}: only store/database.ts opens a dialect`);
  }
}

/** What is decided in a unit is decided on what was read in it: nothing inside one asks `live`. */
function checkUnits(file) {
  const path = relative(root, file);
  if (!path.startsWith('server/src/services/')) return;
  const text = readFileSync(file, 'utf8');
  for (const found of text.matchAll(/(?:\(|, )unit(?:: Unit)?(?:,[^)]*)?\)(?:: [^={]+)? (?:=> )?\{/g)) {
    if (/\blive\b/.test(blockAt(text, found.index + found[0].length))) {
      faults.push(`${path} asks live inside a unit (at ${found[0].trim()})`);
    }
  }
}

/** The text of a block from behind its first brace to its last one. */
function blockAt(text, start) {
  let depth = 1;
  for (let at = start; at < text.length; at++) {
    if (text[at] === '{') depth++;
    if (text[at] === '}' && --depth === 0) return text.slice(start, at);
  }
  return text.slice(start);
}

function findCycles() {
  const state = new Map();
  const visit = (file, trail) => {
    if (state.get(file) === 'done') return;
    if (state.get(file) === 'open') {
      faults.push(
        `cycle: ${[...trail.slice(trail.indexOf(file)), file].map((one) => relative(root, one)).join(' → ')}`,
      );
      return;
    }
    state.set(file, 'open');
    for (const target of graph.get(file) ?? []) visit(target, [...trail, file]);
    state.set(file, 'done');
  };
  for (const file of graph.keys()) visit(file, []);
}

for (const folder of ['core/src', 'server/src', 'web/projects']) filesBelow(join(root, folder)).forEach(check);
findCycles();
for (const fault of faults) console.error(fault);
console.log(`${graph.size} files, ${faults.length} wrong imports`);
process.exit(faults.length === 0 ? 0 : 1);
