import { useEffect, useRef } from 'react';
import { NavLink, useLocation } from 'react-router';

export interface Tab {
  to: string;
  text: string;
  /** Only at its very address. */
  end?: boolean;
}

/** Tabs beneath the top bar; slides under a thumb where they are more than fit. */
export function TabBar({ label, tabs }: { label: string; tabs: readonly Tab[] }) {
  const bar = useRef<HTMLElement>(null);
  const { pathname } = useLocation();
  // biome-ignore lint/correctness/useExhaustiveDependencies: the address says which tab is the one shown
  useEffect(() => {
    const shown = bar.current?.querySelector<HTMLElement>('[aria-current="page"]');
    // Where they slide, the one shown is not left out of view.
    if (bar.current && shown) bar.current.scrollLeft = shown.offsetLeft - bar.current.clientWidth / 4;
  }, [pathname]);
  return (
    <nav ref={bar} aria-label={label} className="flex overflow-x-auto border-b-2 border-ink bg-floor">
      {tabs.map(({ to, text, end }) => (
        <NavLink
          key={to}
          to={to}
          end={end}
          className={({ isActive }) =>
            `plate flex min-h-14 items-center px-5 text-2xl whitespace-nowrap ${isActive ? 'bg-bench' : 'text-ink-2'}`
          }
        >
          {text}
        </NavLink>
      ))}
    </nav>
  );
}
