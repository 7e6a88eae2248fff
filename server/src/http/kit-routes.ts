import { type Context, Hono } from 'hono';
import { z } from 'zod';
import { ReleaseSchema, ShopLexiconSchema, WithdrawSchema } from '#contract/kit-draft.ts';
import { writeKit } from '#contract/read-kit.ts';
import { say } from '#contract/wording/say.ts';
import type { CatalogService } from '../service/catalog-service.ts';
import type { JobService } from '../service/job-service.ts';
import type { KitDraftService } from '../service/kit-draft-service.ts';
import type { KitPictures } from '../service/kit-pictures.ts';
import type { KitWorks } from '../thread/kit-works.ts';
import type { SignedInEnv } from './caller.ts';
import { pictureType } from './picture-type.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';
import { validateDraft } from './validate-draft.ts';

const Id = validate('param', z.object({ id: z.string().min(1).max(64) }));
const Revision = validate(
  'param',
  z.object({ id: z.string().min(1).max(64), revision: z.coerce.number().int().positive() }),
);

/** Apprentices read kits; they do not write them. */
const mayWrite = async (c: Context<SignedInEnv>, next: () => Promise<void>) => {
  if (c.get('caller').person.role === 'apprentice') return problem(c, 'notPermitted');
  await next();
  return undefined;
};

/** The library's list, revisions, and kits being written. */
export function kitRoutes(
  drafts: KitDraftService,
  catalog: CatalogService,
  jobs: JobService,
  pictures: KitPictures,
  works: KitWorks,
) {
  return new Hono<SignedInEnv>()
    .get('/library', async (c) => c.json(await drafts.library(c.get('caller').shopId)))
    .get('/lexicon', async (c) => c.json(await drafts.lexicon(c.get('caller').shopId)))
    .put('/lexicon', mayWrite, validate('json', ShopLexiconSchema), async (c) =>
      c.json(await drafts.keepLexicon(c.get('caller').shopId, c.req.valid('json'))),
    )
    .post('/pictures', mayWrite, async (c) => {
      const bytes = Buffer.from(await c.req.arrayBuffer());
      // By what it is, not by what it says it is: it is shown again from this address.
      const type = pictureType(bytes);
      if (!type || type !== c.req.header('content-type'))
        return problem(c, 'badRequest', { detail: say('A page or figure is a JPEG, PNG or WebP picture.') });
      const outcome = await pictures.keep(c.get('caller'), type, bytes);
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code);
    })
    .get(
      '/pictures/:sha256',
      validate('param', z.object({ sha256: z.string().regex(/^[0-9a-f]{64}$/) })),
      async (c) => {
        const found = await pictures.picture(c.get('caller').shopId, c.req.valid('param').sha256);
        if (!found) return problem(c, 'notFound');
        // Named by its bytes, it never changes.
        return c.body(new Uint8Array(found.bytes), 200, {
          'Content-Type': found.type,
          'Cache-Control': 'private, max-age=31536000, immutable',
          'Content-Disposition': 'inline',
        });
      },
    )
    .get('/drafts', async (c) => c.json(await drafts.list(c.get('caller').shopId)))
    .post('/drafts', mayWrite, validateDraft(works, 'create'), async (c) => {
      const outcome = await drafts.create(c.get('caller'), c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .get('/drafts/:id', Id, async (c) => {
      const outcome = await drafts.open(c.get('caller').shopId, c.req.valid('param').id);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    })
    .put('/drafts/:id', mayWrite, Id, validateDraft(works, 'save'), async (c) => {
      const outcome = await drafts.save(c.get('caller'), c.req.valid('param').id, c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    })
    .delete('/drafts/:id', mayWrite, Id, async (c) => {
      const outcome = await drafts.discard(c.get('caller').shopId, c.req.valid('param').id);
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/drafts/:id/release', mayWrite, Id, validate('json', ReleaseSchema), async (c) => {
      const outcome = await drafts.release(c.get('caller'), c.req.valid('param').id, c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .post('/:id/revise', mayWrite, Id, async (c) => {
      const outcome = await drafts.revise(c.get('caller'), c.req.valid('param').id);
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code, outcome.error);
    })
    .get('/:id/reach', Id, async (c) => c.json(await jobs.reach(c.get('caller').shopId, c.req.valid('param').id)))
    .get('/:id/revisions', Id, async (c) =>
      c.json(await drafts.revisions(c.get('caller').shopId, c.req.valid('param').id)),
    )
    .get('/:id/revisions/:revision', Revision, async (c) => {
      const { id, revision } = c.req.valid('param');
      const kit = await catalog.kit(c.get('caller').shopId, id, revision);
      return kit ? c.json(kit) : problem(c, 'unknownKit');
    })
    .post('/:id/revisions/:revision/withdraw', Revision, validate('json', WithdrawSchema), async (c) => {
      const { person, shopId } = c.get('caller');
      if (person.role !== 'lead') return problem(c, 'notPermitted', { detail: say('A lead takes a revision back.') });
      const { id, revision } = c.req.valid('param');
      const done = await catalog.withdrawKit(shopId, id, revision, c.req.valid('json').because);
      return done ? c.json({ id, revision }) : problem(c, 'unknownKit');
    })
    .get('/:id/revisions/:revision/file', Revision, async (c) => {
      const { id, revision } = c.req.valid('param');
      const kit = await catalog.kit(c.get('caller').shopId, id, revision);
      if (!kit) return problem(c, 'unknownKit');
      return c.body(writeKit(kit), 200, {
        'Content-Type': 'application/json; charset=utf-8',
        'Content-Disposition': `attachment; filename="${id}-r${revision}.json"`,
      });
    });
}
