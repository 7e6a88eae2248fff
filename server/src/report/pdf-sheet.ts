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
export const RULE = '#aeb8be';
export const PAINT = '#ffd21f';
export const BAD = '#c2252b';
export const MARGIN = 42;

/** Room a drawing is given on its page, points. */
export interface Frame {
  left: number;
  top: number;
  width: number;
  height: number;
}

export interface Column {
  title: string;
  width: number;
  align?: 'right';
  figures?: boolean;
}

type Element = ReturnType<PDFKit.PDFDocument['struct']>;
type ElementType = Parameters<PDFKit.PDFDocument['struct']>[0];

/**
 * Writes down a page and turns it when full. What it writes is tagged (ISO 32000-1, 14.8), so that a reader of the page
 * aloud knows a heading from a paragraph and a table's cells from each other.
 */
export class Sheet {
  readonly doc: PDFKit.PDFDocument;
  private readonly root: Element;

  constructor(
    title: string,
    createdAt: Date,
    private readonly footer: string,
  ) {
    this.doc = new PDFDocument({
      size: 'A4',
      margins: { top: MARGIN, left: MARGIN, right: MARGIN, bottom: 54 },
      bufferPages: true,
      pdfVersion: '1.7',
      lang: 'en',
      tagged: true,
      displayTitle: true,
      info: { Title: title, Creator: 'Wrenchman', CreationDate: createdAt },
    });
    for (const [name, file] of Object.entries(FONTS)) this.doc.registerFont(name, file);
    this.root = this.doc.struct('Document');
    this.doc.addStructure(this.root);
  }

  /** Writes something that a reader is told of as what it is. */
  private tag(type: ElementType, draw: () => void, options: { alt?: string } = {}, parent = this.root): void {
    const element = this.doc.struct(type, options, draw);
    parent.add(element);
    element.end();
  }

  /** Draws what says nothing: lines, grounds, page numbers. */
  private artifact(draw: () => void): void {
    this.doc.markContent('Artifact');
    draw();
    this.doc.endMarkedContent();
  }

  /** The dark band at the head of a report, with its title, what it is of, and how it stands. */
  band(title: string, of: string, stands: string): void {
    const { doc } = this;
    this.artifact(() => {
      doc.rect(0, 0, doc.page.width, 76).fill(INK);
      doc.rect(0, 76, doc.page.width, 4).fill(PAINT);
    });
    this.tag('H1', () => doc.font('plate').fontSize(28).fillColor('#ffffff').text(title.toUpperCase(), MARGIN, 22));
    this.tag('P', () => doc.font('body').fontSize(10).text(of, MARGIN, 52));
    this.tag('P', () => doc.font('figures').fontSize(10).text(stands, MARGIN, 30, { align: 'right' }));
    doc.x = MARGIN;
    doc.y = 92;
  }

  /** A drawing in its own room across the page, and what it shows for whoever cannot see it. */
  figure(alt: string, height: number, draw: (frame: Frame) => void): void {
    this.room(height + 6);
    const top = this.doc.y;
    this.tag('Figure', () => draw({ left: MARGIN, top, width: this.width, height }), { alt });
    this.doc.x = MARGIN;
    this.doc.y = top + height + 6;
  }

  /** Lines with a mark before each, as a list. */
  list(lines: readonly string[], { color = INK, size = 10 } = {}): void {
    const list = this.doc.struct('L');
    this.root.add(list);
    for (const line of lines) {
      this.doc.font('body').fontSize(size).fillColor(color);
      const width = this.width - 12;
      this.room(this.doc.heightOfString(line, { width }));
      const top = this.doc.y;
      this.artifact(() => this.doc.rect(MARGIN, top + size * 0.45, 4, 4).fill(color));
      this.tag(
        'LI',
        () =>
          this.doc
            .font('body')
            .fontSize(size)
            .fillColor(color)
            .text(line, MARGIN + 12, top, { width }),
        {},
        list,
      );
      this.doc.moveDown(0.15);
    }
    list.end();
    this.doc.x = MARGIN;
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
    this.doc.moveDown(0.7).font('plate').fontSize(size).fillColor(INK);
    this.tag('H2', () => this.doc.text(text.toUpperCase(), MARGIN));
    this.doc.moveDown(0.15);
  }

  text(text: string, { bold = false, color = INK, size = 9.5 } = {}): void {
    this.doc
      .font(bold ? 'bold' : 'body')
      .fontSize(size)
      .fillColor(color);
    this.room(this.doc.heightOfString(text, { width: this.width }));
    this.tag('P', () => this.doc.text(text, MARGIN, undefined, { width: this.width }));
  }

  table(columns: Column[], rows: Array<{ cells: string[]; bad?: boolean; struck?: boolean }>): void {
    const table = this.doc.struct('Table');
    this.root.add(table);
    const head = () => {
      this.doc.font('body').fontSize(8).fillColor(INK_2);
      this.cells(
        columns,
        columns.map((column) => column.title),
        11,
        () => 'body',
        { table, type: 'TH' },
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
      const font = (column: Column) => (column.figures ? 'figures' : 'body');
      this.cells(columns, row.cells, height, font, { table, type: 'TD' });
      if (row.struck) this.strike(columns, row.cells, top);
    }
    table.end();
    this.line();
  }

  private cells(
    columns: Column[],
    cells: string[],
    height: number,
    font: (column: Column) => string,
    { table, type }: { table: Element; type: 'TH' | 'TD' },
  ): void {
    const top = this.doc.y;
    const row = this.doc.struct('TR');
    table.add(row);
    let left = MARGIN;
    columns.forEach((column, index) => {
      const width = column.width * this.width;
      const at = left;
      const write = () =>
        this.doc
          .font(font(column))
          .text(cells[index] ?? '', at, top, { width: width - 6, align: column.align ?? 'left' });
      this.tag(type, write, {}, row);
      left += width;
    });
    row.end();
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
        this.artifact(() =>
          this.doc
            .moveTo(from, top + 5.5)
            .lineTo(from + long, top + 5.5)
            .lineWidth(0.6)
            .stroke(INK_2),
        );
      }
      left += width;
    });
  }

  line(): void {
    this.artifact(() =>
      this.doc
        .moveTo(MARGIN, this.doc.y)
        .lineTo(MARGIN + this.width, this.doc.y)
        .lineWidth(0.8)
        .stroke(RULE),
    );
    this.doc.y += 3;
  }

  /** Numbers the pages and gives the file's bytes. */
  finish(): Promise<Buffer> {
    const { start, count } = this.doc.bufferedPageRange();
    for (let page = start; page < start + count; page++) {
      this.doc.switchToPage(page);
      // The footer stands in the margin, where text would otherwise start a new page.
      this.doc.page.margins.bottom = 0;
      this.doc.markContent('Artifact');
      this.doc.font('body').fontSize(7.5).fillColor(INK_2);
      this.doc.text(this.footer, MARGIN, this.doc.page.height - 40, { width: this.width - 60, lineBreak: false });
      this.doc.text(`${page - start + 1} / ${count}`, MARGIN, this.doc.page.height - 40, {
        width: this.width,
        align: 'right',
        lineBreak: false,
      });
      this.doc.endMarkedContent();
    }
    this.root.end();
    return new Promise((resolve, reject) => {
      const chunks: Buffer[] = [];
      this.doc.on('data', (chunk: Buffer) => chunks.push(chunk));
      this.doc.on('end', () => resolve(Buffer.concat(chunks)));
      this.doc.on('error', reject);
      this.doc.end();
    });
  }
}
