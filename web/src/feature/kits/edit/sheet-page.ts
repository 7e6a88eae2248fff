/** Width a page is kept at, px: its smallest print can still be read. */
const PAGE_PX = 1600;

/** A page of a sheet as a picture on a canvas, and how many the file has. */
export interface SheetPage {
  canvas: HTMLCanvasElement;
  pages: number;
}

const context = (canvas: HTMLCanvasElement): CanvasRenderingContext2D => {
  const drawing = canvas.getContext('2d');
  if (!drawing) throw new Error('This browser cannot draw the page.');
  return drawing;
};

/**
 * Draws one page of a file: a picture has one, a PDF as many as it says.
 *
 * @param number - from 1
 * @throws where the file is neither, or has no such page
 */
export async function drawPage(file: File, number: number): Promise<SheetPage> {
  const canvas = document.createElement('canvas');
  if (file.type !== 'application/pdf' && !file.name.toLowerCase().endsWith('.pdf')) {
    const bitmap = await createImageBitmap(file).catch(() => {
      throw new Error(`${file.name} is neither a picture nor a PDF.`);
    });
    const scale = Math.min(1, PAGE_PX / bitmap.width);
    canvas.width = Math.round(bitmap.width * scale);
    canvas.height = Math.round(bitmap.height * scale);
    context(canvas).drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    return { canvas, pages: 1 };
  }
  const { getDocumentProxy } = await import('unpdf');
  const pdf = await getDocumentProxy(new Uint8Array(await file.arrayBuffer()), { verbosity: 0 });
  const page = await pdf.getPage(number);
  const viewport = page.getViewport({ scale: PAGE_PX / page.getViewport({ scale: 1 }).width });
  canvas.width = Math.round(viewport.width);
  canvas.height = Math.round(viewport.height);
  await page.render({ canvas, canvasContext: context(canvas), viewport }).promise;
  return { canvas, pages: pdf.numPages };
}

/** A rectangle on a page, in shares of its width and height. */
export interface Cut {
  x: number;
  y: number;
  width: number;
  height: number;
}

export const WHOLE_PAGE: Cut = { x: 0, y: 0, width: 1, height: 1 };

/** The rectangle between two corners, inside the page; the whole page where they are the same. */
export function cutBetween(a: { x: number; y: number }, b: { x: number; y: number }): Cut {
  const inside = (value: number) => Math.min(1, Math.max(0, value));
  const [left, right] = [inside(Math.min(a.x, b.x)), inside(Math.max(a.x, b.x))];
  const [top, bottom] = [inside(Math.min(a.y, b.y)), inside(Math.max(a.y, b.y))];
  // A tap is no rectangle.
  if (right - left < 0.02 || bottom - top < 0.02) return WHOLE_PAGE;
  return { x: left, y: top, width: right - left, height: bottom - top };
}

/** A cut-out of a page as JPEG. */
export async function cutOut(page: HTMLCanvasElement, cut: Cut): Promise<Blob> {
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(page.width * cut.width));
  canvas.height = Math.max(1, Math.round(page.height * cut.height));
  context(canvas).drawImage(
    page,
    page.width * cut.x,
    page.height * cut.y,
    canvas.width,
    canvas.height,
    0,
    0,
    canvas.width,
    canvas.height,
  );
  return new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('The page gave no picture.'))),
      'image/jpeg',
      0.85,
    ),
  );
}
