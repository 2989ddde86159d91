import { useEffect, useState } from 'react';
import { Pressable, View } from 'react-native';
import {
  STORM_ASKS,
  STORM_RELEASES,
  nextAsk,
  stormHouses,
  whyNotRelease,
  whyOrdered,
  type StormAnswers,
  type StormAsk,
  type StormHouse,
  type StormRelease,
} from '@careful-latch/core/storm';
import { Sign } from '../drawn/signs';
import { Plate, Plates } from '../plates/plate';
import { useSession } from '../stores/session';
import { Back } from '../theme/back';
import { momentText } from '../theme/dates';
import { Button, Input } from '../theme/elements';
import { Screen } from '../theme/screen';
import { TARGET, cut, usePalette } from '../theme/theme';
import { Trouble } from '../theme/trouble';
import { Heading, Quiet, Title, Words } from '../theme/words';
import { closeStorms, openStormDay, housesHere, openStorms, sayInStorm, syncStorm, useStorm } from './store';

const AGAIN_MS = 30_000;
const RELEASES = Object.keys(STORM_RELEASES) as StormRelease[];
const SIGN = { release: 'holds', isolated: 'unproven', hold: 'violation' } as const;

/** One house: six questions, one after the other under the thumb, then what becomes of it. */
function House({ address, onDone }: { address: string; onDone: () => void }) {
  const [said, setSaid] = useState<StormAnswers>({});
  const [trouble, setTrouble] = useState<string>();
  const ask = nextAsk(said);
  const ordered = whyOrdered(housesHere(), address);
  const say = (release: StormRelease) =>
    sayInStorm({ address, kind: 'seen', answers: said as never, release }).then(onDone, (error: Error) =>
      setTrouble(error.message),
    );
  const answered = (Object.keys(STORM_ASKS) as StormAsk[]).filter((one) => said[one] !== undefined);
  return (
    <View role="form" aria-label={address} style={{ gap: 10 }}>
      <Heading>{address}</Heading>
      <Trouble>{ordered}</Trouble>
      {answered.map((one) => (
        <Pressable
          key={one}
          role="button"
          aria-label={`${STORM_ASKS[one].asks}: ask again`}
          onPress={() => setSaid({ ...said, [one]: undefined })}
          style={{ minHeight: TARGET, justifyContent: 'center' }}
        >
          <Words style={{ fontSize: 17 }}>
            <Quiet>{`${STORM_ASKS[one].asks}  `}</Quiet>
            {(STORM_ASKS[one].answers as Readonly<Record<string, string>>)[said[one]!]}
          </Words>
        </Pressable>
      ))}
      {ask ? (
        <>
          <Words style={{ fontWeight: '700', fontSize: 20 }}>{STORM_ASKS[ask].asks}</Words>
          <Plates label={STORM_ASKS[ask].asks}>
            {Object.entries(STORM_ASKS[ask].answers).map(([value, label]) => (
              <Plate key={value} label={label} onPress={() => setSaid({ ...said, [ask]: value })} />
            ))}
          </Plates>
        </>
      ) : (
        <>
          <Words style={{ fontWeight: '700', fontSize: 20 }}>What becomes of it</Words>
          {RELEASES.map((one) => {
            const why = whyNotRelease(said, one) ?? (one === 'release' && ordered ? 'the order stands.' : undefined);
            return why === undefined ? (
              <View key={one} style={{ flexDirection: 'row' }}>
                <Plate role="button" label={STORM_RELEASES[one]} onPress={() => void say(one)} />
              </View>
            ) : (
              <Quiet key={one}>{`Not “${STORM_RELEASES[one]}”: ${why}`}</Quiet>
            );
          })}
        </>
      )}
      <Trouble>{trouble}</Trouble>
      <View style={{ flexDirection: 'row' }}>
        <Plate role="button" quiet label="Not now" onPress={onDone} />
      </View>
    </View>
  );
}

/** A house in the list: who has it, how it was left, and whether two were there. */
function HouseRow({ house, waits, onOpen }: { house: StormHouse; waits: boolean; onOpen: () => void }) {
  const palette = usePalette();
  const { address, people, release, clash, seen } = house;
  return (
    <Pressable
      role="button"
      testID="storm-house"
      onPress={onOpen}
      style={[{ backgroundColor: palette.sheet, padding: 12, gap: 4, minHeight: TARGET }, cut(10)]}
    >
      <View style={{ flexDirection: 'row', gap: 10, alignItems: 'center' }}>
        <Sign kind={release ? SIGN[release] : 'not-applicable'} />
        <Words style={{ flex: 1, fontWeight: '700', fontSize: 17 }}>{address}</Words>
        {waits && <Quiet>not sent</Quiet>}
      </View>
      <Words style={{ fontSize: 16 }}>
        {release ? STORM_RELEASES[release] : `Taken by ${people.join(', ')}`}
        {release && seen.length > 0 ? `, ${seen.at(-1)!.by}` : ''}
      </Words>
      {clash && (
        <Words color={palette.violation} style={{ fontSize: 16 }}>
          {`${people.join(' and ')} were both here. The graver holds; talk to each other.`}
        </Words>
      )}
    </Pressable>
  );
}

/** One event, many houses: a house is taken, six things are seen, and it is released or not. It approves nothing, and ends with its day. */
export function StormScreen() {
  const account = useSession((one) => one.account);
  const { storm, entries, waiting, reach, refused, trouble } = useStorm();
  const [address, setAddress] = useState('');
  const [at, setAt] = useState<string>();
  const [name, setName] = useState('');
  const [own, setOwn] = useState<string>();
  const id = account?.id;
  const who = account?.name ?? '';
  useEffect(() => {
    if (!id) return undefined;
    void openStorms(id, who);
    const again = () => void syncStorm();
    const timer = setInterval(again, AGAIN_MS);
    window.addEventListener('online', again);
    return () => {
      clearInterval(timer);
      window.removeEventListener('online', again);
      closeStorms();
    };
  }, [id, who]);
  const houses = stormHouses(entries);
  const mine = houses.filter(({ people, release }) => people.includes(who) && !release);
  const rest = houses.filter((one) => !mine.includes(one));
  const tried = (work: Promise<unknown>) =>
    work.then(
      () => setOwn(undefined),
      (error: Error) => setOwn(error.message),
    );
  const take = (see: boolean) => {
    const house = address.trim();
    if (house === '') return setOwn('Give the number and street of the house.');
    setAddress('');
    if (see) return setAt(house);
    void tried(sayInStorm({ address: house, kind: 'taken' }));
  };
  const row = (house: StormHouse) => (
    <HouseRow
      key={house.address}
      house={house}
      waits={entries.some((one) => waiting.includes(one.id) && one.address === house.address)}
      onOpen={() => setAt(house.address)}
    />
  );
  return (
    <Screen narrow head={<Back to="/" label="Inspections" />}>
      <View style={{ gap: 12 }}>
        <Title>Storm day</Title>
        {storm ? (
          <Quiet>{`${storm.name}. It ends with today, and approves nothing: a house that is released is not inspected.`}</Quiet>
        ) : (
          <Quiet>There is no storm day today.</Quiet>
        )}
        {reach === 'unreachable' && <Quiet>Without signal: what you enter is kept here, and sent later.</Quiet>}
        {waiting.length > 0 && <Quiet role="status">{`${waiting.length} not sent yet`}</Quiet>}
        <Trouble>{own ?? trouble}</Trouble>
        {refused.map((one) => (
          <Trouble key={`${one.address} ${one.why}`}>{`${one.address}: ${one.why}`}</Trouble>
        ))}
        {!storm && account?.role === 'lead' && (
          <View style={{ gap: 8 }}>
            <Input
              label="What happened"
              aria-label="What happened"
              value={name}
              onChangeText={setName}
              renderErrorMessage={false}
              containerStyle={{ paddingHorizontal: 0 }}
            />
            <Button title="Open a storm day" onPress={() => void tried(openStormDay(name.trim()))} />
          </View>
        )}
        {storm && at !== undefined && <House key={at} address={at} onDone={() => setAt(undefined)} />}
        {storm && at === undefined && (
          <>
            <Input
              label="House"
              aria-label="House"
              placeholder="Number and street"
              value={address}
              onChangeText={setAddress}
              onSubmitEditing={() => take(true)}
              renderErrorMessage={false}
              containerStyle={{ paddingHorizontal: 0 }}
            />
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
              <Plate role="button" label="I am there" onPress={() => take(true)} />
              <Plate role="button" quiet label="I take it" onPress={() => take(false)} />
            </View>
            {mine.length > 0 && <Heading>{`Mine to see: ${mine.length}`}</Heading>}
            {mine.map(row)}
            {rest.length > 0 && <Heading>{`Seen, or taken by others: ${rest.length}`}</Heading>}
            {rest.map(row)}
            {houses.length > 0 && <Quiet>{`As of ${momentText(new Date().toISOString())}`}</Quiet>}
          </>
        )}
      </View>
    </Screen>
  );
}
