import { useState, type ReactNode } from 'react';
import { Modal, Pressable, ScrollView, View, useWindowDimensions } from 'react-native';
import type { Evidence, Mark, Photo } from '@careful-latch/core/record';
import { Plate, Plates } from '../plates/plate';
import { record } from '../stores/inspections';
import { momentText } from '../theme/dates';
import { Button, Input } from '../theme/elements';
import { usePalette } from '../theme/theme';
import { Heading, Quiet, Words } from '../theme/words';
import { marked } from './marks';
import { PhotoWithMarks } from './photo';

/** A key moves the mark that was placed last by this part of the picture. */
const KEY_STEP = 0.02;
const KEYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-KEY_STEP, 0],
  ArrowRight: [KEY_STEP, 0],
  ArrowUp: [0, -KEY_STEP],
  ArrowDown: [0, KEY_STEP],
};
const inside = (place: number) => Math.min(1, Math.max(0, place));

interface Props {
  readonly inspection: string;
  readonly evidence: Evidence;
  readonly onClose: () => void;
}

/** A photo as wide as the screen takes it. */
function useWidth(photo: Photo | null): number {
  const window = useWindowDimensions();
  return photo ? Math.min(window.width - 32, 900, (window.height * 0.55 * photo.widthPx) / photo.heightPx) : 0;
}

function Frame({
  evidence: { photo, by, at },
  onClose,
  children,
}: {
  evidence: Evidence;
  onClose: () => void;
  children: ReactNode;
}) {
  const palette = usePalette();
  const name = photo ? 'Photo' : 'Note';
  return (
    <Modal visible transparent animationType="none" onRequestClose={onClose}>
      <View role="dialog" aria-label={name} style={{ flex: 1, backgroundColor: palette.paper }}>
        <ScrollView
          tabIndex={0}
          contentContainerStyle={{ padding: 16, gap: 12, width: '100%', maxWidth: 932, alignSelf: 'center' }}
        >
          <View>
            <Heading>{name}</Heading>
            <Quiet>{`${by}, ${momentText(at)}`}</Quiet>
          </View>
          {children}
        </ScrollView>
      </View>
    </Modal>
  );
}

/** A photo or note as it was signed: nothing of it can be changed. */
export function LookSealed({ inspection, evidence, onClose }: Props) {
  const { photo, text } = evidence;
  const width = useWidth(photo);
  return (
    <Frame evidence={evidence} onClose={onClose}>
      {photo && (
        <View style={{ alignSelf: 'center' }}>
          <PhotoWithMarks inspection={inspection} photo={photo} label={text || 'Photo'} widthPx={width} />
        </View>
      )}
      {text !== '' && <Words>{text}</Words>}
      <Button title="Done" onPress={onClose} />
    </Frame>
  );
}

/** One photo or note, to be looked at: its marks, its words, and the way to take it out. Every touch is kept at once. */
export function Look({ inspection, evidence, onClose }: Props) {
  const [kind, setKind] = useState<Mark['kind']>('ring');
  const [text, setText] = useState(evidence.text);
  const [trouble, setTrouble] = useState<string>();
  const { id, at: _at, by: _by, ...is } = evidence;
  const { photo } = is;
  const width = useWidth(photo);
  const keep = (next: Partial<typeof is> | null) => {
    try {
      record({ type: 'evidence', inspection, evidence: id, is: next && { ...is, ...next } });
      setTrouble(undefined);
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  const keepText = () => text.trim() !== is.text && keep({ text: text.trim() });
  const keepMarks = (marks: readonly Mark[]) => photo && keep({ photo: { ...photo, marks: [...marks] } });
  const close = () => {
    if (!photo && text.trim() === '') setTrouble('A note has words. Write them, or take the note out.');
    else {
      keepText();
      onClose();
    }
  };
  const touch = (target: HTMLElement, clientX: number, clientY: number) => {
    const box = target.getBoundingClientRect();
    // A key that presses has no place: the mark stands in the middle, and the arrow keys move it.
    const at =
      clientX === 0 && clientY === 0
        ? [0.5, 0.5]
        : [(clientX - box.left) / box.width, (clientY - box.top) / box.height];
    keepMarks(marked(photo!.marks, kind, inside(at[0]!), inside(at[1]!)));
  };
  const onKeyDown = ({ key, preventDefault }: { key: string; preventDefault: () => void }) => {
    const step = KEYS[key];
    const last = photo?.marks.at(-1);
    if (!step || !last) return;
    preventDefault();
    keepMarks([...photo!.marks.slice(0, -1), { ...last, x: inside(last.x + step[0]), y: inside(last.y + step[1]) }]);
  };
  return (
    <Frame evidence={evidence} onClose={close}>
      {photo && (
        <>
          <Pressable
            testID="photo"
            role="button"
            aria-label={`Put ${kind === 'ring' ? 'a ring' : 'an arrow'} where you touch; the arrow keys move it`}
            onPress={({ currentTarget, nativeEvent }) => {
              const { clientX, clientY } = nativeEvent as unknown as MouseEvent;
              touch(currentTarget as unknown as HTMLElement, clientX, clientY);
            }}
            {...({ onKeyDown } as object)}
            style={{ alignSelf: 'center' }}
          >
            <PhotoWithMarks inspection={inspection} photo={photo} label={is.text || 'Photo'} widthPx={width} />
          </Pressable>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            <Plates label="Mark">
              <Plate label="Ring" selected={kind === 'ring'} onPress={() => setKind('ring')} />
              <Plate label="Arrow" selected={kind === 'arrow'} onPress={() => setKind('arrow')} />
            </Plates>
            {photo.marks.length > 0 && (
              <Plate role="button" quiet label="Last mark off" onPress={() => keepMarks(photo.marks.slice(0, -1))} />
            )}
          </View>
          <Quiet>Touch the photo to place a mark; touch an arrow’s tip to turn it.</Quiet>
        </>
      )}
      <Input
        label={photo ? 'Caption' : 'Note'}
        aria-label={photo ? 'Caption' : 'Note'}
        value={text}
        onChangeText={setText}
        onBlur={() => (photo || text.trim() !== '') && keepText()}
        multiline={!photo}
        maxLength={1000}
        errorMessage={trouble}
        renderErrorMessage={trouble !== undefined}
        containerStyle={{ paddingHorizontal: 0 }}
      />
      <View style={{ flexDirection: 'row', gap: 12, alignItems: 'stretch' }}>
        <Plate
          role="button"
          quiet
          label="Take it out"
          onPress={() => {
            keep(null);
            onClose();
          }}
        />
        <Button title="Done" onPress={close} containerStyle={{ flex: 1 }} />
      </View>
      <Quiet>Undo brings back what was taken out.</Quiet>
    </Frame>
  );
}
