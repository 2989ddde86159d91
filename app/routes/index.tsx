import { officeDay } from '../theme/dates';
import { Button, Input } from '../theme/elements';
import { useRouter } from 'expo-router';
import { Suspense, lazy, useCallback, useMemo, useState } from 'react';
import { FlatList, View } from 'react-native';
import { stateWords, dueAt, stateOf, type Inspection } from '@careful-latch/core/record';
import { SaveLine } from '../inspection/save-line';
import { useDropped } from '../inspections/dropped';
import { InspectionRow } from '../inspections/row';
import { Unshown } from '../inspections/unshown';
import { Menu } from '../inspections/menu';
import { Plate, Plates } from '../plates/plate';
import { useInspections } from '../stores/inspections';
import { useSession } from '../stores/session';
import { usePalette } from '../theme/theme';
import { useWide } from '../theme/screen';
import { Fence } from '../theme/fence';
import { Quiet, Title } from '../theme/words';
import { inside } from '../theme/inside';

const ORDERS = {
  due: 'What is due',
  changed: 'Last changed',
  address: 'Address',
} as const;
type Order = keyof typeof ORDERS;

const byText = new Intl.Collator('en', { numeric: true }).compare;
const compare: Readonly<Record<Order, (a: Inspection, b: Inspection) => number>> = {
  due: (a, b) => byText(turn(a), turn(b)) || byText(b.changedAt, a.changedAt),
  changed: (a, b) => byText(b.changedAt, a.changedAt),
  address: (a, b) => byText(a.header.address, b.header.address),
};
/** Reinspections by their day, then what is unfinished, then what is signed. */
const turn = (one: Inspection) =>
  dueAt(one)?.day ?? (['draft', 'reinspection'].includes(stateOf(one)) ? '9000' : '9001');

/** Whether every word of a search stands somewhere in an inspection's head or state. Straight and curly apostrophes are one. */
function matches(one: Inspection, search: string): boolean {
  const plain = (text: string) => text.toLowerCase().replace(/[’‘`]/g, "'");
  const { address, owner, permit } = one.header;
  const text = plain([address, owner, permit, stateWords(one)].join(' '));
  return plain(search)
    .split(/\s+/)
    .every((word) => text.includes(word));
}

/** The table of wide screens; a phone needs none of it. */
const WideList = lazy(async () => ({ default: (await import('../tables/tables')).WideList }));

export default inside(function Inspections() {
  const router = useRouter();
  const palette = usePalette();
  const wide = useWide();
  const byId = useInspections((one) => one.byId);
  const asked = useInspections((one) => one.asked);
  const office = useSession((one) => one.office);
  const [search, setSearch] = useState('');
  const [order, setOrder] = useState<Order>('due');
  const today = officeDay();
  const shown = useMemo(
    () =>
      Object.values(byId)
        .filter((one) => matches(one, search))
        .sort(compare[order]),
    [byId, search, order],
  );
  const dropped = useDropped(useCallback(() => router.navigate('/new'), [router]));
  const none = Object.keys(byId).length === 0;
  const find = (
    <Input
      value={search}
      onChangeText={setSearch}
      placeholder="Search address, owner, permit, state"
      aria-label="Search"
      nativeID="search"
      renderErrorMessage={false}
      containerStyle={{ paddingHorizontal: 0 }}
    />
  );
  /** What this device does not hold is found at the office. */
  const further = search !== '' && (
    <Plate
      role="button"
      quiet
      label="Look in all of the office"
      onPress={() => router.navigate(`/all?words=${encodeURIComponent(search)}` as never)}
    />
  );
  const empty = !none
    ? `Nothing found for “${search}”.`
    : asked
      ? 'No inspection yet. Open the first one below.'
      : 'Fetching from the office…';
  if (wide)
    return (
      <View style={{ flex: 1, backgroundColor: palette.paper, paddingHorizontal: 20 }}>
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 16, paddingVertical: 10 }}>
          <View>
            <Title>Inspections</Title>
            <Quiet numberOfLines={1}>{office?.name}</Quiet>
          </View>
          <View style={{ flex: 1, maxWidth: 420 }}>{!none && find}</View>
          {further}
          <View style={{ flex: 1 }}>
            <SaveLine />
          </View>
          <Button title="New inspection" onPress={() => router.navigate('/new')} />
          <Menu />
        </View>
        {dropped && <Quiet role="alert">{dropped}</Quiet>}
        {shown.length === 0 ? (
          <Quiet>{empty}</Quiet>
        ) : (
          <Suspense fallback={null}>
            <WideList inspections={shown} today={today} />
          </Suspense>
        )}
      </View>
    );
  const column = { width: '100%', maxWidth: 820, alignSelf: 'center', paddingHorizontal: 16 } as const;
  return (
    <View style={{ flex: 1, backgroundColor: palette.paper }}>
      <View style={[column, { paddingTop: 12 }]}>
        <View style={{ flexDirection: 'row', alignItems: 'flex-start', justifyContent: 'space-between', gap: 8 }}>
          <View style={{ flex: 1 }}>
            <Title>Inspections</Title>
            <Quiet numberOfLines={1}>{office?.name}</Quiet>
          </View>
          <Menu />
        </View>
        <SaveLine />
      </View>
      <FlatList
        data={shown}
        keyExtractor={(one) => one.id}
        renderItem={({ item }) => (
          <Fence instead={<Unshown inspection={item} />}>
            <InspectionRow inspection={item} today={today} />
          </Fence>
        )}
        style={{ flex: 1 }}
        contentContainerStyle={[column, { paddingBottom: 24 }]}
        ListHeaderComponent={
          none ? null : (
            <View style={{ gap: 8, paddingVertical: 8 }}>
              {find}
              <Plates label="Order">
                {(Object.keys(ORDERS) as Order[]).map((one) => (
                  <Plate key={one} label={ORDERS[one]} selected={order === one} onPress={() => setOrder(one)} />
                ))}
              </Plates>
            </View>
          )
        }
        ListFooterComponent={<View style={{ paddingVertical: 12 }}>{further}</View>}
        ListEmptyComponent={
          <View style={{ paddingVertical: 24 }}>
            <Quiet>{empty}</Quiet>
          </View>
        }
      />
      <View style={[column, { paddingVertical: 12, borderTopWidth: 1, borderColor: palette.hairline }]}>
        <Button title="New inspection" onPress={() => router.navigate('/new')} />
      </View>
    </View>
  );
});
