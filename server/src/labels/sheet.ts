/** Sheets of A4 with labels in a keeper's size: the name by the rules, the number, what else is wanted, and a code. */
import { LABEL_MARGIN_MM, LABEL_SIZES, type LabelSize, labelsASheet } from '@zinc-pail/contract/limits';
import { nameParts } from '@zinc-pail/core';
import { createRequire } from 'node:module';
import type { Writable } from 'node:stream';
import { setImmediate } from 'node:timers/promises';
import PDFDocument from 'pdfkit';
import QRCode from 'qrcode';

const MM = 72 / 25.4;
/** From the edges of a label inward; a label at the paper's edge keeps the paper's margin besides. */
const PADDING_MM = 2.5;
const PAPER = { widthMm: 210, heightMm: 297 };
/** A code is as large as its label lets it, up to what any phone reads. */
const MOST_QR_MM = 22;
const POINTS = { most: 13, least: 6, number: 11, line: 8 };
const require = createRequire(import.meta.url);
const font = (file: string) => require.resolve(`@fontsource/aleo/files/aleo-latin-400-${file}.woff`);

export interface Labelled {
  id: number;
  name: string;
  number: string;
  /** what else stands on it: its bench, its rule */
  lines: readonly string[];
}

export interface SheetOptions {
  /** labels already gone from the first sheet */
  skip: number;
  /** address under which plants are opened */
  base: string;
  size: LabelSize;
}

/** Writes the labels, sheet after sheet, and ends the stream. */
export async function labelSheet(
  to: Writable,
  plants: readonly Labelled[],
  { skip, base, size }: SheetOptions,
): Promise<void> {
  const aSheet = labelsASheet(size);
  const pdf = new PDFDocument({ size: 'A4', margin: 0, info: { Title: 'Plant labels' } });
  pdf.pipe(to);
  pdf.registerFont('roman', font('normal'));
  pdf.registerFont('italic', font('italic'));
  // Unpacking a font, and setting its first letters, takes some hundredths of a second each: one at a time.
  for (const face of ['roman', 'italic']) {
    pdf.font(face);
    await setImmediate();
    pdf.widthOfString('Aloe');
    await setImmediate();
  }
  for (const [i, plant] of plants.entries()) {
    const onSheet = (skip + i) % aSheet;
    if (onSheet === 0 && skip + i > 0) pdf.addPage();
    // Others are answered between two labels.
    await setImmediate();
    drawLabel(pdf, boxOf(size, onSheet), plant, `${base}/plants/${plant.id}`);
  }
  pdf.end();
}

interface Box {
  xMm: number;
  yMm: number;
  widthMm: number;
  heightMm: number;
}

/** The part of a label that may be printed on: inside its own edge, and inside the paper's margin. */
export function boxOf(size: LabelSize, onSheet: number): Box {
  const { widthMm, heightMm, columns, leftMm, topMm } = LABEL_SIZES[size];
  const left = leftMm + (onSheet % columns) * widthMm;
  const top = topMm + Math.floor(onSheet / columns) * heightMm;
  const from = (edge: number) => Math.max(edge + PADDING_MM, LABEL_MARGIN_MM);
  const to = (edge: number, paper: number) => Math.min(edge - PADDING_MM, paper - LABEL_MARGIN_MM);
  const [xMm, yMm] = [from(left), from(top)];
  return {
    xMm,
    yMm,
    widthMm: to(left + widthMm, PAPER.widthMm) - xMm,
    heightMm: to(top + heightMm, PAPER.heightMm) - yMm,
  };
}

function drawLabel(pdf: PDFKit.PDFDocument, box: Box, card: Labelled, address: string): void {
  const qrMm = Math.min(MOST_QR_MM, box.heightMm);
  const [x, y] = [box.xMm * MM, box.yMm * MM];
  const width = (box.widthMm - qrMm - PADDING_MM) * MM;
  drawCode(pdf, address, {
    x: (box.xMm + box.widthMm - qrMm) * MM,
    y: (box.yMm + (box.heightMm - qrMm) / 2) * MM,
    sideMm: qrMm,
  });
  const foot = POINTS.number * 1.25 + card.lines.length * POINTS.line * 1.25;
  const room = box.heightMm * MM - foot;
  const parts = nameParts(card.name);
  const whole = parts.map((part) => part.text).join(' ');
  let size = POINTS.most;
  // A long name is set smaller rather than cut.
  while (size > POINTS.least && pdf.font('roman').fontSize(size).heightOfString(whole, { width }) > room) size -= 0.5;
  pdf.fillColor('#1d2b2c').fontSize(size);
  for (const [i, part] of parts.entries()) {
    const text = i > 0 && !part.text.startsWith(',') ? ` ${part.text}` : part.text;
    pdf.font(part.style === 'italic' ? 'italic' : 'roman');
    const last = i === parts.length - 1;
    if (i === 0) pdf.text(text, x, y, { width, height: room, continued: !last });
    else pdf.text(text, { width, height: room, continued: !last });
  }
  let line = y + box.heightMm * MM - foot;
  pdf.font('roman').fontSize(POINTS.number).text(card.number, x, line, { width, lineBreak: false, ellipsis: true });
  line += POINTS.number * 1.25;
  for (const words of card.lines) {
    pdf
      .fontSize(POINTS.line)
      .text(words, x, line, { width, height: POINTS.line * 1.2, lineBreak: true, ellipsis: true });
    line += POINTS.line * 1.25;
  }
}

/** A code as one filled path: each row's dark runs, no picture to pack and unpack. */
function drawCode(
  pdf: PDFKit.PDFDocument,
  address: string,
  { x, y, sideMm }: { x: number; y: number; sideMm: number },
): void {
  const { size, data } = QRCode.create(address, { errorCorrectionLevel: 'M' }).modules;
  const side = (sideMm * MM) / size;
  for (let row = 0; row < size; row++) {
    for (let from = 0; from < size; from++) {
      if (!data[row * size + from]) continue;
      let to = from + 1;
      while (to < size && data[row * size + to]) to++;
      pdf.rect(x + from * side, y + row * side, (to - from) * side, side);
      from = to;
    }
  }
  pdf.fill('#000000');
}
