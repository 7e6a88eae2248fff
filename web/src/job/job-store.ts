import { validate as isUuid, v4 as uuid } from 'uuid';
import { create, type StateCreator } from 'zustand';
import type { InputFault, JobDocument, StoredEvent } from '#contract/job.ts';
import type { JobCommand } from '#core/job/acts.ts';
import type { CommandEnvelope } from '#core/job/command-envelope.ts';
import { isReadable } from '#core/job/event-version.ts';
import { isFact } from '#core/job/fold.ts';
import { appendEvents, type JobLog, openLog, takeCommand } from '#core/job/job-log.ts';
import type { Refusal } from '#core/job/refusal.ts';
import type { Person } from '#core/job/role.ts';
import { ProblemError, UnreachableError } from '../shop/api.ts';
import { deviceId, useSession } from '../shop/session.ts';
import { type JobLink, jobLink } from './job-link.ts';
import * as deviceOutbox from './outbox.ts';
import { type OutboxEntry, unreadable } from './outbox-entry.ts';

/** How the device stands with the server. */
export type Link = 'connecting' | 'live' | 'offline';

/** `outdated`: the server records what this version of the application does not know; a reload brings the new one. */
export type JobFailure = 'unknownJob' | 'unreachable' | 'broken' | 'outdated';

export interface RefusedHere {
  refusal: Refusal;
  command: JobCommand;
}

interface JobStoreState {
  jobId?: string;
  document?: JobDocument;
  /** Why the job cannot be shown. */
  failure?: JobFailure;
  /** What the server has confirmed. */
  confirmed?: JobLog;
  confirmedSeq: number;
  /** Confirmed plus what this device has given and not yet heard back about. */
  log?: JobLog;
  pending: OutboxEntry[];
  /** Commands that were accepted here and not taken by the server, or that nobody can read. */
  refusedLater: OutboxEntry[];
  /** The last refusal on this screen. */
  refused?: RefusedHere;
  link: Link;
  open(jobId: string): Promise<void>;
  close(): void;
  /** Gives a command: read and decided here at once, kept, and sent. True when it was accepted here. */
  give(command: JobCommand): boolean;
  dismissRefusal(): void;
  putAway(id: string): void;
}

/** What the store stands on; a test gives its own. */
export interface JobStoreParts {
  link: JobLink;
  outbox: typeof deviceOutbox;
  /** Where a command is not one the server can read. Fetched with the job, so that it is there when a command is given. */
  check(): Promise<{ commandFaults(command: unknown): InputFault[] }>;
  session: {
    person(): Person | undefined;
    device(): string;
    expire(): void;
    /** Calls back when somebody has signed in again after the session had run out. */
    onRenewed(then: () => void): void;
  };
  now(): number;
}

/** Waits between attempts to reach the server, ms. */
const RETRY_MS = [1000, 2000, 4000, 8000, 15_000];
/** Commands sent at once. */
const BATCH = 100;

const isKnown = ({ event }: StoredEvent): boolean => isReadable(event) && isFact(event.type);

/** The job on screen: what the server confirmed, what this device gave since, and the way between them. */
export const jobStore =
  ({ link, outbox, check, session, now }: JobStoreParts): StateCreator<JobStoreState> =>
  (set, get) => {
    let hangUp: (() => void) | undefined;
    /** The line of events stands. */
    let lineUp = false;
    let flushing = false;
    let attempts = 0;
    let retry: ReturnType<typeof setTimeout> | undefined;
    let order = now();
    let faultsOf: ((command: unknown) => InputFault[]) | undefined;

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
      if (!fresh.every(isKnown)) {
        set({ failure: 'outdated' });
        return;
      }
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
      void outbox.dropCommands(settled);
      void outbox.keepJob(known);
    }

    function show(document: JobDocument, entries: readonly OutboxEntry[]): void {
      if (!document.events.every(isKnown)) {
        set({ failure: 'outdated' });
        return;
      }
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

    /** What this device still holds of a job. What another version of the application wrote and this one cannot read is set aside, and kept. */
    async function heldOf(jobId: string): Promise<OutboxEntry[]> {
      const [entries, { commandFaults }] = await Promise.all([
        outbox.outboxOf(jobId),
        check().catch((error: unknown) => {
          throw new UnreachableError(String(error));
        }),
      ]);
      faultsOf = commandFaults;
      const read = entries.map((entry) => {
        const faults = entry.refused ? [] : commandFaults(entry.envelope.command);
        return faults.length > 0 ? unreadable(entry, faults) : entry;
      });
      const setAside = read.filter((entry, index) => entry !== entries[index]);
      if (setAside.length > 0) await outbox.keepCommands(setAside);
      return read;
    }

    async function refresh(jobId: string): Promise<void> {
      try {
        const document = await link.document(jobId);
        if (!isCurrent(jobId)) return;
        await outbox.keepJob(document);
        const held = await heldOf(jobId);
        if (!isCurrent(jobId)) return;
        show(document, held);
        if (get().failure) return;
        listen(jobId);
        void flush(jobId);
      } catch (error) {
        fail(jobId, error);
      }
    }

    function fail(jobId: string, error: unknown): void {
      if (!isCurrent(jobId)) return;
      if (error instanceof ProblemError && error.problem.code === 'notSignedIn') {
        session.expire();
        return;
      }
      if (error instanceof ProblemError && error.problem.code === 'unknownJob') {
        set({ failure: 'unknownJob' });
        return;
      }
      if (!(error instanceof ProblemError) && !(error instanceof UnreachableError)) throw error;
      // Whatever else the server says, what waits here waits on and is tried again.
      set({ link: 'offline', failure: get().document ? undefined : 'unreachable' });
      later(jobId);
    }

    /** Tries again after a while. What is given meanwhile tries at once, and does not put this off. */
    function later(jobId: string): void {
      if (retry !== undefined) return;
      const wait = RETRY_MS[Math.min(attempts, RETRY_MS.length - 1)];
      attempts += 1;
      retry = setTimeout(() => {
        retry = undefined;
        if (!isCurrent(jobId)) return;
        if (hangUp === undefined || get().document === undefined) void refresh(jobId);
        else void flush(jobId);
      }, wait);
    }

    function listen(jobId: string): void {
      hangUp?.();
      let current = true;
      const close = link.listen(jobId, get().confirmedSeq, {
        onEvent: (stored) => current && receive(jobId, [stored]),
        onOpen() {
          if (!current) return;
          attempts = 0;
          lineUp = true;
          set({ link: 'live' });
          void flush(jobId);
        },
        onLost(ended) {
          if (!current) return;
          lineUp = false;
          set({ link: 'offline' });
          // The browser tries again by itself unless the server said no.
          if (!ended) return;
          current = false;
          hangUp = undefined;
          later(jobId);
        },
      });
      hangUp = () => {
        current = false;
        close();
      };
    }

    /** Sends some entries. Where the server cannot take so much, or one stops it from reading the rest, fewer at a time. */
    async function send(jobId: string, batch: readonly OutboxEntry[]): Promise<OutboxEntry[]> {
      try {
        const answer = await link.send(jobId, batch);
        attempts = 0;
        if (lineUp) set({ link: 'live' });
        receive(jobId, answer.events);
        const answered = batch.flatMap((entry): OutboxEntry[] => {
          const result = answer.results.find((candidate) => candidate.id === entry.id);
          return result ? [result.ok ? entry : { ...entry, refused: result.refusal }] : [];
        });
        const { confirmed, confirmedSeq } = get();
        // A repeated command brings no events; if we never saw them, read the job anew.
        const unseen = answered.some((entry) => !entry.refused && !confirmed?.commandIds.has(entry.id));
        if (unseen && answer.seq > confirmedSeq) void refresh(jobId);
        return answered;
      } catch (error) {
        const code = error instanceof ProblemError ? error.problem.code : undefined;
        if (code !== 'badRequest' && code !== 'tooLarge') throw error;
        const [only, ...more] = batch;
        if (only && more.length === 0)
          return [unreadable(only, (error as ProblemError).problem.faults ?? [{ path: '', message: code }])];
        const half = Math.ceil(batch.length / 2);
        return [...(await send(jobId, batch.slice(0, half))), ...(await send(jobId, batch.slice(half)))];
      }
    }

    /** Sends what is pending, in order. What the server refuses is kept with its reason, and the rest goes on. */
    async function flush(jobId: string): Promise<void> {
      if (flushing) return;
      flushing = true;
      try {
        while (isCurrent(jobId) && get().pending.length > 0) {
          const answered = await send(jobId, get().pending.slice(0, BATCH));
          const refused = answered.filter((entry) => entry.refused);
          if (refused.length > 0) await outbox.keepCommands(refused);
          await outbox.dropCommands(answered.filter((entry) => !entry.refused).map(({ id }) => id));
          const done = new Set(answered.map(({ id }) => id));
          const { pending, confirmed, document, refusedLater } = get();
          if (!isCurrent(jobId) || !confirmed || !document) return;
          const still = pending.filter((entry) => !done.has(entry.id));
          set({
            pending: still,
            refusedLater: [...refusedLater, ...refused],
            log: overlay(confirmed, document, still),
          });
          // A server that answers and says nothing of what it was sent is asked again, not in a circle.
          if (answered.length === 0) {
            later(jobId);
            return;
          }
        }
      } catch (error) {
        fail(jobId, error);
      } finally {
        flushing = false;
      }
    }

    session.onRenewed(() => {
      const { jobId } = get();
      if (jobId) void refresh(jobId);
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
        // An address that was mistyped is no job, and the server need not be asked.
        set({ jobId, link: 'connecting', failure: isUuid(jobId) ? undefined : 'unknownJob' });
        if (!isUuid(jobId)) return;
        try {
          const kept = await outbox.keptJob(jobId);
          if (kept && isCurrent(jobId)) show(kept, await heldOf(jobId));
        } catch (error) {
          fail(jobId, error);
        }
        await refresh(jobId);
      },
      close() {
        hangUp?.();
        hangUp = undefined;
        clearTimeout(retry);
        retry = undefined;
        lineUp = false;
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
        const by = session.person();
        if (!log || !document || !jobId || !by || !faultsOf) return false;
        const faults = faultsOf(command);
        if (faults.length > 0) {
          set({ refused: { refusal: { code: 'commandUnreadable', faults }, command } });
          return false;
        }
        const envelope: CommandEnvelope = { id: uuid(), atMs: now(), by, device: session.device(), command };
        const outcome = takeCommand(log, document.wrenches, envelope);
        if (!outcome.ok) {
          set({ refused: { refusal: outcome.refusal, command } });
          return false;
        }
        order += 1;
        const entry: OutboxEntry = { id: envelope.id, jobId, order, envelope };
        set({ log: outcome.log, pending: [...pending, entry], refused: undefined });
        void outbox.keepCommands([entry]).then(() => flush(jobId));
        return true;
      },
      dismissRefusal: () => set({ refused: undefined }),
      putAway(id) {
        set({ refusedLater: get().refusedLater.filter((entry) => entry.id !== id) });
        void outbox.dropCommands([id]);
      },
    };
  };

/** The one open job of this device. */
export const useJobStore = create<JobStoreState>(
  jobStore({
    link: jobLink,
    outbox: deviceOutbox,
    check: () => import('./command-check.ts'),
    session: {
      person() {
        const person = useSession.getState().session?.person;
        return person && { id: person.id, name: person.name, role: person.role };
      },
      device: deviceId,
      expire: () => useSession.getState().expire(),
      onRenewed: (then) =>
        useSession.subscribe((after, before) => {
          if (after.status === 'signedIn' && before.status === 'expired') then();
        }),
    },
    now: Date.now,
  }),
);
