import { useState } from 'react';
import { Button } from '../ui/Button.tsx';
import { type LabelLine, labelPng } from './label-png.ts';
import { saveFile } from './save-file.ts';

/** Saves a label as a picture for the label printer. */
export function LabelButton({
  name,
  code,
  lines,
  children,
}: {
  name: string;
  code: string;
  lines: readonly LabelLine[];
  children: React.ReactNode;
}) {
  const [fault, setFault] = useState<string>();
  const save = async () => {
    setFault(undefined);
    try {
      saveFile(`${name}.png`, 'image/png', await labelPng(code, lines));
    } catch (error) {
      setFault(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <>
      <Button className="min-h-11!" onClick={() => void save()}>
        {children}
      </Button>
      {fault && (
        <span role="alert" className="font-bold text-bad">
          {fault}
        </span>
      )}
    </>
  );
}
