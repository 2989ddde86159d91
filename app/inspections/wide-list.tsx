import { createColumnHelper, useTable } from '@tanstack/react-table';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { FlatList, Pressable, ScrollView, View } from 'react-native';
import { dueAt, stateWords, type Inspection } from '@careful-latch/core/record';
import { Findings } from '../inspection/findings';
import { PathOverview } from '../inspection/path-overview';
import { VerdictBlock } from '../inspection/verdict-block';
import { useWalkInList } from '../inspection/walk';
import { HeadRow } from '../tables/head-row';
import { TABLE_FEATURES, byValue } from '../tables/features';
import { screenOf } from './screen-of';
import { shortDayText } from '../theme/dates';
import { Button } from '../theme/elements';
import { Fence } from '../theme/fence';
import { TARGET, usePalette } from '../theme/theme';
import { Quiet, Title, Words } from '../theme/words';
import { ListSign } from './row';
import { Unshown } from './unshown';

const column = createColumnHelper<typeof TABLE_FEATURES, Inspection>();
const LATER = '9999';
const COLUMNS = column.columns([
  column.accessor((one) => one.header.address, { id: 'address', header: 'Address', sortFn: byValue }),
  column.accessor((one) => one.header.owner, { id: 'owner', header: 'Owner', sortFn: byValue }),
  column.accessor((one) => one.header.permit, { id: 'permit', header: 'Permit', sortFn: byValue }),
  column.accessor((one) => stateWords(one), { id: 'state', header: 'State', sortFn: byValue }),
  column.accessor((one) => dueAt(one)?.day ?? LATER, { id: 'due', header: 'Due', sortFn: byValue }),
  column.accessor((one) => one.changedAt, { id: 'changed', header: 'Changed', sortFn: byValue }),
]);
const WIDTHS: Readonly<Record<string, `${number}%`>> = {
  address: '25%',
  owner: '20%',
  permit: '15%',
  state: '17%',
  due: '11%',
  changed: '12%',
};
const WORDS: Readonly<Record<string, (value: string) => string>> = {
  due: (value) => (value === LATER ? '' : shortDayText(value)),
  changed: shortDayText,
};

/** The list as a table, what is due first, and beside it the path and the findings of the house that is chosen. */
export function WideList({ inspections, today }: { inspections: readonly Inspection[]; today: string }) {
  const palette = usePalette();
  const router = useRouter();
  const [chosenId, setChosen] = useState<string>();
  const table = useTable({
    features: TABLE_FEATURES,
    columns: COLUMNS,
    data: inspections,
    getRowId: (one) => one.id,
    initialState: { sorting: [{ id: 'due', desc: false }] },
    enableSortingRemoval: false,
  });
  const { rows } = table.getRowModel();
  const chosen = rows.find(({ id }) => id === chosenId) ?? rows[0];
  const open = (one: Inspection) => router.navigate(screenOf(one) as never);
  const step = (by: number) => {
    const at = rows.findIndex(({ id }) => id === chosen?.id) + by;
    if (rows[at]) setChosen(rows[at].id);
  };
  const onKeyDown = (event: { key: string; preventDefault: () => void }) => {
    if (event.key === 'ArrowDown') step(1);
    else if (event.key === 'ArrowUp') step(-1);
    else return;
    event.preventDefault();
  };
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <View role="table" aria-label="Inspections" style={{ flex: 1 }} {...({ onKeyDown } as object)}>
        <HeadRow table={table} widthOf={(id) => WIDTHS[id]!} />
        <FlatList
          data={rows}
          keyExtractor={({ id }) => id}
          extraData={chosen?.id}
          initialNumToRender={20}
          ListEmptyComponent={<Quiet style={{ padding: 16 }}>Nothing found.</Quiet>}
          renderItem={({ item }) => (
            <Pressable
              role="row"
              aria-selected={item.id === chosen?.id}
              testID={`row-${item.original.header.address}`}
              onPress={() =>
                item.id === chosen?.id && chosenId !== undefined ? open(item.original) : setChosen(item.id)
              }
              style={{
                flexDirection: 'row',
                alignItems: 'center',
                minHeight: TARGET,
                borderBottomWidth: 1,
                borderColor: palette.hairline,
                backgroundColor: item.id === chosen?.id ? palette.sheet : undefined,
              }}
            >
              {item.getAllCells().map((cell) => {
                const name = cell.column.id;
                const value = String(cell.getValue());
                const late = name === 'due' && value < today;
                return (
                  <View
                    key={cell.id}
                    role="cell"
                    style={{ width: WIDTHS[name]!, paddingHorizontal: 8, flexDirection: 'row', gap: 8 }}
                  >
                    {name === 'address' && <ListSign inspection={item.original} size={20} />}
                    <Words
                      numberOfLines={2}
                      color={late ? palette.violation : palette.ink}
                      style={{
                        flexShrink: 1,
                        fontSize: 16,
                        lineHeight: 20,
                        fontWeight: name === 'address' ? '700' : '400',
                      }}
                    >
                      {(WORDS[name] ?? String)(value)}
                      {late ? ', late' : ''}
                    </Words>
                  </View>
                );
              })}
            </Pressable>
          )}
        />
      </View>
      {chosen && (
        <Fence key={chosen.id} instead={<Unshown inspection={chosen.original} />}>
          <Beside inspection={chosen.original} onOpen={() => open(chosen.original)} />
        </Fence>
      )}
    </View>
  );
}

/** The chosen house: its path and its findings. */
function Beside({ inspection, onOpen }: { inspection: Inspection; onOpen: () => void }) {
  const palette = usePalette();
  const walk = useWalkInList(inspection);
  const { address, owner, permit, edition } = inspection.header;
  return (
    <View
      role="region"
      aria-label={address}
      style={{ width: 420, borderLeftWidth: 1, borderColor: palette.hairline, paddingHorizontal: 16 }}
    >
      <ScrollView tabIndex={0} style={{ flex: 1 }} contentContainerStyle={{ gap: 10, paddingVertical: 10 }}>
        <View>
          <Title style={{ fontSize: 24, lineHeight: 30 }}>{address}</Title>
          <Quiet>{[owner, permit, `edition ${edition}`].filter(Boolean).join(' · ')}</Quiet>
        </View>
        {walk && (
          <>
            <VerdictBlock evaluation={walk.evaluation} />
            <PathOverview walk={walk} />
            <Findings walk={walk} />
          </>
        )}
      </ScrollView>
      <View style={{ paddingVertical: 10 }}>
        <Button title="Open" onPress={onOpen} />
      </View>
    </View>
  );
}
