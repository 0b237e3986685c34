import { nameParts } from '@zinc-pail/core';
import { Router } from 'express';
import { createRequire } from 'node:module';
import PDFDocument from 'pdfkit';
import QRCode from 'qrcode';
import type { App } from '../app.ts';
import { Refused } from '../http/problem.ts';
import { cardsById } from '../plants/store.ts';

/** A sheet of A4 with three columns of eight labels, as sheets are sold: 70 × 36 mm, no margin between. */
const MM = 72 / 25.4;
const LABEL = { widthMm: 70, heightMm: 36, columns: 3, rows: 8, topMm: 4.5 };
const PADDING_MM = 4;
const QR_MM = 22;
const MOST_LABELS = 1000;
const require = createRequire(import.meta.url);
const font = (file: string) => require.resolve(`@fontsource/aleo/files/aleo-latin-400-${file}.woff`);

/** A sheet of labels: the name by the rules, the number, and a code that opens the plant's page. */
export function labelRoutes(app: App): Router {
  const router = Router();
  router.get('/labels.pdf', async (request, response) => {
    const ids = String(request.query.ids ?? '')
      .split(',')
      .filter(Boolean)
      .map(Number);
    const skip = Number(request.query.skip ?? 0);
    if (ids.length === 0 || ids.length > MOST_LABELS || ids.some((id) => !Number.isInteger(id) || id < 1))
      throw new Refused(400, 'Which plants?', `Ids of 1 to ${MOST_LABELS} plants are wanted, with commas between.`, [
        { pointer: '/ids', got: request.query.ids, accepted: 'ids of plants with commas between' },
      ]);
    if (!Number.isInteger(skip) || skip < 0 || skip >= LABEL.columns * LABEL.rows)
      throw new Refused(
        400,
        'Where to begin?',
        'The number of labels already gone from the sheet is wanted, 0 to 23.',
        [{ pointer: '/skip', got: request.query.skip, accepted: 'a whole number from 0 to 23' }],
      );
    const cards = new Map((await cardsById(app.pool, ids)).map((card) => [card.id, card]));
    const base = `${request.protocol}://${request.get('host')}`;
    const pdf = new PDFDocument({ size: 'A4', margin: 0, info: { Title: 'Plant labels' } });
    response.type('application/pdf').set('Content-Disposition', 'inline; filename="labels.pdf"');
    pdf.pipe(response);
    pdf.registerFont('roman', font('normal'));
    pdf.registerFont('italic', font('italic'));
    let at = skip;
    for (const id of ids) {
      const card = cards.get(id);
      if (!card) continue;
      const onSheet = at % (LABEL.columns * LABEL.rows);
      if (onSheet === 0 && at > 0) pdf.addPage();
      const x = (onSheet % LABEL.columns) * LABEL.widthMm * MM;
      const y = (LABEL.topMm + Math.floor(onSheet / LABEL.columns) * LABEL.heightMm) * MM;
      await drawLabel(pdf, x, y, card, `${base}/plants/${id}`);
      at++;
    }
    pdf.end();
  });
  return router;
}

async function drawLabel(
  pdf: PDFKit.PDFDocument,
  x: number,
  y: number,
  card: { name: string; number: string; provenance: string | null },
  address: string,
): Promise<void> {
  const pad = PADDING_MM * MM;
  const width = (LABEL.widthMm - QR_MM - 3 * PADDING_MM) * MM;
  const code = await QRCode.toBuffer(address, { margin: 0, scale: 8, errorCorrectionLevel: 'M' });
  pdf.image(code, x + (LABEL.widthMm - QR_MM - PADDING_MM) * MM, y + ((LABEL.heightMm - QR_MM) / 2) * MM, {
    width: QR_MM * MM,
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
