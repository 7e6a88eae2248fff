import { UnreachableError } from './api.ts';

/** Longest side a photo is sent with, px: enough to read a rule by, and small on a poor line. */
const PHOTO_PX = 1280;

/** A picture made small enough to send, as JPEG. */
async function shrunk(file: File): Promise<Blob> {
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

/** Sends a photo of a job to the server. @returns the id it is kept under */
export async function sendPhoto(jobId: string, file: File): Promise<string> {
  const body = await shrunk(file);
  const response = await fetch(`/api/jobs/${jobId}/photos`, {
    method: 'POST',
    headers: { 'Content-Type': 'image/jpeg' },
    body,
  }).catch((error: unknown) => {
    throw new UnreachableError(String(error));
  });
  if (!response.ok) throw new Error('The server did not take the photo.');
  return ((await response.json()) as { id: string }).id;
}
