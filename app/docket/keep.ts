import dayjs from 'dayjs';
import { strToU8, zipSync, type Zippable } from 'fflate';
import { PAPERS, paperOf, plainText, type PaperName } from '@careful-latch/core/papers';
import { dayTitle, daysOf, type Inspection } from '@careful-latch/core/record';
import { printPaper } from '../papers/print';
import { sourceOf } from '../papers/source';
import type { SignedRecord } from '../stores/office';
import { photoUrl } from '../stores/photos';
import { saveBlob } from '../theme/files';

const bytesOf = async (blob: Blob): Promise<Uint8Array> => new Uint8Array(await blob.arrayBuffer());
const placeOf = ({ header }: Inspection) => header.address.replace(/[^A-Za-z0-9]+/g, '-').toLowerCase();

/** What a package holds, for whoever opens it without this program. */
const README = `case.json: what was recorded at the house.
record.json: every signed decision as it was sealed, its line of the office's ledger as JWS, and the public keys.
  It is verified without the office: npm run verify -- record.json
docket.json: violations, orders, conditions and visits, with every step and who made it.
summary.txt: the last report, as plain text.
papers/: as PDF. photos/: by their SHA-256.
`;

/** One inspection as a ZIP: case, sealed records with their lines and keys, papers, photos, and a summary in plain text. */
export async function keepRecord(
  inspection: Inspection,
  sealed: { readonly records: readonly SignedRecord[]; readonly keys: readonly object[] },
  office: string,
): Promise<void> {
  const files: Zippable = {
    'README.txt': strToU8(README),
    'case.json': strToU8(JSON.stringify(inspection.case, undefined, 2)),
    'docket.json': strToU8(JSON.stringify(inspection.docket, undefined, 2)),
    'record.json': strToU8(JSON.stringify(sealed, undefined, 2)),
  };
  for (const { photo } of inspection.evidence) {
    if (!photo) continue;
    const url = await photoUrl(inspection.id, photo.sha256);
    const answer = await fetch(url).catch(() => undefined);
    if (answer?.ok) files[`photos/${photo.sha256}.jpg`] = await bytesOf(await answer.blob());
    if (url.startsWith('blob:')) URL.revokeObjectURL(url);
  }
  const signed = inspection.decisions.at(-1);
  if (signed) {
    const source = sourceOf(
      inspection,
      signed,
      sealed.records.find(({ id }) => id === signed.id),
      office,
    );
    for (const name of Object.keys(PAPERS) as PaperName[]) {
      const paper = paperOf(name, source);
      if (typeof paper === 'string') continue;
      files[`papers/${name}.pdf`] = await bytesOf(await printPaper(paper, 'LETTER', inspection.id));
      if (name === 'report') files['summary.txt'] = strToU8(plainText(paper));
    }
  }
  const packed = zipSync(files, { level: 0 }); // photos and PDFs are compressed already
  saveBlob(`${placeOf(inspection)}.zip`, new Blob([packed as Uint8Array<ArrayBuffer>], { type: 'application/zip' }));
}

const dateOf = (day: string) => day.split('-').map(Number) as [number, number, number];

/** Everything that is due, as a file for a calendar: a whole day each. */
export async function keepCalendar(inspections: readonly Inspection[]): Promise<void> {
  const { createEvents } = await import('ics');
  const { value, error } = createEvents(
    inspections.flatMap(daysOf).map((one) => {
      const { id, day } = one;
      const start = dateOf(day);
      const end = dateOf(dayjs(day).add(1, 'day').format('YYYY-MM-DD'));
      return { uid: id, start, end, title: dayTitle(one), productId: 'careful-latch' };
    }),
  );
  if (error) throw error;
  saveBlob('due-days.ics', new Blob([value ?? ''], { type: 'text/calendar' }));
}

/** Lists as CSV come with the tables: what reads and writes CSV is there already. */
const tables = () => import('../tables/tables');
const keepCsv = (name: string, text: string) => saveBlob(name, new Blob([text], { type: 'text/csv' }));

export const keepList = async (inspections: readonly Inspection[]): Promise<void> =>
  keepCsv('inspections.csv', (await tables()).inspectionsCsv(inspections));

export const keepViolations = async (inspections: readonly Inspection[]): Promise<void> =>
  keepCsv('violations.csv', (await tables()).violationsCsv(inspections));
