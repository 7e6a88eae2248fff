import { create } from 'qrcode';
import { say } from '#contract/wording/say.ts';

/** Modules of white round a code, so that a camera finds it. @see ISO/IEC 18004, quiet zone */
const QUIET = 4;

/** An address as a code for a camera. */
export function QrCode({ text }: { text: string }) {
  const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
  const dark = Array.from({ length: size * size }, (_, at) => at).filter((at) => data[at]);
  const wide = size + 2 * QUIET;
  return (
    <svg
      viewBox={`0 0 ${wide} ${wide}`}
      className="w-60 max-w-full"
      role="img"
      aria-label={say('Code of {text}', { text })}
    >
      {/* Black on white by day and by night: a code is read by a camera. */}
      <rect width={wide} height={wide} fill="#ffffff" />
      <path
        d={dark.map((at) => `M${(at % size) + QUIET} ${Math.floor(at / size) + QUIET}h1v1h-1z`).join('')}
        fill="#000000"
      />
    </svg>
  );
}
