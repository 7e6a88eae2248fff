/**
 * The page's policy forbids code made from text, which zod would try for speed, and each try is reported. Zod finds its
 * settings here when it is loaded: imported before any screen is.
 */
Object.assign(globalThis, { __zod_globalConfig: { jitless: true } });

export {};
