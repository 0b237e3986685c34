/** A sheet of A4 with three columns of eight labels, as sheets are sold: 70 × 36 mm, no margin between. */
import { LABELS_A_SHEET } from '@zinc-pail/contract/limits';
import { nameParts } from '@zinc-pail/core';
import { createRequire } from 'node:module';
import type { Writable } from 'node:stream';
import { setImmediate } from 'node:timers/promises';
import PDFDocument from 'pdfkit';
import QRCode from 'qrcode';

const MM = 72 / 25.4;
const LABEL = { widthMm: 70, heightMm: 36, columns: 3, topMm: 4.5 };
const PADDING_MM = 4;
const QR_MM = 22;
const require = createRequire(import.meta.url);
const font = (file: string) => require.resolve(`@fontsource/aleo/files/aleo-latin-400-${file}.woff`);

export interface Labelled {
  id: number;
  name: string;
  number: string;
}

/**
 * Writes the labels, sheet after sheet, and ends the stream.
 *
 * @param skip labels already gone from the first sheet
 * @param base address under which plants are opened
 */
export async function labelSheet(
  to: Writable,
  plants: readonly Labelled[],
  { skip, base }: { skip: number; base: string },
): Promise<void> {
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
    const onSheet = (skip + i) % LABELS_A_SHEET;
    if (onSheet === 0 && skip + i > 0) pdf.addPage();
    // Others are answered between two labels.
    await setImmediate();
    const x = (onSheet % LABEL.columns) * LABEL.widthMm * MM;
    const y = (LABEL.topMm + Math.floor(onSheet / LABEL.columns) * LABEL.heightMm) * MM;
    drawLabel(pdf, { x, y }, plant, `${base}/plants/${plant.id}`);
  }
  pdf.end();
}

function drawLabel(pdf: PDFKit.PDFDocument, { x, y }: { x: number; y: number }, card: Labelled, address: string): void {
  const pad = PADDING_MM * MM;
  const width = (LABEL.widthMm - QR_MM - 3 * PADDING_MM) * MM;
  drawCode(pdf, address, {
    x: x + (LABEL.widthMm - QR_MM - PADDING_MM) * MM,
    y: y + ((LABEL.heightMm - QR_MM) / 2) * MM,
  });
  const parts = nameParts(card.name);
  let size = 13;
  // A long name is set smaller rather than cut.
  while (
    size > 7 &&
    pdf
      .font('roman')
      .fontSize(size)
      .heightOfString(parts.map((part) => part.text).join(' '), { width }) >
      20 * MM
  )
    size--;
  pdf.fillColor('#1d2b2c').fontSize(size);
  for (const [i, part] of parts.entries()) {
    const text = i > 0 && !part.text.startsWith(',') ? ` ${part.text}` : part.text;
    pdf.font(part.style === 'italic' ? 'italic' : 'roman');
    if (i === 0) pdf.text(text, x + pad, y + pad, { width, continued: parts.length > 1 });
    else pdf.text(text, { width, continued: i < parts.length - 1 });
  }
  pdf
    .font('roman')
    .fontSize(11)
    .text(card.number, x + pad, y + (LABEL.heightMm - PADDING_MM - 5) * MM, { width });
}

/** A code as one filled path: each row's dark runs, no picture to pack and unpack. */
function drawCode(pdf: PDFKit.PDFDocument, address: string, { x, y }: { x: number; y: number }): void {
  const { size, data } = QRCode.create(address, { errorCorrectionLevel: 'M' }).modules;
  const side = (QR_MM * MM) / size;
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
