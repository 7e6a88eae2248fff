import { v4 as uuid } from 'uuid';
import { create } from 'zustand';
import type { JobDocument, StoredEvent } from '#contract/job.ts';
import type { CommandEnvelope, JobCommand } from '#core/job/job-command.ts';
import { appendEvents, type JobLog, openLog, takeCommand } from '#core/job/job-log.ts';
import type { Refusal } from '#core/job/refusal.ts';
import { api, call, ProblemError, UnreachableError } from '../app/api.ts';
import { deviceId, useSession } from '../app/session-store.ts';
import { dropCommands, keepCommands, keepJob, keptJob, type OutboxEntry, outboxOf } from './outbox.ts';

/** How the device stands with the server. */
export type Link = 'connecting' | 'live' | 'offline';

export interface RefusedHere {
  refusal: Refusal;
  command: JobCommand;
}

interface JobStoreState {
  jobId?: string;
  document?: JobDocument;
  /** Why the job cannot be shown. */
  failure?: 'unknownJob' | 'unreachable' | 'broken';
  /** What the server has confirmed. */
  confirmed?: JobLog;
  confirmedSeq: number;
  /** Confirmed plus what this device has given and not yet heard back about. */
  log?: JobLog;
  pending: OutboxEntry[];
  /** Commands the server refused after they were accepted here. */
  refusedLater: OutboxEntry[];
  /** The last refusal on this screen. */
  refused?: RefusedHere;
  link: Link;
  open(jobId: string): Promise<void>;
  close(): void;
  /** Gives a command: decided here at once, kept, and sent. True when it was accepted here. */
  give(command: JobCommand): boolean;
  dismissRefusal(): void;
  putAway(id: string): void;
}

/** Waits between attempts to reach the server, ms. */
const RETRY_MS = [1000, 2000, 4000, 8000, 15_000];

export const useJobStore = create<JobStoreState>((set, get) => {
  let stream: EventSource | undefined;
  let flushing = false;
  let attempts = 0;
  let retry: ReturnType<typeof setTimeout> | undefined;
  let order = Date.now();

  /** Pending commands laid over the confirmed job, in the order they were given. */
  const overlay = (confirmed: JobLog, document: JobDocument, pending: readonly OutboxEntry[]): JobLog =>
    pending.reduce((log, entry) => takeCommand(log, document.wrenches, entry.envelope).log, confirmed);

  const isCurrent = (jobId: string) => get().jobId === jobId;

  /** Takes confirmed events, whichever way they came; what was seen before is dropped by number. */
  function receive(jobId: string, events: readonly StoredEvent[]): void {
    const { confirmed, document, confirmedSeq, pending } = get();
    if (!isCurrent(jobId) || !confirmed || !document) return;
    const fresh = events.filter((stored) => stored.seq > confirmedSeq).sort((a, b) => a.seq - b.seq);
    const [first] = fresh;
    if (!first) return;
    if (first.seq !== confirmedSeq + 1) {
      // A gap: something was missed. Read the job anew.
      void refresh(jobId);
      return;
    }
    // A kit came in that this device does not have: the job is read anew, with it.
    const here = new Set(document.kits.map(({ prefix }) => prefix));
    if (fresh.some(({ event }) => event.type === 'kitAdded' && !here.has(event.prefix))) {
      void refresh(jobId);
      return;
    }
    const next = appendEvents(
      confirmed,
      fresh.map((stored) => stored.event),
    );
    const known = { ...document, events: [...document.events, ...fresh] };
    const still = pending.filter((entry) => !next.commandIds.has(entry.id));
    const settled = pending.filter((entry) => next.commandIds.has(entry.id)).map((entry) => entry.id);
    set({
      confirmed: next,
      confirmedSeq: fresh.at(-1)?.seq ?? confirmedSeq,
      document: known,
      pending: still,
      log: overlay(next, known, still),
    });
    void dropCommands(settled);
    void keepJob(known);
  }

  function show(document: JobDocument, entries: readonly OutboxEntry[]): void {
    const opened = openLog({
      kits: document.kits,
      openedWith: document.openedWith,
      vehicle: document.vehicle,
      answers: document.answers,
      shop: document.shop,
    });
    if (!opened.ok) {
      set({ failure: 'broken', document });
      return;
    }
    const confirmed = appendEvents(
      opened.value,
      document.events.map((stored) => stored.event),
    );
    const pending = entries.filter((entry) => !entry.refused && !confirmed.commandIds.has(entry.id));
    set({
      document,
      confirmed,
      confirmedSeq: document.events.at(-1)?.seq ?? 0,
      pending,
      refusedLater: entries.filter((entry) => entry.refused),
      log: overlay(confirmed, document, pending),
      failure: undefined,
    });
  }

  async function refresh(jobId: string): Promise<void> {
    try {
      const document = (await call(api.jobs[':jobId'].$get({ param: { jobId } }))) as JobDocument;
      if (!isCurrent(jobId)) return;
      await keepJob(document);
      show(document, await outboxOf(jobId));
      listen(jobId);
      void flush(jobId);
    } catch (error) {
      fail(jobId, error);
    }
  }

  function fail(jobId: string, error: unknown): void {
    if (!isCurrent(jobId)) return;
    if (error instanceof ProblemError) {
      if (error.problem.code === 'notSignedIn') useSession.getState().expire();
      else if (error.problem.code === 'unknownJob' || error.problem.code === 'badRequest')
        set({ failure: 'unknownJob' });
      else set({ link: 'offline' });
      return;
    }
    if (!(error instanceof UnreachableError)) throw error;
    set({ link: 'offline', failure: get().document ? undefined : 'unreachable' });
    later(jobId);
  }

  function later(jobId: string): void {
    clearTimeout(retry);
    const wait = RETRY_MS[Math.min(attempts, RETRY_MS.length - 1)];
    attempts += 1;
    retry = setTimeout(() => {
      if (!isCurrent(jobId)) return;
      if (stream === undefined || get().document === undefined) void refresh(jobId);
      else void flush(jobId);
    }, wait);
  }

  function listen(jobId: string): void {
    stream?.close();
    const opened = new EventSource(`/api/jobs/${jobId}/events?from=${get().confirmedSeq}`);
    stream = opened;
    opened.addEventListener('event', (message) =>
      receive(jobId, [JSON.parse((message as MessageEvent<string>).data) as StoredEvent]),
    );
    opened.onopen = () => {
      attempts = 0;
      set({ link: 'live' });
      void flush(jobId);
    };
    opened.onerror = () => {
      if (stream !== opened) return;
      set({ link: 'offline' });
      // The browser tries again by itself unless the server said no.
      if (opened.readyState === EventSource.CLOSED) {
        stream = undefined;
        later(jobId);
      }
    };
  }

  /** Sends what is pending, in order. What the server refuses is kept with its reason. */
  async function flush(jobId: string): Promise<void> {
    if (flushing) return;
    flushing = true;
    try {
      while (isCurrent(jobId) && get().pending.length > 0) {
        const batch = get().pending.slice(0, 100);
        const commands = batch.map(({ envelope }) => ({
          id: envelope.id,
          atMs: envelope.atMs,
          by: envelope.by.id,
          command: envelope.command,
        }));
        const answer = await call(api.jobs[':jobId'].commands.$post({ param: { jobId }, json: { commands } }));
        attempts = 0;
        receive(jobId, answer.events);
        const refused = batch.flatMap((entry) => {
          const result = answer.results.find((candidate) => candidate.id === entry.id);
          return result && !result.ok ? [{ ...entry, refused: result.refusal }] : [];
        });
        if (refused.length > 0) await keepCommands(refused);
        const done = new Set(batch.map((entry) => entry.id));
        const { pending, confirmed, document, refusedLater } = get();
        if (!isCurrent(jobId) || !confirmed || !document) return;
        const still = pending.filter((entry) => !done.has(entry.id));
        set({ pending: still, refusedLater: [...refusedLater, ...refused], log: overlay(confirmed, document, still) });
        // A repeated command brings no events; if we never saw them, read the job anew.
        if (
          batch.some(
            (entry) => !confirmed.commandIds.has(entry.id) && !refused.some((other) => other.id === entry.id),
          ) &&
          answer.seq > get().confirmedSeq
        )
          void refresh(jobId);
        await dropCommands(
          batch.filter((entry) => !refused.some((other) => other.id === entry.id)).map((entry) => entry.id),
        );
      }
    } catch (error) {
      fail(jobId, error);
    } finally {
      flushing = false;
    }
  }

  useSession.subscribe((now, before) => {
    const { jobId } = get();
    if (jobId && now.status === 'signedIn' && before.status === 'expired') void refresh(jobId);
  });
  globalThis.addEventListener?.('online', () => {
    const { jobId } = get();
    if (jobId) void refresh(jobId);
  });

  return {
    confirmedSeq: 0,
    pending: [],
    refusedLater: [],
    link: 'connecting',
    async open(jobId) {
      get().close();
      set({ jobId, link: 'connecting' });
      const kept = await keptJob(jobId);
      if (kept && isCurrent(jobId)) show(kept, await outboxOf(jobId));
      await refresh(jobId);
    },
    close() {
      stream?.close();
      stream = undefined;
      clearTimeout(retry);
      attempts = 0;
      set({
        jobId: undefined,
        document: undefined,
        failure: undefined,
        confirmed: undefined,
        confirmedSeq: 0,
        log: undefined,
        pending: [],
        refusedLater: [],
        refused: undefined,
      });
    },
    give(command) {
      const { log, document, jobId, pending } = get();
      const { session } = useSession.getState();
      if (!log || !document || !jobId || !session) return false;
      const { id, name, role } = session.person;
      const envelope: CommandEnvelope = {
        id: uuid(),
        atMs: Date.now(),
        by: { id, name, role },
        device: deviceId(),
        command,
      };
      const outcome = takeCommand(log, document.wrenches, envelope);
      if (!outcome.ok) {
        set({ refused: { refusal: outcome.refusal, command } });
        return false;
      }
      order += 1;
      const entry: OutboxEntry = { id: envelope.id, jobId, order, envelope };
      set({ log: outcome.log, pending: [...pending, entry], refused: undefined });
      void keepCommands([entry]).then(() => flush(jobId));
      return true;
    },
    dismissRefusal: () => set({ refused: undefined }),
    putAway(id) {
      set({ refusedLater: get().refusedLater.filter((entry) => entry.id !== id) });
      void dropCommands([id]);
    },
  };
});
