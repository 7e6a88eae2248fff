import { answerHere } from '../shop/api.ts';
import { isPracticeRequest } from './practice.ts';

/** Lets the practice job be answered on this page; its part is fetched with the first request for it. */
export const answerPractice = (): void =>
  answerHere((address, init) =>
    isPracticeRequest(address)
      ? import('./practice-server.ts').then(({ practiceAnswer }) => practiceAnswer(address, init))
      : undefined,
  );
