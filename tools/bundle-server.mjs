/**
 * Joins the compiled server and what it imports into one file, which starts in a third of the time: of mathjs alone
 * Node.js would read hundreds of files, most of them never used. What holds native code, or picks its parts while it
 * runs, stays outside.
 */
import { build } from 'esbuild';

const OUTSIDE = ['sqlite3', 'sharp', '@node-rs/argon2', 'sequelize'];
/** Packages of the older kind that are joined in call `require`, which modules don't have. */
const REQUIRE = "import { createRequire } from 'node:module'; const require = createRequire(import.meta.url);";

await build({
  entryPoints: ['server/dist/src/main.js'],
  outfile: 'server/dist/start/plindo.js',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  external: OUTSIDE,
  banner: { js: REQUIRE },
  logLevel: 'warning',
});
