import type {
  DraftCard,
  DraftInput,
  DraftSave,
  KitCard,
  KitDraft,
  ReleaseInput,
  RevisionCard,
  Waiver,
} from '#contract/kit-draft.ts';
import { findingText } from '#contract/wording/finding-text.ts';
import { say } from '#contract/wording/say.ts';
import type { Person } from '#core/job/role.ts';
import type { KitDocument } from '#core/kit/kit-document.ts';
import { type Finding, findingKey } from '#core/kit/lint/finding.ts';
import { canonicalJson } from '#core/record/canonical-json.ts';
import { fail, ok, type Result } from '#core/result.ts';
import type { ShopWord } from '#core/sheet/shop-lexicon.ts';
import type { CatalogRepository } from '../store/catalog-repository.ts';
import type { KitDraftRepository, KitRelease } from '../store/kit-draft-repository.ts';
import type { KitWorks } from '../thread/kit-works.ts';
import type { Caller } from './caller.ts';

export type DraftError =
  | { code: 'unknownKit' }
  | { code: 'unknownDraft' }
  | { code: 'notPermitted' }
  | { code: 'draftExists'; detail: string }
  /** Another save came between: theirs is sent along, nothing of either is lost. */
  | { code: 'draftChanged'; detail: string; draft: KitDraft }
  | { code: 'kitFaulty'; faults: Array<{ path: string; message: string }> }
  | { code: 'kitNotReleasable'; detail: string; faults: Array<{ path: string; message: string }> }
  | { code: 'waiverNeedsLead'; detail: string }
  | { code: 'kitRevisionExists'; detail: string }
  | { code: 'tooManyRevisions'; detail: string };

/** Revisions of one kit: a sheet that changes monthly takes forty years to reach it. */
const MOST_REVISIONS = 500;
/** Stands for all warnings of a file at once. */
const EVERY_WARNING = '*';

/** Kits being written: drafts, their saves, and their release as a revision that never changes again. */
export class KitDraftService {
  /** What the lint finds in a released revision never changes, so it is asked once. */
  private readonly counted = new Map<string, { errors: number; warnings: number }>();

  constructor(
    private readonly drafts: KitDraftRepository,
    private readonly catalog: CatalogRepository,
    private readonly works: KitWorks,
    private readonly now: () => number = Date.now,
  ) {}

  list(shopId: string): Promise<DraftCard[]> {
    return this.drafts.drafts(shopId);
  }

  /** The library: the newest revision of each kit with what the lint says of it. */
  async library(shopId: string): Promise<KitCard[]> {
    const kits = await this.catalog.kits(shopId);
    return Promise.all(
      kits.map(async (kit) => {
        const key = `${shopId} ${kit.id} ${kit.revision}`;
        let counts = this.counted.get(key);
        if (!counts) {
          const { findings } = await this.works.judge(kit);
          counts = {
            errors: findings.filter((finding) => finding.severity === 'error').length,
            warnings: findings.filter((finding) => finding.severity === 'warning').length,
          };
          this.counted.set(key, counts);
        }
        const [newest] = await this.drafts.revisions(shopId, kit.id);
        return {
          id: kit.id,
          title: kit.title,
          maker: kit.maker,
          revision: kit.revision,
          stations: kit.stations.length,
          groups: kit.groups.length,
          addedAtMs: newest?.addedAtMs ?? 0,
          ...(kit.statedMinutes === undefined ? {} : { statedMinutes: kit.statedMinutes }),
          ...counts,
        };
      }),
    );
  }

  /** Every released revision of every kit. */
  everyRevision(shopId: string): Promise<Array<{ id: string; revision: number }>> {
    return this.drafts.everyRevision(shopId);
  }

  async open(shopId: string, id: string): Promise<Result<KitDraft, DraftError>> {
    const draft = await this.drafts.draft(shopId, id);
    return draft ? ok(draft) : fail({ code: 'unknownDraft' });
  }

  /** Starts a draft; its revision is the one after the newest released. */
  async create({ shopId, person }: Caller, { document, sheet }: DraftInput): Promise<Result<KitDraft, DraftError>> {
    const revision = (await this.drafts.newestRevision(shopId, document.id)) + 1;
    const draft: KitDraft = {
      document: { ...document, revision },
      version: 1,
      changedAtMs: this.now(),
      changedBy: person.name,
      ...(sheet ? { sheet } : {}),
    };
    const added = await this.drafts.add(shopId, draft);
    return added
      ? ok(draft)
      : fail({
          code: 'draftExists',
          detail: say('Someone is already writing “{id}”. Open that draft.', { id: document.id }),
        });
  }

  /** The draft of a released kit's next revision: the one being written, or a new one. */
  async revise(caller: Caller, id: string): Promise<Result<KitDraft, DraftError>> {
    const known = await this.drafts.draft(caller.shopId, id);
    if (known) return ok(known);
    const kit = await this.catalog.kit(caller.shopId, id);
    return kit ? this.create(caller, { document: kit }) : fail({ code: 'unknownKit' });
  }

  async save(
    { shopId, person }: Caller,
    id: string,
    { document, version }: DraftSave,
  ): Promise<Result<KitDraft, DraftError>> {
    const before = await this.drafts.draft(shopId, id);
    if (!before) return fail({ code: 'unknownDraft' });
    // A draft keeps its name and the revision it is going to be.
    const kept = { ...document, id, revision: before.document.revision };
    const atMs = this.now();
    if (before.version === version && (await this.drafts.save(shopId, kept, version, atMs, person.name)))
      return ok({ document: kept, version: version + 1, changedAtMs: atMs, changedBy: person.name });
    const theirs = (await this.drafts.draft(shopId, id)) ?? before;
    return fail({
      code: 'draftChanged',
      detail: say('{changedBy} saved in between.', { changedBy: theirs.changedBy }),
      draft: theirs,
    });
  }

  async discard(shopId: string, id: string): Promise<Result<{ id: string }, DraftError>> {
    return (await this.drafts.discard(shopId, id)) ? ok({ id }) : fail({ code: 'unknownDraft' });
  }

  /**
   * Releases a draft: its references must hold, errors block, and each warning needs a lead's reason.
   */
  async release(
    { shopId, person }: Caller,
    id: string,
    input: ReleaseInput,
  ): Promise<Result<{ id: string; revision: number }, DraftError>> {
    const draft = await this.drafts.draft(shopId, id);
    if (!draft) return fail({ code: 'unknownDraft' });
    const changed = (theirs: KitDraft): DraftError => ({
      code: 'draftChanged',
      detail: say('{changedBy} saved in between.', { changedBy: theirs.changedBy }),
      draft: theirs,
    });
    if (draft.version !== input.version) return fail(changed(draft));
    const { document } = draft;
    const judged = await this.judge(shopId, person, document, input.waivers);
    if (!judged.ok) return judged;
    const waivers = judged.value;
    const revision = (await this.drafts.newestRevision(shopId, id)) + 1;
    const released = await this.drafts.release(shopId, { ...document, revision }, draft.version, {
      note: input.note,
      releasedBy: person.name,
      waivers,
      addedAtMs: this.now(),
    });
    if (released) return ok({ id, revision });
    const theirs = await this.drafts.draft(shopId, id);
    return fail(theirs ? changed(theirs) : { code: 'unknownDraft' });
  }

  /**
   * What stands between a kit and its release: references that do not hold, errors, and warnings nobody gave a reason for.
   * @returns the warnings that a lead lets stand
   */
  private async judge(
    shopId: string,
    person: Person,
    document: KitDocument,
    given: ReleaseInput['waivers'],
  ): Promise<Result<Waiver[], DraftError>> {
    if ((await this.catalog.revisionsOf(shopId, document.id)) >= MOST_REVISIONS)
      return fail({
        code: 'tooManyRevisions',
        detail: say('{id} has {mostRevisions} revisions.', { id: document.id, mostRevisions: MOST_REVISIONS }),
      });
    const { faults, findings } = await this.works.judge(document);
    if (faults.length > 0) return fail({ code: 'kitFaulty', faults });
    const line = (finding: Finding) => ({
      path: finding.path,
      message: `${finding.place}: ${findingText(finding).title}`,
    });
    const errors = findings.filter((finding) => finding.severity === 'error');
    if (errors.length > 0)
      return fail({
        code: 'kitNotReleasable',
        detail: say('{count} errors must be cleared first.', { count: errors.length }),
        faults: errors.map(line),
      });
    const reasons = new Map(given.map((waiver) => [waiver.key, waiver.reason]));
    const warnings = findings.filter((finding) => finding.severity === 'warning');
    const open = warnings.filter((finding) => !reasons.has(findingKey(finding)) && !reasons.has(EVERY_WARNING));
    if (open.length > 0)
      return fail({
        code: 'kitNotReleasable',
        detail: say('{count} warnings need a reason, or to be cleared.', { count: open.length }),
        faults: open.map(line),
      });
    const deadEnds = await this.works.rehearse(document);
    if (deadEnds.length > 0)
      return fail({
        code: 'kitNotReleasable',
        detail:
          deadEnds.length === 1
            ? say('The dry run ends before the work is done.')
            : say('The dry run ends in {count} places before the work is done.', { count: deadEnds.length }),
        faults: deadEnds,
      });
    if (warnings.length > 0 && person.role !== 'lead')
      return fail({
        code: 'waiverNeedsLead',
        detail: say('{count} warnings stand; a lead may let them.', { count: warnings.length }),
      });
    return ok(
      warnings.map((finding) => {
        const key = findingKey(finding);
        return { key, reason: reasons.get(key) ?? reasons.get(EVERY_WARNING) ?? '', by: person.name };
      }),
    );
  }

  /**
   * What taking a kit file into the library would do: a revision of its own number, on the same terms as a draft's
   * release. The same file twice changes nothing; released revisions never change.
   *
   * @param waive - a lead's reason for letting all its warnings stand
   */
  async examine(
    { shopId, person }: Caller,
    text: string,
    waive?: string,
  ): Promise<Result<{ kit: KitDocument; added: boolean; release?: KitRelease }, DraftError>> {
    const read = await this.works.read(text);
    if (!read.ok) return read;
    const kit = read.value;
    const { id, revision } = kit;
    const known = await this.catalog.kit(shopId, id, revision);
    if (known) {
      if (canonicalJson(known) === canonicalJson(kit)) return ok({ kit, added: false });
      return fail({
        code: 'kitRevisionExists',
        detail: say('{id}, revision {revision}. Raise the revision to add it.', { id, revision }),
      });
    }
    const judged = await this.judge(shopId, person, kit, waive ? [{ key: EVERY_WARNING, reason: waive }] : []);
    if (!judged.ok) return judged;
    return ok({ kit, added: true, release: { releasedBy: person.name, waivers: judged.value, addedAtMs: this.now() } });
  }

  /** Adds a kit file to the library; one that is there to the letter is left as it is. */
  async importKit(
    caller: Caller,
    text: string,
    waive?: string,
  ): Promise<Result<{ id: string; revision: number; added: boolean }, DraftError>> {
    const examined = await this.examine(caller, text, waive);
    if (!examined.ok) return examined;
    const { kit, added, release } = examined.value;
    if (release) await this.drafts.take(caller.shopId, kit, release);
    return ok({ id: kit.id, revision: kit.revision, added });
  }

  lexicon(shopId: string): Promise<ShopWord[]> {
    return this.drafts.lexicon(shopId);
  }

  /** Keeps the shop's words; the same words twice count once, the later meaning stands. */
  async keepLexicon(shopId: string, words: readonly ShopWord[]): Promise<ShopWord[]> {
    const kept = [...new Map(words.map((entry) => [entry.words.toLowerCase(), entry])).values()];
    await this.drafts.keepLexicon(shopId, kept);
    return kept;
  }

  revisions(shopId: string, id: string): Promise<RevisionCard[]> {
    return this.drafts.revisions(shopId, id);
  }
}
