import { useRef, useState } from 'react';
import { type Alignment, type RackAsk, readAlignment, readingAt } from '#contract/alignment.ts';
import { say } from '#contract/wording/say.ts';
import type { Plan } from '#core/kit/plan.ts';
import type { Answers } from '#core/line/ask.ts';
import { checkKey } from '#core/line/judge-check.ts';
import type { LineAct } from '#core/line/line.ts';
import { eccentricOf, lobeKey } from '#core/line/lobe-advice.ts';
import { api, call } from '../../shop/api.ts';
import { failureText } from '../../shop/failure-text.ts';
import { Button } from '../../ui/Button.tsx';
import { rackFigure } from './rack-figure.ts';

/** Readings taken from the rack in the bay, or from its file. */
export default function RackReading({
  plan,
  act,
  vehicle,
  answers,
  onRead,
}: {
  plan: Plan;
  act: LineAct;
  vehicle: string;
  answers: Answers;
  onRead: (values: Record<string, number>) => void;
}) {
  const file = useRef<HTMLInputElement>(null);
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<{ text: string; bad: boolean }>();
  const wanted = rackFigure(plan, act);
  if (!wanted) return null;
  const { figure, places } = wanted;
  const { action } = act;
  const eccentric = action.type === 'align' ? eccentricOf(action) : undefined;
  // The stand-in follows the lobes it is told of.
  const lobeless = eccentric !== undefined && places.some((place) => answers[lobeKey(place)] === undefined);
  const take = (reading: Alignment) => {
    const values: Record<string, number> = {};
    for (const place of places) {
      const value = readingAt(reading, place, figure);
      if (value !== undefined) values[checkKey(place)] = value;
    }
    const missing = places.filter((place) => values[checkKey(place)] === undefined);
    setSaid(
      missing.length > 0
        ? {
            text: say(
              'It holds no {figure, select, camberDeg {camber} toeDeg {toe} casterDeg {caster} other {ride height}} of {missing}.',
              { figure, missing: missing.join(', ') },
            ),
            bad: true,
          }
        : { text: say('Taken over.'), bad: false },
    );
    if (missing.length < places.length) onRead(values);
  };
  const fromRack = async () => {
    setBusy(true);
    setSaid(undefined);
    const json: RackAsk = {
      vehicle,
      wheels: places.map((wheel) => {
        const lobe = answers[lobeKey(wheel)];
        return { wheel, ...(eccentric && typeof lobe === 'number' ? { ...eccentric, lobeDeg: lobe } : {}) };
      }),
    };
    try {
      take((await call(api['alignment-rack'].readings.$post({ json }))) as Alignment);
    } catch (error) {
      setSaid({ text: failureText(error), bad: true });
    }
    setBusy(false);
  };
  const fromFile = async (chosen: File | undefined) => {
    if (!chosen) return;
    const read = readAlignment(await chosen.text(), Date.now());
    if (read.ok) take(read.value);
    else setSaid({ text: `${chosen.name}: ${read.error.where} ${read.error.what}.`, bad: true });
  };
  return (
    <div className="mx-5 mt-3 flex flex-wrap items-center gap-2 md:mx-6">
      <Button disabled={busy || lobeless} onClick={() => void fromRack()}>
        {busy ? say('Reading') : say('From the rack')}
      </Button>
      <Button onClick={() => file.current?.click()}>{say('From its file')}</Button>
      <input
        ref={file}
        type="file"
        accept=".json,.csv,application/json,text/csv"
        aria-label={say('File of the alignment rack')}
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          void fromFile(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      {lobeless && <span className="text-sm text-ink-2">{say('Say where the lobes stand first.')}</span>}
      {said && (
        <span role="status" className={said.bad ? 'font-bold text-bad' : 'text-ink-2'}>
          {said.text}
        </span>
      )}
    </div>
  );
}
