import type { Device, KeptPhoto } from './device';
import { Refused, Unreachable, office } from './office';
import { closePhotos, openPhotos, sendPhotos, usePhotos } from './photos';

const BYTES = 600_000;
const photoOf = (sha256: string, held = 0): KeptPhoto => ({
  sha256,
  inspection: 'a-house',
  picture: new Blob([new Uint8Array(BYTES)]),
  held,
  whole: false,
});

/** A device that keeps photos in memory. */
function deviceWith(...photos: KeptPhoto[]) {
  const kept = new Map(photos.map((one) => [one.sha256, one]));
  const device = {
    unsentPhotos: () => Promise.resolve([...kept.values()].filter(({ whole }) => !whole)),
    keepPhoto: (photo: KeptPhoto) => Promise.resolve(void kept.set(photo.sha256, photo)),
  };
  return { kept, device: device as unknown as Device };
}

/** An office that takes pieces, and fails where told to. */
function officeThat(fails: (at: number, sha256: string) => Error | undefined = () => undefined) {
  const asked: [string, number, number][] = [];
  jest.spyOn(office, 'piece').mockImplementation((_, sha256, at, piece) => {
    const trouble = fails(at, sha256);
    if (trouble) return Promise.reject(trouble);
    asked.push([sha256, at, piece.size]);
    const held = at + piece.size;
    return Promise.resolve({ held, whole: held === BYTES });
  });
  return asked;
}

afterEach(() => {
  closePhotos();
  jest.restoreAllMocks();
});

test('a photo goes in pieces, and one that broke off goes on from there', async () => {
  const { kept, device } = deviceWith(photoOf('one'));
  openPhotos(device, () => true);
  let down = true;
  const asked = officeThat((at) => (down && at > 0 ? new Unreachable('no signal') : undefined));
  await sendPhotos();
  expect(kept.get('one')).toMatchObject({ held: 262_144, whole: false });
  expect(usePhotos.getState()).toEqual({ waiting: 1, trouble: undefined });
  down = false;
  await sendPhotos();
  expect(kept.get('one')).toMatchObject({ held: BYTES, whole: true });
  expect(asked).toEqual([
    ['one', 0, 262_144],
    ['one', 262_144, 262_144],
    ['one', 524_288, 75_712],
  ]);
  expect(usePhotos.getState().waiting).toBe(0);
});

test('one that came damaged begins anew, says so, and holds up no other', async () => {
  const { kept, device } = deviceWith(photoOf('bad', 524_288), photoOf('good'));
  openPhotos(device, () => true);
  officeThat((_, sha256) => (sha256 === 'bad' ? new Refused(422, 'It came damaged.') : undefined));
  await sendPhotos();
  expect(kept.get('bad')).toMatchObject({ held: 0, whole: false });
  expect(kept.get('good')).toMatchObject({ whole: true });
  expect(usePhotos.getState()).toEqual({ waiting: 1, trouble: 'It came damaged.' });
});

test('one whose taking was undone is not sent, and sent once it is named again', async () => {
  const { kept, device } = deviceWith(photoOf('undone'));
  let named = false;
  openPhotos(device, () => named);
  const asked = officeThat();
  await sendPhotos();
  expect([asked, usePhotos.getState().waiting]).toEqual([[], 0]);
  named = true;
  await sendPhotos();
  expect(kept.get('undone')).toMatchObject({ whole: true });
});
