import { type KeyboardEvent, type ReactNode, useId } from 'react';
import { LANGUAGE_NAMES } from '#contract/wording/catalogues.ts';
import { TRACE_WORDS } from '#contract/wording/en/trace.ts';
import { LANGUAGES, language, say } from '#contract/wording/say.ts';
import { FAULTS } from '#core/trace/pull-trace.ts';
import { useLiveWrench } from '../job/live-wrench.ts';
import { isOwnDevice } from '../shop/hearing.ts';
import { chooseLanguage } from '../shop/own-language.ts';
import { useSettings } from '../shop/settings.ts';
import { hasVoice } from '../shop/speech.ts';
import { Button } from '../ui/Button.tsx';
import { Sheet } from '../ui/Sheet.tsx';
import { SecretSettings } from './SecretSettings.tsx';

/** ISO/IEC 7810 ID-1, the size of a bank card, mm. */
const CARD_MM = { width: 85.6, height: 53.98 };

/** On or off. */
function Tick({
  on,
  disabled,
  onTick,
  children,
}: {
  on: boolean;
  disabled?: boolean;
  onTick: (on: boolean) => void;
  children: ReactNode;
}) {
  return (
    <label className="flex min-h-14 items-center gap-3 font-bold">
      <input
        type="checkbox"
        className="size-6"
        checked={on}
        disabled={disabled}
        onChange={(event) => onTick(event.target.checked)}
      />
      {children}
    </label>
  );
}

/** One of a few, as buttons side by side. */
function Choice<Value extends string>({
  legend,
  value,
  options,
  onChoose,
}: {
  legend: string;
  value: Value;
  options: ReadonlyArray<readonly [Value, string]>;
  onChoose: (value: Value) => void;
}) {
  return (
    <fieldset>
      <legend className="mb-1 font-bold">{legend}</legend>
      <div className="flex gap-2">
        {options.map(([option, words]) => (
          <Button
            key={option}
            className="flex-1"
            tone={value === option ? 'dark' : 'plain'}
            aria-pressed={value === option}
            onClick={() => onChoose(option)}
          >
            {words}
          </Button>
        ))}
      </div>
    </fieldset>
  );
}

/** What goes with the person (units, hand, letters, pedal), and what stays with the device (light, sound, the scale of the glass, the stand-in's hand). */
export function SettingsSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const settings = useSettings();
  const standInFault = useLiveWrench((live) => live.standInFault);
  const tryFault = useLiveWrench((live) => live.tryFault);
  const id = useId();
  const catchKey = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Tab' || event.key === 'Escape') return;
    event.preventDefault();
    settings.set({ pedalKey: event.key === 'Backspace' ? '' : event.code });
  };
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title={say('Settings')}
      description={say(
        'Units, hand, letters and pedal go with you to every tablet; language, light, sound and scale stay with this one.',
      )}
      wide
    >
      <div className="grid gap-5 sm:grid-cols-2">
        <Choice
          legend={say('Language of this device')}
          value={language()}
          options={LANGUAGES.map((one) => [one, LANGUAGE_NAMES[one]] as const)}
          onChoose={chooseLanguage}
        />
        <Choice
          legend={say('Torque shown first in')}
          value={settings.system}
          options={[
            ['metric', 'N·m'],
            ['inch', 'lbf·ft'],
          ]}
          onChoose={(system) => settings.set({ system })}
        />
        <Choice
          legend={say('Light')}
          value={settings.theme}
          options={[
            ['day', say('Day')],
            ['night', say('Night bay')],
            ['sun', say('Bright sun')],
          ]}
          onChoose={(theme) => settings.set({ theme })}
        />
        <Choice
          legend={say('Big actions stand')}
          value={settings.hand}
          options={[
            ['left', say('Left')],
            ['right', say('Right')],
          ]}
          onChoose={(hand) => settings.set({ hand })}
        />
        <Choice
          legend={say('Letters')}
          value={settings.textSize}
          options={[
            ['normal', say('Usual')],
            ['large', say('Large')],
            ['larger', say('Larger')],
          ]}
          onChoose={(textSize) => settings.set({ textSize })}
        />
        <Tick on={settings.sound} onTick={(sound) => settings.set({ sound })}>
          {say('A click when a reading is taken, a tone and a buzz when a clock is over')}
        </Tick>
        <Tick on={settings.voice} disabled={!hasVoice()} onTick={(voice) => settings.set({ voice })}>
          {hasVoice()
            ? say('What is next is read out; R says it again')
            : say('This device has no voice to read out with')}
        </Tick>
        <div>
          <Tick on={settings.hears} onTick={(hears) => settings.set({ hears })}>
            {say('Hears done, take back, problem, say again and numbers on the line')}
          </Tick>
          {settings.hears && (
            <label className="block text-sm text-ink-2">
              {say('Where this device’s listening program answers')}
              <input
                className="figures mt-1 min-h-14 w-full border-2 border-ink bg-sheet px-3 text-base text-ink"
                value={settings.listener}
                aria-invalid={!isOwnDevice(settings.listener)}
                onChange={(event) => settings.set({ listener: event.target.value.trim() })}
              />
              {!isOwnDevice(settings.listener) && (
                <span className="block font-bold text-bad">
                  {say('Only an address of this device, ws://localhost:9300: nothing that is said leaves it.')}
                </span>
              )}
            </label>
          )}
        </div>
        <Tick on={settings.far} onTick={(far) => settings.set({ far })}>
          {say('Large letters on the line, read six metres away; F does the same')}
        </Tick>
        <Tick on={settings.gloves} onTick={(gloves) => settings.set({ gloves })}>
          {say('In gloves: whatever is pressed is larger')}
        </Tick>
        <div>
          <label className="font-bold" htmlFor={`${id}-pedal`}>
            {say('Foot pedal')}
          </label>
          <p className="mb-1 text-sm text-ink-2">
            {say('Press the pedal here: its key then does the one big action. Backspace clears it.')}
          </p>
          <input
            id={`${id}-pedal`}
            className="figures min-h-14 w-full border-2 border-ink bg-sheet px-3"
            value={settings.pedalKey || 'none'}
            readOnly
            onKeyDown={catchKey}
          />
        </div>
        <div>
          <p className="font-bold">{say('Stand-in wrench, how the hand pulls')}</p>
          <label className="mt-1 flex items-center justify-between gap-3" htmlFor={`${id}-speed`}>
            {say('Speed, °/s')}
            <input
              id={`${id}-speed`}
              className="w-40"
              type="range"
              min={15}
              max={150}
              step={5}
              value={settings.pullSpeedDegPerS}
              onChange={(event) => settings.set({ pullSpeedDegPerS: Number(event.target.value) })}
            />
            <span className="figures w-10 text-right">{settings.pullSpeedDegPerS}</span>
          </label>
          <label className="mt-1 flex items-center justify-between gap-3" htmlFor={`${id}-over`}>
            {say('Goes on past the click, °')}
            <input
              id={`${id}-over`}
              className="w-40"
              type="range"
              min={0}
              max={20}
              step={1}
              value={settings.overshootDeg}
              onChange={(event) => settings.set({ overshootDeg: Number(event.target.value) })}
            />
            <span className="figures w-10 text-right">{settings.overshootDeg}</span>
          </label>
          <label className="mt-1 flex items-center justify-between gap-3" htmlFor={`${id}-fault`}>
            {say('Its joint, to be tried out')}
            <select
              id={`${id}-fault`}
              className="min-h-11 w-56 border-2 border-ink bg-sheet px-2"
              value={standInFault ?? ''}
              onChange={(event) => tryFault(FAULTS.find((fault) => fault === event.target.value))}
            >
              <option value="">{TRACE_WORDS.good.name}</option>
              {FAULTS.map((fault) => (
                <option key={fault} value={fault}>
                  {TRACE_WORDS[fault].name}
                </option>
              ))}
            </select>
          </label>
        </div>
        <div className="sm:col-span-2">
          <label className="font-bold" htmlFor={`${id}-scale`}>
            {say('Scale of the glass')}
          </label>
          <p className="mb-1 text-sm text-ink-2">
            {say('Lay a bank card on the outline and slide until they match. Hardware is then drawn life-size.')}
          </p>
          <input
            id={`${id}-scale`}
            className="w-full"
            type="range"
            min={2.2}
            max={9}
            step={0.01}
            value={settings.pxPerMm}
            onChange={(event) => settings.set({ pxPerMm: Number(event.target.value), scaled: true })}
          />
          <div className="mt-2 max-w-full overflow-hidden">
            <div
              className="border-2 border-dashed border-ink bg-bench"
              style={{
                width: CARD_MM.width * settings.pxPerMm,
                height: CARD_MM.height * settings.pxPerMm,
                borderRadius: 3.18 * settings.pxPerMm,
              }}
            />
          </div>
        </div>
      </div>
      <SecretSettings />
      <Button className="mt-5 w-full" tone="dark" onClick={onClose}>
        {say('Done')}
      </Button>
    </Sheet>
  );
}
