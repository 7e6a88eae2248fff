import type { Station } from './kit-document.ts';

/** Whether lives hang on a joint: its kit calls it safety-critical, or it holds a wheel. */
export const livesHangOnIt = ({ tags }: Pick<Station, 'tags'>): boolean =>
  tags?.some((tag) => tag === 'safetyCritical' || tag === 'wheel') ?? false;
