import { deviceStore } from './device-store.ts';

/** Longest side a photo is sent with, px: enough to read a rule by, and small on a poor line. */
const PHOTO_PX = 1280;

/** A picture made small enough to send, as JPEG. */
export async function shrunk(file: File): Promise<Blob> {
  const bitmap = await createImageBitmap(file);
  const scale = Math.min(1, PHOTO_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(bitmap.width * scale);
  canvas.height = Math.round(bitmap.height * scale);
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('not a picture'))), 'image/jpeg', 0.8),
  );
}

/** Whether the server has a photo now; `refused` where it never will. */
type Sent = 'sent' | 'later' | 'refused';

async function send(jobId: string, id: string, body: Blob): Promise<Sent> {
  try {
    const response = await fetch(`/api/jobs/${jobId}/photos?id=${id}`, {
      method: 'POST',
      headers: { 'Content-Type': 'image/jpeg' },
      body,
    });
    if (response.ok) return 'sent';
    // Not signed in just now, or busy: another time. Anything else is an answer.
    return response.status === 401 || response.status >= 500 ? 'later' : 'refused';
  } catch (_error) {
    return 'later';
  }
}

/**
 * Keeps a photo of a job on this device and sends it, now or as soon as the server is there.
 *
 * @returns the id it is known by from now on
 * @throws where the file is no picture, or the server refuses it for good
 */
export async function takePhoto(jobId: string, file: File): Promise<string> {
  const body = await shrunk(file);
  const id = crypto.randomUUID();
  await (await deviceStore()).put('photos', { id, jobId, body, takenAtMs: Date.now() });
  const sent = await send(jobId, id, body);
  if (sent !== 'later') await (await deviceStore()).delete('photos', id);
  if (sent === 'refused') throw new Error('The server did not take the photo.');
  return id;
}

let sending = false;

/** Sends photos that were taken without the server, the oldest first; one it refuses for good stays here. */
export async function sendWaitingPhotos(): Promise<void> {
  if (sending) return;
  sending = true;
  try {
    const store = await deviceStore();
    const waiting = (await store.getAll('photos')).sort((a, b) => a.takenAtMs - b.takenAtMs);
    for (const { id, jobId, body, refused } of waiting) {
      if (refused) continue;
      const sent = await send(jobId, id, body);
      if (sent === 'later') return;
      if (sent === 'sent') await store.delete('photos', id);
      else await store.put('photos', { id, jobId, body, takenAtMs: Date.now(), refused: true });
    }
  } finally {
    sending = false;
  }
}

/** Photos of a job that this device still holds. */
export async function photosWaiting(jobId: string): Promise<number> {
  const kept = await (await deviceStore()).getAll('photos');
  return kept.filter((photo) => photo.jobId === jobId).length;
}

/** A photo that was taken here and is not at the server yet, to be shown; undefined where it is. */
export const photoHere = async (id: string): Promise<Blob | undefined> =>
  (await (await deviceStore()).get('photos', id))?.body;
