import { strToU8, zipSync, type Zippable } from 'fflate';
import {
  PAPERS,
  paperOf,
  plainText,
  redactedCopy,
  usualRemovals,
  type Paper,
  type PaperName,
} from '@careful-latch/core/papers';
import { type Inspection } from '@careful-latch/core/record';
import { daysOf, iCalendar } from '@careful-latch/core/calendar';
import { HISTORY_KINDS, historyOf } from '@careful-latch/core/history';
import { VERIFIER } from '@careful-latch/core/verifier';
import { printPaper } from '../papers/print';
import { sourceOf, type OfficeOfPaper } from '../papers/source';
import type { SignedRecord } from '../stores/office';
import { photoBlob } from '../stores/photos';
import { saveBlob } from '../theme/files';

const bytesOf = async (blob: Blob): Promise<Uint8Array> => new Uint8Array(await blob.arrayBuffer());
const placeOf = ({ header }: Inspection) => header.address.replace(/[^A-Za-z0-9]+/g, '-').toLowerCase();

/** What a package holds, for whoever opens it without this program. */
const README = `case.json: what was recorded at the house.
record.json: every signed decision as it was sealed, its line of the office's ledger as JWS, the public keys, and the office's statement of which records there are.
  It is verified without the office: node verify.mjs --key FINGERPRINT. The fingerprint of the office's key stands where the code on a paper leads.
docket.json: violations, orders, conditions and visits, with every step and who made it.
summary.txt: the last report, as plain text.
papers/: as PDF, of every decision, the first as 1-. photos/: by their SHA-256.
`;

interface Sealed {
  readonly records: readonly SignedRecord[];
  readonly keys: readonly object[];
  /** Which records there are, as a JWS of the office. */
  readonly statement: string;
}

const json = (data: unknown): Uint8Array => strToU8(JSON.stringify(data, undefined, 2));

/** One inspection as files: case, sealed records with their lines and keys, papers, photos, and a summary in plain text. */
async function filesOf(
  inspection: Inspection,
  sealed: Sealed,
  office: OfficeOfPaper | null,
): Promise<Record<string, Uint8Array>> {
  const files: Record<string, Uint8Array> = {
    'README.txt': strToU8(README),
    'case.json': json(inspection.case),
    'docket.json': json(inspection.docket),
    'record.json': json(sealed),
    'verify.mjs': strToU8(VERIFIER),
  };
  for (const { photo } of inspection.evidence) {
    if (!photo) continue;
    const picture = await photoBlob(inspection.id, photo.sha256);
    if (picture) files[`photos/${photo.sha256}.jpg`] = await bytesOf(picture);
  }
  for (const [name, paper] of papersOf(inspection, sealed, office)) {
    files[`papers/${name}.pdf`] = await bytesOf(await printPaper(paper, 'LETTER', inspection.id));
    if (name.endsWith('-report')) files['summary.txt'] = strToU8(plainText(paper)); // the last one’s stays
  }
  return files;
}

/** The papers of every decision, the first first: its place among them, and what it is called. */
function papersOf(inspection: Inspection, sealed: Sealed, office: OfficeOfPaper | null): [string, Paper][] {
  return inspection.decisions.flatMap((signed, i) => {
    const source = sourceOf(
      inspection,
      signed,
      sealed.records.find(({ id }) => id === signed.id),
      office,
    );
    return (Object.keys(PAPERS) as PaperName[]).flatMap((name): [string, Paper][] => {
      const paper = paperOf(name, source);
      return typeof paper === 'string' ? [] : [[`${i + 1}-${name}`, paper]];
    });
  });
}

function savePacked(name: string, files: Zippable): void {
  const packed = zipSync(files, { level: 0 }); // photos and PDFs are compressed already
  saveBlob(`${name}.zip`, new Blob([packed as Uint8Array<ArrayBuffer>], { type: 'application/zip' }));
}

/** One inspection as a ZIP. */
export const keepRecord = async (inspection: Inspection, sealed: Sealed, office: OfficeOfPaper | null): Promise<void> =>
  savePacked(placeOf(inspection), await filesOf(inspection, sealed, office));

/** What the office itself has said in the line of a record. */
const lineOf = ({ line }: SignedRecord): { readonly at?: string; readonly n?: number } =>
  line ? (JSON.parse(new TextDecoder().decode(Uint8Array.from(atob(line.split('.')[1]!.replaceAll('-', '+').replaceAll('_', '/')), (c) => c.charCodeAt(0)))) as { at: string; n: number }) : {}; // prettier-ignore

/** By whose clock what happened when, and what judged it. */
const clocksOf = (records: readonly SignedRecord[]): string =>
  records
    .map((one) => {
      const { decision, evaluation, rules, offline, receivedAt } = one.record;
      const { at, n } = lineOf(one);
      return [
        `${decision.kind}`,
        `  signed, by the clock of the device: ${decision.at}${offline ? ' (without signal)' : ''}`,
        `  received, by the clock of the office: ${receivedAt ?? 'not written down'}`,
        `  sealed, by the clock of the office: ${at ?? 'not sealed'}, line ${n ?? '-'}`,
        `  engine ${evaluation.engine}, edition ${evaluation.edition}, rules of the office: ${rules ? `version ${rules.version}` : 'none of its own'}`,
      ].join('\n');
    })
    .join('\n');

const hexOf = async (bytes: Uint8Array): Promise<string> =>
  [...new Uint8Array(await crypto.subtle.digest('SHA-256', bytes as Uint8Array<ArrayBuffer>))].map((one) => one.toString(16).padStart(2, '0')).join(''); // prettier-ignore

/** The record for a court: whole, and redacted for whoever else reads it; with the history, both clocks, the versions, who looked, and a list of contents. */
export async function keepForCourt(
  inspection: Inspection,
  sealed: Sealed,
  office: OfficeOfPaper | null,
  looked: object,
): Promise<void> {
  const files: Record<string, Uint8Array> = {};
  for (const [name, bytes] of Object.entries(await filesOf(inspection, sealed, office))) files[`whole/${name}`] = bytes;
  for (const [name, paper] of papersOf(inspection, sealed, office)) {
    const copy = redactedCopy(paper, usualRemovals(paper));
    files[`redacted/${name}.pdf`] = await bytesOf(await printPaper(copy, 'LETTER', inspection.id));
  }
  files['history.txt'] = strToU8(historyOf([inspection]).map(({ at, what, by, words }) => `${at}  ${HISTORY_KINDS[what]}${by && `, ${by}`}: ${words}`).join('\n')); // prettier-ignore
  files['clocks-and-versions.txt'] = strToU8(clocksOf(sealed.records));
  files['who-looked.json'] = json(looked);
  const lines = await Promise.all(
    Object.entries(files).map(async ([name, bytes]) => `${await hexOf(bytes)}  ${String(bytes.length).padStart(10)}  ${name}`), // prettier-ignore
  );
  files['contents.txt'] = strToU8(`SHA-256, bytes, file. Packed ${new Date().toISOString()}.\n${lines.join('\n')}\n`);
  savePacked(`${placeOf(inspection)}-for-a-court`, files);
}

/** Everything that is due, as a file for a calendar: a whole day each. */
export function keepCalendar(inspections: readonly Inspection[]): Promise<void> {
  const text = iCalendar(inspections.flatMap(daysOf), new Date().toISOString());
  saveBlob('due-days.ics', new Blob([text], { type: 'text/calendar' }));
  return Promise.resolve();
}

/** Lists as CSV come with the tables: what reads and writes CSV is there already. */
const tables = () => import('../tables/tables');
const keepCsv = (name: string, text: string) => saveBlob(name, new Blob([text], { type: 'text/csv' }));

export const keepList = async (inspections: readonly Inspection[]): Promise<void> =>
  keepCsv('inspections.csv', (await tables()).inspectionsCsv(inspections));

export const keepViolations = async (inspections: readonly Inspection[]): Promise<void> =>
  keepCsv('violations.csv', (await tables()).violationsCsv(inspections));
