import { BENDABLE_TEXT, BENDER_TEXT, RULE_TEXT, type RuleText } from '#contract/wording/en/rules.ts';
import { gearText, readGear } from '#contract/wording/lifting-gear-text.ts';
import { holidaysText, readHolidays, readWeek, weekText } from '#contract/wording/opening-hours-text.ts';
import { say } from '#contract/wording/say.ts';
import { benderOf } from '#core/job/gate/bending.ts';
import { AGAIN_KINDS, type AgainKind, BENDABLE, BENDERS, type Bender, type HouseRules } from '#core/kit/house-rules.ts';
import type { Tray } from '#core/kit/tray-layout.ts';
import type { OpeningHours } from '#core/shop/opening-hours.ts';
import { Button } from '../../ui/Button.tsx';
import { CommitField, typedNumber } from '../../ui/CommitField.tsx';
import { inputLook } from '../../ui/FormField.tsx';

type Rules = Partial<HouseRules>;

const AGAIN_TEXT: Record<AgainKind, string> = {
  wheels: say('Wheels'),
  exhaust: say('Exhaust'),
  clamps: say('Clamps'),
  bushes: say('Bushes'),
};

/** `Red 3 × 5`, one a line. */
const traysText = (trays: readonly Tray[] | undefined): string =>
  (trays ?? []).map(({ name, rows, columns }) => `${name} ${rows} × ${columns}`).join('\n');

/** What was typed as trays, or why it cannot be. */
export function readTrays(typed: string): Tray[] | string {
  const lines = typed.split('\n').filter((line) => line.trim() !== '');
  const trays: Tray[] = [];
  for (const line of lines) {
    const read = /^\s*(.+?)\s+(\d+)\s*[×x*]\s*(\d+)\s*$/i.exec(line);
    const [, name = '', rows, columns] = read ?? [];
    if (!read) return say('“{line}” is no tray: a name, then rows × columns, like Red 4 × 6.', { line: line.trim() });
    if (Number(rows) < 1 || Number(rows) > 12 || Number(columns) < 1 || Number(columns) > 16)
      return say('{name}: up to 12 rows and 16 columns.', { name });
    if (trays.some((tray) => tray.name === name)) return say('Two trays are called {name}.', { name });
    trays.push({ name, rows: Number(rows), columns: Number(columns) });
  }
  return trays;
}

/** Shares as they were typed (`0.5, 1` or `50 %, 100 %`), or why they cannot be; none for the usual. */
export function readStages(typed: string): number[] | string {
  const parts = typed
    .split(/[,;]\s+|\s{2,}|;|,(?=\d{2,3}\s*%)|\s(?=\d)/)
    .map((part) => part.trim())
    .filter(Boolean);
  const stages = parts.map((part) => {
    const value = Number(part.replace('%', '').replace(',', '.'));
    return part.includes('%') || value > 1 ? value / 100 : value;
  });
  if (stages.length === 0) return [];
  const rising = stages.every((share, at) => share > (stages[at - 1] ?? 0) && share <= 1);
  return rising && stages.at(-1) === 1 && stages.length <= 5
    ? stages
    : say('Rising shares up to 1, at most five: 0.5, 1 or 30 %, 60 %, 100 %.');
}

/** What rules are about, as one looks for them. */
const GROUPS = {
  shop: say('The shop'),
  tightening: say('Tightening'),
  figures: say('Where a figure is missing'),
  power: say('Power tools'),
  safety: say('Safety and proof'),
  past: say('Who may let past'),
  after: say('After the job'),
} as const;

/** Rules on one thing, under its name. */
function Group({ id, children }: { id: keyof typeof GROUPS; children: React.ReactNode }) {
  return (
    <div id={`rules-${id}`} className="grid scroll-mt-4 gap-5">
      <h3 className="plate border-b-2 border-ink text-2xl">{GROUPS[id]}</h3>
      {children}
    </div>
  );
}

/** The house rules, each with what it changes on the floor and why. */
export function RuleFields({
  rules,
  onChange,
  opening = false,
}: {
  rules: Rules;
  onChange: (rules: Rules) => void;
  /** The page that opens the shop asks for its zone, units and dates itself. */
  opening?: boolean;
}) {
  const set = <Key extends keyof Rules>(key: Key, value: Rules[Key] | undefined) => {
    const { [key]: _, ...rest } = rules;
    onChange(value === undefined ? (rest as Rules) : { ...rest, [key]: value });
  };
  const share = (key: 'antiSeizeShare' | 'runDownShare' | 'bareTolerance', least: number, most = 1) => (
    <CommitField
      label={say('Share, or nothing for the usual')}
      className="figures max-w-32"
      value={rules[key] === undefined ? '' : String(rules[key])}
      onCommit={(typed) => {
        if (typed.trim() === '') return void set(key, undefined);
        const value = typedNumber(typed);
        return value >= least && value <= most
          ? void set(key, value)
          : say('From {least} to {most}, like {which}.', { least, most, which: most === 1 ? 0.8 : most / 2 });
      }}
    />
  );
  const stages = (key: 'stages' | 'gasketStages') => (
    <CommitField
      label={say('{which}, the last is 1; nothing for the usual', {
        which: key === 'stages' ? say('Rising shares') : say('With a gasket: rising shares'),
      })}
      className="figures max-w-48"
      value={(rules[key] ?? []).join(', ')}
      onCommit={(typed) => {
        const read = readStages(typed);
        return typeof read === 'string' ? read : void set(key, read.length > 0 ? read : undefined);
      }}
    />
  );
  const whole = (
    label: string,
    least: number,
    most: number,
    value: number | undefined,
    keep: (to?: number) => void,
  ) => (
    <CommitField
      label={label}
      className="figures max-w-32"
      value={value === undefined ? '' : String(value)}
      onCommit={(typed) => {
        if (typed.trim() === '') return void keep(undefined);
        const read = typedNumber(typed);
        return Number.isInteger(read) && read >= least && read <= most
          ? void keep(read)
          : say('From {least} to {most}.', { least, most });
      }}
    />
  );
  const again = (kind: AgainKind, km: number | undefined) => {
    const { [kind]: _, ...rest } = rules.againAfterKm ?? {};
    const next = km === undefined ? rest : { ...rest, [kind]: km };
    set('againAfterKm', Object.keys(next).length > 0 ? next : undefined);
  };
  const two = <
    Key extends
      | 'byFeel'
      | 'verify'
      | 'driveAfter'
      | 'estimates'
      | 'otherKits'
      | 'figuresBy'
      | 'powerSeats'
      | 'batteryOff'
      | 'functionTests'
      | 'secondLook'
      | 'secondLookBy'
      | 'apprenticePulls'
      | 'aligner'
      | 'dates'
      | 'units',
  >(
    key: Key,
    options: ReadonlyArray<readonly [Rules[Key], string]>,
  ) => (
    <div className="flex flex-wrap gap-2">
      {options.map(([value, words]) => (
        <Button
          key={words}
          className="min-h-11!"
          tone={rules[key] === value ? 'dark' : 'plain'}
          aria-pressed={rules[key] === value}
          onClick={() => set(key, value)}
        >
          {words}
        </Button>
      ))}
    </div>
  );
  return (
    <div className="grid gap-8">
      <nav aria-label={say('Groups of rules')} className="flex flex-wrap gap-x-4 gap-y-1">
        {Object.entries(GROUPS).map(([id, title]) => (
          <a key={id} className="inline-flex min-h-11 items-center underline" href={`#rules-${id}`}>
            {title}
          </a>
        ))}
      </nav>
      <Group id="shop">
        {!opening && (
          <>
            <Rule text={RULE_TEXT.timeZone}>
              <select
                aria-label={RULE_TEXT.timeZone.title}
                className={`${inputLook(undefined)} max-w-80`}
                value={rules.timeZone ?? ''}
                onChange={(event) => set('timeZone', event.target.value || undefined)}
              >
                <option value="">{say('UTC')}</option>
                {Intl.supportedValuesOf('timeZone').map((zone) => (
                  <option key={zone} value={zone}>
                    {zone.replaceAll('_', ' ')}
                  </option>
                ))}
              </select>
            </Rule>
            <Rule text={RULE_TEXT.dates}>
              {two('dates', [
                [undefined, say('27 Nov 14:30')],
                ['monthFirst', say('Nov 27, 2:30 PM')],
                ['yearFirst', '2026-11-27 14:30'],
              ])}
            </Rule>
            <Rule text={RULE_TEXT.units}>
              {two('units', [
                [undefined, say('mm and N·m')],
                ['inch', say('inch and lbf')],
              ])}
            </Rule>
          </>
        )}
        <Rule text={RULE_TEXT.hours}>
          <Hours hours={rules.hours} onChange={(hours) => set('hours', hours)} />
        </Rule>
        <Rule text={RULE_TEXT.lifting}>
          <CommitField
            label={say('One a line: Two-post lift 4000 kg')}
            multiline
            className="figures block max-w-80"
            value={gearText(rules.lifting)}
            onCommit={(typed) => {
              const gear = readGear(typed);
              return typeof gear === 'string' ? gear : void set('lifting', gear.length > 0 ? gear : undefined);
            }}
          />
        </Rule>
        <Rule text={RULE_TEXT.trays}>
          <CommitField
            label={say('One a line: Red 4 × 6')}
            multiline
            className="figures block max-w-80"
            value={traysText(rules.trays)}
            onCommit={(typed) => {
              const trays = readTrays(typed);
              return typeof trays === 'string' ? trays : void set('trays', trays.length > 0 ? trays : undefined);
            }}
          />
        </Rule>
      </Group>
      <Group id="tightening">
        <Rule text={RULE_TEXT.stages}>{stages('stages')}</Rule>
        <Rule text={RULE_TEXT.gasketStages}>{stages('gasketStages')}</Rule>
        <Rule text={RULE_TEXT.leastStageNm}>
          {whole(say('N·m, usual 5'), 0, 50, rules.leastStageNm, (to) => set('leastStageNm', to))}
        </Rule>
        <Rule text={RULE_TEXT.verify}>
          {two('verify', [
            [undefined, say('As the kit says')],
            [true, say('Always')],
            [false, say('Never unless the kit says')],
          ])}
        </Rule>
        <Rule text={RULE_TEXT.bareTolerance}>{share('bareTolerance', 0.02, 0.2)}</Rule>
        <Rule text={RULE_TEXT.antiSeizeShare}>{share('antiSeizeShare', 0.5)}</Rule>
        <Rule text={RULE_TEXT.boltUses}>
          {whole(say('Times, usual 2'), 1, 99, rules.boltUses, (to) => set('boltUses', to))}
        </Rule>
      </Group>
      <Group id="figures">
        <Rule text={RULE_TEXT.byFeel}>
          {two('byFeel', [
            [undefined, say('With a name and a reason')],
            [false, say('Refused')],
          ])}
        </Rule>
        <Rule text={RULE_TEXT.estimates}>
          {two('estimates', [
            [undefined, say('With a name and a reason')],
            [false, say('Refused')],
          ])}
        </Rule>
        <Rule text={RULE_TEXT.otherKits}>
          {two('otherKits', [
            [undefined, say('For the same joint')],
            [false, say('Refused')],
          ])}
        </Rule>
        <Rule text={RULE_TEXT.figuresBy}>
          {two('figuresBy', [
            [undefined, say('Whoever answers for the work')],
            ['lead', say('A lead alone')],
          ])}
        </Rule>
      </Group>
      <Group id="power">
        <Rule text={RULE_TEXT.powerFromMm}>
          {whole(say('mm, usual 6; 0 for any thread'), 0, 30, rules.powerFromMm, (to) => set('powerFromMm', to))}
        </Rule>
        <Rule text={RULE_TEXT.powerSeats}>
          {two('powerSeats', [
            [undefined, say('Where the kit leaves it free')],
            [false, say('Never')],
          ])}
        </Rule>
        <Rule text={RULE_TEXT.runDownShare}>{share('runDownShare', 0.01)}</Rule>
      </Group>
      <Group id="safety">
        <Rule text={RULE_TEXT.batteryOff}>
          {two('batteryOff', [
            [undefined, say('Airbags, dampers, watched plugs')],
            ['anyPlug', say('Any plug')],
            ['asKit', say('As the sheet says')],
          ])}
        </Rule>
        <Rule text={RULE_TEXT.functionTests}>
          {two('functionTests', [
            [undefined, say('What the kit touches')],
            ['asKit', say('As the sheet says')],
          ])}
        </Rule>
        <Rule text={RULE_TEXT.driveAfter}>
          {two('driveAfter', [
            [undefined, say('Handling strength')],
            ['fullCure', say('Full cure')],
          ])}
        </Rule>
        <Rule text={RULE_TEXT.secondLook}>
          {two('secondLook', [
            [undefined, say('Not asked')],
            ['critical', say('Where lives hang on it')],
            ['all', say('Everything')],
          ])}
        </Rule>
        <Rule text={RULE_TEXT.secondLookBy}>
          {two('secondLookBy', [
            [undefined, say('Another person')],
            ['afterBreak', say('The same after a break too')],
          ])}
        </Rule>
        <Rule text={RULE_TEXT.apprenticePulls}>
          {two('apprenticePulls', [
            [undefined, say('An apprentice too')],
            ['practised', say('An apprentice who has practised it')],
          ])}
        </Rule>
      </Group>
      <Group id="past">
        <Rule text={RULE_TEXT.bentBy}>
          <Benders rules={rules} onChange={(bentBy) => set('bentBy', bentBy)} />
        </Rule>
      </Group>
      <Group id="after">
        <Rule text={RULE_TEXT.againAfterKm}>
          <div className="grid max-w-120 grid-cols-2 gap-3 sm:grid-cols-4">
            {AGAIN_KINDS.map((kind) => (
              <div key={kind}>
                {whole(AGAIN_TEXT[kind], 1, 20_000, rules.againAfterKm?.[kind], (km) => again(kind, km))}
              </div>
            ))}
          </div>
        </Rule>
        <Rule text={RULE_TEXT.aligner}>
          {two('aligner', [
            [undefined, say('Not said')],
            ['ownRack', say('On our own rack')],
            ['sentOut', say('Sent out')],
          ])}
        </Rule>
        <Rule text={RULE_TEXT.untilAlignedKm}>
          {whole(say('km, or nothing'), 1, 5000, rules.untilAlignedKm, (to) => set('untilAlignedKm', to))}
        </Rule>
      </Group>
    </div>
  );
}

/** Who may let past what; what is as usual is not kept. */
function Benders({ rules, onChange }: { rules: Rules; onChange: (bentBy: Rules['bentBy']) => void }) {
  return (
    <ul className="max-w-160 border-t border-hair">
      {BENDABLE.map((rule) => {
        const { [rule]: _, ...others } = rules.bentBy ?? {};
        const choose = (bender: Bender) => {
          const next = bender === benderOf({}, rule) ? others : { ...others, [rule]: bender };
          onChange(Object.keys(next).length > 0 ? next : undefined);
        };
        return (
          <li key={rule} className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-hair py-2">
            <div className="min-w-56 flex-1">
              <p className="font-bold">{BENDABLE_TEXT[rule].title}</p>
              <p className="text-sm text-ink-2">{BENDABLE_TEXT[rule].why}</p>
            </div>
            <select
              aria-label={say('{title}: who may let it past', { title: BENDABLE_TEXT[rule].title })}
              className={`${inputLook(undefined)} max-w-72`}
              value={benderOf(rules, rule)}
              onChange={(event) => choose(event.target.value as Bender)}
            >
              {BENDERS.map((bender) => (
                <option key={bender} value={bender}>
                  {BENDER_TEXT[bender]}
                  {bender === benderOf({}, rule) ? say(', as usual') : ''}
                </option>
              ))}
            </select>
          </li>
        );
      })}
    </ul>
  );
}

/** Opening hours and holidays, as they are typed. */
function Hours({ hours, onChange }: { hours?: OpeningHours; onChange: (hours?: OpeningHours) => void }) {
  const { week = [], holidays = [] } = hours ?? {};
  const keep = (next: OpeningHours) => onChange(next.week.some(Boolean) || next.holidays.length > 0 ? next : undefined);
  const closed = Array.from({ length: 7 }, () => null);
  return (
    <div className="grid max-w-160 gap-3 sm:grid-cols-2">
      <CommitField
        label={say('One a line: Mon-Fri 7:30-17:00')}
        multiline
        className="figures block"
        value={weekText(week)}
        onCommit={(typed) => {
          const read = readWeek(typed);
          return typeof read === 'string' ? read : void keep({ week: read, holidays });
        }}
      />
      <CommitField
        label={say('Holidays, one a line: 2026-12-25 Midwinter')}
        multiline
        className="figures block"
        value={holidaysText(holidays)}
        onCommit={(typed) => {
          const read = readHolidays(typed);
          return typeof read === 'string'
            ? read
            : void keep({ week: week.length === 7 ? week : closed, holidays: read });
        }}
      />
    </div>
  );
}

/** A rule: what it is called, why the trade disagrees, and its choice. */
export function Rule({ text: { title, why }, children }: { text: RuleText; children: React.ReactNode }) {
  return (
    <section aria-label={title} className="border-b border-rule pb-4">
      <h4 className="font-bold">{title}</h4>
      <p className="mb-2 max-w-prose text-sm text-ink-2">{why}</p>
      {children}
    </section>
  );
}
