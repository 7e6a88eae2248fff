import { Hono } from 'hono';
import { streamSSE } from 'hono/streaming';
import { z } from 'zod';
import type { RecordCheck, StoredEvent } from '#contract/job.ts';
import {
  AddKitSchema,
  CallOffSchema,
  CommandBatchSchema,
  JobDeviceSchema,
  MoveJobSchema,
  OpenJobSchema,
} from '#contract/job.ts';
import { say } from '#contract/wording/say.ts';
import { boxPdf } from '../report/box-pdf.ts';
import { jobCardPdf } from '../report/job-card-pdf.ts';
import { compartmentLabelsPdf, jobLabelPdf, ownersBagPdf } from '../report/label-pdf.ts';
import { recordCsv } from '../report/record-csv.ts';
import { recordFile } from '../report/record-file.ts';
import { recordPdf } from '../report/record-pdf.ts';
import { tracesCsv, tracesLines } from '../report/traces-file.ts';
import { trayMapPdf } from '../report/tray-map-pdf.ts';
import type { SealFolder } from '../seal/open-seal.ts';
import type { CribService } from '../service/crib-service.ts';
import type { JobDevices } from '../service/job-devices.ts';
import type { JobService } from '../service/job-service.ts';
import type { SessionService } from '../service/session-service.ts';
import type { SignedInEnv } from './caller.ts';
import { pictureType } from './picture-type.ts';
import { problem } from './problem.ts';
import { validate } from './validate.ts';

const HEARTBEAT_MS = 15_000;
/** The longest a timer of Node's can wait, ms. */
const MOST_TIMER_MS = 2 ** 31 - 1;
/** The last instant a date can be, ms. @see ECMA-262, 21.4.1.1 */
const LATEST_MS = 8.64e15;
const Instant = z.coerce.number().int().min(-LATEST_MS).max(LATEST_MS);
const Window = z.object({ from: Instant, to: Instant });
const FromSeq = z.object({ from: z.coerce.number().int().min(0).default(0) });
const LastEvent = z.object({ 'last-event-id': z.coerce.number().int().min(0).optional() });
const JobId = z.object({ jobId: z.uuid() });
const PhotoId = z.object({ jobId: z.uuid(), photo: z.uuid() });
/** A photo's id, where the device that took it gave it one. */
const GivenPhotoId = z.object({ id: z.uuid().optional() });
const jobId = validate('param', JobId);

/** Jobs: lists, opening, commands, the event stream and the record. */
export function jobRoutes(
  jobs: JobService,
  crib: CribService,
  sessions: SessionService,
  devices: JobDevices,
  { publicKey, anchors }: SealFolder,
) {
  return new Hono<SignedInEnv>()
    .get('/', validate('query', Window), async (c) => {
      const { from, to } = c.req.valid('query');
      return c.json(await jobs.cards(c.get('caller').shopId, from, to));
    })
    .post('/', validate('json', OpenJobSchema), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const outcome = await jobs.open(caller, c.req.valid('json'));
      if (!outcome.ok) return problem(c, outcome.error.code, outcome.error);
      return c.json(outcome.value, 201);
    })
    .get('/:jobId', jobId, async (c) => {
      const document = await jobs.document(c.get('caller'), c.req.valid('param').jobId);
      return document ? c.json(document) : problem(c, 'unknownJob');
    })
    .put('/:jobId/slot', jobId, validate('json', MoveJobSchema), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const outcome = await jobs.move(caller, c.req.valid('param').jobId, c.req.valid('json'));
      return outcome.ok ? c.body(null, 204) : problem(c, outcome.error.code, outcome.error);
    })
    .put('/:jobId/called-off', jobId, validate('json', CallOffSchema), async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const outcome = await jobs.callOff(caller, c.req.valid('param').jobId, c.req.valid('json'));
      return outcome.ok ? c.body(null, 204) : problem(c, outcome.error.code, outcome.error);
    })
    .delete('/:jobId/called-off', jobId, async (c) => {
      const caller = c.get('caller');
      if (caller.person.role === 'apprentice') return problem(c, 'notPermitted');
      const outcome = await jobs.putBack(caller, c.req.valid('param').jobId);
      return outcome.ok ? c.body(null, 204) : problem(c, outcome.error.code, outcome.error);
    })
    .get('/:jobId/tools-out', jobId, async (c) => {
      const { jobId: id } = c.req.valid('param');
      if (!(await jobs.exists(c.get('caller').shopId, id))) return problem(c, 'unknownJob');
      return c.json(await crib.outFor(id));
    })
    .post('/:jobId/commands', jobId, validate('json', CommandBatchSchema), async (c) => {
      const answer = await jobs.command(c.get('caller'), c.req.valid('param').jobId, c.req.valid('json'));
      return answer ? c.json(answer) : problem(c, 'unknownJob');
    })
    .post('/:jobId/kits', jobId, validate('json', AddKitSchema), async (c) => {
      const outcome = await jobs.addKit(c.get('caller'), c.req.valid('param').jobId, c.req.valid('json'));
      return outcome.ok ? c.json(outcome.value) : problem(c, outcome.error.code, outcome.error);
    })
    .put('/:jobId/device', jobId, validate('json', JobDeviceSchema), async (c) => {
      const known = await jobs.device(c.get('caller'), c.req.valid('param').jobId, c.req.valid('json'));
      return known ? c.body(null, 204) : problem(c, 'unknownJob');
    })
    .post('/:jobId/photos', jobId, validate('query', GivenPhotoId), async (c) => {
      const bytes = Buffer.from(await c.req.arrayBuffer());
      // By what it is, not by what it says it is: it is shown again from this address.
      const type = pictureType(bytes);
      if (!type || type !== c.req.header('content-type'))
        return problem(c, 'badRequest', { detail: say('A photo is a JPEG, PNG or WebP picture.') });
      const outcome = await jobs.addPhoto(
        c.get('caller'),
        c.req.valid('param').jobId,
        type,
        bytes,
        c.req.valid('query').id,
      );
      return outcome.ok ? c.json(outcome.value, 201) : problem(c, outcome.error.code);
    })
    .get('/:jobId/photos/:photo', validate('param', PhotoId), async (c) => {
      const { jobId: id, photo } = c.req.valid('param');
      const found = (await jobs.exists(c.get('caller').shopId, id)) ? await jobs.photo(id, photo) : undefined;
      if (!found) return problem(c, 'notFound');
      return c.body(new Uint8Array(found.bytes), 200, {
        'Content-Type': found.type,
        'Cache-Control': 'private, max-age=86400',
        'Content-Disposition': 'inline',
      });
    })
    .get('/:jobId/events', jobId, validate('query', FromSeq), validate('header', LastEvent), async (c) => {
      const { jobId: id } = c.req.valid('param');
      if (!(await jobs.exists(c.get('caller').shopId, id))) return problem(c, 'unknownJob');
      // After a dropped line the browser says itself where it stood.
      let seq = c.req.valid('header')['last-event-id'] ?? c.req.valid('query').from;
      return streamSSE(c, async (stream) => {
        const waiting: StoredEvent[] = [];
        let wake: () => void = () => undefined;
        const { deviceId, tokenHash, sessionExpiresAtMs } = c.get('caller');
        const hangUp = devices.line(id, deviceId);
        // The line ends with the session it was opened in.
        let over = false;
        const expires = setTimeout(() => end(), Math.min(MOST_TIMER_MS, sessionExpiresAtMs - Date.now()));
        const unwatch = sessions.watch(tokenHash, end);
        function end() {
          over = true;
          wake();
        }
        // Listen before reading, so that nothing falls between; what comes twice is dropped by number.
        const stop = jobs.listen(id, seq, (events) => {
          waiting.push(...events);
          wake();
        });
        stream.onAbort(() => {
          stop();
          wake();
        });
        waiting.unshift(...(await jobs.eventsAfter(id, seq)));
        while (!stream.aborted && !over) {
          for (const stored of waiting.splice(0)) {
            if (stored.seq <= seq) continue;
            seq = stored.seq;
            await stream.writeSSE({ id: String(seq), event: 'event', data: JSON.stringify(stored) });
          }
          const quiet = await new Promise<boolean>((resolve) => {
            const timer = setTimeout(() => resolve(true), HEARTBEAT_MS);
            wake = () => {
              clearTimeout(timer);
              resolve(false);
            };
            if (waiting.length > 0 || stream.aborted || over) wake();
          });
          if (quiet) await stream.writeSSE({ event: 'heartbeat', data: String(seq) });
        }
        stop();
        hangUp();
        unwatch();
        clearTimeout(expires);
      });
    })
    .get('/:jobId/record', jobId, async (c) => {
      const document = await jobs.document(c.get('caller'), c.req.valid('param').jobId);
      if (!document) return problem(c, 'unknownJob');
      const { integrity, unheard, events } = document;
      const anchorFaults = anchors.read().faults;
      const lastHash = events.at(-1)?.hash ?? null;
      return c.json({ ...integrity, unheard, anchorFaults, publicKey, lastHash } satisfies RecordCheck);
    })
    .get('/:jobId/record.pdf', jobId, async (c) => {
      const document = await jobs.document(c.get('caller'), c.req.valid('param').jobId);
      if (!document) return problem(c, 'unknownJob');
      const bytes = await recordPdf(document, publicKey);
      return c.body(new Uint8Array(bytes), 200, {
        'Content-Type': 'application/pdf',
        'Content-Disposition': `attachment; filename="record-${document.number}.pdf"`,
      });
    })
    .get('/:jobId/card.pdf', jobId, async (c) => {
      const document = await jobs.document(c.get('caller'), c.req.valid('param').jobId);
      if (!document) return problem(c, 'unknownJob');
      return c.body(new Uint8Array(await jobCardPdf(document, new URL(c.req.url).origin)), 200, {
        'Content-Type': 'application/pdf',
        'Content-Disposition': `attachment; filename="card-${document.number}.pdf"`,
      });
    })
    .get('/:jobId/label.pdf', jobId, async (c) => {
      const document = await jobs.document(c.get('caller'), c.req.valid('param').jobId);
      if (!document) return problem(c, 'unknownJob');
      return c.body(new Uint8Array(await jobLabelPdf(document, new URL(c.req.url).origin)), 200, {
        'Content-Type': 'application/pdf',
        'Content-Disposition': `attachment; filename="label-${document.number}.pdf"`,
      });
    })
    .get('/:jobId/compartments.pdf', jobId, async (c) => {
      const document = await jobs.document(c.get('caller'), c.req.valid('param').jobId);
      if (!document) return problem(c, 'unknownJob');
      return c.body(new Uint8Array(await compartmentLabelsPdf(document, new URL(c.req.url).origin)), 200, {
        'Content-Type': 'application/pdf',
        'Content-Disposition': `attachment; filename="compartments-${document.number}.pdf"`,
      });
    })
    .get('/:jobId/tray-map.pdf', jobId, async (c) => {
      const document = await jobs.document(c.get('caller'), c.req.valid('param').jobId);
      if (!document) return problem(c, 'unknownJob');
      return c.body(new Uint8Array(await trayMapPdf(document)), 200, {
        'Content-Type': 'application/pdf',
        'Content-Disposition': `attachment; filename="trays-${document.number}.pdf"`,
      });
    })
    .get('/:jobId/box.pdf', jobId, async (c) => {
      const document = await jobs.document(c.get('caller'), c.req.valid('param').jobId);
      if (!document) return problem(c, 'unknownJob');
      return c.body(new Uint8Array(await boxPdf(document)), 200, {
        'Content-Type': 'application/pdf',
        'Content-Disposition': `attachment; filename="box-${document.number}.pdf"`,
      });
    })
    .get('/:jobId/owners-bag.pdf', jobId, async (c) => {
      const document = await jobs.document(c.get('caller'), c.req.valid('param').jobId);
      if (!document) return problem(c, 'unknownJob');
      return c.body(new Uint8Array(await ownersBagPdf(document, new URL(c.req.url).origin)), 200, {
        'Content-Type': 'application/pdf',
        'Content-Disposition': `attachment; filename="owners-bag-${document.number}.pdf"`,
      });
    })
    .get('/:jobId/record.csv', jobId, async (c) => {
      const document = await jobs.document(c.get('caller'), c.req.valid('param').jobId);
      if (!document) return problem(c, 'unknownJob');
      return c.body(recordCsv(document), 200, {
        'Content-Type': 'text/csv; charset=utf-8',
        'Content-Disposition': `attachment; filename="record-${document.number}.csv"`,
      });
    })
    .get('/:jobId/traces.csv', jobId, async (c) => {
      const document = await jobs.document(c.get('caller'), c.req.valid('param').jobId);
      if (!document) return problem(c, 'unknownJob');
      return c.body(tracesCsv(document), 200, {
        'Content-Type': 'text/csv; charset=utf-8',
        'Content-Disposition': `attachment; filename="traces-${document.number}.csv"`,
      });
    })
    .get('/:jobId/traces.jsonl', jobId, async (c) => {
      const document = await jobs.document(c.get('caller'), c.req.valid('param').jobId);
      if (!document) return problem(c, 'unknownJob');
      return c.body(tracesLines(document), 200, {
        'Content-Type': 'application/jsonl; charset=utf-8',
        'Content-Disposition': `attachment; filename="traces-${document.number}.jsonl"`,
      });
    })
    .get('/:jobId/record.json', jobId, async (c) => {
      const caller = c.get('caller');
      const { jobId: id } = c.req.valid('param');
      const [document, proof] = await Promise.all([jobs.document(caller, id), jobs.recordProof(caller.shopId, id)]);
      if (!document || !proof) return problem(c, 'unknownJob');
      return c.body(`${JSON.stringify(recordFile(document, proof), null, 2)}\n`, 200, {
        'Content-Type': 'application/json',
        'Content-Disposition': `attachment; filename="record-${document.number}.json"`,
      });
    });
}
