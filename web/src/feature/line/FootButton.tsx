const FOOT_LOOK =
  'flex min-h-16 min-w-fit grow basis-16 short:min-h-12 short:text-sm flex-col items-center justify-center border-l border-hair bg-sheet px-1 text-[0.95rem] leading-tight font-bold';

/** A target at the foot of the picture, with its key, or what it is about, beneath. */
export const FootButton = ({
  text,
  hotkey,
  under,
  whole,
  onClick,
}: {
  text: string;
  hotkey?: string;
  under?: string;
  /** All of what it is about, for a reader. */
  whole?: string;
  onClick: () => void;
}) => (
  <button type="button" className={FOOT_LOOK} onClick={onClick}>
    <span>
      {text}
      {whole && <span className="sr-only">: {whole}</span>}
    </span>
    {under ? (
      <span aria-hidden="true" className="max-w-26 truncate text-xs font-normal text-ink-2" title={whole}>
        {under}
      </span>
    ) : (
      hotkey && <kbd className="figures hidden text-xs font-normal text-ink-2 sm:inline short:hidden">{hotkey}</kbd>
    )}
  </button>
);
