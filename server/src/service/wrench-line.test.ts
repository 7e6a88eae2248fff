import { expect, it } from '@jest/globals';
import type { FromWrench } from '#contract/wrench-stream.ts';
import { unpackTrace } from '#core/trace/pack-trace.ts';
import type { LiveReading } from './reading-proofs.ts';
import { WrenchLine } from './wrench-line.ts';

function line() {
  const said: FromWrench[] = [];
  const issued: LiveReading[] = [];
  const wrench = new WrenchLine(
    { label: 'W-2', serial: 'HL-3105', fullScaleNm: 100 },
    (message) => said.push(message),
    (reading) => `code ${issued.push(reading)}`,
  );
  const says = (...messages: object[]) => {
    for (const message of messages) wrench.receive(JSON.stringify(message));
  };
  return { wrench, said, issued, says };
}
const ARM = { type: 'arm', station: 's1', targetNm: 46, standingNm: 0, nominalMm: 10 };

it('a real instrument takes the stand-in’s place, and what it reads is vouched for with its curve', () => {
  const { said, issued, says } = line();
  says(ARM, { type: 'pair' }, { type: 'heard', text: 'H,HL-3105,90,0\n' }, ARM);
  const lines = Array.from({ length: 25 }, (_, at) => `S,${at * 20},${at * 2},${(46.4 * at) / 24}\n`).join('');
  says({ type: 'heard', text: lines.slice(0, 111) }, { type: 'heard', text: `${lines.slice(111)}S,540,48,1\n` });
  const end = said.at(-1);
  expect(end).toMatchObject({ type: 'end', station: 's1', peakNm: 46.4, issued: 'code 1' });
  expect(issued).toEqual([expect.objectContaining({ station: 's1', torqueNm: 46.4, movementDeg: 48 })]);
  const trace = unpackTrace(end?.type === 'end' ? (end.trace ?? '') : '');
  expect(trace).toHaveLength(26);
  expect(trace?.[24]).toEqual({ atMs: 480, angleDeg: 48, torqueNm: 46.4 });
});

it('the stand-in answers what it does not understand, and is silent once a real one is there', () => {
  const { wrench, said, says } = line();
  wrench.receive('nonsense');
  says({ type: 'arm', station: 's1' }, { type: 'heard', text: 'E\n' });
  expect(said.slice(1).map(({ type }) => type)).toEqual(['fault', 'fault']);
  said.length = 0;
  says({ type: 'pair' }, ARM, { type: 'pull', speedDegPerS: 45, overshootDeg: 0 }, { type: 'unheard' });
  expect(said).toEqual([]);
  wrench.stop();
});
