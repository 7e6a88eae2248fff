import { Download } from 'lucide-react';
import { say } from '#contract/wording/say.ts';
import type { ReorderLine } from '#core/crib/bottle.ts';
import { written } from '#core/quantity/display.ts';
import { useReorder } from '../../shop/queries.ts';

const WHAT: Record<ReorderLine['what'], string> = {
  compound: say('Compound'),
  tool: say('Tool'),
  wrench: say('Wrench'),
  fastener: say('Fastener'),
};
const because = ({ what, because: why, figure }: ReorderLine): string => {
  switch (why) {
    case 'empty':
      return say('none left');
    case 'low':
      return what === 'fastener'
        ? say('{figure} left', { figure: figure ?? 0 })
        : say('{figure} mL left', { figure: written(figure ?? 0, 1) });
    case 'expired':
      return say('past its date');
    case 'expiring':
      return say('{figure} days left', { figure });
    case 'tooWarm':
      return say('stored too warm');
    case 'missing':
      return 'missing';
    case 'calibration':
      return (figure ?? 0) <= 0 ? say('calibration due') : say('calibration in {figure} days', { figure });
  }
};

/** What to order or send away, with why; as CSV for whoever orders. */
export default function Reorder() {
  const { data: lines, failure } = useReorder();
  return (
    <main className="flex-1 bg-bench p-5 lg:overflow-y-auto">
      <div className="mb-3 flex items-center gap-3">
        <h1 className="plate mr-auto text-3xl">{say('To order')}</h1>
        <a
          download
          href="/api/crib/reorder.csv"
          className="inline-flex min-h-14 items-center gap-2 border-2 border-ink bg-sheet px-4 font-bold"
        >
          <Download aria-hidden="true" /> {say('CSV')}
        </a>
      </div>
      {failure && (
        <p role="alert" className="text-bad">
          {failure}
        </p>
      )}
      {lines === undefined && !failure && <p className="text-ink-2">{say('Working it out.')}</p>}
      {lines?.length === 0 && (
        <p className="text-ink-2">
          {say('Nothing: every compound is good and in quantity, no tool is missing, no wrench is due.')}
        </p>
      )}
      {lines && lines.length > 0 && (
        <table className="w-full max-w-3xl border-t-2 border-ink text-left">
          <tbody>
            {lines.map((line) => (
              <tr key={`${line.what}-${line.name}-${line.because}`} className="border-b border-rule">
                <td className="w-32 py-3 text-ink-2">{WHAT[line.what]}</td>
                <td className="font-bold">{line.name}</td>
                <td className="figures text-right">{because(line)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </main>
  );
}
