import { createContext } from 'react';

/** Who has a hand free for the step on screen, in a sentence; undefined while nobody knows. */
export const SecondHandSaid = createContext<{ text: string; missing: boolean } | undefined>(undefined);
