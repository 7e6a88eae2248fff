import { lazy, memo, Suspense, useState } from 'react';
import { ROLE_TEXT } from '#contract/wording/en/terms.ts';
import { useSession } from '../shop/session.ts';
import { tell } from '../ui/tell.ts';

const PersonSheet = lazy(() => import('./PersonSheet.tsx'));

/** Who is working on this tablet; passing it on takes a PIN, not a sign-out. */
export const PersonMenu = memo(function PersonMenu() {
  const session = useSession((state) => state.session);
  const expired = useSession((state) => state.status === 'expired');
  const [open, setOpen] = useState(false);
  // Fetched when first wanted, and kept then: its settings stay open when it closes.
  const [wanted, setWanted] = useState(false);
  if (!session) return null;
  return (
    <>
      <button
        type="button"
        className="figures min-h-11 min-w-11 bg-plate-2 px-3 text-on-plate"
        onClick={() => {
          setOpen(true);
          setWanted(true);
        }}
      >
        <span aria-hidden="true">{session.person.initials}</span>
        <span className="sr-only">
          {tell('{name}, {role}. Switch person or settings', {
            name: session.person.name,
            role: ROLE_TEXT[session.person.role],
          })}
        </span>
      </button>
      {(wanted || expired) && (
        <Suspense fallback={null}>
          <PersonSheet open={open} onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
});
