import { useEffect, useState } from 'react';
import { Image, View } from 'react-native';
import type { Photo } from '@careful-latch/core/record';
import { photoUrl } from '../stores/photos';
import { usePalette } from '../theme/theme';
import { Quiet } from '../theme/words';
import { Marks } from './marks';

/** Where a photo is to be seen; undefined until that is known. */
function useUrl(inspection: string, sha256: string): string | undefined {
  const [url, setUrl] = useState<string>();
  useEffect(() => {
    let own: string | undefined;
    let gone = false;
    void photoUrl(inspection, sha256).then((found) => {
      own = found;
      if (gone) URL.revokeObjectURL(found);
      else setUrl(found);
    });
    return () => {
      gone = true;
      if (own) URL.revokeObjectURL(own);
    };
  }, [inspection, sha256]);
  return url;
}

/** A photo with its marks, as wide as it may be; a frame with a sentence where it cannot be shown here. */
export function PhotoWithMarks({
  inspection,
  photo,
  label,
  widthPx,
}: {
  inspection: string;
  photo: Photo;
  label: string;
  widthPx: number;
}) {
  const palette = usePalette();
  const url = useUrl(inspection, photo.sha256);
  const [missing, setMissing] = useState(false);
  const heightPx = (widthPx * photo.heightPx) / photo.widthPx;
  return (
    <View style={{ width: widthPx, height: heightPx, backgroundColor: palette.hairline }}>
      {missing ? (
        <Quiet style={{ padding: 8 }}>Not on this phone; the office does not have it yet or cannot be reached.</Quiet>
      ) : (
        url !== undefined && (
          <Image
            source={{ uri: url }}
            {...(label !== '' && { role: 'img' as const })} // beside its words it says nothing of its own
            accessibilityLabel={label}
            onError={() => setMissing(true)}
            style={{ width: widthPx, height: heightPx }}
          />
        )
      )}
      {!missing && (
        <View
          style={{ position: 'absolute', left: 0, top: 0, width: widthPx, height: heightPx, pointerEvents: 'none' }}
        >
          <Marks photo={photo} />
        </View>
      )}
    </View>
  );
}
