import { type Context, Hono } from 'hono';
import { rateLimiter } from 'hono-rate-limiter';
import { z } from 'zod';
import type { JobDocument } from '#contract/job.ts';
import { DoneElsewhereSchema, MakeLinkSchema } from '#contract/owner-page.ts';
import { say } from '#contract/wording/say.ts';
import { handOverPdf, handOverSummaryPdf } from '../report/hand-over-pdf.ts';
import { windscreenLabelPdf } from '../report/label-pdf.ts';
import { packFile } from '../report/pack-file.ts';
import type { SealFolder } from '../seal/open-seal.ts';
import type { JobService } from '../service/job-service.ts';
import type { OwnerLinkService } from '../service/owner-link-service.ts';
import type { Addresses } from './address.ts';
import type { SignedInEnv } from './caller.ts';
import { pictureType } from './picture-type.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

const jobId = validate('param', z.object({ jobId: z.uuid() }));
const linkId = validate('param', z.object({ jobId: z.uuid(), link: z.string().max(24) }));
/** The link's own code: in a header, so that it stands in no log of addresses. */
const codeOf = (c: Context): string => /^Bearer (\S{1,300})$/i.exec(c.req.header('authorization') ?? '')?.[1] ?? '';
/** What one address may ask of owners' pages in a minute, and how often it may report. */
const PAGES_A_MINUTE = 60;
const REPORTS_A_MINUTE = 6;

const pdf = (c: Context, bytes: Buffer, name: string) =>
  c.body(new Uint8Array(bytes), 200, {
    'Content-Type': 'application/pdf',
    'Content-Disposition': `attachment; filename="${name}.pdf"`,
  });

/** What an owner takes away, and the links to it: for the shop's people. */
export function handOverRoutes(jobs: JobService, links: OwnerLinkService, folder: SealFolder) {
  const extras = async (document: JobDocument, link?: string) => ({
    shopKey: folder.publicKey,
    link,
    photos: await jobs.photosWhole(document.id),
  });
  return new Hono<SignedInEnv>()
    .get('/:jobId/hand-over.pdf', jobId, async (c) => {
      const { jobId: id } = c.req.valid('param');
      const document = await jobs.document(c.get('caller'), id);
      if (!document) return problem(c, 'unknownJob');
      const link = await links.counting(c.get('caller'), id);
      return pdf(c, await handOverPdf(document, await extras(document, link?.url)), `hand-over-${document.number}`);
    })
    .get('/:jobId/in-short.pdf', jobId, async (c) => {
      const { jobId: id } = c.req.valid('param');
      const document = await jobs.document(c.get('caller'), id);
      if (!document) return problem(c, 'unknownJob');
      const link = await links.counting(c.get('caller'), id);
      return pdf(c, await handOverSummaryPdf(document, { link: link?.url }), `in-short-${document.number}`);
    })
    .get('/:jobId/windscreen.pdf', jobId, async (c) => {
      const { jobId: id } = c.req.valid('param');
      const document = await jobs.document(c.get('caller'), id);
      if (!document) return problem(c, 'unknownJob');
      // Without a link of its own the code opens the job, for whoever works here.
      const link = (await links.counting(c.get('caller'), id))?.url ?? `${c.get('caller').site.origin}/jobs/${id}`;
      return pdf(c, await windscreenLabelPdf(document, link), `windscreen-${document.number}`);
    })
    .get('/:jobId/pack.zip', jobId, async (c) => {
      const caller = c.get('caller');
      const { jobId: id } = c.req.valid('param');
      const [document, proof] = await Promise.all([jobs.document(caller, id), jobs.recordProof(caller.shopId, id)]);
      if (!document || !proof) return problem(c, 'unknownJob');
      const link = await links.counting(caller, id);
      const photos = await jobs.photosWhole(id);
      const bytes = await packFile(
        { document, proof, photos, handOver: await extras(document, link?.url), nowMs: Date.now() },
        folder,
      );
      return c.body(new Uint8Array(bytes), 200, {
        'Content-Type': 'application/zip',
        'Content-Disposition': `attachment; filename="pack-${document.number}.zip"`,
      });
    })
    .get('/:jobId/links', jobId, async (c) => {
      const found = await links.links(c.get('caller'), c.req.valid('param').jobId);
      return found ? c.json(found) : problem(c, 'unknownJob');
    })
    .post('/:jobId/links', jobId, validate('json', MakeLinkSchema), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const link = await links.make(caller, c.req.valid('param').jobId, c.req.valid('json').days);
      return link ? c.json(link, 201) : problem(c, 'unknownJob');
    })
    .post('/:jobId/links/:link/revoke', linkId, async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const { jobId: id, link } = c.req.valid('param');
      return (await links.revoke(caller, id, link)) ? c.body(null, 204) : problem(c, 'linkUnknown');
    });
}

/** The owner's page: by a signed link, without signing in, and to nothing beside it. */
export function ownerPageRoutes(links: OwnerLinkService, publicKey: string, addresses: Addresses) {
  const limited = (limit: number) =>
    rateLimiter({
      windowMs: 60_000,
      limit,
      keyGenerator: (c) => addresses.of(c),
      handler: (c) => problem(c, 'tooManyRequests', { retryAfterS: 60 }),
    });
  return new Hono<SignedInEnv>()
    .use('*', limited(PAGES_A_MINUTE))
    .use('*', async (c, next) => {
      await next();
      // Whoever has the link sees it: no cache of anybody else keeps it, and no search engine lists it.
      c.header('Cache-Control', 'no-store');
      c.header('X-Robots-Tag', 'noindex');
      c.header('Referrer-Policy', 'no-referrer');
    })
    .get('/', async (c) => {
      const page = await links.page(codeOf(c));
      return page.ok ? c.json(page.value) : problem(c, page.error.code);
    })
    .get('/hand-over.pdf', async (c) => {
      const opened = await links.open(codeOf(c));
      if (!opened.ok) return problem(c, opened.error.code);
      const { document } = opened.value;
      return pdf(c, await handOverPdf(document, { shopKey: publicKey }), `hand-over-${document.number}`);
    })
    .post('/done', limited(REPORTS_A_MINUTE), validate('form', DoneElsewhereSchema.loose()), async (c) => {
      const said = DoneElsewhereSchema.strip().parse(c.req.valid('form'));
      const { photo } = await c.req.parseBody();
      let picture: { type: string; bytes: Buffer } | undefined;
      if (photo instanceof File && photo.size > 0) {
        const bytes = Buffer.from(await photo.arrayBuffer());
        const type = pictureType(bytes);
        if (!type) return problem(c, 'badRequest', { detail: say('A photo is a JPEG, PNG or WebP picture.') });
        picture = { type, bytes };
      }
      const outcome = await links.report(codeOf(c), said, picture);
      return outcome.ok ? c.body(null, 204) : problem(c, outcome.error.code);
    });
}
