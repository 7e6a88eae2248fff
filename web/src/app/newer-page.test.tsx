import { afterEach, describe, expect, it } from '@jest/globals';
import { act, cleanup, render, screen } from '@testing-library/react';
import { useBacklog } from '../job/backlog.ts';
import { learnPage, useNewerPage } from '../shop/newer-page.ts';
import { NewerPage } from './NewerPage.tsx';

afterEach(() => {
  cleanup();
  document.head.innerHTML = '';
  useNewerPage.setState({ newer: false });
  useBacklog.setState({ entries: [] });
});

const began = (script: string) => {
  document.head.innerHTML = `<script type="module" src="${script}"></script>`;
};

describe('a newer page on the server', () => {
  it('is told once it is another than this one', () => {
    began('/assets/index-old.js');
    render(<NewerPage />);
    act(() => learnPage('/assets/index-old.js'));
    expect(screen.queryByRole('status')).toBeNull();
    act(() => learnPage('/assets/index-new.js'));
    expect(screen.getByRole('status').textContent).toContain('goes on working');
    expect(screen.getByRole('button', { name: 'Load it' })).toHaveProperty('disabled', false);
  });
  it('is not loaded before what waits here is sent', () => {
    began('/assets/index-old.js');
    render(<NewerPage />);
    act(() => {
      learnPage('/assets/index-new.js');
      useBacklog.setState({ entries: [{ id: 'c', jobId: 'j', order: 1, envelope: {} as never }] });
    });
    expect(screen.getByRole('status').textContent).toContain('until what waits here is sent: 1');
    expect(screen.getByRole('button', { name: 'Load it' })).toHaveProperty('disabled', true);
  });
  it('is not told by a server that does not say, nor to a page that was not built', () => {
    began('/assets/index-old.js');
    learnPage(null);
    expect(useNewerPage.getState().newer).toBe(false);
    document.head.innerHTML = '';
    learnPage('/assets/index-new.js');
    expect(useNewerPage.getState().newer).toBe(false);
  });
});
