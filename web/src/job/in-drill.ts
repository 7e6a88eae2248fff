import { create } from 'zustand';
import type { Role } from '#core/job/role.ts';

/** Whether the line is a drill's, and whether it then shows what the sheet says and no more. */
export const useInDrill = create<{ on: boolean; sheetOnly: boolean }>()(() => ({ on: false, sheetOnly: false }));

/** In a drill a learner answers for the job: it ends with a signature, like a real one. */
export const roleInDrill = (role: Role): Role => (role === 'apprentice' ? 'fitter' : role);
