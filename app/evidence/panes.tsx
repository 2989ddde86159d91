import { useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import { isMendedBy, type Evidence } from '@careful-latch/core/record';
import { Plate } from '../plates/plate';
import { record } from '../stores/inspections';
import { useSession } from '../stores/session';
import { countPhotos, keepPhoto, usePhotos } from '../stores/photos';
import { chooseFiles } from '../theme/files';
import { Input } from '../theme/elements';
import { TARGET, usePalette } from '../theme/theme';
import { Quiet, Words } from '../theme/words';
import { Look, LookSealed } from './look';
import { PhotoWithMarks } from './photo';
import { scalePhoto } from './scale';
import { CAPTION_PX, LINE_PX, THUMB_HEIGHT_PX, THUMB_PX } from './sizes';

/** Photos and notes beside each other, each to be opened. */
export function ShownEvidence({
  inspection,
  evidence,
  sealed = false,
}: {
  inspection: string;
  evidence: readonly Evidence[];
  /** As it was signed: to be looked at, and changed no more. */
  sealed?: boolean;
}) {
  const palette = usePalette();
  const [open, setOpen] = useState<string>();
  const account = useSession((state) => state.account);
  const looked = evidence.find(({ id }) => id === open);
  const Open = !sealed && account && looked && isMendedBy(looked, account) ? Look : LookSealed;
  return (
    <>
      <ScrollView horizontal showsHorizontalScrollIndicator={false} contentContainerStyle={{ gap: 10 }}>
        {evidence.map((one) => (
          <Pressable
            key={one.id}
            role="button"
            testID={one.photo ? 'shown-photo' : 'shown-note'}
            aria-label={one.photo ? `Photo: ${one.text || 'no caption'}` : `Note: ${one.text}`}
            onPress={() => setOpen(one.id)}
            style={{
              minHeight: TARGET,
              width: one.photo ? THUMB_PX : 180,
              gap: 4,
              ...(!one.photo && { borderWidth: 1, borderColor: palette.hairline, padding: 8 }),
            }}
          >
            {one.photo && (
              <View style={{ height: THUMB_HEIGHT_PX, overflow: 'hidden' }}>
                <PhotoWithMarks inspection={inspection} photo={one.photo} label="" widthPx={THUMB_PX} />
              </View>
            )}
            {one.text !== '' && (
              <Words numberOfLines={one.photo ? 1 : 4} style={{ fontSize: 15, lineHeight: 19 }}>
                {one.text}
              </Words>
            )}
          </Pressable>
        ))}
      </ScrollView>
      {looked && <Open key={looked.id} inspection={inspection} evidence={looked} onClose={() => setOpen(undefined)} />}
    </>
  );
}

/** What shows a fact or a finding, and the ways to add to it: camera, file, note. */
export function EvidencePane({
  inspection,
  about,
  evidence,
  caption = '',
}: {
  inspection: string;
  /** The lasting address of a fact, a rule, a violation or an order. */
  about: string;
  evidence: readonly Evidence[];
  /** What a photo is called until somebody says otherwise. */
  caption?: string;
}) {
  const palette = usePalette();
  const [writing, setWriting] = useState(false);
  const [text, setText] = useState('');
  const [scaling, setScaling] = useState(0);
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const refusal = usePhotos((one) => one.trouble);
  const waiting = usePhotos((one) => one.waiting);

  const take = async (camera: boolean) => {
    const files = await chooseFiles({
      accept: 'image/*',
      ...(camera ? { capture: 'environment' } : { multiple: true }),
    });
    setTrouble([]);
    setScaling((count) => count + files.length);
    for (const file of files) {
      try {
        const { picture, ...photo } = await scalePhoto(file);
        await keepPhoto(inspection, photo.sha256, picture);
        const is = { about, text: caption, photo: { ...photo, marks: [] } };
        record({ type: 'evidence', inspection, evidence: crypto.randomUUID(), is });
        void countPhotos();
      } catch (error) {
        setTrouble((all) => [...all, (error as Error).message]);
      }
      setScaling((count) => count - 1);
    }
  };
  const keepNote = () => {
    const is = { about, text: text.trim(), photo: null };
    try {
      record({ type: 'evidence', inspection, evidence: crypto.randomUUID(), is });
      setText('');
      setWriting(false);
      setTrouble([]);
    } catch (error) {
      setTrouble([(error as Error).message]);
    }
  };
  return (
    <View testID="evidence" style={{ gap: 8 }}>
      {evidence.length > 0 ? (
        <ShownEvidence inspection={inspection} evidence={evidence} />
      ) : (
        scaling > 0 && <View style={{ height: THUMB_HEIGHT_PX + (caption === '' ? 0 : CAPTION_PX) }} />
      )}
      {[...trouble, ...(refusal === undefined ? [] : [refusal])].map((one) => (
        <Words key={one} role="alert" color={palette.violation} style={{ fontSize: 16, lineHeight: 22 }}>
          {one}
        </Words>
      ))}
      {writing ? (
        <>
          <Input
            label="Note"
            aria-label="Note"
            value={text}
            onChangeText={setText}
            multiline
            maxLength={1000}
            renderErrorMessage={false}
            containerStyle={{ paddingHorizontal: 0 }}
          />
          <View style={{ flexDirection: 'row', gap: 8 }}>
            <Plate role="button" label="Keep the note" disabled={text.trim() === ''} onPress={keepNote} />
            <Plate role="button" quiet label="No note" onPress={() => setWriting(false)} />
          </View>
        </>
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          <Plate role="button" label="Take a photo" onPress={() => void take(true)} />
          <Plate role="button" label="From files" onPress={() => void take(false)} />
          <Plate role="button" label="Write a note" onPress={() => setWriting(true)} />
        </View>
      )}
      {/* The line stays when it says nothing any more, as the room for a picture is there before it: what is below is not pushed from under a thumb. */}
      {(scaling > 0 || evidence.some(({ photo }) => photo !== null)) && (
        <Quiet aria-live="polite" numberOfLines={1} style={{ minHeight: LINE_PX }}>
          {scaling > 0
            ? 'Making it smaller; go on meanwhile.'
            : waiting > 0
              ? `${waiting} ${waiting === 1 ? 'photo is' : 'photos are'} on this phone only so far.`
              : ''}
        </Quiet>
      )}
    </View>
  );
}
