import { validator } from 'hono/validator';
import type { DraftInput, DraftSave } from '#contract/kit-draft.ts';
import { kitLimitFaults } from '#contract/kit-limits.ts';
import { say } from '#contract/wording/say.ts';
import type { KitWorks } from '../thread/kit-works.ts';
import { cutText, unreadable } from './validate.ts';

/** The bodies a draft comes in. */
interface DraftBodies {
  create: DraftInput;
  save: DraftSave;
}

/**
 * Checks the body of a draft like any other, in the thread that reads kits: a thousand wrong entries, each with its words,
 * take longer than a request may hold the server up. What is too large for it is refused before it gets there.
 */
export const validateDraft = <Body extends keyof DraftBodies>(works: KitWorks, body: Body) =>
  validator('json', async (value: unknown, c) => {
    const document = (value as { document?: unknown } | null)?.document;
    const tooLarge = kitLimitFaults(document);
    if (tooLarge.length > 0)
      return unreadable(
        c,
        tooLarge.map(({ path, message }) => ({ path: ['json.document', path].filter(Boolean).join('.'), message })),
      );
    const cut = cutText(value);
    if (cut !== undefined)
      return unreadable(c, [{ path: `json.${cut}`, message: say('holds a character that is cut in half') }]);
    const read = await works.draft(body, value);
    return read.ok ? (read.value as DraftBodies[Body]) : unreadable(c, read.error.faults);
  });
