import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';

const require = createRequire(import.meta.url);
export const FONTS = {
  body: require.resolve(
    '@expo-google-fonts/atkinson-hyperlegible-next/400Regular/AtkinsonHyperlegibleNext_400Regular.ttf',
  ),
  bold: require.resolve('@expo-google-fonts/atkinson-hyperlegible-next/700Bold/AtkinsonHyperlegibleNext_700Bold.ttf'),
  figures: require.resolve(
    '@expo-google-fonts/atkinson-hyperlegible-mono/500Medium/AtkinsonHyperlegibleMono_500Medium.ttf',
  ),
  plate: require.resolve(
    '@expo-google-fonts/sofia-sans-extra-condensed/800ExtraBold/SofiaSansExtraCondensed_800ExtraBold.ttf',
  ),
};
export const INK = '#0f1a22';
export const INK_2 = '#4b5963';
const RULE = '#aeb8be';
export const PAINT = '#ffd21f';
export const BAD = '#c2252b';
export const MARGIN = 42;

export interface Column {
  title: string;
  width: number;
  align?: 'right';
  figures?: boolean;
}

/** Writes down a page and turns it when full. */
export class Sheet {
  readonly doc: PDFKit.PDFDocument;

  constructor(
    title: string,
    createdAt: Date,
    private readonly footer: string,
  ) {
    this.doc = new PDFDocument({
      size: 'A4',
      margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: 54 },
      bufferPages: true,
      info: { Title: title, Creator: 'Wrenchman', CreationDate: createdAt },
    });
    for (const [name, file] of Object.entries(FONTS)) this.doc.registerFont(name, file);
  }

  private get width(): number {
    return this.doc.page.width - 2 * MARGIN;
  }

  /** Starts a new page unless `height` points still fit. */
  room(height: number): void {
    if (this.doc.y + height > this.doc.page.height - 54) this.doc.addPage();
  }

  plate(text: string, size = 15): void {
    this.room(40);
    this.doc.moveDown(0.7).font('plate').fontSize(size).fillColor(INK).text(text.toUpperCase(), MARGIN);
    this.doc.moveDown(0.15);
  }

  text(text: string, { bold = false, color = INK, size = 9.5 } = {}): void {
    this.doc
      .font(bold ? 'bold' : 'body')
      .fontSize(size)
      .fillColor(color);
    this.room(this.doc.heightOfString(text, { width: this.width }));
    this.doc.text(text, MARGIN, undefined, { width: this.width });
  }

  table(columns: Column[], rows: Array<{ cells: string[]; bad?: boolean; struck?: boolean }>): void {
    const head = () => {
      this.doc.font('body').fontSize(8).fillColor(INK_2);
      this.cells(
        columns,
        columns.map((column) => column.title),
        11,
        () => 'body',
      );
      this.line();
    };
    this.room(36);
    head();
    for (const row of rows) {
      const height = Math.max(
        13,
        ...row.cells.map((cell, index) => {
          const column = columns[index];
          this.doc.font(column?.figures ? 'figures' : 'body').fontSize(8.5);
          return this.doc.heightOfString(cell, { width: (column?.width ?? 0) * this.width - 6 }) + 3;
        }),
      );
      if (this.doc.y + height > this.doc.page.height - 54) {
        this.doc.addPage();
        head();
      }
      const top = this.doc.y;
      this.doc.fontSize(8.5).fillColor(row.bad ? BAD : INK);
      this.cells(columns, row.cells, height, (column) => (column.figures ? 'figures' : 'body'));
      if (row.struck) this.strike(columns, row.cells, top);
    }
    this.line();
  }

  private cells(columns: Column[], cells: string[], height: number, font: (column: Column) => string): void {
    const top = this.doc.y;
    let left = MARGIN;
    columns.forEach((column, index) => {
      const width = column.width * this.width;
      this.doc
        .font(font(column))
        .text(cells[index] ?? '', left, top, { width: width - 6, align: column.align ?? 'left' });
      left += width;
    });
    this.doc.x = MARGIN;
    this.doc.y = top + height;
  }

  /** Strikes out what a row says, and not the columns it leaves blank. */
  private strike(columns: Column[], cells: string[], top: number): void {
    let left = MARGIN;
    columns.forEach((column, index) => {
      const width = column.width * this.width;
      const text = cells[index] ?? '';
      if (text !== '') {
        this.doc.font(column.figures ? 'figures' : 'body').fontSize(8.5);
        const long = Math.min(width - 6, this.doc.widthOfString(text));
        const from = column.align === 'right' ? left + width - 6 - long : left;
        this.doc
          .moveTo(from, top + 5.5)
          .lineTo(from + long, top + 5.5)
          .lineWidth(0.6)
          .stroke(INK_2);
      }
      left += width;
    });
  }

  line(): void {
    this.doc
      .moveTo(MARGIN, this.doc.y)
      .lineTo(MARGIN + this.width, this.doc.y)
      .lineWidth(0.8)
      .stroke(RULE);
    this.doc.y += 3;
  }

  /** Numbers the pages and gives the file's bytes. */
  finish(): Promise<Buffer> {
    const { start, count } = this.doc.bufferedPageRange();
    for (let page = start; page < start + count; page++) {
      this.doc.switchToPage(page);
      // The footer stands in the margin, where text would otherwise start a new page.
      this.doc.page.margins.bottom = 0;
      this.doc.font('body').fontSize(7.5).fillColor(INK_2);
      this.doc.text(this.footer, MARGIN, this.doc.page.height - 40, { width: this.width - 60, lineBreak: false });
      this.doc.text(`${page - start + 1} / ${count}`, MARGIN, this.doc.page.height - 40, {
        width: this.width,
        align: 'right',
        lineBreak: false,
      });
    }
    return new Promise((resolve, reject) => {
      const chunks: Buffer[] = [];
      this.doc.on('data', (chunk: Buffer) => chunks.push(chunk));
      this.doc.on('end', () => resolve(Buffer.concat(chunks)));
      this.doc.on('error', reject);
      this.doc.end();
    });
  }
}
