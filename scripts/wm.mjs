/** `npm run wm -- …`: the command line. Quiet, because what it prints is read by other programs. */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './run.mjs';

const tsx = join(ROOT, 'node_modules', '.bin', 'tsx');
if (!existsSync(tsx)) {
  // A fresh clone: install first, and keep standard output for the answer.
  const installed = spawnSync('npm', ['ci', '--no-audit', '--no-fund'], { cwd: ROOT, stdio: ['ignore', 2, 2] });
  if (installed.status !== 0) process.exit(installed.status ?? 1);
}
const { status } = spawnSync(tsx, [join(ROOT, 'cli', 'wm.ts'), ...process.argv.slice(2)], {
  cwd: ROOT,
  stdio: 'inherit',
});
process.exit(status ?? 1);
