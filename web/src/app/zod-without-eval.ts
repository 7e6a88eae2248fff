import { config } from 'zod';

/**
 * The page's policy forbids code made from text, which zod would try for speed. Imported before any schema is made,
 * by the screens that check forms.
 */
config({ jitless: true });
