/** Pictures, labels, and finding plants again. Against a real MariaDB. */
import { scaled } from '../src/pictures/scaling.ts';
import { inflateSync } from 'node:zlib';
import QRCode from 'qrcode';
import sharp from 'sharp';
import { LABEL_SIZE_NAMES, LABEL_SIZES, labelsASheet } from '@zinc-pail/contract/limits';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { boxOf } from '../src/labels/sheet.ts';
import { type Served, served } from './harness.ts';
import { keeper, daysAgo } from './keeper.ts';

let here: Served;
beforeAll(async () => {
  here = await served();
});
afterAll(() => here.drop());

const { send, takeIn, plant } = keeper(() => here);

describe('pictures', () => {
  it('are scaled one after the other, the large before the small that came after it', async () => {
    const plain = (side: number) =>
      sharp({ create: { width: side, height: side, channels: 3, background: '#8a8' } })
        .png()
        .toBuffer();
    const [large, small] = [await plain(6000), await plain(40)];
    const order: string[] = [];
    await Promise.all([
      scaled(large).then(() => order.push('large')),
      scaled(Buffer.from('no picture')).catch(() => order.push('none')),
      scaled(small).then(() => order.push('small')),
    ]);
    expect(order).toEqual(['large', 'none', 'small']);
  });
  it('are made smaller, lose the camera’s notes, and go into the book', async () => {
    const file = await sharp({ create: { width: 2400, height: 1200, channels: 3, background: '#6f8650' } })
      .withExif({ IFD0: { Copyright: 'somebody', Model: 'camera' } })
      .jpeg()
      .toBuffer();
    const answer = await fetch(`${here.url}/api/plants/1/pictures?day=${daysAgo(2)}&caption=Spring`, {
      method: 'POST',
      headers: { 'Content-Type': 'image/jpeg', Origin: here.url },
      body: new Uint8Array(file),
    });
    expect(answer.status).toBe(201);
    const made = (await answer.json()) as { id: number; width_px: number; height_px: number };
    expect(made).toMatchObject({ width_px: 1600, height_px: 800 });
    const large = Buffer.from(await (await fetch(`${here.url}/api/pictures/${made.id}/large`)).arrayBuffer());
    expect((await sharp(large).metadata()).exif).toBeUndefined();
    expect((await plant(1)).record.pictures[0]).toMatchObject({ id: made.id, day: daysAgo(2), caption: 'Spring' });
    await send(`/api/pictures/${made.id}/remove`, {});
    expect((await plant(1)).record.pictures).toEqual([]);
    expect((await here.ask(`/api/pictures/${made.id}/large`)).status).toBe(404);
  });
  it.each([
    ['text/plain', 'not a picture'],
    ['image/png', 'not a picture'],
    [
      'image/svg+xml',
      '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect width="9" height="9"/></svg>',
    ],
  ])('%s that is none is refused', async (type, body) => {
    const answer = await fetch(`${here.url}/api/plants/1/pictures`, {
      method: 'POST',
      headers: { 'Content-Type': type, Origin: here.url },
      body,
    });
    expect(answer.status).toBe(415);
  });
});

const pages = (pdf: string) => [...pdf.matchAll(/\/Type \/Page\b(?!s)/g)].length;

/** How many cells of a code are dark on each label: a run is one rectangle, as wide as its cells and one high. */
function darkCells(pdf: Buffer): number[] {
  const text = pdf.toString('latin1');
  const drawn = [...text.matchAll(/stream\n([\s\S]*?)\nendstream/g)].flatMap(([, packed]) => {
    try {
      return [inflateSync(Buffer.from(packed!, 'latin1')).toString('latin1')];
    } catch {
      return [];
    }
  });
  // A code is what lies between the end of one filling and the next, if rectangles lie there.
  return drawn
    .flatMap((page) => page.split(/^f$/m))
    .map((part) => [...part.matchAll(/^\S+ \S+ (\S+) (\S+) re$/gm)])
    .filter((runs) => runs.length > 50)
    .map((runs) => runs.reduce((sum, [, width, height]) => sum + Math.round(Number(width) / Number(height)), 0));
}

describe('labels', () => {
  it('are a PDF of the plants asked for', async () => {
    const answer = await fetch(`${here.url}/api/labels.pdf?ids=1,2&skip=3`);
    expect(answer.headers.get('content-type')).toContain('application/pdf');
    const pdf = Buffer.from(await answer.arrayBuffer()).toString('latin1');
    expect(pdf.startsWith('%PDF-')).toBe(true);
    expect(pages(pdf)).toBe(1);
    // Two labels after the first 23 of a sheet: the second begins a new one.
    const over = await fetch(`${here.url}/api/labels.pdf?ids=1,2&skip=23`);
    expect(pages(Buffer.from(await over.arrayBuffer()).toString('latin1'))).toBe(2);
    // On each label the code of its own plant's page, cell by cell.
    const cells = (id: number) =>
      QRCode.create(`${here.url}/plants/${id}`, { errorCorrectionLevel: 'M' }).modules.data.filter(Boolean).length;
    expect(darkCells(Buffer.from(pdf, 'latin1'))).toEqual([cells(1), cells(2)]);
    expect((await here.ask('/api/labels.pdf?ids=')).status).toBe(400);
    expect((await here.ask('/api/labels.pdf?ids=1&skip=24')).status).toBe(400);
  });
  it.each([
    ['small', 43, 2],
    ['stake', 29, 2],
    ['usual', 22, 1],
  ])('%s ones begin where the sheet does: after %i gone, two fill %i', async (size, skip, sheets) => {
    const answer = await fetch(`${here.url}/api/labels.pdf?ids=1,2&size=${size}&skip=${skip}&bench=true&rule=true`);
    expect(answer.status).toBe(200);
    expect(pages(Buffer.from(await answer.arrayBuffer()).toString('latin1'))).toBe(sheets);
    const most = { small: 44, stake: 30, usual: 24 }[size]!;
    expect((await here.ask(`/api/labels.pdf?ids=1&size=${size}&skip=${most}`)).status).toBe(400);
    expect((await here.ask('/api/labels.pdf?ids=1&size=vast')).status).toBe(400);
  });
  it('bear the address under which a phone reaches us, once it is set', async () => {
    await here.ask('/api/settings', { method: 'PATCH', body: { reach_url: 'http://shed.local:4780' } });
    expect((await here.ask('/api/kit')).body.collection.reach_url).toBe('http://shed.local:4780');
    const pdf = Buffer.from(await (await fetch(`${here.url}/api/labels.pdf?ids=1`)).arrayBuffer());
    const { data } = QRCode.create('http://shed.local:4780/plants/1', { errorCorrectionLevel: 'M' }).modules;
    expect(darkCells(pdf)).toEqual([data.filter(Boolean).length]);
    await here.ask('/api/settings', { method: 'PATCH', body: { reach_url: null } });
  });
  it.each(LABEL_SIZE_NAMES)('%s: nothing stands nearer than 6 mm to the paper’s edge, nor on another label', (size) => {
    const { widthMm, heightMm, columns, leftMm, topMm } = LABEL_SIZES[size];
    for (let i = 0; i < labelsASheet(size); i++) {
      const box = boxOf(size, i);
      expect(Math.min(box.xMm, box.yMm)).toBeGreaterThanOrEqual(6);
      expect(box.xMm + box.widthMm).toBeLessThanOrEqual(204);
      expect(box.yMm + box.heightMm).toBeLessThanOrEqual(291);
      expect(box.xMm).toBeGreaterThanOrEqual(leftMm + (i % columns) * widthMm);
      expect(box.yMm + box.heightMm).toBeLessThanOrEqual(topMm + (Math.floor(i / columns) + 1) * heightMm);
      expect(Math.min(box.widthMm / 3, box.heightMm)).toBeGreaterThan(9);
    }
  });
  it('of many are drawn aside, and are the same', async () => {
    const many = Array.from({ length: 100 }, (_, i) => 1 + (i % 2)).join(',');
    const answer = await fetch(`${here.url}/api/labels.pdf?ids=${many}`);
    expect(answer.status).toBe(200);
    expect(answer.headers.get('content-type')).toContain('application/pdf');
    const bytes = Buffer.from(await answer.arrayBuffer());
    expect(pages(bytes.toString('latin1'))).toBe(Math.ceil(100 / 24));
    const few = Buffer.from(await (await fetch(`${here.url}/api/labels.pdf?ids=1,2`)).arrayBuffer());
    const [one, two] = darkCells(few);
    expect(darkCells(bytes)).toEqual(Array.from({ length: 100 }, (_, i) => (i % 2 === 0 ? one : two)));
  });
});

describe('finding', () => {
  it.each([
    ['hahn', 'Mammillaria hahniana'],
    ['001', 'Mammillaria hahniana'],
    ['shelf echev', 'Echeveria agavoides'],
  ])('%s finds %s', async (q, name) => {
    expect((await here.ask(`/api/find?q=${encodeURIComponent(q)}`)).body.plants.map((one: any) => one.name)).toContain(
      name,
    );
  });
  it('by an old genus name or another name of the plant', async () => {
    const { ids } = (await takeIn({ name: 'Echinopsis ferox', other_names: 'Hedgehog of the hill, Prickle jack' }))
      .body;
    expect((await here.ask('/api/find?q=Lobivia')).body.plants.map((one: any) => one.id)).toContain(ids[0]);
    expect((await here.ask('/api/find?q=prickle')).body.plants[0].id).toBe(ids[0]);
    expect((await here.ask('/api/find?q=%25')).body.plants).toEqual([]);
    expect((await here.ask('/api/find?q=')).status).toBe(400);
  });
});
