import { createWriteStream } from 'node:fs';
import { once } from 'node:events';
import PDFDocument from 'pdfkit';

/** Writes a made-up building plan: a title sheet, then one drawing with its measures to each page. */
export async function writePlan(file: string, title: string, pages: number): Promise<void> {
  const document = new PDFDocument({
    size: 'A3',
    layout: 'landscape',
    info: { Title: title, Author: 'Hollowtarn Kites' },
  });
  const done = once(document.pipe(createWriteStream(file)), 'finish');
  document.fontSize(40).fillColor('#14323B').text(title, 80, 120);
  document.fontSize(18).text(`${pages} sheets, drawn full size. Made up, like everything at Hollowtarn.`, 80, 190);
  for (let sheet = 2; sheet <= pages; sheet += 1) {
    const half = 120 + sheet * 30;
    document.addPage().fontSize(16).text(`${title}, sheet ${sheet} of ${pages}`, 80, 60);
    document
      .polygon([595 - half, 420], [595, 160], [595 + half, 420], [595, 700])
      .lineWidth(1.5)
      .stroke('#1C4E5F')
      .moveTo(595, 160)
      .lineTo(595, 700)
      .dash(6, { space: 4 })
      .stroke('#B23A24')
      .undash();
    document.fontSize(12).text(`${half * 2} mm`, 605, 425);
  }
  document.end();
  await done;
}
