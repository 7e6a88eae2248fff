import { parseThread } from './thread.ts';

/** Whether two ways of writing a thread mean the same: `M10 x 1.5`, `M10×1.5`, `m10`. What cannot be read is compared as text. */
export function isSameThreadText(a: string, b: string): boolean {
  const [first, second] = [a, b].map((text) => {
    const read = parseThread(text.trim().replace(/\s*[x×]\s*/i, ' × '));
    return read.ok ? read.value.thread.designation : text.trim().toLowerCase();
  });
  return first === second;
}
