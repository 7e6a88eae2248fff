import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import type { JobDocument } from '#contract/job.ts';
import { deviationText } from '#contract/wording/deviation-text.ts';
import { COMPOUND_TEXT, passText, reasonsText, VERDICT_TEXT } from '#contract/wording/plan-text.ts';
import { deviations } from '#core/job/deviations.ts';
import { hardwareLedger } from '#core/job/hardware-ledger.ts';
import { stationMark } from '#core/job/station-progress.ts';
import { indexOf } from '#core/kit/plan.ts';
import { bothText } from '#core/quantity/show-both.ts';
import { fromBase } from '#core/quantity/unit.ts';
import { replay } from './record-file.ts';

const require = createRequire(import.meta.url);
const FONTS = {
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
const INK = '#0f1a22';
const INK_2 = '#4b5963';
const RULE = '#aeb8be';
const PAINT = '#ffd21f';
const BAD = '#c2252b';
const MARGIN = 42;

const utc = (atMs: number): string => `${new Date(atMs).toISOString().slice(0, 16).replace('T', ' ')} UTC`;
/** Readings as they were made, to a tenth: a record does not round them to fit a scale. */
const torque = (nm: number): string => nm.toFixed(1);
const poundFeet = (nm: number): string => fromBase(nm, 'lbf·ft').toFixed(1);

interface Column {
  title: string;
  width: number;
  align?: 'right';
  figures?: boolean;
}

/** Writes down a page and turns it when full. */
class Sheet {
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
      if (row.struck)
        this.doc
          .moveTo(MARGIN, top + 5.5)
          .lineTo(MARGIN + this.width, top + 5.5)
          .lineWidth(0.6)
          .stroke(INK_2);
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

/** The torque record as an A4 PDF: what was fitted, each pull, deviations, ledger, what to watch. */
export function recordPdf(job: JobDocument): Promise<Buffer> {
  const { plan, state } = replay(job);
  const { items, stations, compounds } = indexOf(plan);
  const last = job.events.at(-1);
  const closed = state.closed;
  const chain = last ? `event ${last.seq}, chain ${last.hash.slice(0, 16)}` : 'no events yet';
  const sheet = new Sheet(
    `Torque record ${job.number}`,
    new Date(last?.event.atMs ?? job.plannedStartMs),
    `${job.shop.name} · job ${job.number} · ${chain}`,
  );
  const { doc } = sheet;

  doc.rect(0, 0, doc.page.width, 76).fill(INK);
  doc.rect(0, 76, doc.page.width, 4).fill(PAINT);
  doc.font('plate').fontSize(28).fillColor('#ffffff').text('TORQUE RECORD', MARGIN, 22);
  doc.font('body').fontSize(10).text(`${job.shop.name}, job ${job.number}`, MARGIN, 52);
  doc
    .font('figures')
    .fontSize(10)
    .text(closed ? 'CLOSED' : 'NOT CLOSED: WORK IN PROGRESS', MARGIN, 30, { align: 'right' });
  doc.y = 92;

  sheet.text(
    `${job.vehicle.make} ${job.vehicle.model}, ${job.vehicle.modelYear ?? 'year not known'}, plate ${job.vehicle.plate}`,
    { bold: true, size: 12 },
  );
  sheet.text(
    `Owner: ${job.vehicle.owner}. Odometer ${bothText(job.odometerKm ?? job.vehicle.odometerKm, 'distance', 'metric')}. Bay ${job.bay}.`,
  );
  sheet.text(`${plan.title}, ${plan.maker}, sheet revision ${plan.kitRevision}.`);
  for (const caution of plan.cautions.filter((entry) => entry.safetyCritical))
    sheet.text(caution.text, { color: BAD, bold: true });

  sheet.plate('What the answers decided');
  const decided = plan.trace.filter(
    (entry) =>
      entry.because.length > 0 &&
      (entry.what === 'spec' || entry.what === 'group' || entry.what === 'caution') &&
      entry.included,
  );
  if (decided.length === 0) sheet.text('Nothing in this kit depended on an answer.');
  for (const entry of decided) sheet.text(`${entry.name}, because ${reasonsText(job.kit, entry.because)}.`);

  for (const group of plan.groups) {
    sheet.plate(group.title);
    const rows = group.torqueOrder.flatMap((id) => {
      const station = stations.get(id);
      const entry = state.stations.get(id);
      if (!station) return [];
      const bolt = station.stack.flatMap((piece) =>
        piece.kind === 'hardware' ? (items.get(piece.item) ?? []) : [],
      )[0];
      const bead = entry?.bead && compounds.get(entry.bead.compound);
      const name = `${station.name}${bolt?.thread ? `, ${bolt.thread}` : ''}${bead ? `, ${COMPOUND_TEXT[bead.kind].toLowerCase()}` : ''}`;
      if (!entry || entry.pulls.length === 0) {
        const mark = stationMark(plan, station, state);
        return [
          {
            cells: [
              station.label,
              name,
              station.printed,
              '',
              '',
              '',
              '',
              entry?.stopConfirmed ? `stop confirmed, ${entry.stopConfirmed.by.name}` : mark,
            ],
            bad: mark === 'bad',
          },
        ];
      }
      return entry.pulls.map((pull, index) => ({
        cells: [
          index === 0 ? station.label : '',
          index === 0 ? name : '',
          index === 0 ? station.printed : '',
          passText(group.passes[pull.pass], pull.pass).replace(/^pass /, ''),
          `${torque(pull.torqueNm)}${pull.angleDeg === undefined ? '' : ` +${Math.round(pull.angleDeg)}°`}`,
          poundFeet(pull.torqueNm),
          `  ${pull.wrench.label}`,
          `${pull.by.name}, ${utc(pull.atMs).slice(5, 16)}${pull.verdict === 'accepted' ? '' : `, ${VERDICT_TEXT[pull.verdict]}`}${pull.voided ? ', loosened since' : ''}${pull.withdrawn ? ', taken back' : ''}`,
        ],
        bad: pull.verdict !== 'accepted',
        struck: pull.withdrawn !== undefined,
      }));
    });
    sheet.table(
      [
        { title: 'Station', width: 0.07, figures: true },
        { title: 'Joint', width: 0.26 },
        { title: 'As printed', width: 0.14 },
        { title: 'Pass', width: 0.1 },
        { title: 'N·m', width: 0.09, figures: true, align: 'right' },
        { title: 'lbf·ft', width: 0.08, figures: true, align: 'right' },
        { title: '  Wrench', width: 0.09, figures: true },
        { title: 'Who and when', width: 0.17 },
      ],
      rows,
    );
  }

  sheet.plate('Deviations');
  const departures = deviations(plan, state);
  if (departures.length === 0) sheet.text('None.');
  for (const deviation of departures)
    sheet.text(`${utc(deviation.atMs)}, ${deviation.by.name}: ${deviationText(deviation, plan, job.kit)}`);

  sheet.plate('Hardware');
  sheet.table(
    [
      { title: 'Line', width: 0.08, figures: true },
      { title: 'What', width: 0.36 },
      { title: 'Supplied', width: 0.11, figures: true, align: 'right' },
      { title: 'Fitted', width: 0.11, figures: true, align: 'right' },
      { title: 'Spare', width: 0.11, figures: true, align: 'right' },
      { title: 'Scrapped', width: 0.11, figures: true, align: 'right' },
      { title: 'Missing', width: 0.12, figures: true, align: 'right' },
    ],
    hardwareLedger(plan, state).map((line) => ({
      cells: [
        line.item.line,
        line.item.name,
        ...[line.supplied, line.fitted, line.spare, line.scrapped, line.missing].map(String),
      ],
      bad: line.unaccounted < 0,
    })),
  );
  sheet.text('Spare pieces go to the owner with the vehicle.', { color: INK_2 });

  sheet.plate('To watch and to come back for');
  if (plan.aftercare.length === 0) sheet.text('Nothing is due.');
  for (const entry of plan.aftercare) {
    const due = [
      entry.afterKm === undefined ? '' : `after ${bothText(entry.afterKm, 'distance', 'metric')}`,
      entry.afterDays === undefined ? '' : `after ${entry.afterDays} days`,
    ]
      .filter(Boolean)
      .join(' or ');
    sheet.text(`${entry.text}${due ? ` Due ${due}.` : ''}`);
  }

  sheet.plate('Signed');
  sheet.text(
    closed
      ? `${closed.signature}, ${utc(closed.atMs)} (signed in as ${closed.by.name}, ${closed.by.role}).${closed.note ? ` ${closed.note}` : ''}`
      : 'Not signed: the job is not closed.',
  );
  if (last) sheet.text(`Chain of ${last.seq} events, last hash ${last.hash}`, { color: INK_2, size: 8 });
  sheet.text(
    'This record is an aid, not an approval. The vehicle maker’s manual, the kit maker’s sheet and local law come first; a licensed technician or inspector decides where required.',
    { color: INK_2, size: 8 },
  );
  return sheet.finish();
}
