/**
 * Joins the compiled server and what it imports into one file, which starts in a third of the time: of mathjs alone
 * Node.js would read hundreds of files, most of them never used. What holds native code stays outside, and so does
 * what Sequelize would want for a database that isn't used here.
 */
import { build } from 'esbuild';

const OUTSIDE = ['sqlite3', 'sharp', '@node-rs/argon2', 'pg-hstore', 'pg-native'];
/** Packages of the older kind that are joined in call `require`, which modules don't have. */
const REQUIRE =
  "import { createRequire as requireMaker } from 'node:module'; const require = requireMaker(import.meta.url);";

await build({
  entryPoints: {
    plindo: 'server/dist/src/main.js',
    move: 'server/dist/src/move.js',
    safekeeping: 'server/dist/src/safekeeping.js',
    'render-worker': 'server/dist/src/site/render-worker.js',
  },
  outdir: 'server/dist/start',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  external: OUTSIDE,
  banner: { js: REQUIRE },
  logLevel: 'warning',
});
