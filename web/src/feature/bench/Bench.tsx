import { Link, useParams, useSearchParams } from 'react-router';
import { say } from '#contract/wording/say.ts';
import { FIND_KEY } from '../../app/FindButton.tsx';
import { TopBar } from '../../app/TopBar.tsx';
import { tell } from '../../ui/tell.ts';
import { linkTo } from './bench-link.ts';
import { QueryLine } from './QueryLine.tsx';
import { ToolView } from './ToolView.tsx';
import { BENCH_TOOLS } from './tools/all-tools.ts';

/** The bench: a line to type in, and the tools on its wall. */
export default function Bench() {
  const { tool: id } = useParams();
  const [search] = useSearchParams();
  const tool = BENCH_TOOLS.find((entry) => entry.id === id);
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <TopBar
        keys={[
          FIND_KEY,
          { keys: '↑ ↓', does: say('Choose what the typed line means') },
          { keys: 'Enter', does: say('Take it') },
          { keys: 'Tab', does: say('To the next field') },
        ]}
      />
      <div className="border-b-2 border-ink bg-floor p-3">
        <div className="flex items-stretch gap-3">
          <div className="min-w-0 flex-1">
            <QueryLine autoFocus={tool === undefined} />
          </div>
          {tool && (
            <Link to="/bench" className="plate hidden items-center border-2 border-ink bg-sheet px-5 text-2xl sm:flex">
              {say('All tools')}
            </Link>
          )}
        </div>
      </div>
      {tool ? (
        <ToolView key={tool.id} tool={tool} />
      ) : (
        <main className="flex-1 bg-bench p-5 lg:overflow-y-auto">
          <h1 className="plate mb-4 text-3xl">{say('Bench')}</h1>
          {id !== undefined && (
            <p role="alert" className="mb-4 border-l-4 border-bad pl-3">
              {tell('No tool “{id}” hangs here. These do:', { id })}
            </p>
          )}
          <ul className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3 xl:grid-cols-4">
            {BENCH_TOOLS.map((entry) => (
              <li key={entry.id}>
                <Link
                  to={linkTo(entry, {}, search)}
                  className="flex h-full min-h-28 flex-col justify-between border-2 border-ink bg-sheet p-3"
                >
                  <span>
                    <span className="plate block text-2xl">{entry.title}</span>
                    <span className="text-sm text-ink-2">{entry.says}</span>
                  </span>
                  <span className="figures mt-2 text-sm">{entry.example}</span>
                </Link>
              </li>
            ))}
          </ul>
        </main>
      )}
    </div>
  );
}
