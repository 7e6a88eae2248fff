import { describe, expect, it } from '@jest/globals';
import { pageScript } from './page-version.ts';

describe('which page a server gives out', () => {
  it('is told by the script it begins with', () => {
    const html = '<head><script type="module" crossorigin src="/assets/index-B3x_9a.js"></script></head>';
    expect(pageScript(html)).toBe('/assets/index-B3x_9a.js');
  });
  it('is not told by a page that was not built', () =>
    expect(pageScript('<script type="module" src="/src/app/main.tsx"></script>')).toBeUndefined());
});
