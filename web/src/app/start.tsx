import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { answerPractice } from '../practice/answer-practice.ts';
import { App } from './App.tsx';

/** Shows the application in its page. */
export function start(root: HTMLElement): void {
  answerPractice();
  createRoot(root).render(
    <StrictMode>
      <App />
    </StrictMode>,
  );
}
