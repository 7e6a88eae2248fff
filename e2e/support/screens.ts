import { expect, type Page } from '@playwright/test';

/** Screens of the shop that need no job, each by its address and a heading that says it stands. */
export const SHOP_SCREENS = [
  ['/vehicles', 'Vehicles'],
  ['/vehicles/owners', 'Owners'],
  ['/vehicles/recall', 'Call back'],
  ['/due', 'Due'],
  ['/book', 'Book'],
  ['/book?kit=transfer-case-guard', 'How its pulls lie'],
  ['/handbook', 'Why it is so'],
  ['/kits', 'Released'],
  ['/kits/read', 'Read a maker’s sheet'],
  ['/kits/rear-anti-roll-bar', 'What changed'],
  ['/kits/drafts/rear-anti-roll-bar', 'Adjustable rear'],
  ['/kits/drafts/rear-anti-roll-bar/map', 'Marking out'],
  ['/kits/drafts/rear-anti-roll-bar/stations', 'Stack, head to nut'],
  ['/kits/drafts/rear-anti-roll-bar/groups', 'Adjustable rear'],
  ['/kits/drafts/rear-anti-roll-bar/steps', 'Comes off the vehicle'],
  ['/kits/drafts/rear-anti-roll-bar/questions', 'Every combination'],
  ['/kits/drafts/rear-anti-roll-bar/dry-run', 'Every vehicle'],
  ['/kits/drafts/rear-anti-roll-bar/release', 'Findings'],
  ['/bench', 'Bench'],
  ['/bench/finish', 'What a change on the thread does'],
  ['/bench/load', 'Joint at work'],
  ['/bench/identify', 'What is this bolt?'],
  ['/crib?wrench=w-1', 'Check-pulls'],
  ['/crib/tools', 'Socket'],
  ['/crib/compounds', 'On the shelf'],
  ['/crib/fasteners', 'Fasteners'],
  ['/crib/reorder', 'To order'],
] as const;

/** What only a lead sees. */
export const LEADS_SCREENS = [
  ['/shop', 'House rules'],
  ['/shop/tablets', 'Let a tablet in'],
  ['/shop/moving-in', 'What do you bring along?'],
  ['/shop/programs', 'Who is told'],
  ['/shop/other-shops', 'Your shops'],
  ['/drill/learners', 'Who spots what'],
] as const;

/**
 * Goes to a screen as a link does, without loading the application anew: a walk over all of them takes half the time.
 * Where the screen that is left has the same heading it is loaded anew, so that it is never taken for the next.
 *
 * @param path - address within the application, from its first slash on
 * @param sign - a heading that says the screen stands
 */
export async function showScreen(page: Page, path: string, sign: string): Promise<void> {
  const heading = page.getByRole('heading', { name: sign }).first();
  if (await heading.isVisible()) await page.goto(new URL(path, page.url()).href);
  else
    await page.evaluate((to) => {
      history.pushState(null, '', to);
      dispatchEvent(new PopStateEvent('popstate', { state: null }));
    }, path);
  await expect(heading).toBeVisible();
}
