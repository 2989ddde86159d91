import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import {
  PAPERS,
  SIZES,
  paperOf,
  redactedCopy,
  usualRemovals,
  type PaperName,
  type RemovalReason,
  type Size,
} from '@careful-latch/core/papers';
import { Trouble } from '../theme/trouble';
import { useRecords } from '../docket/use-records';
import type { Walk } from '../inspection/walk';
import { Plate, Plates } from '../plates/plate';
import { useSession } from '../stores/session';
import { Back } from '../theme/back';
import { Button } from '../theme/elements';
import { saveBlob } from '../theme/files';
import { Screen } from '../theme/screen';
import { Quiet, Title } from '../theme/words';
import { PaperView } from './paper-view';
import { printPaper } from './print';
import { Removals } from './removals';
import { sourceOf } from './source';

const SIZE_WORDS: Readonly<Record<Size, string>> = { LETTER: 'Letter', A4: 'A4' };
/** As wide as a sheet is shown at most. */
const WIDEST_PX = 588;

/** A paper of a decision: seen first, then printed. */
export function PaperScreen({ walk: { inspection } }: { walk: Walk }) {
  const { decision, name } = useLocalSearchParams<{ decision?: string; name?: string }>();
  const office = useSession((one) => one.office);
  const { records } = useRecords(inspection);
  const [size, setSize] = useState<Size>('LETTER');
  const [printing, setPrinting] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const [widthPx, setWidth] = useState(358);
  /** What is taken out of a copy, and why; undefined while it is the paper itself. */
  const [removals, setRemovals] = useState<Readonly<Record<string, RemovalReason>>>();
  const signed = inspection.decisions.find(({ id }) => id === decision) ?? inspection.decisions.at(-1);
  const which: PaperName = name !== undefined && Object.hasOwn(PAPERS, name) ? (name as PaperName) : 'report';
  const back = <Back to={`/inspection/${inspection.id}/record`} label="Record" />;
  if (!signed)
    return (
      <Screen narrow head={back}>
        <Quiet>Nothing is signed yet; there is no paper.</Quiet>
      </Screen>
    );
  const sealed = records.find(({ id }) => id === signed.id);
  const whole = paperOf(which, sourceOf(inspection, signed, sealed, office));
  const paper = typeof whole === 'string' || !removals ? whole : redactedCopy(whole, removals);
  const print = async () => {
    if (typeof paper === 'string') return;
    setPrinting(true);
    setTrouble(undefined);
    try {
      const pdf = await printPaper(paper, size, inspection.id);
      const place = inspection.header.address.replace(/[^A-Za-z0-9]+/g, '-').toLowerCase();
      saveBlob(`${place}-${which}${removals ? '-redacted' : ''}.pdf`, pdf);
    } catch (error) {
      setTrouble((error as Error).message);
    }
    setPrinting(false);
  };
  return (
    <Screen
      narrow
      head={back}
      act={
        typeof paper === 'string' ? undefined : (
          <View style={{ gap: 8 }}>
            <Trouble>{trouble}</Trouble>
            <Plates label="Paper size">
              {SIZES.map((one) => (
                <Plate key={one} label={SIZE_WORDS[one]} selected={size === one} onPress={() => setSize(one)} />
              ))}
            </Plates>
            <Button title={printing ? 'Printing…' : 'Save as PDF'} onPress={() => void print()} />
          </View>
        )
      }
    >
      <View style={{ gap: 10 }} onLayout={({ nativeEvent }) => setWidth(Math.min(WIDEST_PX, nativeEvent.layout.width))}>
        {typeof paper === 'string' ? (
          <>
            <Title>{PAPERS[which].title}</Title>
            <Quiet>{paper}</Quiet>
          </>
        ) : (
          <>
            <View style={{ flexDirection: 'row' }}>
              <Plate
                role="button"
                quiet
                label={removals ? 'The whole paper' : 'A redacted copy'}
                onPress={() => setRemovals(removals || typeof whole === 'string' ? undefined : usualRemovals(whole))}
              />
            </View>
            {removals && typeof whole !== 'string' && (
              <Removals paper={whole} removals={removals} onChange={setRemovals} />
            )}
            <PaperView paper={paper} inspection={inspection.id} widthPx={widthPx} />
          </>
        )}
      </View>
    </Screen>
  );
}
