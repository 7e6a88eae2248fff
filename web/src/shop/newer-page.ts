import { create } from 'zustand';

/** The script this page began with: its name bears the hash of what is in it. */
const own = (): string | undefined => {
  const script = document.querySelector<HTMLScriptElement>('script[type="module"][src^="/assets/"]');
  return script ? new URL(script.src).pathname : undefined;
};

/** Whether the server gives out a newer page than the one in view. */
export const useNewerPage = create<{ newer: boolean }>(() => ({ newer: false }));

/** Takes in which page an answer said the server gives out. */
export function learnPage(told: string | null): void {
  const here = own();
  const newer = told !== null && here !== undefined && told !== here;
  if (newer !== useNewerPage.getState().newer) useNewerPage.setState({ newer });
}

/** Loads the newer page: the shell that is kept for working without the network is fetched anew first. */
export async function loadNewer(): Promise<void> {
  const kept = await navigator.serviceWorker?.getRegistration();
  // Where it cannot be fetched just now, the page that is here goes on.
  await kept?.update().catch(() => undefined);
  location.reload();
}
