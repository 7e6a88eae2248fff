import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Stop, step } from './console.mjs';
import { DATA, ROOT, run, which } from './run.mjs';

/** Debian packages by the program that shows they are there. */
const PACKAGES = {
  mariadbd: 'mariadb-server',
  chromium: 'chromium',
  'chromium-headless-shell': 'chromium-headless-shell',
  pdftotext: 'poppler-utils',
  openssl: 'openssl',
  haproxy: 'haproxy',
};

/** Oldest Node the packages run on. */
const NODE_MAJOR = 20;

export function checkNode() {
  if (Number(process.versions.node.split('.')[0]) < NODE_MAJOR) {
    throw new Stop(`Wrenchman needs Node ${NODE_MAJOR} or newer; this is ${process.version}.`);
  }
}

/** Installs the Debian packages whose programs are missing. */
export async function installSystemPackages(programs) {
  await step('system packages', async () => {
    const missing = programs.filter((program) => !which(program)).map((program) => PACKAGES[program]);
    if (missing.length === 0) return 'all there';
    const line = `apt-get update && apt-get install -y --no-install-recommends ${missing.join(' ')}`;
    if (!which('apt-get'))
      throw new Stop(`Missing: ${missing.join(', ')}. This is not Debian; install them and start again.`);
    const root = process.getuid?.() === 0;
    const sudo = root ? undefined : which('sudo');
    if (!root && !sudo)
      throw new Stop(`Missing: ${missing.join(', ')}. Not root, and no sudo here: run as root  ${line}`);
    if (sudo && (await run(sudo, ['-n', 'true'])).code !== 0) {
      throw new Stop(
        `Missing: ${missing.join(', ')}. sudo wants a password: run  sudo sh -c '${line}'  and start again.`,
      );
    }
    const apt = (args) => {
      const program = sudo ?? 'apt-get';
      const all = sudo ? ['-n', 'env', 'DEBIAN_FRONTEND=noninteractive', 'apt-get', ...args] : args;
      return run(program, all, {
        env: { DEBIAN_FRONTEND: 'noninteractive' },
        log: join(DATA, 'log', `apt-${args[0]}.log`),
      });
    };
    await apt(['update']);
    const installed = await apt(['install', '-y', '--no-install-recommends', ...missing]);
    if (installed.code !== 0) {
      throw new Stop(
        `Could not install ${missing.join(', ')}: is there a network? The whole output is in ${join(DATA, 'log', 'apt-install.log')}.`,
      );
    }
    return `installed ${missing.join(', ')}`;
  });
}

/** Installs the npm packages of the lock file, unless just these are installed already. */
export async function installNodePackages() {
  await step('node packages', async () => {
    const lock = createHash('sha256')
      .update(readFileSync(join(ROOT, 'package-lock.json')))
      .digest('hex');
    const marker = join(ROOT, 'node_modules', '.installed-lock');
    if (existsSync(marker) && readFileSync(marker, 'utf8') === lock) return 'all there';
    const log = join(DATA, 'log', 'npm-ci.log');
    // NODE_ENV=production would leave out what the build needs.
    const { code } = await run('npm', ['ci', '--no-audit', '--no-fund', '--include=dev'], {
      log,
      env: { NODE_ENV: '' },
    });
    if (code !== 0)
      throw new Stop(`Could not install the npm packages: is there a network? The whole output is in ${log}.`);
    writeFileSync(marker, lock);
    return 'installed';
  });
}
