import { useState } from 'react';
import type { Crib } from '#contract/crib.ts';
import { say } from '#contract/wording/say.ts';
import { mayInCrib } from '#core/crib/crib-role.ts';
import { CRIB_TOOL_KINDS } from '#core/crib/crib-tool.ts';
import { useSession } from '../../shop/session.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { tell } from '../../ui/tell.ts';
import { useOpenCrib } from './CribShell.tsx';
import { searchText, sizeText, TOOL_KIND } from './drive-text.ts';
import { LendSheet, ReturnSheet } from './Lending.tsx';
import { ToolForm } from './ToolForm.tsx';

type Tool = Crib['tools'][number];

/** Millimetres across the flats; what has none stands last, in the order of its name. */
const widthOf = ({ drive }: Tool): number =>
  drive && 'acrossFlatsMm' in drive ? drive.acrossFlatsMm : Number.MAX_SAFE_INTEGER;

/** Sockets, bits, spanners and specials on their pegs: an empty peg says who has it. */
export default function Tools() {
  const { crib } = useOpenCrib();
  const role = useSession((state) => state.session?.person.role) ?? 'apprentice';
  const [wanted, setWanted] = useState('');
  const [onlyOut, setOnlyOut] = useState(false);
  const [picked, setPicked] = useState<Tool>();
  const [form, setForm] = useState<'new' | Tool>();
  const shown = crib.tools.filter(
    (tool) =>
      searchText(tool).includes(wanted.trim().toLowerCase()) &&
      (!onlyOut || tool.loan !== undefined || tool.missing !== undefined),
  );
  const out = crib.tools.filter((tool) => tool.loan !== undefined).length;
  return (
    <main className="flex-1 bg-bench p-5 lg:overflow-y-auto">
      <h1 className="sr-only">{say('Sockets and tools')}</h1>
      <div className="mb-4 flex flex-wrap gap-2">
        <input
          type="search"
          aria-label={say('Find a tool')}
          placeholder={say('16, T40, spring')}
          className="min-h-14 flex-1 border-2 border-ink bg-sheet px-4 text-lg"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
        />
        <Button aria-pressed={onlyOut} tone={onlyOut ? 'dark' : 'plain'} onClick={() => setOnlyOut(!onlyOut)}>
          {tell('{out} out', { out })}
        </Button>
        {mayInCrib(role, 'keepStock') && <Button onClick={() => setForm('new')}>{say('Add a tool')}</Button>}
      </div>
      {shown.length === 0 && (
        <p className="text-ink-2">
          {crib.tools.length === 0 ? say('No tool hangs here yet.') : say('Nothing here answers to that.')}
        </p>
      )}
      {CRIB_TOOL_KINDS.map((kind) => {
        const tools = shown.filter((tool) => tool.kind === kind).sort((a, b) => widthOf(a) - widthOf(b));
        if (tools.length === 0) return null;
        return (
          <section key={kind} aria-label={TOOL_KIND[kind]} className="mb-6">
            <h2 className="plate mb-2 border-b-2 border-ink text-2xl">
              {TOOL_KIND[kind]} <span className="figures text-base font-normal">{tools.length}</span>
            </h2>
            <ul className="grid grid-cols-[repeat(auto-fill,minmax(9.5rem,1fr))] gap-2">
              {tools.map((tool) => (
                <li key={tool.id}>
                  <Peg
                    tool={tool}
                    onPick={() => setPicked(tool)}
                    onChange={mayInCrib(role, 'keepStock') ? () => setForm(tool) : undefined}
                  />
                </li>
              ))}
            </ul>
          </section>
        );
      })}
      {picked &&
        (picked.loan ? (
          <ReturnSheet loan={picked.loan} onClose={() => setPicked(undefined)} />
        ) : (
          <LendSheet thing={{ thing: 'tool', id: picked.id, name: picked.name }} onClose={() => setPicked(undefined)} />
        ))}
      {form && <ToolForm tool={form === 'new' ? undefined : form} onClose={() => setForm(undefined)} />}
    </main>
  );
}

/** One peg: the tool, or who has it. */
function Peg({ tool, onPick, onChange }: { tool: Tool; onPick: () => void; onChange?: () => void }) {
  const size = sizeText(tool.drive);
  const out = tool.loan !== undefined;
  return (
    <div
      className={`flex h-full flex-col border-2 ${tool.missing ? 'border-bad' : out ? 'border-dashed border-rule' : 'border-ink bg-sheet'}`}
    >
      <button type="button" className="min-h-24 flex-1 p-3 text-left" onClick={onPick}>
        {size !== '' && (
          <span className={`figures block text-3xl leading-none font-bold ${out ? 'text-ink-2' : ''}`}>{size}</span>
        )}
        <span className="block text-sm leading-tight">{tool.name}</span>
        <span className={`block text-sm ${tool.missing ? 'font-bold text-bad' : 'text-ink-2'}`}>
          {tool.missing
            ? `missing, ${tool.missing.by}`
            : tool.loan
              ? `${tool.loan.personName}, ${shopFormat(tool.loan.outAtMs, 'HH:mm')}`
              : [tool.squareDrive, tool.place].filter(Boolean).join(' · ')}
        </span>
      </button>
      {onChange && (
        <button
          type="button"
          className="min-h-11 border-t border-hair px-3 text-left text-sm underline"
          onClick={onChange}
          aria-label={say('Change {name}', { name: tool.name })}
        >
          {say('Change')}
        </button>
      )}
    </div>
  );
}
