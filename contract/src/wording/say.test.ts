import { afterEach, beforeAll, describe, expect, it } from '@jest/globals';
import { showTorqueIn, written } from '#core/quantity/display.ts';
import { catalogueOf } from './catalogues.ts';
import { REFUSALS } from './en/refusals.ts';
import { PHASE_TEXT } from './en/terms.ts';
import { minutesText } from './minutes-text.ts';
import { numberOf } from './number-of.ts';
import { answerLabel } from './plan-text.ts';
import { type Catalogue, ENGLISH, inLanguage, midSentence, say, speak, thousands } from './say.ts';
import { forTheEar } from './spoken-text.ts';

let german: Catalogue;
beforeAll(async () => {
  german = await catalogueOf('de');
});
afterEach(() => speak(() => ENGLISH));
const inGerman = () => speak(() => german);

describe('in the language that is spoken', () => {
  it('a message is said with its places filled, and in English where it has no other', () => {
    expect(say('Station {label}', { label: 'A1' })).toBe('Station A1');
    inGerman();
    expect(say('Station {label}', { label: 'A1' })).toBe('Stelle A1');
    expect(say('A message nobody wrote down, {label}', { label: 'A1' })).toBe('A message nobody wrote down, A1');
  });

  it('what English says with one word in two senses is told apart', () => {
    expect([say('Record'), say('Record', {}, 'noun')]).toEqual(['Record', 'Record']);
    inGerman();
    expect([say('Record'), say('Record', {}, 'noun')]).toEqual(['Aufzeichnen', 'Aufzeichnung']);
  });

  // CLDR, plural rules: English and German both know one and other; zero is other in both.
  it.each([
    [0, '0 stations', '0 Stellen'],
    [1, '1 station', '1 Stelle'],
    [2, '2 stations', '2 Stellen'],
  ])('%i is counted by the rules of the language', (count, english, counted) => {
    expect(numberOf(count, 'station')).toBe(english);
    inGerman();
    expect(numberOf(count, 'station')).toBe(counted);
  });

  // CLDR, number symbols: the decimal sign of English is a point, that of German a comma; thousands the other way round.
  it('numbers have its signs: of figures, of messages, of thousands', () => {
    expect([showTorqueIn(46.3, 'N·m').number, say('{inch} in', { inch: 0.5 }), thousands(104_890)]).toEqual([
      '46.3',
      '0.5 in',
      '104,890',
    ]);
    inGerman();
    expect([showTorqueIn(46.3, 'N·m').number, say('{inch} in', { inch: 0.5 }), thousands(104_890)]).toEqual([
      '46,3',
      '0,5 in',
      '104.890',
    ]);
    expect(written(7, 2)).toBe('7,00');
    expect(say('{count, plural, one {# bolt} other {# bolts}}', { count: 3 })).toBe('3 bolts');
  });

  it('tables are read when they are read, deep ones too, and ids in them stay', () => {
    const table = inLanguage({ kind: 'Torque', name: 'Torque', rows: [{ title: 'Thread', value: 'Thread' }] });
    inGerman();
    expect(PHASE_TEXT.refit).toBe('Zurückbauen');
    expect(REFUSALS.jobClosed.title).toBe('Der Auftrag ist geschlossen');
    expect(table).toEqual({ kind: 'Torque', name: 'Drehmoment', rows: [{ title: 'Gewinde', value: 'Thread' }] });
    speak(() => ENGLISH);
    expect(PHASE_TEXT.refit).toBe('Refit');
    expect(table.rows.map(({ title }) => title)).toEqual(['Thread']);
  });

  it('nouns keep their capital inside a sentence where the language writes them so', () => {
    expect(midSentence('Medium locker')).toBe('medium locker');
    inGerman();
    expect(midSentence('Mittelfeste Sicherung')).toBe('Mittelfeste Sicherung');
  });

  it('durations, answers and what is read aloud are in it', () => {
    inGerman();
    expect(minutesText(2 * 24 * 60 + 180)).toBe('2 Tage 3 h');
    expect(answerLabel({ questions: [] }, 'shield', true)).toBe('ja');
    expect(forTheEar('63 N·m ± 5')).toBe('63 Newtonmeter plus minus 5');
  });
});
