import { useState } from 'react';
import { MOST_BAYS, type ShopSettings as Settings, type ShopInput } from '#contract/shop.ts';
import { say } from '#contract/wording/say.ts';
import { shopChangeText } from '#contract/wording/shop-change-text.ts';
import { api, call } from '../../shop/api.ts';
import { useChange } from '../../shop/queries.ts';
import { useSession } from '../../shop/session.ts';
import { shopFormat } from '../../shop/shop-time.ts';
import { Button } from '../../ui/Button.tsx';
import { CommitField, typedNumber } from '../../ui/CommitField.tsx';
import { People } from './People.tsx';

import { RuleFields } from './RuleFields.tsx';
import { SessionHours } from './SessionHours.tsx';
import { useOpenShop } from './ShopShell.tsx';

/** Who works here, the house's rules, and what was changed by whom. */
export default function ShopSettings() {
  const settings = useOpenShop();
  return (
    <Shop
      key={JSON.stringify(settings.rules) + settings.name + settings.bays + settings.sessionHours}
      settings={settings}
    />
  );
}

const asSet = ({ name, bays, sessionHours, rules }: Settings): ShopInput => ({ name, bays, sessionHours, rules });

function Shop({ settings }: { settings: Settings }) {
  const change = useChange('settings', 'people');
  const load = useSession((state) => state.load);
  const [draft, setDraft] = useState<ShopInput>(asSet(settings));
  const changed =
    draft.name !== settings.name ||
    draft.bays !== settings.bays ||
    draft.sessionHours !== settings.sessionHours ||
    JSON.stringify(draft.rules) !== JSON.stringify(settings.rules);
  const save = async () => {
    if (await change.act(() => call(api.shop.$put({ json: draft })))) await load();
  };
  return (
    <div className="grid gap-8 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      <div className="grid content-start gap-8">
        <People people={settings.people} change={change} />
        <section aria-label={say('House rules')}>
          <h2 className="plate mb-1 text-3xl">{say('House rules')}</h2>
          <p className="mb-3 max-w-prose text-ink-2">
            {say(
              'Where the trade disagrees and no sheet decides. A job keeps the rules it was opened with; these count from the next one on.',
            )}
          </p>
          <div className="mb-5 grid max-w-120 grid-cols-[1fr_6rem] gap-3">
            <CommitField
              label={say('Name of the shop')}
              value={draft.name}
              onCommit={(typed) =>
                typed.trim() === '' || typed.length > 120
                  ? say('From 1 to 120 characters.')
                  : void setDraft({ ...draft, name: typed.trim() })
              }
            />
            <CommitField
              label={say('Bays')}
              className="figures"
              value={String(draft.bays)}
              onCommit={(typed) => {
                const bays = typedNumber(typed);
                return Number.isInteger(bays) && bays >= 1 && bays <= MOST_BAYS
                  ? void setDraft({ ...draft, bays })
                  : say('From 1 to {mostBays}.', { mostBays: MOST_BAYS });
              }}
            />
          </div>
          <div className="mb-5">
            <SessionHours hours={draft.sessionHours} onHours={(sessionHours) => setDraft({ ...draft, sessionHours })} />
          </div>
          <RuleFields rules={draft.rules} onChange={(rules) => setDraft({ ...draft, rules })} />
          {change.failure && (
            <p role="alert" className="mt-3 font-bold text-bad">
              {change.failure}
            </p>
          )}
          <div className="mt-4 flex gap-2 border-t-2 border-ink py-3">
            <Button tone="primary" disabled={!changed || change.busy} onClick={() => void save()}>
              {say('Keep the settings')}
            </Button>
            <Button disabled={!changed} onClick={() => setDraft(asSet(settings))}>
              {say('As they were')}
            </Button>
          </div>
        </section>
      </div>
      <div className="grid content-start gap-8">
        <section aria-label={say('What was changed')}>
          <h2 className="plate text-3xl">{say('What was changed')}</h2>
          {settings.changes.length === 0 && <p className="text-ink-2">{say('Nothing yet.')}</p>}
          <ul className="border-t-2 border-ink">
            {settings.changes.map(({ id, atMs, byName, change: what }) => (
              <li key={id} className="border-b border-hair py-2">
                <span className="block break-words">{shopChangeText(what)}</span>
                <span className="text-sm text-ink-2">
                  {byName}, {shopFormat(atMs, 'd MMM yyyy HH:mm')}
                </span>
              </li>
            ))}
          </ul>
        </section>
      </div>
    </div>
  );
}
