// Builds the front end; called by Maven, and by hand with "npm run build". Until node_modules is there it can use
// nothing but Node itself.
import { createHash } from 'node:crypto';
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

process.chdir(dirname(dirname(fileURLToPath(import.meta.url))));
const out = '../target/classes/static';
const templates = '../src/main/resources/templates';
const started = Date.now();

const walk = path => !existsSync(path) ? []
  : statSync(path).isDirectory() ? readdirSync(path).sort().flatMap(file => walk(join(path, file))) : [path];

function digest(paths) {
  const hash = createHash('sha256').update(process.version);
  for (const file of paths.flatMap(walk)) hash.update(file + '\0').update(readFileSync(file));
  return hash.digest('hex');
}

function run(command, ...args) {
  const result = spawnSync(command, args, { stdio: 'inherit' });
  if (result.error?.code === 'ENOENT') fail(`${command} is not installed; install Node.js 20 or newer with npm`);
  if (result.status !== 0) fail(`${command} ${args.join(' ')} failed`);
}

function fail(message) {
  console.error(`front end: ${message}`);
  process.exit(1);
}

const read = file => existsSync(file) ? readFileSync(file, 'utf8') : '';

const locked = digest(['package.json', 'package-lock.json', '.npmrc']);
if (read('node_modules/.built-from') !== locked) {
  run('npm', 'ci', '--prefer-offline', '--loglevel=error');
  writeFileSync('node_modules/.built-from', locked);
}
const sources = digest(['package-lock.json', 'src', 'build', templates]);
const stamp = join(out, '../front-end.stamp');
if (read(stamp) === sources && existsSync(join(out, 'site.css'))) {
  console.log(`front end: up to date (${Date.now() - started} ms)`);
  process.exit(0);
}
mkdirSync(out, { recursive: true });
run('node', 'build/lint-alpine.mjs', templates);
run('node', 'build/assets.mjs', out);
for (const name of ['site', 'desk']) {
  run('node', 'node_modules/@tailwindcss/cli/dist/index.mjs', '-i', `src/${name}.css`, '-o', join(out, `${name}.css`), '--minify');
}
writeFileSync(stamp, sources);
console.log(`front end: built (${Date.now() - started} ms)`);
