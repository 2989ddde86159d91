import { createColumnHelper, useTable } from '@tanstack/react-table';
import { useEffect, useMemo, useRef, useState } from 'react';
import { Pressable, ScrollView, View } from 'react-native';
import type { Case } from '@careful-latch/core/case';
import { cellText, circuitPath, circuitsCsv, columnsOf, headOf, readCircuits } from '@careful-latch/core/formats';
import { Plate } from '../plates/plate';
import { record } from '../stores/inspections';
import { HeadRow } from '../tables/head-row';
import { TABLE_FEATURES, byValue } from '../tables/features';
import { chooseFiles, saveFile } from '../theme/files';
import { TARGET, usePalette } from '../theme/theme';
import { Quiet, Words } from '../theme/words';
import { CellEditor, type Leave } from './cell';

/** A circuit and its place in the case; the last row is the one that is not there yet. */
interface Row {
  readonly at: number;
  readonly circuit: Readonly<Record<string, unknown>> | undefined;
}
interface Place {
  readonly row: number;
  readonly column: number;
}

const helper = createColumnHelper<typeof TABLE_FEATURES, Row>();
/** A role that React Native's types do not know. */
const GRID_CELL = { role: 'gridcell' } as object;
const WIDTH_PX = 116;

/** The circuits as a table: every cell is changed in its place, by keyboard too; a spreadsheet's cells are pasted, CSV goes in and out. */
export function CircuitsTable({ inspection, site }: { inspection: string; site: Case }) {
  const palette = usePalette();
  const columns = useMemo(() => columnsOf(site), [site]);
  const circuits = site.loads?.circuits;
  const data = useMemo<Row[]>(
    () => [
      ...(circuits ?? []).map((circuit, at) => ({ at, circuit })),
      { at: circuits?.length ?? 0, circuit: undefined },
    ],
    [circuits],
  );
  const table = useTable({
    features: TABLE_FEATURES,
    data,
    columns: useMemo(
      () =>
        helper.columns(
          columns.map((one) =>
            helper.accessor(({ circuit }) => circuit?.[one.key], {
              id: one.key,
              sortUndefined: 'last',
              header: headOf(one),
              sortFn: byValue,
            }),
          ),
        ),
      [columns],
    ),
  });
  const { rows } = table.getRowModel();
  const [at, setAt] = useState<Place>({ row: 0, column: 0 });
  const [editing, setEditing] = useState<string>();
  const [trouble, setTrouble] = useState<readonly string[]>([]);
  const grid = useRef<HTMLElement>(null);
  const wantsFocus = useRef(false);
  /** A touch that brings the keyboard to a cell does not begin it yet: it may be pasted into. */
  const justCame = useRef(false);
  const here = {
    row: Math.min(at.row, rows.length - 1),
    column: Math.min(at.column, columns.length - 1),
  };
  useEffect(() => {
    if (!wantsFocus.current || editing !== undefined) return;
    wantsFocus.current = false;
    grid.current?.querySelector<HTMLElement>(`[data-testid="cell-${here.row}-${columns[here.column]?.key}"]`)?.focus();
  });

  const tell = (
    facts: readonly (readonly [string, string | number | null])[],
    how: 'touched' | 'table',
    said?: string,
  ) => {
    try {
      record({
        type: 'facts',
        inspection,
        facts: facts.map(([path, value]) => ({ path, value, how, ...(said !== undefined && { said }) })),
      });
      setTrouble([]);
    } catch (error) {
      setTrouble([(error as Error).message]);
    }
  };
  const takeIn = (text: string, said: string, place?: Place) => {
    const read = readCircuits(site, text, columns, place);
    if (read.ok) tell(read.facts, 'table', said);
    else setTrouble(read.errors);
  };
  const move = (rowBy: number, columnBy: number) => {
    wantsFocus.current = true;
    setAt({
      row: Math.max(0, Math.min(rows.length - 1, here.row + rowBy)),
      column: Math.max(0, Math.min(columns.length - 1, here.column + columnBy)),
    });
  };
  const leave = (to: Leave) => {
    setEditing(undefined);
    move(to === 'down' ? 1 : 0, to === 'right' ? 1 : to === 'left' ? -1 : 0);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const { key } = event;
    if (editing !== undefined || event.ctrlKey || event.metaKey || event.altKey) return;
    const arrows: Readonly<Record<string, readonly [number, number]>> = {
      ArrowDown: [1, 0],
      ArrowUp: [-1, 0],
      ArrowRight: [0, 1],
      ArrowLeft: [0, -1],
    };
    const step = arrows[key];
    const row = rows[here.row]!.original;
    if (step) move(...step);
    else if (key === 'Enter' || key === 'F2') setEditing('');
    else if (key === 'Delete' || key === 'Backspace') {
      if (row.circuit) tell([[circuitPath(row.at, columns[here.column]!.key), null]], 'touched');
    } else if (key.length === 1) setEditing(key === ' ' ? '' : key);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const onPaste = (event: ClipboardEvent) => {
    if (editing !== undefined) return;
    event.preventDefault();
    const row = rows[here.row]!.original.at;
    table.resetSorting(true); // down means: in the order in which they are recorded
    takeIn(event.clipboardData?.getData('text/plain') ?? '', 'pasted', { row, column: here.column });
  };
  useEffect(() => {
    const own = grid.current;
    own?.addEventListener('paste', onPaste); // React Native knows no pasting
    return () => own?.removeEventListener('paste', onPaste);
  });
  const csvIn = async () => {
    const [file] = await chooseFiles({ accept: '.csv,text/csv,text/plain' });
    if (file) takeIn(await file.text(), file.name);
  };
  const csvOut = () => saveFile('circuits.csv', 'text/csv;charset=utf-8', circuitsCsv(site));

  return (
    <View style={{ gap: 8 }}>
      <View style={{ flexDirection: 'row', gap: 8, alignItems: 'center' }}>
        <Quiet style={{ flex: 1 }}>
          Arrow keys move, Enter or a key begins, Delete empties. Cells of a spreadsheet can be pasted.
        </Quiet>
        <Plate role="button" quiet label="CSV in" onPress={() => void csvIn()} />
        <Plate role="button" quiet label="CSV out" onPress={csvOut} />
      </View>
      {trouble.length > 0 && (
        <View role="alert">
          {trouble.map((one) => (
            <Words key={one} color={palette.violation} style={{ fontSize: 16, lineHeight: 21 }}>
              {one}
            </Words>
          ))}
          <Quiet>Nothing was taken.</Quiet>
        </View>
      )}
      <ScrollView horizontal>
        <View aria-label="Circuits" {...({ role: 'grid', ref: grid, onKeyDown } as object)}>
          <HeadRow table={table} widthOf={() => WIDTH_PX} />
          {rows.map(({ id, original: row }, r) => (
            <View
              key={id}
              role="row"
              style={{ flexDirection: 'row', borderBottomWidth: 1, borderColor: palette.hairline, minHeight: TARGET }}
            >
              {columns.map((column, c) => {
                const value = row.circuit?.[column.key];
                const isHere = r === here.row && c === here.column;
                const text = cellText(column, value);
                if (isHere && editing !== undefined)
                  return (
                    <View key={column.key} {...GRID_CELL} style={{ width: WIDTH_PX }}>
                      <CellEditor
                        column={column}
                        value={value}
                        typed={editing}
                        onRecord={(next) => tell([[circuitPath(row.at, column.key), next]], 'touched')}
                        onLeave={leave}
                        onUnread={(why) => {
                          setEditing(undefined);
                          setTrouble([why]);
                        }}
                      />
                    </View>
                  );
                return (
                  <Pressable
                    key={column.key}
                    {...GRID_CELL}
                    testID={`cell-${r}-${column.key}`}
                    tabIndex={isHere ? 0 : -1}
                    aria-label={`${column.meta.label}: ${text || (row.circuit ? 'not looked at yet' : 'one more circuit')}`}
                    onFocus={() => {
                      justCame.current = !isHere;
                      setAt({ row: r, column: c });
                    }}
                    onPress={() => {
                      if (!justCame.current) setEditing('');
                      justCame.current = false;
                    }}
                    style={{
                      width: WIDTH_PX,
                      minHeight: TARGET,
                      justifyContent: 'center',
                      paddingHorizontal: 8,
                      backgroundColor: isHere ? palette.sheet : undefined,
                    }}
                  >
                    <Words
                      numberOfLines={2}
                      color={text ? palette.ink : palette.quiet}
                      style={{ fontSize: 16, lineHeight: 19 }}
                    >
                      {text || (c === 0 && !row.circuit ? 'one more' : '·')}
                    </Words>
                  </Pressable>
                );
              })}
            </View>
          ))}
        </View>
      </ScrollView>
    </View>
  );
}
