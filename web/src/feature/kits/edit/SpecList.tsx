import { useState } from 'react';
import { FIGURE_WORDS, KIND_WORDS } from '#contract/wording/en/kinds.ts';
import { BASIS_TEXT } from '#contract/wording/en/terms.ts';
import { say } from '#contract/wording/say.ts';
import { stagesText } from '#contract/wording/stage-text.ts';
import type { Station } from '#core/kit/kit-document.ts';
import { FIGURE_BASES, type PrintedSpec } from '#core/kit/printed-spec.ts';
import { procedureFromPrinted } from '#core/kit/procedure-from-printed.ts';
import { specFromPrinted } from '#core/kit/spec-from-printed.ts';
import { written } from '#core/quantity/display.ts';
import { fromBase } from '#core/quantity/unit.ts';
import type { MissingSpec } from '#core/tightening/kind/missing.ts';
import type { ProcedureStage } from '#core/tightening/kind/procedure.ts';
import { acceptBand, KINDS, type SpecKind, type TighteningSpec } from '#core/tightening/kinds.ts';
import { CommitField, typedNumber } from '../../../ui/CommitField.tsx';
import { tell } from '../../../ui/tell.ts';
import { ConditionButton } from './ConditionEditor.tsx';
import { put } from './editor-store.ts';
import { LOOK } from './look.ts';
import { OptionalText } from './OptionalText.tsx';

/** Kinds that are chosen; the written ones are one choice, and the words typed say which it is. */
const CHOSEN = (Object.keys(KINDS) as SpecKind[]).filter((kind) => !KINDS[kind].written);
const CHOICES: ReadonlyArray<readonly [SpecKind, string]> = [
  ['torque', KIND_WORDS.torque.name],
  ...CHOSEN.map((kind) => [kind, KIND_WORDS[kind].name] as const),
];

const choiceOf = ({ kind }: TighteningSpec): SpecKind => (KINDS[kind].written ? 'torque' : kind);

export function Specs({ station, edit }: { station: Station; edit: (recipe: (station: Station) => void) => void }) {
  const specEdit = (index: number, recipe: (spec: PrintedSpec) => void) =>
    edit((s) => {
      const spec = s.specs[index];
      if (spec) recipe(spec);
    });
  return (
    <div>
      <ul>
        {station.specs.map((printed, index) => {
          const kind = choiceOf(printed.spec);
          const band = acceptBand(printed.spec);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: the first that holds applies, so the place is what it is
            <li key={index} className="flex flex-wrap items-end gap-2 border-b border-hair py-2">
              <label className="text-sm text-ink-2">
                {say('Kind')}
                <select
                  className={`block ${LOOK}`}
                  value={kind}
                  onChange={(event) => {
                    const { example } = KINDS[event.target.value as SpecKind];
                    specEdit(index, (spec) => Object.assign(spec, structuredClone(example)));
                  }}
                >
                  {CHOICES.map(([name, text]) => (
                    <option key={name} value={name}>
                      {text}
                    </option>
                  ))}
                </select>
              </label>
              <div className="min-w-56 flex-1">
                <CommitField
                  label={say('As the sheet prints it')}
                  className="figures text-lg"
                  value={printed.printed}
                  onCommit={(typed) => {
                    if (typed.trim() === '') return say('Type what the sheet prints.');
                    const read = specFromPrinted(typed);
                    // Words that read as the chosen kind bring their figures; others stand beside the figures there are.
                    if (!KINDS[kind].written)
                      return void specEdit(index, (spec) =>
                        Object.assign(spec, {
                          printed: typed.trim(),
                          ...(read.ok && read.value.kind === kind ? { spec: read.value } : {}),
                        }),
                      );
                    if (!read.ok)
                      return read.error.code === 'noTorque'
                        ? say('No torque with a unit in it: 46 lbf·ft, 80-100 in-lb, 74 ft-lb plus 90°.')
                        : say('{torqueNm} N·m is no torque of this trade.', {
                            torqueNm: written(read.error.torqueNm, 0),
                          });
                    return void specEdit(index, (spec) =>
                      Object.assign(spec, { spec: read.value, printed: typed.trim() }),
                    );
                  }}
                />
              </div>
              {printed.spec.kind === 'missing' && (
                <select
                  aria-label={say('Why there is none')}
                  className={LOOK}
                  value={printed.spec.why}
                  onChange={(event) =>
                    specEdit(index, (spec) =>
                      put(spec, 'spec', { kind: 'missing', why: event.target.value as 'notGiven' }),
                    )
                  }
                >
                  <option value="notGiven">{say('not given')}</option>
                  <option value="byFeel">{say('by feel')}</option>
                  <option value="otherSheet">{say('on another sheet')}</option>
                </select>
              )}
              {printed.spec.kind === 'missing' && printed.spec.why === 'otherSheet' && (
                <OtherSheet
                  see={printed.spec.see}
                  onSee={(see) =>
                    specEdit(index, (spec) =>
                      put(spec, 'spec', { kind: 'missing', why: 'otherSheet', ...(see ? { see } : {}) }),
                    )
                  }
                />
              )}
              {printed.spec.kind === 'contact' && (
                <CommitField
                  label={say('Until')}
                  value={printed.spec.stop}
                  onCommit={(typed) =>
                    typed.trim()
                      ? void specEdit(index, (spec) => put(spec, 'spec', { kind: 'contact', stop: typed.trim() }))
                      : say('Say what stops it.')
                  }
                />
              )}
              {printed.spec.kind === 'procedure' && (
                <Stages
                  stages={printed.spec.stages}
                  onStages={(stages) => specEdit(index, (spec) => put(spec, 'spec', { kind: 'procedure', stages }))}
                />
              )}
              <SpecFigures
                spec={printed.spec}
                onSpec={(spec) => specEdit(index, (entry) => put(entry, 'spec', spec))}
              />
              {band && (
                <span className="figures self-center text-sm text-ink-2">
                  {tell('{targetNm} N·m, {fromBase} lbf·ft, accepted {minNm}–{which}', {
                    targetNm: written(band.targetNm, 1),
                    fromBase: written(fromBase(band.targetNm, 'lbf·ft'), 1),
                    minNm: written(band.minNm, 1),
                    which: Number.isFinite(band.maxNm) ? written(band.maxNm, 1) : '…',
                  })}
                </span>
              )}
              <label className="text-sm text-ink-2">
                {say('The figure is for')}
                <select
                  className={`block ${LOOK}`}
                  value={printed.basis ?? ''}
                  onChange={(event) => {
                    const basis = FIGURE_BASES.find((one) => one === event.target.value);
                    specEdit(index, (spec) => (basis ? put(spec, 'basis', basis) : delete spec.basis));
                  }}
                >
                  <option value="">{say('not said')}</option>
                  {FIGURE_BASES.map((basis) => (
                    <option key={basis} value={basis}>
                      {BASIS_TEXT[basis]}
                    </option>
                  ))}
                </select>
              </label>
              <ConditionButton
                when={printed.when}
                of={`${printed.printed} at station ${station.label}`}
                onChange={(when) => specEdit(index, (spec) => (when ? put(spec, 'when', when) : delete spec.when))}
              />
              {station.specs.length > 1 && (
                <button
                  type="button"
                  aria-label={say('Take {printed} away', { printed: printed.printed })}
                  className="size-11 text-xl text-ink-2"
                  onClick={() => edit((s) => s.specs.splice(index, 1))}
                >
                  ×
                </button>
              )}
            </li>
          );
        })}
      </ul>
      <button
        type="button"
        className="mt-1 min-h-11 px-2 underline"
        onClick={() => edit((s) => s.specs.push(structuredClone(KINDS.missing.example)))}
      >
        {say('Another value for other vehicles')}
      </button>
    </div>
  );
}

/** The stages of a procedure, one a line, in the words they are read from. */
function Stages({
  stages,
  onStages,
}: {
  stages: readonly ProcedureStage[];
  onStages: (stages: ProcedureStage[]) => void;
}) {
  const [typed, setTyped] = useState(() => stagesText(stages));
  const [fault, setFault] = useState<string>();
  return (
    <label className="w-full text-sm text-ink-2">
      {say(
        'Stages, one a line, the last a torque: 68 N·m / turn 5 turns / back off 90° / tap / settle 10 min / 20 N·m',
      )}
      <textarea
        className={`figures block w-full ${LOOK}`}
        rows={Math.max(4, typed.split('\n').length)}
        value={typed}
        aria-invalid={fault !== undefined}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={() => {
          const read = procedureFromPrinted(typed);
          if (read.ok) {
            setFault(undefined);
            onStages(read.value.stages);
          } else
            setFault(
              read.error.code === 'stageUnread'
                ? say('Line {stage}, “{text}”: a torque with its unit, back off, turn, tap or settle.', {
                    stage: read.error.stage,
                    text: read.error.text,
                  })
                : read.error.code === 'tooFewStages'
                  ? say('A procedure has at least two stages.')
                  : say('A procedure ends with a torque.'),
            );
        }}
      />
      {fault && (
        <span role="alert" className="text-bad">
          {tell('{fault} What was there stays.', { fault })}
        </span>
      )}
    </label>
  );
}

/** The figures a kind is made of, one by one. */
function SpecFigures({ spec, onSpec }: { spec: TighteningSpec; onSpec: (spec: TighteningSpec) => void }) {
  const figures: ReadonlyArray<{ key: string; unit: string; min: number; max: number }> = KINDS[spec.kind].figures;
  const values = spec as unknown as Readonly<Record<string, number | undefined>>;
  return (
    <>
      {figures.map(({ key, unit, min, max }) => (
        <div key={key} className="w-28">
          <CommitField
            label={FIGURE_WORDS[key] ?? key}
            className="figures text-right"
            value={String(values[key] ?? '')}
            onCommit={(typed) => {
              const figure = typedNumber(typed);
              const whole = unit !== 'slots' || Number.isInteger(figure);
              if (!(figure > 0 && figure >= min && figure <= max && whole))
                return min === 0 ? say('Above 0, up to {max}.', { max }) : say('{min} to {max}.', { min, max });
              return void onSpec({ ...spec, [key]: figure } as TighteningSpec);
            }}
          />
        </div>
      ))}
    </>
  );
}

/** The other kit whose sheet has the figure, and its joint where that is not this place. */
function OtherSheet({ see, onSee }: { see: MissingSpec['see']; onSee: (see: MissingSpec['see']) => void }) {
  return (
    <>
      <OptionalText
        label={say('Of which kit, by id or title')}
        value={see?.kit}
        onChange={(kit) => onSee(kit ? { ...see, kit } : undefined)}
      />
      {see && (
        <OptionalText
          label={say('Its joint there; left out, this one')}
          value={see.place}
          onChange={(place) => onSee({ kit: see.kit, ...(place ? { place } : {}) })}
        />
      )}
    </>
  );
}
