import { create } from 'qrcode';

/** The label of the shop's printer, mm, and its dots to the millimetre: 203 to the inch, as common label printers have. */
const SIZE = { widthMm: 57, heightMm: 32 };
const DOTS_PER_MM = 8;
const EDGE_MM = 3;

/** A line of a label: how high its letters are, mm, and whether they are heavy. */
export interface LabelLine {
  text: string;
  mm: number;
  bold?: boolean;
}

/** Cuts a text where it would leave the label. */
function fitted(context: CanvasRenderingContext2D, text: string, width: number): string {
  if (context.measureText(text).width <= width) return text;
  let cut = text;
  while (cut.length > 1 && context.measureText(`${cut}…`).width > width) cut = cut.slice(0, -1);
  return `${cut}…`;
}

/** A label as a picture, black on white at the printer's own dots: a code at the left, lines beside it. */
export async function labelPng(code: string, lines: readonly LabelLine[]): Promise<Blob> {
  await document.fonts.ready;
  const canvas = document.createElement('canvas');
  canvas.width = SIZE.widthMm * DOTS_PER_MM;
  canvas.height = SIZE.heightMm * DOTS_PER_MM;
  const context = canvas.getContext('2d');
  if (!context) throw new Error('This device draws no pictures.');
  context.fillStyle = '#ffffff';
  context.fillRect(0, 0, canvas.width, canvas.height);
  context.fillStyle = '#000000';
  const { size, data } = create(code, { errorCorrectionLevel: 'M' }).modules;
  const edge = EDGE_MM * DOTS_PER_MM;
  // Whole dots to a module: a code with crooked ones is not read.
  const step = Math.max(1, Math.floor((19 * DOTS_PER_MM) / size));
  for (let at = 0; at < size * size; at += 1)
    if (data[at]) context.fillRect(edge + (at % size) * step, edge + Math.floor(at / size) * step, step, step);
  const left = edge + size * step + edge;
  let top = edge;
  for (const { text, mm, bold } of lines) {
    const height = mm * DOTS_PER_MM;
    context.font = `${bold ? 700 : 400} ${height}px "Atkinson Hyperlegible Next", sans-serif`;
    context.textBaseline = 'top';
    context.fillText(fitted(context, text, canvas.width - edge - left), left, top);
    top += height * 1.2;
  }
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('The label cannot be drawn.'))), 'image/png'),
  );
}
