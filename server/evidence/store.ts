import { existsSync } from 'node:fs';
import { mkdir, open, readFile, readdir, rename, rm, stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import exifr from 'exifr';
import { imageSize } from 'image-size';
import { sha256 as hashOf } from '../ledger/line';
import { Problem } from '../problems';

/** How much of a picture the office has, bytes, and whether that is the whole of it. */
interface Held {
  readonly held: number;
  readonly whole: boolean;
}

/** The first bytes of every JPEG. */
const JPEG = Buffer.from([0xff, 0xd8, 0xff]);

/** The largest picture, pixels: what is larger was not scaled down, and would fill the memory of whoever opens it. */
const MOST_PIXELS = 50_000_000;

/** Why something is no picture that is kept; undefined where it is. */
async function whyNoPicture(picture: Buffer): Promise<string | undefined> {
  if (!picture.subarray(0, JPEG.length).equals(JPEG)) return 'The photo that came is no JPEG.';
  try {
    const { width, height } = imageSize(picture);
    if (width * height > MOST_PIXELS) return 'The photo that came has more pixels than are kept.';
    const place = await exifr.gps(picture).catch(() => undefined);
    return place ? 'The photo that came says where it was taken; a photo goes without that.' : undefined;
  } catch {
    return 'The photo that came cannot be read as a JPEG.';
  }
}

const sizeOf = async (file: string): Promise<number> => (await stat(file).catch(() => undefined))?.size ?? 0;

/** Pictures as files named by their SHA-256, a folder an office: immutable, and cheap to back up. */
export class EvidenceStore {
  constructor(private readonly folder: string) {}

  private fileOf(office: string, sha256: string): string {
    return join(this.folder, office, sha256.slice(0, 2), `${sha256}.jpg`);
  }

  /** The file of a picture that the office has whole; undefined otherwise. */
  find(office: string, sha256: string): string | undefined {
    const file = this.fileOf(office, sha256);
    return existsSync(file) ? file : undefined;
  }

  /** A picture that the office has whole, hashed as it is read; undefined where it has none. Throws a `Problem` where its file was altered. */
  async read(office: string, sha256: string): Promise<Buffer | undefined> {
    const file = this.find(office, sha256);
    if (!file) return undefined;
    const picture = await readFile(file);
    if (hashOf(picture) !== sha256)
      throw new Problem(
        409,
        'Altered',
        'The file of this photo was altered at the office; it is not shown. Tell the lead.',
      );
    return picture;
  }

  /** Every picture that the office has whole, one after the other. */
  async *all(office: string): AsyncGenerator<{ sha256: string; picture: Buffer }> {
    const files = await readdir(join(this.folder, office), { recursive: true }).catch(() => []);
    for (const file of files.toSorted()) {
      const sha256 = /([0-9a-f]{64})\.jpg$/.exec(file)?.[1];
      if (sha256) yield { sha256, picture: await readFile(join(this.folder, office, file)) };
    }
  }

  /** Takes away what was begun and never sent whole, and has not grown for so long; resolves with how many. */
  async sweep(olderThanMs: number): Promise<number> {
    const files = await readdir(this.folder, { recursive: true }).catch(() => []);
    let swept = 0;
    for (const file of files.filter((one) => one.endsWith('.part'))) {
      const path = join(this.folder, file);
      const known = await stat(path).catch(() => undefined);
      if (!known || Date.now() - known.mtimeMs < olderThanMs) continue;
      await rm(path, { force: true });
      swept++;
    }
    return swept;
  }

  /** Takes a picture away for good; one that is not there is gone already. */
  destroy(office: string, sha256: string): Promise<void> {
    return rm(this.fileOf(office, sha256), { force: true });
  }

  /**
   * Writes a piece at its place and says how much is there; the same piece twice is one. One that would leave a gap is not
   * written. Throws a `Problem` where the whole turns out to be another picture than was announced, or none.
   */
  async write(office: string, { sha256, bytes }: { sha256: string; bytes: number }, at: number, piece: Buffer) {
    const file = this.fileOf(office, sha256);
    if (existsSync(file)) return { held: bytes, whole: true } satisfies Held;
    const part = `${file}.part`;
    await mkdir(dirname(part), { recursive: true, mode: 0o700 });
    const held = await sizeOf(part);
    if (at > held) return { held, whole: false } satisfies Held;
    if (at + piece.length > bytes)
      throw new Problem(422, 'Too long', `This photo was announced with ${bytes} bytes; more came.`);
    const handle = await open(part, held === 0 ? 'w' : 'r+', 0o600);
    try {
      const { bytesWritten } = await handle.write(piece, 0, piece.length, at);
      if (bytesWritten < piece.length) throw Object.assign(new Error('short write'), { code: 'ENOSPC' });
      await handle.sync();
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'ENOSPC') throw error;
      await handle.truncate(held).catch(() => undefined);
      throw new Problem(
        507,
        'No room',
        'The office has no room for photos at the moment; this one stays on the device and is sent again.',
      );
    } finally {
      await handle.close();
    }
    const now = Math.max(held, at + piece.length);
    if (now < bytes) return { held: now, whole: false } satisfies Held;
    const picture = await readFile(part);
    const why =
      hashOf(picture) === sha256
        ? await whyNoPicture(picture)
        : 'The photo that came is not the one that was announced. It is sent again.';
    if (why !== undefined) {
      await rm(part, { force: true });
      throw new Problem(422, 'Damaged', why);
    }
    await rename(part, file);
    return { held: bytes, whole: true } satisfies Held;
  }
}
