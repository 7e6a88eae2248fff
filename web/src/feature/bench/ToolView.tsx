import { Link2 } from 'lucide-react';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { CalcRefusal } from '#contract/calc/joint-input.ts';
import { remarkText } from '#contract/wording/remark-text.ts';
import { say } from '#contract/wording/say.ts';
import { type Remark, remarkTone, type Tone } from '#core/bench/remark.ts';
import { useSettings } from '../../shop/settings.ts';
import { Button } from '../../ui/Button.tsx';
import { linkTo, valuesFrom } from './bench-link.ts';
import { BenchReader } from './bench-reader.ts';
import type { Answer, BenchTool, Figure } from './bench-tool.ts';
import { figuresIn, figureWriter } from './show-figure.ts';
import { ToolFields } from './ToolFields.tsx';
import { UseInJob } from './UseInJob.tsx';

type Outcome = { answer: Answer } | { fault: { field: string; reason: string } };

function work(tool: BenchTool, reader: BenchReader): Outcome {
  try {
    return { answer: tool.answer(reader) };
  } catch (error) {
    if (error instanceof CalcRefusal) return { fault: error.fault };
    throw error;
  }
}

/** Names the core gives an input, as the field of a tool that holds it. */
const FIELD_OF: Record<string, string> = {
  propertyClass: 'class',
  pitchMm: 'thread',
  nominalMm: 'thread',
  holeMm: 'hole',
  bearingMm: 'head',
  gripMm: 'grip',
  shankMm: 'shank',
  partDiameterMm: 'width',
  temperatureC: 'temperature',
  gapMm: 'gap',
  nutMm: 'nut',
  torqueNm: 'torque',
  preloadN: 'torque',
};

const fieldOf = (tool: BenchTool, field: string): string =>
  tool.fields.some(({ key }) => key === field) ? field : (FIELD_OF[field] ?? field);

/** One tool: fields at the left, the drawing in the middle, the figures at the right. All of it is in the address. */
export function ToolView({ tool }: { tool: BenchTool }) {
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const system = useSettings((settings) => settings.system);
  const values = valuesFrom(tool, search);
  const outcome = work(tool, new BenchReader(tool.fields, values, figuresIn(system)));
  const fault = 'fault' in outcome ? { ...outcome.fault, field: fieldOf(tool, outcome.fault.field) } : undefined;
  const link = linkTo(tool, values);
  const known = fault !== undefined && tool.fields.some(({ key }) => key === fault.field);
  return (
    <div className="flex flex-1 flex-col lg:min-h-0 lg:flex-row">
      <section
        aria-label={say('Given')}
        className="shrink-0 border-ink bg-sheet p-5 lg:w-[340px] lg:overflow-y-auto lg:border-r-2"
      >
        <h1 className="plate text-4xl">{tool.title}</h1>
        <p className="mt-1 mb-4 text-ink-2">{tool.says}</p>
        <ToolFields
          fields={tool.fields}
          values={values}
          fault={fault}
          onChange={(key, value) => navigate(linkTo(tool, { ...values, [key]: value }, search), { replace: true })}
        />
      </section>
      {'answer' in outcome ? (
        <Shown
          tool={tool}
          answer={outcome.answer}
          link={link}
          job={search.get('job') ?? undefined}
          station={search.get('station') ?? undefined}
        />
      ) : (
        <div className="grid flex-1 place-items-center bg-bench p-6">
          <div role={known ? undefined : 'alert'} className="max-w-md border-t-4 border-bad pt-3">
            <p className="plate text-3xl">{say('No figure')}</p>
            <p className="mt-2">
              {known
                ? `${tool.fields.find(({ key }) => key === fault?.field)?.label}: ${fault?.reason}.`
                : `${fault?.reason}.`}
            </p>
          </div>
        </div>
      )}
    </div>
  );
}

const TONE: Record<Tone, string> = {
  bad: 'border-bad text-bad font-bold',
  mind: 'border-rule',
  good: 'border-ink',
};

function RemarkList({ remarks }: { remarks: readonly Remark[] }) {
  const write = figureWriter(figuresIn(useSettings((settings) => settings.system)));
  if (remarks.length === 0) return null;
  return (
    <ul className="mt-4 grid gap-2">
      {remarks.map((remark) => (
        <li key={remark.code} className={`border-l-4 pl-3 text-[0.95rem] ${TONE[remarkTone(remark)]}`}>
          {remarkText(remark, write)}
        </li>
      ))}
    </ul>
  );
}

function Shown({
  tool,
  answer,
  link,
  job,
  station,
}: {
  tool: BenchTool;
  answer: Answer;
  link: string;
  job?: string;
  station?: string;
}) {
  const { main } = answer;
  return (
    <>
      <section
        aria-label={say('Drawn')}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls, so the keyboard must be able to stand in it
        tabIndex={0}
        className="grid-paper order-3 min-w-0 flex-1 bg-bench p-5 lg:order-2 lg:overflow-y-auto"
      >
        <div className={`mx-auto ${tool.wide || !(answer.chart || answer.table) ? 'max-w-[640px]' : 'max-w-[440px]'}`}>
          {answer.drawing}
        </div>
        {answer.chart && (
          <div className="mx-auto mt-4 max-w-[640px] border-t border-rule bg-bench pt-4">{answer.chart}</div>
        )}
        {answer.table && (
          <div className="mt-5 overflow-x-auto bg-sheet">
            <table className="w-full border-2 border-ink text-sm">
              <thead>
                <tr className="border-b-2 border-ink text-left">
                  {answer.table.head.map((cell) => (
                    <th key={cell} scope="col" className="px-3 py-2">
                      {cell}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {answer.table.rows.map((row) => (
                  <tr key={row.key} className={`border-b border-hair ${row.strong ? 'font-bold' : ''}`}>
                    {row.cells.map((cell, index) => (
                      // biome-ignore lint/suspicious/noArrayIndexKey: a cell is its column
                      <td key={index} className={`px-3 py-2 ${index === 0 ? '' : 'figures'}`}>
                        {cell}
                      </td>
                    ))}
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        )}
      </section>
      <aside
        aria-label={say('Worked out')}
        className="order-2 flex shrink-0 flex-col border-ink bg-sheet lg:order-3 lg:w-[360px] lg:border-l-2"
      >
        <div className="flex-1 p-5 lg:min-h-0 lg:overflow-y-auto">
          <p className="text-sm text-ink-2">{main.label}</p>
          <output className="block" aria-label={main.label}>
            <span
              className={`figures font-bold leading-none ${main.shown.number.length > 9 ? 'text-3xl' : main.shown.number.length > 5 ? 'text-5xl' : 'text-7xl'}`}
            >
              {main.shown.number}
            </span>{' '}
            <span className="figures text-2xl">{main.shown.unit}</span>
            {main.shown.other !== undefined && (
              <span className="figures block text-lg text-ink-2">{main.shown.other}</span>
            )}
          </output>
          {/* What must not be done so stands with the figure, however long the list beneath. */}
          <RemarkList remarks={answer.remarks.filter((remark) => remarkTone(remark) === 'bad')} />
          <dl className="mt-4 border-t border-rule">
            {answer.figures.map((figure) => (
              <FigureRow key={figure.label} figure={figure} />
            ))}
          </dl>
          <RemarkList remarks={answer.remarks.filter((remark) => remarkTone(remark) !== 'bad')} />
          <details className="mt-4 border-t border-rule pt-2">
            <summary className="min-h-11 cursor-pointer py-2 font-bold">{say('Where does this come from?')}</summary>
            <dl className="grid gap-2 text-sm">
              {tool.sources.map((source) => (
                <div key={source.what}>
                  <dt>{source.what}</dt>
                  <dd className="text-ink-2">{source.where}</dd>
                </div>
              ))}
            </dl>
          </details>
          <p className="mt-3 text-sm text-ink-2">
            {say("An aid, not an approval: the kit's sheet and the vehicle maker's manual go first.")}
          </p>
        </div>
        <div className="grid grid-cols-2 gap-2 border-t-2 border-ink p-3">
          <CopyLink link={link} />
          <UseInJob
            tool={tool.id}
            summary={answer.summary.slice(0, 500)}
            link={link}
            refused={answer.refusedForJob}
            job={job}
            station={station}
          />
        </div>
      </aside>
    </>
  );
}

function FigureRow({ figure: { label, shown } }: { figure: Figure }) {
  return (
    <div className="flex items-baseline justify-between gap-3 border-b border-hair py-1.5">
      <dt className="text-sm text-ink-2">{label}</dt>
      <dd className="figures text-right">
        <b>{shown.number}</b> {shown.unit}
        {shown.other !== undefined && <span className="block text-sm text-ink-2">{shown.other}</span>}
      </dd>
    </div>
  );
}

/** Copies the address that shows this again; where the browser keeps the clipboard shut, it shows the address instead. */
function CopyLink({ link }: { link: string }) {
  const [state, setState] = useState<'idle' | 'copied' | 'shut'>('idle');
  const full = `${location.origin}${link}`;
  return (
    <div className="grid">
      <Button
        onClick={() => {
          navigator.clipboard
            ? navigator.clipboard.writeText(full).then(
                () => setState('copied'),
                () => setState('shut'),
              )
            : setState('shut');
        }}
      >
        <Link2 aria-hidden="true" /> {state === 'copied' ? say('Copied') : say('Copy link')}
      </Button>
      {state === 'shut' && (
        <input
          readOnly
          aria-label={say('Address of this calculation')}
          className="figures mt-1 w-full border border-rule p-1 text-xs"
          value={full}
          onFocus={(event) => event.target.select()}
        />
      )}
    </div>
  );
}
