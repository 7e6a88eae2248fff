import { Button } from './Button.tsx';

/** A whole-screen word: loading, empty, failed. Plain links, because it also stands outside the router. */
export function Notice({
  title,
  detail,
  action,
  onAction,
  secondary,
  busy = false,
}: {
  title: string;
  detail: string;
  action?: string;
  onAction?: () => void;
  secondary?: { to: string; label: string };
  busy?: boolean;
}) {
  return (
    <main className="grid h-full min-h-64 place-items-center bg-bench p-6" aria-busy={busy}>
      <div className="max-w-md border-t-4 border-ink pt-4">
        <h1 className="plate text-4xl">{title}</h1>
        <p className="mt-2 mb-5 text-ink-2">{detail}</p>
        <div className="flex flex-wrap gap-3">
          {action !== undefined && (
            <Button tone="primary" onClick={onAction}>
              {action}
            </Button>
          )}
          {secondary && (
            <a
              className="inline-flex min-h-14 items-center border-2 border-ink bg-sheet px-4 font-bold"
              href={secondary.to}
            >
              {secondary.label}
            </a>
          )}
        </div>
      </div>
    </main>
  );
}
