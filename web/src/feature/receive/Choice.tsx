/** A vehicle or a kit to be chosen, as a large card. */
export function Choice({
  chosen,
  onChoose,
  title,
  lines,
  bad = false,
}: {
  chosen: boolean;
  onChoose: () => void;
  title: string;
  lines: string[];
  bad?: boolean;
}) {
  return (
    <button
      type="button"
      aria-pressed={chosen}
      onClick={onChoose}
      className={`min-h-28 border-2 p-3 text-left ${chosen ? 'border-plate bg-plate text-on-plate' : 'border-ink bg-sheet'}`}
    >
      <span className="plate block text-2xl">{title}</span>
      {lines.filter(Boolean).map((line, index) => (
        <span
          key={line}
          className={`block text-sm ${bad && index === lines.length - 1 ? (chosen ? 'font-bold' : 'font-bold text-bad') : chosen ? 'text-on-plate-2' : 'text-ink-2'}`}
        >
          {line}
        </span>
      ))}
    </button>
  );
}
