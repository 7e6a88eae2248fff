import { createHash, randomBytes, randomUUID } from 'node:crypto';
import { handOverSheet } from '#contract/hand-over.ts';
import type { JobDocument } from '#contract/job.ts';
import { type DoneElsewhere, LINK_DAYS, type LinkFault, type OwnerLink, type OwnerPage } from '#contract/owner-page.ts';
import { fail, ok, type Result } from '#core/result.ts';
import { replay } from '../report/replay.ts';
import { type JobRepository, OWNER_TOOK } from '../store/job-repository.ts';
import type { OwnerLinkEntity } from '../store/owner-entities.ts';
import type { OwnerLinkRepository } from '../store/owner-link-repository.ts';
import type { Caller } from './caller.ts';
import type { FollowUpService } from './follow-up-service.ts';
import type { JobService } from './job-service.ts';
import type { ServerCodes } from './server-codes.ts';

const DAY_MS = 86_400_000;
/** What one link may report: an owner has a handful of things due. */
const MOST_REPORTS = 20;
/** The page is opened by no device of the shop's. */
const NO_DEVICE = '';
const MOST_PHOTO_BYTES = 1_500_000;
const MOST_PHOTOS_OF_JOB = 400;

/** Why nothing was taken of what an owner reported. */
export type ReportFault = LinkFault | 'unknownDue' | 'tooManyReports' | 'tooManyPhotos' | 'tooLarge';

/** A page or a file that a link opens, with the link it was opened by. */
export interface Opened {
  link: OwnerLinkEntity;
  document: JobDocument;
}

/**
 * Links that open one job's hand-over to its owner, who has no account: signed by the server, with an end, taken back by
 * the shop, and leading to nothing else.
 */
export class OwnerLinkService {
  constructor(
    private readonly store: OwnerLinkRepository,
    private readonly jobs: JobService,
    private readonly photos: JobRepository,
    private readonly followUp: FollowUpService,
    private readonly codes: ServerCodes,
    private readonly publicKey: string,
    private readonly now: () => number = Date.now,
  ) {}

  private urlOf({ id }: Pick<OwnerLinkEntity, 'id'>, origin: string): string {
    // Behind the #, so that no log of addresses has it.
    return `${origin}/hand-over#${this.codes.write('ownerLink', { i: id })}`;
  }

  private shown(link: OwnerLinkEntity, origin: string): OwnerLink {
    return {
      id: link.id,
      url: this.urlOf(link, origin),
      madeAtMs: link.madeAtMs,
      madeBy: link.madeBy,
      expiresAtMs: link.expiresAtMs,
      opened: link.opened,
      ...(link.revokedAtMs == null ? {} : { revokedAtMs: link.revokedAtMs, revokedBy: link.revokedBy ?? '' }),
      ...(link.lastOpenedMs == null ? {} : { lastOpenedMs: link.lastOpenedMs }),
    };
  }

  /** Makes a link of a job; undefined where the shop has no such job. */
  async make(caller: Caller, jobId: string, days: number = LINK_DAYS.usual): Promise<OwnerLink | undefined> {
    if (!(await this.jobs.exists(caller.shopId, jobId))) return undefined;
    const nowMs = this.now();
    const link = {
      id: randomBytes(16).toString('base64url'),
      shopId: caller.shopId,
      jobId,
      madeAtMs: nowMs,
      madeBy: caller.person.name,
      expiresAtMs: nowMs + days * DAY_MS,
    };
    await this.store.add(link);
    return this.shown({ ...link, opened: 0 }, caller.site.origin);
  }

  async links({ shopId, site }: Caller, jobId: string): Promise<OwnerLink[] | undefined> {
    if (!(await this.jobs.exists(shopId, jobId))) return undefined;
    return (await this.store.links(shopId, jobId)).map((link) => this.shown(link, site.origin));
  }

  revoke({ shopId, person }: Caller, jobId: string, id: string): Promise<boolean> {
    return this.store.revoke(shopId, jobId, id, this.now(), person.name);
  }

  /** The link of a job that still counts, the newest first; undefined where there is none. */
  async counting({ shopId, site }: Caller, jobId: string): Promise<OwnerLink | undefined> {
    const link = (await this.store.links(shopId, jobId)).find(
      ({ revokedAtMs, expiresAtMs }) => revokedAtMs == null && expiresAtMs > this.now(),
    );
    return link && this.shown(link, site.origin);
  }

  private async linkOf(token: string): Promise<Result<OwnerLinkEntity, { code: LinkFault }>> {
    const said = this.codes.read('ownerLink', token) as { i?: unknown } | undefined;
    // What this server did not sign asks nothing of the database.
    const link = typeof said?.i === 'string' ? await this.store.link(said.i) : undefined;
    if (!link) return fail({ code: 'linkUnknown' });
    if (link.revokedAtMs != null) return fail({ code: 'linkRevoked' });
    if (link.expiresAtMs <= this.now()) return fail({ code: 'linkExpired' });
    return ok(link);
  }

  /** What a link opens. */
  async open(token: string): Promise<Result<Opened, { code: LinkFault }>> {
    const link = await this.linkOf(token);
    if (!link.ok) return link;
    const document = await this.jobs.documentFor(link.value.shopId, link.value.jobId, NO_DEVICE);
    return document ? ok({ link: link.value, document }) : fail({ code: 'linkUnknown' });
  }

  /** The owner's page. */
  async page(token: string): Promise<Result<OwnerPage, { code: LinkFault }>> {
    const opened = await this.open(token);
    if (!opened.ok) return opened;
    const { link, document } = opened.value;
    await this.store.opened(link.id, this.now());
    const { plan, state } = replay(document);
    const { due, ...sheet } = handOverSheet(document, plan, state);
    const items = new Map(
      (await this.followUp.list(link.shopId)).filter(({ job }) => job === link.jobId).map((item) => [item.care, item]),
    );
    const last = document.events.at(-1);
    return ok({
      sheet,
      due: due.map(({ care, text, when }) => {
        const item = items.get(care);
        const { how = 'open', atMs = 0 } = item?.settled ?? {};
        return {
          care,
          text,
          when,
          ...(item?.expected ? { expected: item.expected } : {}),
          ...(how === 'open' ? {} : { settled: { how, atMs } }),
          ...(item?.reported ? { reported: { atMs: item.reported.atMs, doneOn: item.reported.doneOn } } : {}),
        };
      }),
      expiresAtMs: link.expiresAtMs,
      proof: { publicKey: this.publicKey, seq: last?.seq ?? 0, ...(last ? { hash: last.hash } : {}) },
      clock: { timeZone: plan.rules.timeZone, dates: plan.rules.dates },
    });
  }

  /** Takes what an owner says was done elsewhere. It settles nothing: the shop looks at it first. */
  async report(
    token: string,
    { care, doneOn, odometerKm, note }: DoneElsewhere,
    photo?: { type: string; bytes: Buffer },
  ): Promise<Result<null, { code: ReportFault }>> {
    const link = await this.linkOf(token);
    if (!link.ok) return link;
    const { id: linkId, shopId, jobId } = link.value;
    if (!(await this.followUp.isAsked(shopId, jobId, care))) return fail({ code: 'unknownDue' });
    if ((await this.store.reportsByLink(linkId)) >= MOST_REPORTS) return fail({ code: 'tooManyReports' });
    const photoId = photo && randomUUID();
    if (photo && photoId) {
      if (photo.bytes.length > MOST_PHOTO_BYTES) return fail({ code: 'tooLarge' });
      if ((await this.photos.photosOf(jobId)).count >= MOST_PHOTOS_OF_JOB) return fail({ code: 'tooManyPhotos' });
      const sha256 = createHash('sha256').update(photo.bytes).digest('hex');
      await this.photos.addPhoto({ id: photoId, jobId, ...photo, sha256, takenBy: OWNER_TOOK, takenAtMs: this.now() });
    }
    await this.store.report({
      shopId,
      jobId,
      linkId,
      care,
      atMs: this.now(),
      doneOn,
      odometerKm: odometerKm ?? null,
      note: note || null,
      photoId: photoId ?? null,
    });
    return ok(null);
  }
}
