import { useId, useMemo, useState } from 'react';
import { classText } from '#contract/wording/class-text.ts';
import { differenceText, mixedUpText } from '#contract/wording/look-alike-text.ts';
import { say } from '#contract/wording/say.ts';
import { type BoltMeasured, whichThread } from '#core/fastener/which-thread.ts';
import { linesByWords, type WordsMeant } from '#core/kit/line-by-words.ts';
import { lookAlikes } from '#core/kit/look-alike.ts';
import type { PlanItem } from '#core/kit/plan.ts';
import { nextLook, type PieceMeasured, whichLine } from '#core/kit/which-line.ts';
import { MM_PER_INCH } from '#core/quantity/unit.ts';
import { HardwareDrawing } from '../../drawing/HardwareDrawing.tsx';
import { useSettings } from '../../shop/settings.ts';
import { Button } from '../../ui/Button.tsx';
import { typedNumber } from '../../ui/CommitField.tsx';
import { inputLook } from '../../ui/FormField.tsx';
import { tell } from '../../ui/tell.ts';
import { GlassCalliper } from './GlassCalliper.tsx';

/** Less likely than this a line is not shown. */
const SHOWN = 0.02;
/** More than this, and nobody need look further. */
const SURE = 0.95;

const NEXT_TEXT: Record<string, string> = {
  lengthMm: say('its length, from under the head'),
  majorMm: say('its diameter, over the thread'),
  propertyClass: say('the mark on its head'),
  finish: say('its finish'),
  magnetic: say('a magnet held to it'),
  pitchMm: say('its pitch: a comb, a gauge, or ten threads on a scale'),
  acrossFlatsMm: say('the key that fits its head'),
};

type FieldName = 'majorMm' | 'pitch' | 'lengthMm' | 'acrossFlatsMm';

/** `1.5` is a pitch in mm, `16 tpi` threads to the inch. @returns NaN for what is neither */
function pitchOf(typed: string): number {
  const tpi = /^(\d+(?:[.,]\d+)?)\s*(?:tpi|\/\s*in)$/i.exec(typed.trim());
  if (tpi?.[1]) return MM_PER_INCH / typedNumber(tpi[1]);
  return typedNumber(typed.replace(/\s*mm$/i, ''));
}

/** Which line of the list a bolt in the hand is, from whatever can be measured on it. */
export function WhichBolt({ items, onTake }: { items: readonly PlanItem[]; onTake: (item: PlanItem) => void }) {
  const [typed, setTyped] = useState<Record<FieldName, string>>({
    majorMm: '',
    pitch: '',
    lengthMm: '',
    acrossFlatsMm: '',
  });
  const [propertyClass, setClass] = useState('');
  const [finish, setFinish] = useState('');
  const [magnet, setMagnet] = useState<'' | 'yes' | 'no'>('');
  const [said, setSaid] = useState('');
  const [glass, setGlass] = useState(false);
  const put = (field: FieldName, value: string) => setTyped((before) => ({ ...before, [field]: value }));
  const { measured, faults } = readingsOf(typed, propertyClass);
  if (finish) measured.finish = finish;
  if (magnet) measured.magnetic = magnet === 'yes';
  const given = Object.keys(measured).length > 0;
  const found = useMemo(() => whichLine(measured, items), [measured, items]);
  const classes = [...new Set(items.flatMap(({ propertyClass: one }) => one ?? []))];
  const finishes = [
    ...new Set(items.flatMap(({ finish: one, kind }) => (kind === 'bolt' || kind === 'stud' ? (one ?? []) : []))),
  ];
  const meant = useMemo(() => linesByWords(said, items), [said, items]);
  return (
    <div className="grid gap-5 md:grid-cols-[16rem_minmax(0,1fr)]">
      <section className="grid content-start gap-3">
        <label className="grid gap-1 text-sm text-ink-2">
          {say('What it is called')}
          <input
            className={inputLook(false)}
            placeholder={say('shock bolt, lug nut, 13 bolt')}
            maxLength={80}
            value={said}
            onChange={(event) => setSaid(event.target.value)}
          />
        </label>
        <Reading
          label={say('Diameter over the thread, mm')}
          fault={faults.majorMm}
          {...{ typed, put }}
          field="majorMm"
        />
        <Reading
          label={say('Pitch, mm, or threads to the inch: 16 tpi')}
          fault={faults.pitch}
          {...{ typed, put }}
          field="pitch"
        />
        <Reading
          label={say('Length from under the head, mm')}
          fault={faults.lengthMm}
          {...{ typed, put }}
          field="lengthMm"
        />
        <Reading
          label={say('Key that fits, mm')}
          fault={faults.acrossFlatsMm}
          {...{ typed, put }}
          field="acrossFlatsMm"
        />
        {classes.length > 0 && (
          <label className="grid gap-1 text-sm text-ink-2">
            {say('Mark on the head')}
            <select
              className={inputLook(false)}
              value={propertyClass}
              onChange={(event) => setClass(event.target.value)}
            >
              <option value="">{say('not read')}</option>
              {classes.map((one) => (
                <option key={one} value={one}>
                  {classText(one)}
                </option>
              ))}
            </select>
          </label>
        )}
        {finishes.length > 0 && (
          <label className="grid gap-1 text-sm text-ink-2">
            {say('Finish')}
            <select className={inputLook(false)} value={finish} onChange={(event) => setFinish(event.target.value)}>
              <option value="">{say('not looked at')}</option>
              {finishes.map((one) => (
                <option key={one} value={one}>
                  {one}
                </option>
              ))}
            </select>
          </label>
        )}
        <label className="grid gap-1 text-sm text-ink-2">
          {say('A magnet')}
          <select
            className={inputLook(false)}
            value={magnet}
            onChange={(event) => setMagnet(event.target.value as '' | 'yes' | 'no')}
          >
            <option value="">{say('not tried')}</option>
            <option value="yes">{say('takes it')}</option>
            <option value="no">{say('leaves it')}</option>
          </select>
        </label>
        {glass ? (
          <GlassCalliper onTake={(use, mm) => put(use === 'pitchMm' ? 'pitch' : use, String(mm))} />
        ) : (
          <Button className="min-h-11!" onClick={() => setGlass(true)}>
            {say('Measure on the glass')}
          </Button>
        )}
      </section>
      <section aria-live="polite" aria-label={say('Which it is')} className="min-w-0">
        {said.trim() !== '' && <Meant said={said} meant={meant} onTake={onTake} />}
        {given ? (
          <Found items={items} found={found} measured={measured} onTake={onTake} />
        ) : (
          said.trim() === '' && (
            <p className="text-ink-2">
              {say('Measure or read any one thing, or say what it is called. The list is searched as you type.')}
            </p>
          )
        )}
      </section>
    </div>
  );
}

/** What was typed as readings in mm; what cannot be one, by field. */
function readingsOf(
  typed: Record<FieldName, string>,
  propertyClass: string,
): { measured: PieceMeasured; faults: Partial<Record<FieldName, string>> } {
  const measured: PieceMeasured = {};
  const faults: Partial<Record<FieldName, string>> = {};
  for (const field of Object.keys(typed) as FieldName[]) {
    const text = typed[field];
    if (text.trim() === '') continue;
    const mm = field === 'pitch' ? pitchOf(text) : typedNumber(text);
    const most = field === 'pitch' ? 8 : field === 'lengthMm' ? 1000 : 100;
    if (!(mm >= 0.2 && mm <= most))
      faults[field] = field === 'pitch' ? say('0.2 to 8 mm, or 16 tpi') : say('0.2 to {most} mm', { most });
    else measured[field === 'pitch' ? 'pitchMm' : field] = mm;
  }
  if (propertyClass) measured.propertyClass = propertyClass;
  return { measured, faults };
}

function Reading({
  label,
  field,
  fault,
  typed,
  put,
}: {
  label: string;
  field: FieldName;
  fault?: string;
  typed: Record<FieldName, string>;
  put: (field: FieldName, value: string) => void;
}) {
  const id = useId();
  return (
    <div className="grid gap-1">
      <label htmlFor={id} className="text-sm text-ink-2">
        {label}
      </label>
      <input
        id={id}
        inputMode="decimal"
        className={`figures ${inputLook(fault)}`}
        value={typed[field]}
        onChange={(event) => put(field, event.target.value)}
      />
      {fault && (
        <p role="alert" className="text-sm font-bold text-bad">
          {fault}
        </p>
      )}
    </div>
  );
}

/** Lines that a person's words may mean; a bare figure is asked about, since a thread is no spanner. */
function Meant({
  said,
  meant: { lines, bare },
  onTake,
}: {
  said: string;
  meant: WordsMeant<PlanItem>;
  onTake: (item: PlanItem) => void;
}) {
  const list = (items: readonly PlanItem[]) => (
    <ul>
      {items.slice(0, 6).map((item) => (
        <li key={item.id} className="flex items-center gap-3 border-b border-rule py-1">
          <span className="min-w-0 flex-1">
            <b>
              {item.line} {item.name}
            </b>{' '}
            <span className="text-sm text-ink-2">{item.bag}</span>
          </span>
          <Button className="min-h-11!" onClick={() => onTake(item)}>
            {say('It is this')}
          </Button>
        </li>
      ))}
    </ul>
  );
  return (
    <div className="mb-4">
      {bare && (
        <div className="mb-2 border-2 border-ink p-3">
          <p>
            <b>{tell('{mm} mm: its thread, or the spanner that fits it?', { mm: bare.mm })}</b>
          </p>
          <p className="mt-1 text-sm">{tell('As a thread, M{mm}:', { mm: bare.mm })}</p>
          {bare.asThread.length > 0 ? (
            list(bare.asThread)
          ) : (
            <p className="text-sm text-ink-2">{say('None on this list.')}</p>
          )}
          <p className="mt-1 text-sm">{tell('As a spanner, {mm} mm across its flats:', { mm: bare.mm })}</p>
          {bare.asSpanner.length > 0 ? (
            list(bare.asSpanner)
          ) : (
            <p className="text-sm text-ink-2">{say('None on this list.')}</p>
          )}
        </div>
      )}
      {lines.length > 0
        ? list(lines)
        : !bare && (
            <p className="text-ink-2">
              {tell('Nothing on this list is called “{said}”. Measure it.', { said: said.trim() })}
            </p>
          )}
    </div>
  );
}

const percent = (chance: number): string =>
  chance > 0.995 ? say('as good as certain') : chance < 0.01 ? say('under 1 %') : `${Math.round(chance * 100)} %`;

function Found({
  items,
  found: { lines, ofNone },
  measured,
  onTake,
}: {
  items: readonly PlanItem[];
  found: ReturnType<typeof whichLine<PlanItem>>;
  measured: PieceMeasured;
  onTake: (item: PlanItem) => void;
}) {
  const pxPerMm = useSettings((settings) => settings.pxPerMm);
  const shown = lines.filter(({ chance }) => chance >= SHOWN);
  const sure = (shown[0]?.chance ?? 0) > SURE;
  const next = sure ? undefined : nextLook(lines, measured);
  return (
    <>
      {next && (
        <p className="mb-3 border-l-4 border-ink pl-3">
          {tell('What tells them apart: {nextText}.', { nextText: <b>{NEXT_TEXT[next]}</b> })}
        </p>
      )}
      {!sure && !next && shown.length > 1 && (
        <p className="mb-3 border-l-4 border-ink pl-3">
          {tell('{b} Keep them in their own bags.', { b: <b>{say('Not to be decided by measuring.')}</b> })}
        </p>
      )}
      <ul>
        {shown.map(({ item, chance }) => {
          const [alike] = lookAlikes(item, items);
          const [difference] = alike?.differs ?? [];
          return (
            <li key={item.id} className="border-b border-rule py-2">
              <div className="flex flex-wrap items-center gap-3">
                <span className="w-full min-w-0 sm:w-auto sm:flex-1">
                  <b>
                    {item.line} {item.name}
                  </b>
                  <span className="block text-sm text-ink-2">{item.bag}</span>
                </span>
                <span className="figures font-bold">{percent(chance)}</span>
                <Button className="min-h-11!" onClick={() => onTake(item)}>
                  {say('It is this')}
                </Button>
              </div>
              <div className="mt-1 h-1.5 bg-hair">
                <div className="h-full bg-paint" style={{ width: `${Math.round(chance * 100)}%` }} />
              </div>
              <div className="mt-1 overflow-hidden">
                <HardwareDrawing item={item} pxPerMm={pxPerMm} />
              </div>
              {alike && difference && (
                <p className="text-sm">
                  {tell('Not {line}: this one is {differs}. {mixedUpText}', {
                    line: alike.piece.line,
                    differs: alike.differs.map(differenceText).join('; '),
                    mixedUpText: <span className="text-ink-2">{mixedUpText(difference)}</span>,
                  })}
                </p>
              )}
            </li>
          );
        })}
      </ul>
      {ofNone >= SHOWN && <OffTheList ofNone={ofNone} measured={measured} />}
    </>
  );
}

/** Of no line of this list: what thread it has all the same. */
function OffTheList({ ofNone, measured }: { ofNone: number; measured: BoltMeasured }) {
  const { threads } = whichThread(measured);
  const likely = threads.filter(({ chance }) => chance >= 0.05).slice(0, 4);
  return (
    <div className="mt-3 border-2 border-rule p-3">
      <p>{tell('Of no line of this list: {percent}', { percent: <b className="figures">{percent(ofNone)}</b> })}</p>
      {likely.length > 0 && (
        <p className="text-sm text-ink-2">
          {tell('By its thread alone {likely}.', {
            likely: likely.map(({ thread, chance }) => `${thread.designation} (${percent(chance)})`).join(', '),
          })}
        </p>
      )}
    </div>
  );
}
