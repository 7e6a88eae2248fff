import { NavLink } from 'react-router';
import { say } from '#contract/wording/say.ts';
import { ClockBar } from '../job/ClockBar.tsx';
import { useSession } from '../shop/session.ts';
import { shopFormat } from '../shop/shop-time.ts';
import { useNow } from '../ui/use-now.ts';
import { FIND_KEY, FindButton } from './FindButton.tsx';
import { HelpSheet } from './HelpSheet.tsx';
import { PersonMenu } from './PersonMenu.tsx';
import type { Shortcut } from './shortcut.ts';
import { WaitingBadge } from './WaitingBadge.tsx';

const tab = ({ isActive }: { isActive: boolean }) =>
  `plate flex items-center px-2 text-lg sm:px-4 sm:text-2xl ${isActive ? 'bg-bench text-ink' : 'text-on-plate-2'}`;

const SCREENS = [
  ['/', say('Bays')],
  ['/receive', say('Receive')],
  ['/vehicles', say('Vehicles')],
  ['/due', say('Due')],
  ['/kits', say('Kits')],
  ['/bench', say('Bench')],
  ['/crib', say('Crib')],
  ['/book', say('Book')],
  ['/drill', say('Drill')],
] as const;

const FIND_ALONE: readonly Shortcut[] = [FIND_KEY];

/** The bar over the shop's screens, with the keys of the one below. */
export function TopBar({ keys = FIND_ALONE }: { keys?: readonly Shortcut[] }) {
  const shop = useSession((state) => state.session?.shop.name);
  const nowMs = useNow(10_000);
  return (
    <>
      <header className="flex h-16 shrink-0 items-stretch justify-between bg-plate text-on-plate">
        <div className="flex min-w-0 flex-1 items-stretch">
          <div className="hidden min-w-0 flex-col justify-center px-4 sm:flex sm:w-56 sm:min-w-44">
            <span className="plate text-2xl">Wrenchman</span>
            <span className="truncate text-sm leading-tight text-on-plate-2" title={shop}>
              {shop}
            </span>
          </div>
          {/* Slides under a thumb where what stands at the right leaves it too little room. */}
          <nav className="flex min-w-0 overflow-x-auto" aria-label={say('Screens')}>
            {SCREENS.map(([to, name]) => (
              <NavLink key={to} to={to} end={to === '/'} className={tab}>
                {name}
              </NavLink>
            ))}
          </nav>
        </div>
        <div className="flex shrink-0 items-center gap-2 pr-3 pl-2">
          <span className="figures hidden text-sm md:inline">{shopFormat(nowMs, 'EEE d MMM HH:mm')}</span>
          <FindButton />
          <HelpSheet shortcuts={keys} />
          <WaitingBadge />
          <PersonMenu />
        </div>
      </header>
      <ClockBar />
    </>
  );
}
