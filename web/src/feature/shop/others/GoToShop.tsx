import { useState } from 'react';
import type { ShopCard } from '#contract/session.ts';
import { say } from '#contract/wording/say.ts';
import { counted, useBacklog } from '../../../job/backlog.ts';
import { api, call } from '../../../shop/api.ts';
import { failureText } from '../../../shop/failure-text.ts';
import { Button } from '../../../ui/Button.tsx';
import { tell } from '../../../ui/tell.ts';

/** Goes on in another shop that the person leads. What waits here belongs to this one, and is sent first. */
export function GoToShop({ shop, className = '' }: { shop: ShopCard; className?: string }) {
  const waiting = useBacklog((state) => counted(state.entries).waiting);
  const [failure, setFailure] = useState<string>();
  const go = async () => {
    try {
      await call(api.session.shop.$put({ json: { shop: shop.id } }));
    } catch (error) {
      setFailure(failureText(error));
      return;
    }
    // Everything that was read is the other shop's: the page begins anew.
    location.assign('/');
  };
  return (
    <span className={`grid gap-1 ${className}`}>
      <Button className="min-h-11! py-2" disabled={waiting > 0} onClick={() => void go()}>
        {tell('Go to {name}', { name: shop.name })}
      </Button>
      {waiting > 0 && (
        <span className="text-sm text-ink-2">{say('Once what waits on this device has been sent.')}</span>
      )}
      {failure && (
        <span role="alert" className="text-sm font-bold text-bad">
          {failure}
        </span>
      )}
    </span>
  );
}
