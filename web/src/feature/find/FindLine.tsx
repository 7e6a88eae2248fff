import { Command } from 'cmdk';
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import { say } from '#contract/wording/say.ts';
import { useCribRead, useJobs, useLibrary, useShopSettings, useVehicles } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { shopDayStart } from '../../shop/shop-time.ts';
import { linkTo } from '../bench/bench-link.ts';
import { readQuery } from '../bench/read-query.ts';
import { BENCH_TOOLS } from '../bench/tools/all-tools.ts';
import { type Found, findInShop, scannedPlace } from './find.ts';

/** Jobs planned so many days back and ahead are looked through; older ones stand with their vehicle. */
const [DAYS_BACK, DAYS_AHEAD] = [120, 60];
const MOST_TOOLS = 3;
const KIND: Record<Found['kind'] | 'bench', string> = {
  job: say('Job'),
  vehicle: say('Vehicle'),
  kit: say('Kit'),
  person: say('Person'),
  wrench: say('Wrench'),
  tool: say('Tool'),
  bottle: say('Compound'),
  bench: say('Bench'),
};

/**
 * One line that finds a job, vehicle, kit, person, bench tool or something of the crib, by typing or by a scanner.
 * `scanned` is gone to at once where just one thing is called so.
 */
export default function FindLine({ scanned = '', onGone }: { scanned?: string; onGone: () => void }) {
  const [text, setText] = useState(scanned);
  const [today] = useState(() => shopDayStart(Date.now()));
  const navigate = useNavigate();
  const lead = useSession((state) => state.session?.person.role === 'lead');
  const jobs = useJobs(shopDayStart(today, -DAYS_BACK), shopDayStart(today, DAYS_AHEAD));
  const vehicles = useVehicles();
  const kits = useLibrary();
  const settings = useShopSettings(lead);
  const crib = useCribRead();
  const unread = jobs.failure ?? vehicles.failure ?? kits.failure ?? crib.failure;
  const shop = {
    jobs: jobs.data ?? [],
    vehicles: vehicles.data ?? [],
    kits: kits.data ?? [],
    people: (settings.data?.people ?? []).filter(({ leftAtMs }) => leftAtMs === undefined),
    wrenches: crib.data?.wrenches,
    tools: crib.data?.tools,
    bottles: crib.data?.bottles.filter(({ emptiedOn }) => emptiedOn === undefined),
  };
  const found = findInShop(text, shop);
  const tools = readQuery(text, BENCH_TOOLS).slice(0, MOST_TOOLS);
  const go = (to: string) => {
    onGone();
    navigate(to);
  };
  // Nothing is gone to before all of the shop is read: another thing may be called the same.
  const all = jobs.data && vehicles.data && kits.data && crib.data;
  const place = all && scanned !== '' && text === scanned ? scannedPlace(scanned, location.origin, shop) : undefined;
  useEffect(() => {
    if (!place) return;
    onGone();
    navigate(place);
  }, [place, onGone, navigate]);
  return (
    <Command shouldFilter={false} loop label={say('Find in the shop')}>
      <Command.Input
        autoFocus
        value={text}
        onValueChange={setText}
        placeholder="plate, job number, kit, person, or m10 8.8"
        className="figures min-h-14 w-full border-2 border-ink bg-sheet px-4 text-xl placeholder:text-ink-2"
      />
      {unread && (
        <p role="alert" className="mt-2 font-bold text-bad">
          {unread}
        </p>
      )}
      <Command.List className="mt-2 max-h-[60dvh] overflow-y-auto">
        {text.trim() !== '' && (
          <Command.Empty className="py-4 text-ink-2">
            {all ? say('Nothing in the shop answers to that.') : say('Reading the shop.')}
          </Command.Empty>
        )}
        {found.map(({ key, kind, title, says, to }) => (
          <Hit key={key} value={key} kind={KIND[kind]} title={title} says={says} onSelect={() => go(to)} />
        ))}
        {tools.map(({ tool, values }) => (
          <Hit
            key={tool.id}
            value={`bench ${tool.id}`}
            kind={KIND.bench}
            title={tool.title}
            says={Object.values(values).filter(Boolean).join(' · ')}
            onSelect={() => go(linkTo(tool, values))}
          />
        ))}
      </Command.List>
    </Command>
  );
}

function Hit({
  value,
  kind,
  title,
  says,
  onSelect,
}: {
  value: string;
  kind: string;
  title: string;
  says: string;
  onSelect: () => void;
}) {
  return (
    <Command.Item
      value={value}
      onSelect={onSelect}
      className="grid min-h-14 cursor-pointer grid-cols-[5rem_1fr] items-center gap-x-3 border-b border-hair px-2 py-1 aria-selected:bg-paint aria-selected:text-on-paint"
    >
      <span className="text-sm">{kind}</span>
      <span className="min-w-0">
        <b className="block break-words">{title}</b>
        <span className="block text-sm break-words">{says}</span>
      </span>
    </Command.Item>
  );
}
