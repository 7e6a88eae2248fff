#!/usr/bin/env node
// Scores the sheet reader on a folder of annotated sheets. Node 20, no dependencies. Run with cwd = project root:
//
//   node sheets/score.mjs --sheets sheets/known [--worst N] [--all] [--only 07] [--cli] [--json FILE]
//
// `known` is worked on. `blind` is only scored, to see how far the reader carries to sheets nobody has tuned it to: its
// misses are not read one by one.
//
//   --worst N  misses printed (20)          --all   every miss, false reading and trap
//   --only NN  one sheet                    --cli   one `npm run -s wm -- read FILE` per sheet instead of the batch
//   --json F   scores and all misses as JSON
//
// The batch imports cli/wm.ts once per sheet in one child process, with tsx taken from the project; where that fails
// the documented command line is used. Only the documented answer of `read` is looked at.
//
// How it judges (README.md says what the annotations mean)
//  - A fact is found when a reading of its kind has its value and unit and touches any of its printed strings, or
//    stands on a line of one of them. A reading counts once for a torque; other kinds may restate.
//  - "hard" facts are left out of recall (shown beside it); a confident wrong reading of one is an error, a doubtful
//    one (confidence < 0.9) is not.
//  - Precision looks at every reading of a kind that is annotated exhaustively. A reading that repeats a value of the
//    sheet is no error (torque: only where it touches the fact). A torque that is a ceiling, read as a target of its
//    own, is an error. Stages of a procedure are not, but are counted as "stage read as a target".
//  - A trap is fallen into when a reading of the kind it forbids touches it and no annotated fact explains it.
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';

const HERE = dirname(fileURLToPath(import.meta.url));
const ROOT = process.cwd();
const args = process.argv.slice(2);
const option = (name, fallback) => (args.includes(name) ? args[args.indexOf(name) + 1] : fallback);

// ---------------------------------------------------------------- running the reader

if (args[0] === '--batch-child') await batchChild(args[1], args.slice(2));

/** In the child: one import of the CLI per sheet, its standard output caught. */
async function batchChild(out, files) {
  const { register } = await import(pathToFileURL(join(ROOT, 'node_modules/tsx/dist/esm/api/index.mjs')).href);
  register();
  const cli = pathToFileURL(join(ROOT, 'cli/wm.ts')).href;
  const answers = [];
  const write = process.stdout.write.bind(process.stdout);
  const exit = process.exit;
  for (const [index, file] of files.entries()) {
    let text = '';
    process.argv = [process.argv[0], 'cli/wm.ts', 'read', file];
    process.stdout.write = (chunk) => {
      text += chunk;
      return true;
    };
    process.exit = (code) => {
      throw new Error(`exit ${code}`);
    };
    try {
      await import(`${cli}?sheet=${index}`);
      answers.push(text);
    } catch (error) {
      // A sheet no kit can be made of: nothing was read of it, which counts against the reader.
      const none = String(error) === 'Error: exit 1';
      answers.push(JSON.stringify(none ? { facts: [], noKit: true } : { error: String(error) }));
    } finally {
      process.stdout.write = write;
      process.exit = exit;
    }
  }
  writeFileSync(out, JSON.stringify(answers));
  process.exit(0);
}

const oneByOne = (file) =>
  execFileSync('npm', ['run', '-s', 'wm', '--', 'read', file], { cwd: ROOT, encoding: 'utf8', maxBuffer: 1 << 28 });

function readAll(files) {
  if (!args.includes('--cli') && existsSync(join(ROOT, 'node_modules/tsx/dist/esm/api/index.mjs'))) {
    const folder = mkdtempSync(join(tmpdir(), 'sheets-'));
    const out = join(folder, 'out.json');
    const child = spawnSync(process.execPath, [fileURLToPath(import.meta.url), '--batch-child', out, ...files], {
      cwd: ROOT,
      stdio: ['ignore', 2, 2],
    });
    try {
      if (child.status === 0) {
        const answers = JSON.parse(readFileSync(out, 'utf8')).map((text) => JSON.parse(text));
        if (answers.every((answer) => Array.isArray(answer.facts))) return answers;
        process.stderr.write(`batch: ${answers.find((answer) => answer.error)?.error ?? 'no facts'}\n`);
      }
    } catch (error) {
      process.stderr.write(`batch: ${error}\n`);
    } finally {
      rmSync(folder, { recursive: true, force: true });
    }
    process.stderr.write('batch failed, one command per sheet instead\n');
  }
  return files.map((file) => JSON.parse(oneByOne(file)));
}

// ---------------------------------------------------------------- values

const SURE = 0.9;
const UNIT = { 'N.m': 'N·m', 'lbf.ft': 'lbf·ft', 'lbf.in': 'lbf·in', 'kgf.m': 'kgf·m', 'N.cm': 'cN·m' };
const NM = { N·m: 1, cN·m: 0.01, lbf·ft: 1.3558179, lbf·in: 0.1129848, kgf·m: 9.80665, kgf·cm: 0.0980665 };
const near = (a, b, share = 1e-3) =>
  a !== undefined && b !== undefined && Math.abs(a - b) <= share * Math.abs(b) + 1e-9;

/** Every (low, high, unit) an annotated torque may rightly be read as, with the part it plays. */
function torqueValues(value) {
  const list = [];
  const add = (low, high, unit, role) =>
    low !== undefined && high !== undefined && unit && list.push({ low, high, unit: UNIT[unit] ?? unit, role });
  for (const v of [value, ...(value.alt ?? []).map((alt) => ({ ...alt, kindOfTarget: value.kindOfTarget }))]) {
    if (value.kindOfTarget === 'slot') add(v.low, v.low, v.unit, 'target');
    if (v.low !== undefined) add(v.low, v.high, v.unit, 'target');
    if (v.max !== undefined) add(v.max, v.max, v.unit, v.low === undefined ? 'target' : 'ceiling');
    for (const stage of v.stages ?? []) {
      add(stage.torque, stage.torque, v.unit, 'stage');
      add(stage.low, stage.high, v.unit, 'stage');
    }
  }
  return list;
}
const torqueRole = (fact, value) =>
  torqueValues(value)
    .sort((a, b) => (a.role === 'target' ? -1 : 0) - (b.role === 'target' ? -1 : 0))
    .find((v) => fact.unit === v.unit && near(fact.min, v.low) && near(fact.max, v.high))?.role;

/** Whether everything else the sheet says of the torque came along. */
function torqueParts(fact, value) {
  const lost = [];
  if (value.angleDeg !== undefined && !near(fact.angleDeg, value.angleDeg, 0.01)) lost.push('angle');
  const nm = value.unit && value.max !== undefined ? value.max * NM[UNIT[value.unit]] : undefined;
  if (nm !== undefined && value.low !== undefined && !near(fact.limitNm, nm, 0.02) && !near(fact.maxNm, nm, 0.02))
    lost.push('ceiling');
  if (nm !== undefined && value.low === undefined && fact.limitNm === undefined) lost.push('ceiling as target');
  if (value.alt?.length && !fact.pair && (fact.pairs?.length ?? 0) === 0) lost.push('second unit');
  return lost;
}

const COARSE = {
  M3: 0.5,
  M4: 0.7,
  M5: 0.8,
  M6: 1,
  M7: 1,
  M8: 1.25,
  M10: 1.5,
  M12: 1.75,
  M14: 2,
  M16: 2,
  M18: 2.5,
  M20: 2.5,
  M22: 2.5,
  M24: 3,
};
function threadParts(text) {
  const plain = text
    .replace(/[\s"]/g, '')
    .replace('×', 'x')
    .replace(/UN[CF]$/i, '');
  const metric = /^M([\d.]+)(?:x([\d.]+))?$/i.exec(plain);
  if (metric) return { size: `M${Number(metric[1])}`, pitch: metric[2] === undefined ? undefined : Number(metric[2]) };
  const inch = /^(#?\d+(?:\/\d+)?)(?:-(\d+))?$/.exec(plain);
  return inch ? { size: inch[1], pitch: inch[2] === undefined ? undefined : Number(inch[2]) } : { size: plain };
}
function sameThread(read, annotated) {
  const [a, b] = [threadParts(read), threadParts(annotated)];
  if (a.size !== b.size) return false;
  // The sheet gives no pitch: the reader may leave it out or take the coarse one.
  if (b.pitch === undefined)
    return a.pitch === undefined || COARSE[a.size] === undefined || near(a.pitch, COARSE[a.size]);
  return near(a.pitch ?? COARSE[a.size], b.pitch);
}

const COMPOUND = {
  'anti-seize': ['antiSeize'],
  grease: ['grease'],
  oil: ['oil'],
  sealant: ['sealant'],
  penetrant: ['penetrant'],
  'retaining-compound': ['retaining'],
};
const LOCKER = {
  low: 'threadlockerLow',
  medium: 'threadlockerMedium',
  permanent: 'threadlockerHigh',
  high: 'threadlockerHigh',
  null: 'threadlocker',
};
function sameCompound(fact, { type, grade }) {
  if (type === 'threadlocker') {
    if (!/^threadlocker/i.test(fact.compound)) return false;
    const want = LOCKER[String(grade)];
    return (
      fact.compound === want || (want === 'threadlocker' && fact.confidence < SURE) || fact.compound === 'threadlocker'
    );
  }
  return (COMPOUND[type] ?? [type]).includes(fact.compound);
}
/** What a compound the sheet forbids, or says is to be left off, must not be read as. */
const KNOWN_COMPOUNDS = new Set([
  'threadlocker',
  'anti-seize',
  'grease',
  'oil',
  'sealant',
  'penetrant',
  'retaining-compound',
]);

function sameDrive({ drive }, value) {
  const size = String(drive?.size ?? '').toUpperCase();
  if (value.type === 'torx' || value.type === 'e-torx')
    return drive?.kind === 'sixLobe' && size === String(value.size).toUpperCase();
  const kind = { hex: 'hex', 'hex socket': 'hexKey', '12-point': 'twelvePoint', cross: 'cross', square: 'square' }[
    value.type
  ];
  return drive?.kind === kind && near(drive.acrossFlatsMm, value.sizeMm, 2e-3);
}
// `20 mm, give or take 3`: the middle is what is printed.
const sameLength = (mm, v) =>
  [v.value, v.min, v.max, v.min !== undefined && v.max !== undefined ? (v.min + v.max) / 2 : undefined].some((x) =>
    near(mm, x, 2e-3),
  );
const sameMinutes = (fact, v) =>
  [v.minutes, v.minMinutes, v.maxMinutes].some(
    (x) => near(fact.minutes, x) || near(fact.maxMinutes, x) || near(fact.minMinutes, x),
  );
const dueKm = ({ due }) => due?.km ?? (due?.miles === undefined ? undefined : due.miles * 1.609344);
const sameDue = (fact, v) =>
  near(fact.distanceKm, dueKm(v), 0.01) ||
  near(fact.days, v.due?.days) ||
  (v.due?.heatCycles !== undefined && near(fact.heatCycles, v.due.heatCycles));

/** Rows of the table. `all`: every occurrence is annotated, so precision means something. */
const ROWS = [
  { name: 'torque', kind: 'torque', read: 'torque', all: true, goal: { recall: 0.97, precision: 0.98 } },
  {
    name: 'thread',
    kind: 'thread',
    read: 'thread',
    all: true,
    repeats: true,
    goal: { recall: 0.93, precision: 0.93 },
    same: (f, v) =>
      sameThread(f.designation, v.designation) && (f.lengthMm === undefined || near(f.lengthMm, v.lengthMm, 5e-3)),
  },
  {
    name: 'count',
    kind: 'count',
    read: 'count',
    all: true,
    repeats: true,
    goal: { recall: 0.93, precision: 0.93 },
    same: (f, v) => f.count === v,
  },
  {
    name: 'compound',
    kind: 'compound',
    read: 'compound',
    all: true,
    repeats: true,
    goal: { recall: 0.93, precision: 0.93 },
    want: (f) => KNOWN_COMPOUNDS.has(f.value.type),
    same: sameCompound,
  },
  {
    name: '  left dry, or no compound',
    kind: 'compound',
    read: /^(compound|dry|noCompound)$/,
    want: (f) => f.value.type === 'none',
    same: (f) => f.kind !== 'compound' || ['none', 'dry'].includes(f.compound),
  },
  {
    name: '  solvent, paint, soap',
    kind: 'compound',
    read: 'compound',
    want: (f) => !KNOWN_COMPOUNDS.has(f.value.type) && f.value.type !== 'none',
    same: (f, v) => f.compound === v.type,
  },
  { name: 'packing quantity', kind: 'packing', read: 'count', same: (f, v) => f.count === v.qty },
  {
    name: 'thread length',
    kind: 'thread',
    read: 'thread',
    want: (f) => f.value.lengthMm !== undefined,
    same: (f, v) => near(f.lengthMm, v.lengthMm, 5e-3),
  },
  {
    name: 'angle after torque',
    kind: 'torque',
    read: 'torque',
    want: (f) => f.value.angleDeg !== undefined,
    same: (f, v) => near(f.angleDeg, v.angleDeg, 0.01),
  },
  {
    name: 'ceiling (never beyond)',
    kind: 'torque',
    read: 'torque',
    want: (f) => f.value.max !== undefined,
    same: (f, v) => !torqueParts(f, v).some((part) => part.startsWith('ceiling')) && f.limitNm !== undefined,
  },
  {
    name: 'torque without a figure',
    kind: 'torque',
    read: /^(torque|contact|untilContact)$/,
    want: (f) => f.value.kindOfTarget === 'contact',
    same: (f) => f.kind !== 'torque' || f.target === 'contact',
  },
  {
    name: 'stages of a procedure',
    kind: 'torque',
    read: 'torque',
    want: (f) => f.value.kindOfTarget === 'procedure',
    same: (f, v) => (f.stages?.length ?? 0) === v.stages.length,
  },
  { name: 'drive size', kind: 'drive', read: 'drive', all: true, repeats: true, same: sameDrive },
  {
    name: 'drill, hole',
    kind: 'length',
    read: 'hole',
    want: (f) =>
      /\bdrill|\bhole/i.test(`${f.about} ${f.printed[0]}`) && /\bdrill|pilot/i.test(`${f.about} ${f.printed[0]}`),
    same: (f, v) => sameLength(f.diameterMm, v),
  },
  {
    name: 'length',
    kind: 'length',
    read: /^(length|hole|thread)$/,
    want: (f) => (f.value.unit ?? 'mm') === 'mm',
    same: (f, v) => sameLength(f.lengthMm ?? f.diameterMm, v),
  },
  {
    name: 'clearance',
    kind: 'clearance',
    read: /^(length|hole)$/,
    same: (f, v) => sameLength(f.lengthMm ?? f.diameterMm, v),
  },
  { name: 'time', kind: 'time', read: 'duration', all: true, same: sameMinutes },
  { name: 'condition', kind: 'condition', read: 'condition', all: true, same: () => true },
  {
    name: '  of them by year or date',
    kind: 'condition',
    read: 'condition',
    want: (f) => /\b(19|20)\d\d\b/.test(`${f.value.if} ${f.printed[0]}`),
    same: () => true,
  },
  {
    name: 'aftercare, distance or days',
    kind: 'aftercare',
    read: 'aftercare',
    all: true,
    want: (f) => dueKm(f.value) !== undefined || f.value.due?.days !== undefined,
    same: sameDue,
  },
  {
    name: 'aftercare, event',
    kind: 'aftercare',
    read: 'aftercare',
    want: (f) => dueKm(f.value) === undefined && f.value.due?.days === undefined,
    same: () => true,
  },
  {
    name: 'order: named pattern',
    kind: 'order',
    read: 'pattern',
    want: (f) => /\bstar\b|\bcross(wise| pattern)?\b|criss|alternat|centre outwards/i.test(f.value.sequence ?? ''),
    same: () => true,
  },
  {
    name: 'order: numbers printed',
    kind: 'order',
    read: /^(pattern|order|sequence)$/,
    want: (f) => /^\d+(-\d+){2,}$/.test(f.value.sequence ?? ''),
    same: (f) => f.kind !== 'pattern' || f.order !== undefined,
  },
  { name: 'wayround', kind: 'wayround', read: 'wayRound', same: () => true },
  { name: 'caution', kind: 'caution', read: 'caution', same: () => true },
  { name: 'lift, stands', kind: 'lift', read: 'need', same: (f) => f.need !== 'helper' },
  { name: 'second person', kind: 'person', read: 'need', same: (f) => f.need === 'helper' },
  {
    name: 'remove',
    kind: 'remove',
    read: 'action',
    same: (f) => ['remove', 'disconnect', 'loosen', 'discard', 'keep'].includes(f.action),
  },
  { name: 'refit', kind: 'refit', read: 'action', same: (f) => ['refit', 'reconnect', 'fit'].includes(f.action) },
];
const GOALS = ROWS.filter((row) => row.goal);
/** Nouns whose every count in running text is annotated; `4 spacers` is judged only where it is. */
const COUNTED = new Set(
  'screw bolt nut stud washer clamp clip pin rivet capscrew setscrew locknut fastener'.split(' '),
);
const TRAP_READS = {
  torque: ['torque'],
  thread: ['thread'],
  drive: ['drive'],
  count: ['count'],
  compound: ['compound'],
  condition: ['condition'],
  aftercare: ['aftercare'],
  time: ['duration'],
  length: ['length'],
  clearance: ['length', 'hole'],
  tool: ['tool'],
  order: ['pattern'],
  packing: ['count'],
};

// ---------------------------------------------------------------- places

function spansOf(text, needle) {
  const list = [];
  for (let at = text.indexOf(needle); at >= 0; at = text.indexOf(needle, at + 1)) list.push([at, at + needle.length]);
  return list;
}
function placesOf(text, fact) {
  return fact.printed.map((needle, index) => {
    const all = spansOf(text, needle);
    return index === 0 && fact.occurrence ? all.slice(fact.occurrence - 1, fact.occurrence) : all;
  });
}
const touches = (fact, [from, to]) => fact.start < to && fact.end > from;
function lineStarts(text) {
  const starts = [0];
  for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) starts.push(at + 1);
  return starts;
}
const lineAt = (starts, at) => {
  let line = 0;
  while (line + 1 < starts.length && starts[line + 1] <= at) line++;
  return line;
};

// ---------------------------------------------------------------- scoring

const folder = option('--sheets', join(HERE, 'sheets'));
const only = option('--only', undefined);
const names = readdirSync(folder)
  .filter((file) => /^\d{2,3}-.*\.txt$/.test(file) && (only === undefined || file.startsWith(only)))
  .map((file) => file.replace(/\.txt$/, ''))
  .sort();
if (names.length === 0) {
  process.stderr.write(`no sheets in ${folder}\n`);
  process.exit(2);
}
const started = Date.now();
const answers = readAll(names.map((name) => join(folder, `${name}.txt`)));
const seconds = (Date.now() - started) / 1000;

const score = new Map(
  ROWS.map((row) => [row.name, { wanted: 0, found: 0, hard: 0, hardFound: 0, right: 0, wrong: 0, unjudged: 0 }]),
);
const danger = { wrongUnit: [], wrongNumber: [], ceilingAsTarget: [], trap: [], fromNothing: [], stageAsTarget: [] };
const lost = { angle: [], ceiling: [], 'ceiling as target': [], 'second unit': [] };
const traps = { total: 0, fallen: [], byKind: {} };
const misses = [];
const falseReadings = [];

const shown = (fact) => {
  const { start, end, printed, confidence, step, about, line: _, ...value } = fact;
  return JSON.stringify(value).replace(/"(\w+)":/g, '$1:');
};
const flat = (text) => text.replace(/\s+/g, ' ').trim();

names.forEach((name, index) => {
  const text = readFileSync(join(folder, `${name}.txt`), 'utf8').replace(/\r\n?/g, '\n');
  const { facts: annotated, traps: set } = JSON.parse(readFileSync(join(folder, `${name}.json`), 'utf8'));
  const readings = answers[index].facts;
  const starts = lineStarts(text);
  const lineText = (at) =>
    flat(text.slice(starts[lineAt(starts, at)], text.indexOf('\n', at) < 0 ? undefined : text.indexOf('\n', at)));
  for (const fact of annotated) {
    fact.places = placesOf(text, fact);
    fact.lines = new Set(
      fact.places.flat().flatMap(([from, to]) => {
        const [a, b] = [lineAt(starts, from), lineAt(starts, to - 1)];
        return Array.from({ length: b - a + 1 }, (_, k) => a + k);
      }),
    );
  }
  for (const reading of readings) reading.line = lineAt(starts, reading.start);
  const isA = (row, reading) =>
    typeof row.read === 'string' ? reading.kind === row.read : row.read.test(reading.kind);
  /** Readings an annotated fact explains, by row. */
  const explained = new Map(ROWS.map((row) => [row, new Set()]));

  // Torques: each reading speaks for one fact; plain facts choose first, touching before the same line.
  const torqueRow = ROWS[0];
  const torques = annotated.filter(
    (fact) =>
      fact.kind === 'torque' &&
      fact.value.kindOfTarget !== 'contact' &&
      (fact.value.low !== undefined || fact.value.max !== undefined),
  );
  const torqueReadings = readings.filter((reading) => reading.kind === 'torque');
  const foundTorque = new Map();
  const taken = new Set();
  const place = (fact) =>
    (fact.hard && fact.value.kindOfTarget !== 'procedure' ? [fact.places[0]] : fact.places).flat();
  for (const [hard, how] of [
    [false, 'touch'],
    [false, 'line'],
    [true, 'touch'],
    [true, 'line'],
  ]) {
    for (const fact of torques) {
      if (Boolean(fact.hard) !== hard || foundTorque.has(fact)) continue;
      const hit = torqueReadings.find(
        (reading) =>
          !taken.has(reading) &&
          torqueRole(reading, fact.value) === 'target' &&
          (how === 'touch'
            ? place(fact).some((span) => touches(reading, span))
            : !hard && fact.lines.has(reading.line)),
      );
      if (!hit) continue;
      taken.add(hit);
      foundTorque.set(fact, hit);
      explained.get(torqueRow).add(hit);
    }
  }
  {
    const own = score.get('torque');
    for (const fact of torques) {
      const hit = foundTorque.get(fact);
      if (fact.hard) {
        own.hard++;
        if (hit) own.hardFound++;
      } else {
        own.wanted++;
        if (hit) own.found++;
      }
      if (hit) for (const part of torqueParts(hit, fact.value)) lost[part].push({ name, fact, hit });
      if (!hit && !fact.hard) {
        const there = torqueReadings.filter((reading) => fact.places.flat().some((span) => touches(reading, span)));
        misses.push({
          weight: there.length > 0 ? 0 : 1,
          name,
          row: 'torque',
          line: fact.line,
          printed: flat(fact.printed[0]),
          wanted: fact.value,
          read: there.map(shown),
        });
      }
    }
    for (const reading of torqueReadings) {
      if (taken.has(reading)) {
        own.right++;
        continue;
      }
      const around = torques.filter((fact) => fact.places.flat().some((span) => touches(reading, span)));
      const roles = around.map((fact) => torqueRole(reading, fact.value));
      const trap = set.find(
        (entry) =>
          entry.not === 'torque' &&
          entry.printed.some((needle) => spansOf(text, needle).some((span) => touches(reading, span))),
      );
      const entry = {
        name,
        line: reading.line + 1,
        printed: flat(reading.printed),
        read: shown(reading),
        confidence: reading.confidence,
        context: lineText(reading.start),
      };
      if (roles.includes('target')) {
        own.right++; // the same figure, printed again
        continue;
      }
      if (roles.includes('stage')) {
        own.right++;
        danger.stageAsTarget.push(entry);
        continue;
      }
      // A doubtful reading of something no reader can be sure of is a question, not an error.
      if (reading.confidence < SURE && around.some((fact) => fact.hard)) {
        own.unjudged++;
        continue;
      }
      own.wrong++;
      const number = around.find((fact) =>
        torqueValues(fact.value).some((v) => near(reading.min, v.low) && near(reading.max, v.high)),
      );
      const list = trap
        ? danger.trap
        : roles.includes('ceiling')
          ? danger.ceilingAsTarget
          : number
            ? danger.wrongUnit
            : around.length > 0 || torques.some((fact) => fact.lines.has(reading.line))
              ? danger.wrongNumber
              : danger.fromNothing;
      list.push(entry);
      falseReadings.push({ row: 'torque', ...entry });
    }
  }

  for (const row of ROWS.slice(1)) {
    const own = score.get(row.name);
    const wanted = annotated.filter((fact) => fact.kind === row.kind && (!row.want || row.want(fact)));
    const candidates = readings.filter((reading) => isA(row, reading));
    for (const fact of wanted) {
      const touching = candidates.filter((reading) => fact.places.flat().some((span) => touches(reading, span)));
      const hits = touching.filter((reading) => row.same(reading, fact.value));
      if (hits.length === 0 && row.same.length > 1) {
        const near = candidates.find(
          (reading) =>
            fact.lines.has(reading.line) && row.same(reading, fact.value) && !explained.get(row).has(reading),
        );
        if (near) hits.push(near);
      }
      for (const hit of hits) explained.get(row).add(hit);
      if (fact.hard) {
        own.hard++;
        if (hits.length > 0) own.hardFound++;
      } else {
        own.wanted++;
        if (hits.length > 0) own.found++;
        else
          misses.push({
            weight: row.goal ? (touching.length > 0 ? 2 : 3) : 5,
            name,
            row: row.name.trim(),
            line: fact.line,
            printed: flat(fact.printed[0]),
            wanted: fact.value,
            read: touching.map(shown),
          });
      }
    }
  }
  // What was read and nothing explains.
  for (const row of ROWS.slice(1).filter((entry) => entry.all)) {
    const own = score.get(row.name);
    const kindRows = ROWS.filter(
      (entry) => entry.kind === row.kind || (row.kind === 'count' && entry.kind === 'packing'),
    );
    for (const reading of readings.filter((entry) => isA(row, entry))) {
      if (kindRows.some((entry) => explained.get(entry).has(reading))) {
        own.right++;
        continue;
      }
      const trap = set.find(
        (entry) =>
          (TRAP_READS[entry.not] ?? []).includes(reading.kind) &&
          entry.printed.some((needle) => spansOf(text, needle).some((span) => touches(reading, span))),
      );
      const repeated =
        row.repeats &&
        annotated.some(
          (fact) =>
            (fact.kind === row.kind || (row.kind === 'count' && fact.kind === 'packing')) &&
            (row.kind === 'count'
              ? (fact.value.qty ?? fact.value) === reading.count &&
                new RegExp(`\\b${reading.noun}`, 'i').test(
                  `${fact.about} ${fact.printed.join(' ')} ${fact.value.item ?? ''}`,
                )
              : row.same(reading, fact.value)),
        );
      const here = (kind) =>
        annotated.filter((fact) => fact.kind === kind && fact.places.flat().some((span) => touches(reading, span)));
      // `two washers` at each of two brackets: the two that is printed is no error, only the four is hard.
      const unsure = (reading.confidence < SURE || row.kind === 'count') && here(row.kind).some((fact) => fact.hard);
      // `lock washer M12` names a size and no thread; `once a week` is a due date.
      const otherKind =
        (row.kind === 'thread' &&
          annotated.some((fact) => fact.kind === 'packing' && fact.lines.has(reading.line)) &&
          annotated.some(
            (fact) =>
              fact.kind === 'thread' &&
              threadParts(fact.value.designation).size === threadParts(reading.designation).size &&
              !fact.lines.has(reading.line),
          ) &&
          !annotated.some((fact) => fact.kind === 'thread' && fact.lines.has(reading.line))) ||
        (row.kind === 'time' && here('aftercare').length > 0);
      if (!trap && (repeated || unsure || otherKind || (row.kind === 'count' && !COUNTED.has(reading.noun)))) {
        own.unjudged++;
        continue;
      }
      own.wrong++;
      falseReadings.push({
        row: row.name,
        name,
        line: reading.line + 1,
        printed: flat(reading.printed),
        read: shown(reading),
        confidence: reading.confidence,
        context: lineText(reading.start),
        trap: trap?.why,
      });
    }
  }
  const explainedAny = (reading) => ROWS.some((row) => explained.get(row).has(reading));
  for (const trap of set) {
    traps.total++;
    traps.byKind[trap.not] ??= { total: 0, fallen: 0 };
    const kind = traps.byKind[trap.not];
    kind.total++;
    const spans = trap.printed.flatMap((needle) => spansOf(text, needle));
    const fallen = readings.filter(
      (reading) =>
        (TRAP_READS[trap.not] ?? []).includes(reading.kind) &&
        spans.some((span) => touches(reading, span)) &&
        !explainedAny(reading),
    );
    if (fallen.length === 0) continue;
    kind.fallen++;
    traps.fallen.push({
      name,
      not: trap.not,
      printed: trap.printed.map(flat).join(' | '),
      why: trap.why,
      read: fallen.map((reading) => `${shown(reading)} at ${reading.confidence}`),
    });
  }
});

// ---------------------------------------------------------------- report

const share = (top, bottom) => (bottom === 0 ? '   -' : (top / bottom).toFixed(3));
const line = (...cells) => process.stdout.write(`${cells.join('')}\n`);
line(`${names.length} sheets, read in ${seconds.toFixed(1)} s`);
line();
line(
  'kind'.padEnd(29),
  'annotated'.padStart(9),
  'found'.padStart(7),
  'recall'.padStart(8),
  '  precision'.padStart(11),
  'wrong'.padStart(7),
  '   hard: found/all',
);
for (const row of ROWS) {
  const s = score.get(row.name);
  line(
    row.name.padEnd(29),
    String(s.wanted).padStart(9),
    String(s.found).padStart(7),
    share(s.found, s.wanted).padStart(8),
    (row.all ? share(s.right, s.right + s.wrong) : '-').padStart(11),
    (row.all ? String(s.wrong) : '-').padStart(7),
    s.hard > 0 ? `   ${s.hardFound}/${s.hard}` : '',
  );
}
line();
line('Torque, the dangerous ones');
line(`  wrong unit                    ${danger.wrongUnit.length}`);
line(`  wrong number                  ${danger.wrongNumber.length}`);
line(
  `  ceiling read as a target      ${danger.ceilingAsTarget.length}, and ${lost['ceiling as target'].length} stands alone and came as a target`,
);
line(`  trap read as a target         ${danger.trap.length}`);
line(`  read where no torque stands   ${danger.fromNothing.length}`);
line(
  `  of these errors, offered as doubtful (confidence below ${SURE}): ${falseReadings.filter((entry) => entry.row === 'torque' && entry.confidence < SURE).length}`,
);
line(`  angle lost                    ${lost.angle.length}`);
line(`  ceiling beside target lost    ${lost.ceiling.length}`);
line(`  stage read as plain target    ${danger.stageAsTarget.length}`);
line(`  second unit not joined        ${lost['second unit'].length}`);
line();
line(
  `Traps: ${traps.fallen.length} of ${traps.total} fallen into (${Object.entries(traps.byKind)
    .map(([kind, s]) => `${kind} ${s.fallen}/${s.total}`)
    .join(', ')})`,
);
for (const trap of args.includes('--all') ? traps.fallen : traps.fallen.filter((entry) => entry.not !== 'length'))
  line(`  ${trap.name.split('-')[0]} not a ${trap.not}: “${trap.printed}” (${trap.why}) read ${trap.read.join(', ')}`);

const most = args.includes('--all') ? Number.POSITIVE_INFINITY : Number(option('--worst', 20));
misses.sort((a, b) => a.weight - b.weight);
const worst = misses.slice(0, most);
line();
line(`Worst ${worst.length} of ${misses.length} misses`);
for (const miss of worst)
  line(
    `  ${miss.name.split('-')[0]}:${String(miss.line).padEnd(3)} ${miss.row.padEnd(9)} “${miss.printed.slice(0, 90)}” is ${JSON.stringify(miss.wanted)}; read ${miss.read.join(', ') || 'nothing'}`,
  );
const falseMost = args.includes('--all') ? Number.POSITIVE_INFINITY : Number(option('--worst', 20));
falseReadings.sort(
  (a, b) =>
    (a.row === 'torque' ? 0 : GOALS.some((row) => row.name === a.row) ? 1 : 2) -
    (b.row === 'torque' ? 0 : GOALS.some((row) => row.name === b.row) ? 1 : 2),
);
line();
line(`Worst ${Math.min(falseMost, falseReadings.length)} of ${falseReadings.length} false readings`);
for (const entry of falseReadings.slice(0, falseMost))
  line(
    `  ${entry.name.split('-')[0]}:${String(entry.line).padEnd(3)} ${entry.row.padEnd(9)} read ${entry.read} at ${entry.confidence} from “${entry.printed.slice(0, 40)}” in “${entry.context.slice(0, 90)}”${entry.trap ? ` [trap: ${entry.trap}]` : ''}`,
  );

line();
let short = 0;
const goal = (said, ok) => {
  if (!ok) short++;
  line(`${ok ? 'met  ' : 'SHORT'} ${said}`);
};
for (const row of GOALS) {
  const s = score.get(row.name);
  const [recall, precision] = [
    s.wanted === 0 ? 1 : s.found / s.wanted,
    s.right + s.wrong === 0 ? 1 : s.right / (s.right + s.wrong),
  ];
  goal(
    `${row.name}: recall ${recall.toFixed(3)} (goal ${row.goal.recall}), precision ${precision.toFixed(3)} (goal ${row.goal.precision})`,
    recall >= row.goal.recall && precision >= row.goal.precision,
  );
}
goal(`torque in a wrong unit: ${danger.wrongUnit.length} (goal 0)`, danger.wrongUnit.length === 0);
if (args.includes('--json')) {
  const clean = (entry) =>
    JSON.parse(
      JSON.stringify(entry, (key, value) =>
        key === 'places' || key === 'lines' || key === 'fact' || key === 'hit' ? undefined : value,
      ),
    );
  writeFileSync(
    option('--json'),
    JSON.stringify(
      {
        score: Object.fromEntries(score),
        danger,
        traps,
        misses: clean(misses),
        falseReadings,
        lost: Object.fromEntries(
          Object.entries(lost).map(([part, list]) => [
            part,
            list.map(({ name, fact }) => ({ name, line: fact.line, printed: fact.printed })),
          ]),
        ),
      },
      null,
      1,
    ),
  );
}
const brief = (name) => {
  const s = score.get(name);
  return `${name} ${(s.found / Math.max(1, s.wanted)).toFixed(2)}/${(s.right / Math.max(1, s.right + s.wrong)).toFixed(2)}`;
};
line(
  `${short} goals short; recall/precision: ${GOALS.map((row) => brief(row.name)).join(', ')}; wrong units ${danger.wrongUnit.length}`,
);
process.exit(short > 0 ? 1 : 0);
