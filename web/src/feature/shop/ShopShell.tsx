import { Outlet, useOutletContext } from 'react-router';
import type { ShopSettings } from '#contract/shop.ts';
import { say } from '#contract/wording/say.ts';
import { TopBar } from '../../app/TopBar.tsx';
import { useShopSettings } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { TabBar } from '../../ui/TabBar.tsx';

const TABS = [
  { to: '/shop', text: say('People and rules'), end: true },
  { to: '/shop/tablets', text: say('Tablets') },
  { to: '/shop/moving-in', text: say('Moving in') },
  { to: '/shop/programs', text: say('Programs') },
  { to: '/shop/other-shops', text: say('Other shops') },
];

/** The shop as its leads set it, tab by tab. */
export default function ShopShell() {
  const role = useSession((state) => state.session?.person.role);
  const { data: settings, failure } = useShopSettings(role === 'lead');
  return (
    <div className="flex min-h-dvh flex-col">
      <TopBar />
      <TabBar label={say('The shop')} tabs={TABS} />
      <main className="flex-1 bg-bench p-5">
        <h1 className="sr-only">{say('The shop')}</h1>
        {role !== 'lead' && <p>{say('A lead sets the shop. Ask one.')}</p>}
        {failure && (
          <p role="alert" className="font-bold text-bad">
            {failure}
          </p>
        )}
        {role === 'lead' && !settings && !failure && <p className="text-ink-2">{say('Reading the shop.')}</p>}
        {settings && <Outlet context={settings} />}
      </main>
    </div>
  );
}

/** The shop's settings, once they have been read. */
export const useOpenShop = (): ShopSettings => useOutletContext<ShopSettings>();
