import { Command } from 'cmdk';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { say } from '#contract/wording/say.ts';
import { linkTo } from './bench-link.ts';
import { readQuery } from './read-query.ts';
import { BENCH_TOOLS } from './tools/all-tools.ts';

/** The line to type in: what it may mean is listed beneath, Enter takes the first. */
export function QueryLine({ autoFocus = false }: { autoFocus?: boolean }) {
  const [text, setText] = useState('');
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const suggestions = readQuery(text, BENCH_TOOLS);
  return (
    <Command shouldFilter={false} loop label={say('Find a tool by typing')} className="relative">
      <Command.Input
        autoFocus={autoFocus}
        value={text}
        onValueChange={setText}
        onKeyDown={(event) => {
          if (event.key === 'Escape') setText('');
        }}
        placeholder={say('m10 8.8 · 90 ft-lb in nm · crowfoot 50 · spacer 25 · which drill 3/8-16')}
        className="figures min-h-16 w-full border-2 border-ink bg-sheet px-5 text-xl placeholder:text-ink-2"
      />
      <Command.List
        className={`absolute inset-x-0 top-full z-30 border-2 border-t-0 border-ink bg-sheet ${text.trim() === '' ? 'hidden' : ''}`}
      >
        {text.trim() !== '' && (
          <Command.Empty className="px-5 py-4 text-ink-2">
            {say(
              'Nothing on the bench answers to that. Try a thread (M10, 3/8-16), a quantity (90 ft-lb), or a word such as drill, spacer or cure.',
            )}
          </Command.Empty>
        )}
        {suggestions.map(({ tool, values }) => (
          <Command.Item
            key={tool.id}
            value={tool.id}
            onSelect={() => {
              setText('');
              navigate(linkTo(tool, values, search));
            }}
            className="flex min-h-14 cursor-pointer items-center justify-between gap-4 px-5 aria-selected:bg-paint aria-selected:text-on-paint"
          >
            <b>{tool.title}</b>
            <span className="figures truncate text-sm">{Object.values(values).filter(Boolean).join(' · ')}</span>
          </Command.Item>
        ))}
      </Command.List>
    </Command>
  );
}
