import { describe, expect, it } from '@jest/globals';
import { KIT_LISTS } from '#core/kit/kit-document.ts';
import { entryAt, placeAddress } from './finding-place.ts';

describe('the way from a finding to its place', () => {
  it.each([
    ['stations[3].specs[0]', '/kits/drafts/k/stations?at=stations.3'],
    ['items[0].quantity', '/kits/drafts/k/packing?at=items.0'],
    ['steps[12]', '/kits/drafts/k/steps?at=steps.12'],
    ['removed[1].fate', '/kits/drafts/k/steps?at=removed.1'],
    ['fits[0]', '/kits/drafts/k/questions?at=fits.0'],
    ['steps', '/kits/drafts/k/steps?at=steps.0'],
  ])('%s', (path, address) => expect(placeAddress('k', path)).toBe(address));
  it('is none where the document has no such list', () => {
    expect(placeAddress('k', 'title')).toBeUndefined();
    expect(entryAt('')).toBeUndefined();
  });
  it('leads somewhere from every list of a kit', () => {
    for (const list of KIT_LISTS) expect(placeAddress('k', `${list}[0]`)).toMatch(/^\/kits\/drafts\/k\/\w+\?at=/);
  });
});
