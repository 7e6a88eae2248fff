import '@fontsource/atkinson-hyperlegible-next/400.css';
import '@fontsource/atkinson-hyperlegible-next/700.css';
import '@fontsource/atkinson-hyperlegible-mono/400.css';
import '@fontsource/atkinson-hyperlegible-mono/700.css';
import '@fontsource/sofia-sans-extra-condensed/800.css';
import './theme.css';
import './zod-without-eval.ts';
import { speakOwnLanguage } from '../shop/own-language.ts';

const root = document.getElementById('root');
if (!root) throw new Error('index.html has no #root');
// Screens read their words as they are loaded: the language comes first.
await speakOwnLanguage();
const { start } = await import('./start.tsx');
start(root);

// The shell is kept for working without the network; development always loads afresh.
if (import.meta.env.PROD && 'serviceWorker' in navigator) void navigator.serviceWorker.register('/sw.js');
