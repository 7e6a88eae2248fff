/** The address of the practice job: no job of a shop has it. */
export const PRACTICE_JOB = '00000000-0000-4000-8000-000000000001';

/** Behind the practice job's address: the tour is meant, and no drill. */
export const TOUR = '?tour';

export const isPractice = (jobId: string): boolean => jobId === PRACTICE_JOB;

/** Whether a request is about the practice job, which no server knows. */
export const isPracticeRequest = (address: string): boolean => address.includes(`/jobs/${PRACTICE_JOB}`);
