import { existsSync, readdirSync, readFileSync, rmSync, statSync, utimesSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { Stop, step } from './console.mjs';
import { DATA, ROOT, run } from './run.mjs';

const SOURCES = ['core', 'contract', 'server', 'devices', 'web', 'demo', 'package-lock.json', 'tsconfig.json'];
const STAMP = join(ROOT, 'dist', '.built');

/** The newest change below a path, ms. */
function newestMs(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newestMs(join(path, name))));
}

const upToDate = () =>
  existsSync(STAMP) && SOURCES.every((source) => newestMs(join(ROOT, source)) <= statSync(STAMP).mtimeMs);

/** Bundles the server. Packages stay outside, so that native ones and fonts are found where npm put them. */
export async function buildServer() {
  const { code, output } = await run(join(ROOT, 'node_modules', '.bin', 'esbuild'), [
    'server/src/main.ts',
    'server/src/manage.ts',
    'server/src/thread/kit-worker.ts',
    '--bundle',
    '--packages=external',
    '--platform=node',
    '--format=esm',
    '--target=node20',
    '--sourcemap',
    '--out-extension:.js=.mjs',
    '--outdir=dist/server',
    '--entry-names=[name]',
  ]);
  if (code !== 0) throw new Stop(`The server does not build:\n${output}`);
}

/** Packs every text of the web application once, so that the server does not at every request. */
function packAssets() {
  const folder = join(ROOT, 'dist', 'web', 'assets');
  const params = { [constants.BROTLI_PARAM_QUALITY]: 9 };
  for (const name of readdirSync(folder).filter((file) => /\.(js|mjs|css|svg)$/.test(file))) {
    const bytes = readFileSync(join(folder, name));
    writeFileSync(join(folder, `${name}.br`), brotliCompressSync(bytes, { params }));
    writeFileSync(join(folder, `${name}.gz`), gzipSync(bytes, { level: 9 }));
  }
}

/** Builds server and web application when a source is newer than the last build. */
export async function build() {
  await step('build', async () => {
    if (upToDate()) return 'up to date';
    const begun = new Date();
    rmSync(join(ROOT, 'dist'), { recursive: true, force: true });
    const [, web] = await Promise.all([
      buildServer(),
      run(
        join(ROOT, 'node_modules', '.bin', 'vite'),
        ['build', '--config', 'web/vite.config.ts', '--logLevel', 'warn'],
        // A test runner above us may say otherwise; what is built is what is shipped.
        { env: { NODE_ENV: 'production' }, log: join(DATA, 'log', 'vite-build.log') },
      ),
    ]);
    if (web.code !== 0) throw new Stop(`The web application does not build:\n${web.output}`);
    packAssets();
    writeFileSync(STAMP, '');
    // What is changed while it builds may be half in it: only what is older than its beginning is surely built.
    utimesSync(STAMP, begun, begun);
    return 'built';
  });
}
