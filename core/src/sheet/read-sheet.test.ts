import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { LONGEST_SHEET, readSheet } from './read-sheet.ts';

/** Every spelling a sheet was seen to use, with the unit it stands for. */
const SPELLINGS = [
  ['ft-lb', 'lbf·ft'],
  ['ft lbs', 'lbf·ft'],
  ['ft·lbf', 'lbf·ft'],
  ['lb-ft', 'lbf·ft'],
  ['foot-pounds', 'lbf·ft'],
  ['pound feet', 'lbf·ft'],
  ['Nm', 'N·m'],
  ['N·m', 'N·m'],
  ['N-m', 'N·m'],
  ['newton metres', 'N·m'],
  ['in-lb', 'lbf·in'],
  ['inch pounds', 'lbf·in'],
  ['kgf·m', 'kgf·m'],
  ['kg-m', 'kgf·m'],
  ['cm-kg', 'kgf·cm'],
] as const;

const facts = (text: string, kind: string) => readSheet(text).facts.filter((fact) => fact.value.kind === kind);

const torques = (text: string): string[] =>
  facts(text, 'torque').map(({ value }) => {
    if (value.kind !== 'torque') return '';
    const range = value.min === value.max ? `${value.min}` : `${value.min}-${value.max}`;
    const limit = value.limitNm === undefined ? '' : ` <${value.limitNm.toFixed(1)}`;
    const angle = value.angleDeg === undefined ? '' : ` +${value.angleDeg}°`;
    return `${range} ${value.unit}${limit}${angle}`;
  });

describe('torque, in every writing met in practice', () => {
  it.each([
    ['Torque to 40 ft-lb.', ['40 lbf·ft']],
    ['Torque to 40 ft lbs.', ['40 lbf·ft']],
    ['Torque to 40 ft·lbf.', ['40 lbf·ft']],
    ['Torque to 40 lb-ft.', ['40 lbf·ft']],
    ['Torque to 40 lb. ft.', ['40 lbf·ft']],
    ['Torque to 40 foot-pounds.', ['40 lbf·ft']],
    ['Torque to 40 pound feet.', ['40 lbf·ft']],
    ['Torque to 40ft/lbs', ['40 lbf·ft']],
    ['Torque to 40 FT-LBS', ['40 lbf·ft']],
    ['Final torque: 120 +/- 5 Nm', ['115-125 N·m']],
    ['Tighten to 60Nm ±5', ['55-65 N·m']],
    ['Tighten to 60 ± 5 ft-lb (81 ± 7 Nm)', ['55-65 lbf·ft']],
    ['and the shock bolt to 66 lb/ft.', ['66 lbf·ft']],
    ['thirty-five newton meters and then give it another ninety degrees', ['35 N·m +90°']],
    ['Torque to 110N-m(81ft-lb)', ['110 N·m']],
    ['Torque to 54Nm.', ['54 N·m']],
    ['Torque to 54 N·m.', ['54 N·m']],
    ['Torque to 54 N-m', ['54 N·m']],
    ['Torque to 54 N.m', ['54 N·m']],
    ['Torque to 54 newton metres.', ['54 N·m']],
    ['Torque to 54 newton-meters.', ['54 N·m']],
    ['Torque to 27 in-lb.', ['27 lbf·in']],
    ['Torque to 27 in. lbs.', ['27 lbf·in']],
    ['Torque to 27 inch pounds.', ['27 lbf·in']],
    ['Torque to 27 inch-lbs', ['27 lbf·in']],
    ['Torque to 5.5 kgf·m', ['5.5 kgf·m']],
    ['Torque to 5,5 kg-m', ['5.5 kgf·m']],
    ['Torque to 120 cm-kg', ['120 kgf·cm']],
    ['Torque to 80-100 in-lb', ['80-100 lbf·in']],
    ['Torque to 80 – 100 in-lb', ['80-100 lbf·in']],
    ['Torque to 80 to 100 ft-lbs', ['80-100 lbf·ft']],
    ['Torque between 30 and 40 ft lbs', ['30-40 lbf·ft']],
    ['Torque to 30 ft-lb to 40 ft-lb', ['30-40 lbf·ft']],
    ['Tighten to 27 in-lb, do not exceed 35.', ['27 lbf·in <4.0']],
    ['Tighten to 3 Nm (never more than 4 Nm)', ['3 N·m <4.0']],
    ['Tighten to 74 ft-lb plus 90°', ['74 lbf·ft +90°']],
    ['Tighten to 74 ft-lb + 90 degrees', ['74 lbf·ft +90°']],
    ['Tighten to 74 ft-lb, then a further quarter turn', ['74 lbf·ft +90°']],
    ['Tighten to 50 Nm then turn another 60 deg.', ['50 N·m +60°']],
    ['Tighten to 30 Nm and then an additional 1/2 turn', ['30 N·m +180°']],
    ['Tighten to 3 Nm (27 in-lb)', ['3 N·m']],
    ['Tighten to 62 N·m / 46 lb-ft', ['62 N·m']],
    ['Tighten to 62 N·m [46 lb-ft]', ['62 N·m']],
    ['46 ft-lbs (62 Nm) for the front and 55 ft-lbs (75 Nm) for the rear', ['46 lbf·ft', '55 lbf·ft']],
    ['M12 90, M10 40 and M8 20 ft-lb', ['90 lbf·ft', '40 lbf·ft', '20 lbf·ft']],
    ['M12: 90 / M10: 40 / M8: 20 ft-lb', ['90 lbf·ft', '40 lbf·ft', '20 lbf·ft']],
    ['Torque all M8 to 20 and all M10 to 40 ft-lbs.', ['20 lbf·ft', '40 lbf·ft']],
    ['Upper bolts 30 Nm. Lower bolts same as above.', ['30 N·m', '30 N·m']],
    ['Tighten to 27,5 Nm', ['27.5 N·m']],
    ['Tighten to 45 ft-1b', ['45 lbf·ft']],
    ['Tighten to 45 Nrn', ['45 N·m']],
    ['Tighten to 4O Nm', ['40 N·m']],
    ['Tighten to l8 ft-lbs', ['18 lbf·ft']],
    ['go to fifty five foot pounds', ['55 lbf·ft']],
    ['about a hundred and ten foot pounds', ['110 lbf·ft']],
    ['one hundred twenty newton metres', ['120 N·m']],
    ['Torque spec | M8 | 18 | ft-lb', ['18 lbf·ft']],
    ['40 lbf.ft', ['40 lbf·ft']],
    ['40 lbf-in', ['40 lbf·in']],
    ['Torque: 22Nm (16ft-lb)', ['22 N·m']],
    ['Tighten M6 to 8-10 N m', ['8-10 N·m']],
    ['1,000 in-lbs', ['1000 lbf·in']],
  ] as const)('%s', (text, expected) => expect(torques(text)).toEqual([...expected]));

  it.each([
    'Fit the bolts (4) to the frame.',
    'Use a 3/8 drive torque wrench.',
    'Supports 500 lb tongue weight.',
    'Leave 2 in. of clearance.',
    'Lift 40 mm with a jack.',
    'Takes 2 h. Needs M10 tap.',
    'Turn it 2 feet to the left; lbs of force do not help.',
    'Keep 6 in lower than the frame',
  ])('no torque in: %s', (text) => expect(torques(text)).toEqual([]));

  it('a pair whose two units disagree is kept, flagged, and trusted less', () => {
    const [fact] = facts('Tighten to 30 Nm (30 ft-lb).', 'torque');
    expect(fact?.value).toMatchObject({ min: 30, unit: 'N·m', pair: { min: 30, unit: 'lbf·ft', agrees: false } });
    expect(fact?.confidence).toBeLessThan(0.6);
  });
  it('a mended scan is trusted less than a plain one', () => {
    expect(facts('Tighten to 45 ft-1b', 'torque')[0]?.confidence).toBeLessThan(
      facts('Tighten to 45 ft-lb', 'torque')[0]?.confidence ?? 0,
    );
  });
  it('a comma before three digits is trusted less', () => {
    expect(facts('Torque to 1,500 Nm', 'torque')[0]?.confidence).toBeLessThan(1);
  });
  it('a force where torque is meant is never taken for one', () => {
    expect(torques('Torque to 40 lb')).toEqual([]);
    expect(facts('Torque to 40 lb', 'forceForTorque')).toHaveLength(1);
  });
  it('says which thread or piece a value belongs to', () => {
    const read = facts('M12 bolts 90 ft-lb. M8 bolts 20 ft-lb.', 'torque').map((fact) => fact.about);
    expect(read).toEqual(['M12 × 1.75', 'M8 × 1.25']);
  });
});

describe('threads', () => {
  const threads = (text: string) =>
    facts(text, 'thread').map(({ value }) =>
      value.kind === 'thread'
        ? `${value.designation}${value.lengthMm === undefined ? '' : ` L${Math.round(value.lengthMm * 100) / 100}`}`
        : '',
    );
  it.each([
    ['M10x1.5x55', ['M10 × 1.5 L55']],
    ['M10-1.25 × 30 mm', ['M10 × 1.25 L30']],
    ['M10 x 1.5 x 55mm', ['M10 × 1.5 L55']],
    ['M10 X 55 bolt', ['M10 × 1.5 L55']],
    ['M8x1.25 x 25', ['M8 × 1.25 L25']],
    ['m8 bolt', ['M8 × 1.25']],
    ['M 8 bolt', ['M8 × 1.25']],
    ['M12-1.75x40', ['M12 × 1.75 L40']],
    ['3/8-16 x 1-1/4"', ['3/8-16 L31.75']],
    ['3/8"-16 x 1 1/4" hex bolt', ['3/8-16 L31.75']],
    ['#10-32', ['#10-32']],
    ['5/8 coarse', ['5/8-11']],
    ['1/2-20 UNF', ['1/2-20']],
    ['7/16-14 x 2 in', ['7/16-14 L50.8']],
    ['M1O bolt', ['M10 × 1.5']],
    ['M14x1.5 lug nuts', ['M14 × 1.5']],
    ['Thread: M6', ['M6 × 1']],
    ['M10x1.5-55 bolt', ['M10 × 1.5 L55']],
    ['tap M10x1.5-6H', []],
    ['drawing M10x1.5-0316', []],
    ['m twelve by one point seven five fifty long', ['M12 × 1.75 L50']],
    ['m ten by one point two five by thirty', ['M10 × 1.25 L30']],
    ['m ten by thirty five', ['M10 × 1.5 L35']],
  ] as const)('%s', (text, expected) => expect(threads(text)).toEqual([...expected]));
  it.each([
    'the two 16mm bolts',
    '16 mm socket',
    'a 3/8 ratchet',
    '1/2 in drive',
    '5 mm hex key',
    'page 3/8',
    '10-20 minutes',
  ])('no thread in: %s', (text) => expect(threads(text)).toEqual([]));
});

describe('drive sizes are kept apart from threads', () => {
  const drives = (text: string) =>
    facts(text, 'drive').map(({ value }) =>
      value.kind === 'drive'
        ? `${value.drive.kind} ${'acrossFlatsMm' in value.drive ? Math.round((value.drive.acrossFlatsMm ?? 0) * 100) / 100 : 'size' in value.drive ? value.drive.size : ''} ${value.describes}`
        : '',
    );
  it.each([
    ['16mm socket', ['hex 16 tool']],
    ['with a 16 mm deep socket', ['hex 16 tool']],
    ['the two 16mm bolts', ['hex 16 fastener']],
    ['E14 socket', ['sixLobe E14 tool']],
    ['a T40 bit', ['sixLobe T40 tool']],
    ['T-50 bit', ['sixLobe T50 tool']],
    ['5 mm hex key', ['hexKey 5 tool']],
    ['a 10mm hex bit socket', ['hexKey 10 tool']],
    ['5mm allen key', ['hexKey 5 tool']],
    ['12-point 16', ['twelvePoint 16 tool']],
    ['3/4" wrench', ['hex 19.05 tool']],
    ['9/16 in. socket', ['hex 14.29 tool']],
    ['(14) 7 mm bolts', ['hex 7 fastener']],
    ['10mm head bolts', ['hex 10 fastener']],
    ['a 13mm and a 15mm spanner', ['hex 13 tool', 'hex 15 tool']],
    ['4 spacers 25 mm, 20 cone nuts', []],
    ['the two 18 mm caliper bolts', ['hex 18 fastener']],
    ['10/13/16 mm sockets', ['hex 10 tool', 'hex 13 tool', 'hex 16 tool']],
  ] as const)('%s', (text, expected) => expect(drives(text)).toEqual([...expected]));
});

describe('counts', () => {
  const counts = (text: string) =>
    facts(text, 'count').map(({ value }) => (value.kind === 'count' ? `${value.count} ${value.noun}` : ''));
  it.each([
    ['(14) 7 mm bolts', ['14 bolt']],
    ['Remove six bolts', ['6 bolt']],
    ['a pair of brackets', ['2 bracket']],
    ['both bolts', ['2 bolt']],
    ['4 x M8x25 flange bolts', ['4 bolt']],
    ['4x M8 washers', ['4 washer']],
    ['4 pcs M8 washers', ['4 washer']],
    ['M8 washers (8)', ['8 washer']],
    ['M8 x 25 bolts x 6', ['6 bolt']],
    ['Bolt, M10 x 40, qty 4', ['4 bolt']],
    ['Qty. 4 M10 bolts', ['4 bolt']],
    ['M10 nut - 4', ['4 nut']],
    ['two of the bolts', ['2 bolt']],
    ['the remaining two upper nuts', ['2 nut']],
    ['12 flat washers', ['12 washer']],
    ['eight long M8 bolts and eight nylon lock nuts', ['8 bolt', '8 nut']],
    ['the three 10 mm and two 13 mm bolts', ['3 bolt', '2 bolt']],
    ['(4) 3/8-16 x 1" hex bolts', ['4 bolt']],
    ['four (4) bolts', ['4 bolt']],
    ['Repeat on both sides', ['2 side']],
    ['two bolts at each corner', ['2 bolt', '4 corner']],
    ['4 ea. M12-1.75 x 90mm bolts; 8 ea. flat washers', ['4 bolt', '8 washer']],
    ['Qty (2) 1/2"-13 x 1-1/2" Grade 8 bolts', ['2 bolt']],
  ] as const)('%s', (text, expected) => expect(counts(text)).toEqual([...expected]));
  it.each([
    'Step 2 remove the bolts',
    'M8 bolts',
    '16 mm bolts',
    'one more turn of the nut',
    'Fig. 3 bolts',
    'class 10 nuts',
  ])('none in: %s', (text) => expect(counts(text)).toEqual([]));
});

describe('property classes', () => {
  const classes = (text: string) =>
    facts(text, 'propertyClass').map(({ value }) => (value.kind === 'propertyClass' ? value.propertyClass : ''));
  it.each([
    ['M10 nut cl.10', ['10']],
    ['M10 bolt cl. 10.9', ['10.9']],
    ['M10x1.5x55 10.9', ['10.9']],
    ['M10 x 1.5 x 55 mm 8.8, zinc', ['8.8']],
    ['m twelve by one point seven five fifty long ten nine', ['10.9']],
    ['M10 bolts 10.9 Nm', []],
    ['six times 8.8', []],
    ['M6 nut 8.8 mm high', []],
  ] as const)('%s', (text, expected) => expect(classes(text)).toEqual([...expected]));
});

describe('compounds', () => {
  const compounds = (text: string) =>
    facts(text, 'compound').map(({ value }) => (value.kind === 'compound' ? value.compound : ''));
  it.each([
    ['Apply blue threadlocker to the bolts', ['threadlockerMedium']],
    ['a drop of low strength threadlocker on the M4 screws', ['threadlockerLow']],
    ['Purple thread lock on the screws', ['threadlockerLow']],
    ['locker (low strength), 5 Nm', ['threadlockerLow']],
    ['Threadlocker on the light bar bolts', ['threadlockerMedium']],
    ['Threadlocker on the low profile screws', ['threadlockerMedium']],
    ['Use high-strength thread locker', ['threadlockerHigh']],
    ['red thread-locking compound', ['threadlockerHigh']],
    ['medium strength threadlocking adhesive', ['threadlockerMedium']],
    ['a drop of thread lock (red)', ['threadlockerHigh']],
    ['Coat the threads with anti-seize.', ['antiSeize']],
    ['anti seize compound', ['antiSeize']],
    ['copper grease on the slide pins', ['antiSeize']],
    ['a bead of RTV sealant', ['sealant']],
    ['dielectric grease on the plug', ['grease']],
    ['grease the bushing with the supplied grease', ['grease']],
    ['penetrating oil', ['penetrant']],
    ['retaining compound on the bush', ['retaining']],
    ['Lightly oil the threads', ['oil']],
    ['| 4 | locker, medium | 70 Nm', ['threadlockerMedium']],
    ['strong locker on the studs', ['threadlockerHigh']],
    ['Blue on the tow-eye bolts.', ['threadlockerMedium']],
  ] as const)('%s', (text, expected) => expect(compounds(text)).toEqual([...expected]));
  it.each([
    'Put it back in the locker.',
    'Blue on the left, red on the right.',
    'Change the oil filter.',
    'grease fitting facing down',
    'check for oil leaks',
    'lock nut',
  ])('none in: %s', (text) => expect(compounds(text)).toEqual([]));
});

describe('the words of the shop', () => {
  const lexicon = [
    { words: 'green drop', compound: 'retaining' as const },
    { words: 'number 42', compound: 'threadlockerMedium' as const },
  ];
  it('are read as the compounds they stand for, hyphens or not', () => {
    const read = readSheet('Put green-drop on the bush and Number 42 on the bolts.', lexicon).facts;
    expect(read.flatMap(({ value }) => (value.kind === 'compound' ? [value.compound] : []))).toEqual([
      'retaining',
      'threadlockerMedium',
    ]);
  });
  it('without them nothing is guessed', () => expect(facts('Put green-drop on the bush.', 'compound')).toEqual([]));
});

describe('the rest of a sheet', () => {
  it.each([
    ['On 2016 and newer models', 'condition'],
    ['For 2011-2015 vehicles', 'condition'],
    ['If equipped with air suspension, skip this step', 'condition'],
    ['models without a tow bar', 'condition'],
    ['up to model year 2015', 'condition'],
    ['Re-torque after 25 miles', 'aftercare'],
    ['Check all bolts every 5,000 miles', 'aftercare'],
    ['Recheck after 500 km', 'aftercare'],
    ['Allow 24 hours to cure', 'duration'],
    ['WARNING: support the vehicle on stands', 'caution'],
    ['Note: wear eye protection. Caution: hot parts', 'caution'],
    ['Tighten in a star pattern', 'pattern'],
    ['in a criss-cross pattern', 'pattern'],
    ['working from the centre outwards', 'pattern'],
    ['Leave all bolts loose', 'stage'],
    ['Hand tighten only', 'stage'],
    ['with the vehicle at ride height', 'rideHeight'],
    ['Drill a 8.5 mm hole', 'hole'],
    ['drill out to 11/32"', 'hole'],
    ['with at least 1/2" of clearance', 'hole'],
    ['1/2" drive ratchet', 'squareDrive'],
    ['3/8" torque wrench', 'squareDrive'],
    ['on the left side', 'side'],
    ['Remove the grille', 'action'],
    ['Take off the wheels', 'action'],
    ['Support it on axle stands', 'need'],
    ['Have a helper hold the bar', 'need'],
    ['With a torque wrench', 'tool'],
    ['grease nipple facing down', 'wayRound'],
    ['smaller end to the cooler', 'wayRound'],
    ['the bracket stamped L', 'mark'],
    ['Difficulty: moderate', 'difficulty'],
  ])('%s: %s', (text, kind) => expect(facts(text, kind).length).toBeGreaterThan(0));
});

describe('what is done, and to what', () => {
  const actions = (text: string) =>
    facts(text, 'action').map(({ value }) => (value.kind === 'action' ? `${value.action}: ${value.object}` : ''));
  it.each([
    ['Remove the six 10 mm bolts from the guard, then set it aside.', ['remove: six 10 mm bolts', 'keep: it']],
    ['Refit the under-tray with the original clips', ['refit: under-tray']],
    ['Unplug the sensor and remove the bracket', ['disconnect: sensor', 'remove: bracket']],
    ['Put back the cover', ['refit: cover']],
    ['a torque of 40 Nm', []],
    ['Lower arms, front', []],
    ['Lower the vehicle', ['lower: vehicle']],
  ] as const)('%s', (text, expected) => expect(actions(text)).toEqual([...expected]));
});

describe('steps', () => {
  it('numbered lines are steps with their numbers, two actions in one line are two', () => {
    const { steps } = readSheet('1. Remove the cover. Set it aside.\n2) Fit the plate.\nStep 3: Torque it.');
    expect(steps.map(({ number, text }) => `${number ?? ''}|${text}`)).toEqual([
      '1|Remove the cover.',
      '1|Set it aside.',
      '2|Fit the plate.',
      '3|Torque it.',
    ]);
  });
  it('knows steps numbered by word, without a full stop, and by letter', () => {
    const { steps } = readSheet('Step 1  Loosen the nuts.\nStep 2 - Remove them.\nB. Torque to 40 Nm.');
    expect(steps.map(({ number, text }) => `${number}|${text}`)).toEqual([
      '1|Loosen the nuts.',
      '2|Remove them.',
      'B|Torque to 40 Nm.',
    ]);
  });
  it('what holds nothing that is known stays as unread', () => {
    const reading = readSheet('Torque to 40 Nm.\nPolish the badge.');
    expect(reading.unread.map((index) => reading.steps[index]?.text)).toEqual(['Polish the badge.']);
  });
});

describe('laws', () => {
  const words = fc.constantFrom(
    ...'bolt nut M10 x 1.5 40 ft - lb Nm ( ) , . torque to 3/8 16 mm socket and the two l O 1b \n 90 ° plus'.split(' '),
  );
  it('reading is the same every time, spans lie inside the text, in order, and do not overlap', () => {
    fc.assert(
      fc.property(fc.array(words, { maxLength: 60 }), (list) => {
        const text = list.join(' ');
        const reading = readSheet(text);
        expect(readSheet(text)).toEqual(reading);
        for (const fact of reading.facts) {
          expect(fact.start).toBeLessThan(fact.end);
          expect(text.slice(fact.start, fact.end)).toBe(fact.printed);
          expect(fact.step).toBeLessThan(Math.max(1, reading.steps.length));
        }
      }),
    );
  });
  it('every character that is not space belongs to a step', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), (text) => {
        const { steps } = readSheet(text);
        const covered = new Set(
          steps.flatMap(({ start, end }) => [...Array(end - start).keys()].map((k) => start + k)),
        );
        [...Array(text.length).keys()].forEach((at) => {
          if (/[\p{L}\p{N}]/u.test(text[at] ?? '') && !/^\s*(?:step\s+)?(?:\d|[A-Z]\s*[.):|])/i.test(text))
            expect(covered.has(at)).toBe(true);
        });
      }),
    );
  });
  it('a torque written in any unit comes back in that unit, whatever the number', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.constantFrom(...SPELLINGS), (value, [spelling, unit]) => {
        expect(torques(`Torque the bolts to ${value} ${spelling}.`)).toEqual([`${value} ${unit}`]);
      }),
    );
  });
  it('reads at most the longest sheet', () => expect(LONGEST_SHEET).toBeGreaterThan(100_000));
});

describe('heads with points', () => {
  const counts = (text: string) =>
    readSheet(text).facts.flatMap(({ value }) => (value.kind === 'count' ? [value.count] : []));
  it.each([
    ['Tighten the 12 point head bolts to 70 Nm', []],
    ['Tighten the twelve-point bolts to 70 Nm', []],
    ['4 twelve-point bolts', [4]],
    ['6 x 12-point M8 bolts', [6]],
    ['12 bolts', [12]],
  ])('%s', (text, count) => {
    expect(counts(text)).toEqual(count);
  });
});

describe('a list whose rows end in dots and a count', () => {
  it('keeps each row, whatever it begins with and whatever stands above it', () => {
    const { facts } = readSheet(
      [
        'WHAT’S IN THE BOX',
        'upright, left ........ 2',
        'upright, right ....... 2',
        'cross rail ........... 2',
        '3/8-16 x 1-1/4 button head, stainless ... 8',
        '5/16-18 nylock nut ... 8',
      ].join('\n'),
    );
    expect(facts.flatMap(({ value }) => (value.kind === 'count' ? [[value.count, value.item]] : []))).toEqual([
      [2, 'upright, left'],
      [2, 'upright, right'],
      [2, 'cross rail'],
      [8, '3/8-16 x 1-1/4 button head, stainless'],
      [8, '5/16-18 nylock nut'],
    ]);
    // A count at the end of a line makes no mixed number with a size at the head of the next.
    expect(facts.flatMap(({ value }) => (value.kind === 'thread' ? [value.designation] : []))).toEqual([
      '3/8-16',
      '5/16-18',
    ]);
  });
  it('arrows before a line are no words of it', () => {
    const { steps } = readSheet('>> Clear the bed.\n>> Bolts to 22 ft-lb.\n» Check it.');
    expect(steps.map(({ text }) => text.replace(/^\W+/, ''))).toEqual([
      'Clear the bed.',
      'Bolts to 22 ft-lb.',
      'Check it.',
    ]);
  });
});
