import { validate as isUuid, v4 as uuid } from 'uuid';
import { create, type StateCreator } from 'zustand';
import type { CommandBatchAnswer, InputFault, JobDocument, StoredEvent } from '#contract/job.ts';
import type { JobCommand } from '#core/job/acts.ts';
import type { CommandEnvelope } from '#core/job/command-envelope.ts';
import { isReadable } from '#core/job/event-version.ts';
import { isFact } from '#core/job/fold.ts';
import { appendEvents, type JobLog, openLog, takeCommand } from '#core/job/job-log.ts';
import { phaseProgress } from '#core/job/job-progress.ts';
import { ProblemError, UnreachableError } from '../shop/api.ts';
import { clockNow } from '../shop/clock.ts';
import { signAs } from '../shop/device-keys.ts';
import { useSession } from '../shop/session.ts';
import { refreshBacklog, waitingElsewhere } from './backlog.ts';
import { roleInDrill, useInDrill } from './in-drill.ts';
import { jobLink } from './job-link.ts';
import type { JobStoreParts, JobStoreState } from './job-store-state.ts';
import * as deviceOutbox from './outbox.ts';
import { isSendable, type OutboxEntry, unreadable } from './outbox-entry.ts';
import { practiceOutbox } from './practice-outbox.ts';
import { BATCH, sendInParts } from './sending.ts';
import { noteUnkept, useUnkept } from './unkept.ts';

/** How long after a change the job is kept on this device, ms. */
const KEEP_AFTER_MS = 700;

/** How long after a command was written it goes out, ms: the frame that shows it comes first, and quick presses go together. */
export const SEND_AFTER_MS = 40;

/** Waits between attempts to reach the server, ms. */
const RETRY_MS = [1000, 2000, 4000, 8000, 15_000];

const isKnown = ({ event }: StoredEvent): boolean => isReadable(event) && isFact(event.type);

/** The job on screen: what the server confirmed, what this device gave since, and the way between them. */
export const jobStore =
  ({
    link,
    outbox,
    check,
    session,
    clock,
    changed,
    unkept,
    onRekept,
    elsewhere,
  }: JobStoreParts): StateCreator<JobStoreState> =>
  (set, get) => {
    let hangUp: (() => void) | undefined;
    /** The line of events stands. */
    let lineUp = false;
    let flushing = false;
    let attempts = 0;
    let retry: ReturnType<typeof setTimeout> | undefined;
    let order = Date.now();
    /** Given and not yet written: decided upon, and not shown. */
    let unwritten: OutboxEntry[] = [];
    /** What the newest of them led to, so that it is not decided upon a second time. */
    let decided: { id: string; upon: JobLog; log: JobLog } | undefined;
    let writing: Promise<void> = Promise.resolve();
    let faultsOf: ((command: unknown) => InputFault[]) | undefined;

    /** The newest of the job that is not kept yet, and when it will be. */
    let unkeptJob: { document: JobDocument; timer: ReturnType<typeof setTimeout> } | undefined;

    /**
     * Keeps the job a moment later, many changes in one: its events are on the server already, and copying a long job
     * must not come between a key and the next station.
     */
    function keepSoon(document: JobDocument): void {
      if (unkeptJob) clearTimeout(unkeptJob.timer);
      unkeptJob = { document, timer: setTimeout(keepNow, KEEP_AFTER_MS) };
    }

    function keepNow(): void {
      if (!unkeptJob) return;
      clearTimeout(unkeptJob.timer);
      const { document } = unkeptJob;
      unkeptJob = undefined;
      void outbox.keepJob(document);
    }

    /** Pending commands laid over the confirmed job, in the order they were given. */
    const overlay = (confirmed: JobLog, document: JobDocument, pending: readonly OutboxEntry[]): JobLog =>
      pending.reduce(
        (log, entry) =>
          takeCommand(log, document.wrenches, entry.envelope, {
            breaks: document.integrity.open,
            bottles: document.bottles,
            unpractised: document.unpractised,
          }).log,
        confirmed,
      );

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
      if (settled.length > 0) void outbox.dropCommands(settled).then(changed);
      keepSoon(known);
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
          // From now on the server knows that this device may hold something of the job.
          tell(jobId, false);
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

    /** Takes in what the server answered to a sending. */
    function heard(jobId: string, answer: CommandBatchAnswer): void {
      attempts = 0;
      if (lineUp) set({ link: 'live' });
      receive(jobId, answer.events);
    }

    /** Sends some entries, and reads the job anew where the server has more of it than this device. */
    async function send(jobId: string, batch: readonly OutboxEntry[]): Promise<OutboxEntry[]> {
      let seq = 0;
      const left = get().pending.length - batch.length + elsewhere(jobId);
      const answered = await sendInParts(link, jobId, batch, left, (answer) => {
        ({ seq } = answer);
        heard(jobId, answer);
      });
      const { confirmed, confirmedSeq } = get();
      // A repeated command brings no events; if we never saw them, read the job anew.
      const unseen = answered.some((entry) => !entry.refused && !confirmed?.commandIds.has(entry.id));
      if (unseen && seq > confirmedSeq) void refresh(jobId);
      return answered;
    }

    /** Best told, not needed: where it is not heard, the record says that this device may hold something. */
    function tell(jobId: string, away: boolean, leaving = false): void {
      void link.tell(jobId, { waiting: get().pending.length, away }, leaving).catch(() => undefined);
    }

    /** Sends what is pending, in order. What the server refuses is kept with its reason, and the rest goes on. */
    async function flush(jobId: string): Promise<void> {
      if (flushing) return;
      flushing = true;
      try {
        while (isCurrent(jobId)) {
          const person = session.person()?.id;
          const batch = get()
            .pending.filter((entry) => isSendable(entry, person))
            .slice(0, BATCH);
          if (batch.length === 0) return;
          const answered = await send(jobId, batch);
          const refused = answered.filter((entry) => entry.refused);
          if (refused.length > 0) await outbox.keepCommands(refused);
          await outbox.dropCommands(answered.filter((entry) => !entry.refused).map(({ id }) => id));
          changed();
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

    /** Sends what was just written, once it is painted. */
    function sendSoon(jobId: string): void {
      setTimeout(() => {
        changed();
        void flush(jobId);
      }, SEND_AFTER_MS);
    }

    /** The job with all that was given here, written or not: what the next command is decided upon. */
    const aheadOf = (log: JobLog, document: JobDocument): JobLog =>
      unwritten.length === 0 ? log : overlay(log, document, unwritten);

    /** A command as an entry, where it can be read and the job lets it; otherwise the refusal is shown. */
    function entryOf(command: JobCommand, before?: OutboxEntry): OutboxEntry | undefined {
      const { log, document, jobId } = get();
      const by = session.person();
      if (!log || !document || !jobId || !by || !faultsOf) return undefined;
      const faults = faultsOf(command);
      if (faults.length > 0) {
        set({ refused: { refusal: { code: 'commandUnreadable', faults }, command } });
        return undefined;
      }
      // A key held down, or pressed twice before the first was written: the same once.
      const same = JSON.stringify(command);
      if (!before && unwritten.some(({ envelope }) => JSON.stringify(envelope.command) === same)) return undefined;
      const time = before?.clock ?? clock();
      const atMs = time.deviceMs + time.offsetMs;
      const envelope: CommandEnvelope = { id: before?.id ?? uuid(), atMs, by, device: session.device(), command };
      const upon = aheadOf(log, document);
      const outcome = takeCommand(upon, document.wrenches, envelope, {
        breaks: document.integrity.open,
        bottles: document.bottles,
        unpractised: document.unpractised,
      });
      if (!outcome.ok) {
        set({ refused: { refusal: outcome.refusal, command } });
        return undefined;
      }
      decided = { id: envelope.id, upon, log: outcome.log };
      order += 1;
      return { id: envelope.id, jobId, order, envelope, clock: time };
    }

    const textOf = ({ jobId, envelope: { id, atMs, by, command }, clock: time }: OutboxEntry): string =>
      JSON.stringify({ job: jobId, id, atMs, by: by.id, clock: time, command });

    async function signedOf(entry: OutboxEntry): Promise<OutboxEntry['signed']> {
      const text = textOf(entry);
      const signature = await session.sign(entry.envelope.by.id, text);
      return signature && { id: entry.id, text, ...signature };
    }

    /** Writes an entry, in turn with those before it; then it shows as done, and is sent. */
    function keep(entry: OutboxEntry): Promise<void> {
      unwritten = [...unwritten, entry];
      writing = writing.then(() => write(entry));
      // What the screen will ask for first is worked out while the device signs and writes.
      setTimeout(() => decided?.id === entry.id && phaseProgress(decided.log.plan, decided.log.state));
      return writing;
    }

    async function write(entry: OutboxEntry): Promise<void> {
      const done = () => {
        unwritten = unwritten.filter(({ id }) => id !== entry.id);
      };
      try {
        const whole = entry.signed ? entry : { ...entry, signed: await signedOf(entry) };
        await outbox.keepCommands([whole]);
        done();
        const { log, document, pending } = get();
        // Another job is open by now: what was written goes out all the same.
        if (!isCurrent(entry.jobId) || !log || !document) return changed();
        // Read anew meanwhile, the job has it already.
        if (!pending.some(({ id }) => id === entry.id)) {
          const next = decided?.id === entry.id && decided.upon === log ? decided.log : overlay(log, document, [entry]);
          set({ log: next, pending: [...pending, whole] });
        }
        sendSoon(entry.jobId);
      } catch {
        // Whatever the store throws, the one thing that matters is said, on whatever screen: this is not kept.
        done();
        unkept(entry);
      }
    }

    session.onRenewed(() => {
      const { jobId } = get();
      if (jobId) void refresh(jobId);
    });
    onRekept(async () => {
      const { jobId, document } = get();
      if (!jobId || !document) return;
      const held = await heldOf(jobId);
      if (!isCurrent(jobId)) return;
      show(get().document ?? document, held);
      void flush(jobId);
    });
    globalThis.addEventListener?.('pagehide', () => {
      keepNow();
      const { jobId, document } = get();
      if (jobId && document) tell(jobId, true, true);
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
        const { jobId: left, document: seen } = get();
        if (left && seen) tell(left, true);
        keepNow();
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
        changed();
      },
      give(command) {
        const entry = entryOf(command);
        if (!entry) return false;
        set({ refused: undefined, ...(command.type === 'undo' ? {} : { lastGiven: command }) });
        void keep(entry);
        return true;
      },
      async giveProven(command, prove) {
        const entry = entryOf(command);
        if (!entry) return false;
        const signed = await signedOf(entry);
        const proof = await prove(signed?.text ?? textOf(entry), entry.id);
        // The job may have gone on meanwhile.
        const again = entryOf(command, entry);
        if (!again) return false;
        await keep({ ...again, signed, proof });
        set({ refused: undefined });
        return get().pending.some(({ id }) => id === entry.id) || (get().confirmed?.commandIds.has(entry.id) ?? false);
      },
      giveAgain(id) {
        const entry = get().refusedLater.find((candidate) => candidate.id === id);
        if (entry && get().give(entry.envelope.command)) get().putAway(id);
      },
      dismissRefusal: () => set({ refused: undefined }),
      putAway(id) {
        set({ refusedLater: get().refusedLater.filter((entry) => entry.id !== id) });
        void outbox.dropCommands([id]).then(changed);
      },
    };
  };

/** The one open job of this device. */
export const useJobStore = create<JobStoreState>(
  jobStore({
    link: jobLink,
    outbox: { ...deviceOutbox, ...practiceOutbox },
    check: () => import('./command-check.ts'),
    session: {
      person() {
        const person = useSession.getState().session?.person;
        const role = person && (useInDrill.getState().on ? roleInDrill(person.role) : person.role);
        return person && role && { id: person.id, name: person.name, role };
      },
      device: () => useSession.getState().session?.device,
      sign: signAs,
      expire: () => useSession.getState().expire(),
      onRenewed: (then) =>
        useSession.subscribe((after, before) => {
          const passedOn = after.session?.person.id !== before.session?.person.id;
          if (after.status === 'signedIn' && (before.status === 'expired' || passedOn)) then();
        }),
    },
    clock: clockNow,
    changed: () => void refreshBacklog(),
    unkept: noteUnkept,
    onRekept: (then) => useUnkept.subscribe((after, before) => after.rekept !== before.rekept && then()),
    elsewhere: waitingElsewhere,
  }),
);
