import { UnreachableError } from './api.ts';
import { failureText } from './failure-text.ts';

/** Where a page or figure of a sheet is read, by the hash of its bytes. */
export const kitPictureUrl = (sha256: string): string => `/api/kit-library/pictures/${sha256}`;

/** Sends a page or a figure, as JPEG. @returns the hash it is known by @throws with words a person can read */
export async function sendKitPicture(picture: Blob): Promise<string> {
  const response = await fetch('/api/kit-library/pictures', {
    method: 'POST',
    headers: { 'Content-Type': picture.type },
    body: picture,
  }).catch((error: unknown) => {
    throw new UnreachableError(String(error));
  });
  if (!response.ok) {
    const { title, detail } = (await response.json().catch(() => ({}))) as { title?: string; detail?: string };
    throw new Error([title, detail].filter(Boolean).join('. ') || failureText(new Error(response.statusText)));
  }
  return ((await response.json()) as { sha256: string }).sha256;
}

/**
 * Asks for pictures once, so that the device has them when there is no network. Best done, not needed: what is missing is
 * asked for again when it is looked at.
 */
export function fetchAhead(hashes: readonly string[]): void {
  for (const sha256 of new Set(hashes)) void fetch(kitPictureUrl(sha256)).catch(() => undefined);
}
