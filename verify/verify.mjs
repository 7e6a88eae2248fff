#!/usr/bin/env node
/**
 * Whether records and packs are what was recorded:
 *
 *   node verify.mjs FILE-OR-FOLDER… [--key KEY]
 *
 * FILE is an exported record; FOLDER is an unpacked pack. Nothing is asked of any server, and nothing is needed but Node.
 */
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';
import { pathToFileURL } from 'node:url';
import { checkPack } from './pack.mjs';
import { checkRecord } from './record.mjs';
import { inWords } from './words.mjs';

const USAGE = 'node verify.mjs FILE-OR-FOLDER… [--key KEY]\n';

/** Findings about a file or a folder. */
export function verifyPath(path, key) {
  try {
    if (statSync(path).isDirectory()) {
      const read = (name) => (existsSync(join(path, name)) ? readFileSync(join(path, name)) : undefined);
      const names = readdirSync(path, { recursive: true, withFileTypes: true })
        .filter((entry) => entry.isFile())
        .map((entry) => relative(path, join(entry.parentPath ?? entry.path, entry.name)).replaceAll('\\', '/'));
      return checkPack(JSON.parse(readFileSync(join(path, 'manifest.json'), 'utf8')), read, names, key);
    }
    return checkRecord(JSON.parse(readFileSync(path, 'utf8')), key);
  } catch (error) {
    return [{ code: 'notARecord', severity: 'altered', why: error instanceof Error ? error.message : String(error) }];
  }
}

/** Prints what was found of each. @returns the exit code: 1 where one was altered, 2 where nothing was given */
export function main(words, print) {
  const at = words.indexOf('--key');
  const key = at < 0 ? undefined : words[at + 1];
  const paths = words.filter((word, index) => !word.startsWith('--') && (at < 0 || index !== at + 1));
  if (paths.length === 0 || (at >= 0 && key === undefined)) {
    print(USAGE);
    return 2;
  }
  let code = 0;
  for (const path of paths) {
    const findings = verifyPath(path, key);
    const bad = findings.some(({ severity }) => severity === 'altered');
    if (bad) code = 1;
    print(`${path}: ${bad ? 'ALTERED' : 'whole'}\n`);
    for (const finding of findings) print(`  ${finding.severity.padEnd(8)} ${inWords(finding)}\n`);
  }
  return code;
}

if (process.argv[1] !== undefined && import.meta.url === pathToFileURL(process.argv[1]).href)
  process.exitCode = main(process.argv.slice(2), (text) => process.stdout.write(text));
