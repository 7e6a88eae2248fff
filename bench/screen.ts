import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';

interface Chunk {
  file: string;
  imports?: string[];
  isEntry?: boolean;
}

/** Size of the JavaScript a screen needs at first load, gzipped, kB: the entry, the screen and all they import. */
export function firstLoadKb(screens: readonly string[]): number {
  const manifest = JSON.parse(readFileSync('dist/web/.vite/manifest.json', 'utf8')) as Record<string, Chunk>;
  const wanted = new Set<string>();
  const take = (key: string) => {
    const chunk = manifest[key];
    if (!chunk) throw new Error(`No chunk ${key} in the build`);
    if (wanted.has(chunk.file)) return;
    wanted.add(chunk.file);
    for (const imported of chunk.imports ?? []) take(imported);
  };
  for (const [key, chunk] of Object.entries(manifest)) if (chunk.isEntry) take(key);
  for (const screen of screens) take(screen);
  return [...wanted].reduce((sum, file) => sum + gzipSync(readFileSync(`dist/web/${file}`)).length, 0) / 1024;
}
