import { useLocalSearchParams } from 'expo-router';
import { useEffect, useMemo, useRef, useState } from 'react';
import { FlatList, View } from 'react-native';
import { STATE_WORDS, type State } from '@careful-latch/core/record';
import { Sign } from '../drawn/signs';
import { Plate, Plates } from '../plates/plate';
import { office, type ListQuery, type Listed } from '../stores/office';
import { LinkArea } from '../theme/link-area';
import { Back } from '../theme/back';
import { officeDay, shortDayText } from '../theme/dates';
import { Input } from '../theme/elements';
import { useWide } from '../theme/screen';
import { usePalette } from '../theme/theme';
import { Trouble } from '../theme/trouble';
import { Quiet, Title, Words } from '../theme/words';
import { dueWords } from './due';
import { SIGN } from './row';

const SORTS = { due: 'What is due', changed: 'Last changed', street: 'Street' } as const;
/** From the last letter until the office is asked. */
const TYPING_MS = 250;

/** A rule in a few words, by its own name. */
const ruleWords = (rule: string) => rule.split('/').at(-1)!.replaceAll('-', ' ');
/** As many rules are offered to look for as stand in what was found. */
const MOST_RULES = 6;

function rulesIn(rows: readonly Listed[]): string[] {
  const counts = new Map<string, number>();
  for (const rule of rows.flatMap(({ violated }) => violated ?? [])) counts.set(rule, (counts.get(rule) ?? 0) + 1);
  return [...counts]
    .sort(([, a], [, b]) => b - a)
    .slice(0, MOST_RULES)
    .map(([rule]) => rule);
}

/** Pages of the office’s list, one after the other; a new question begins at the first. */
function usePages(query: ListQuery) {
  const [rows, setRows] = useState<readonly Listed[]>([]);
  const [next, setNext] = useState<string | null>(null);
  const [asked, setAsked] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const question = JSON.stringify(query);
  const current = useRef(question);
  const load = async (after: string | null) => {
    try {
      const page = await office.list({ ...(JSON.parse(question) as ListQuery), ...(after !== null && { after }) });
      if (current.current !== question) return;
      setRows((before) => (after === null ? page.inspections : [...before, ...page.inspections]));
      setNext(page.next);
      setTrouble(undefined);
    } catch (error) {
      if (current.current === question)
        setTrouble(`${(error as Error).message} What this device holds is in the list of inspections.`);
    }
    setAsked(true);
  };
  useEffect(() => {
    current.current = question;
    const timer = setTimeout(() => void load(null), TYPING_MS);
    return () => clearTimeout(timer);
    // eslint-disable-next-line react-hooks/exhaustive-deps -- `load` is of this question
  }, [question]);
  const [asking, setAsking] = useState<string | null>(null);
  const more = () => {
    if (next === null || asking === next) return;
    setAsking(next);
    void load(next);
  };
  return { rows, asked, trouble, more };
}

function Row({ one, today, wide }: { one: Listed; today: string; wide: boolean }) {
  const palette = usePalette();
  const state = one.state ?? 'draft';
  const due = one.dueOn && one.dueWhat ? { day: one.dueOn, what: one.dueWhat } : undefined;
  const late = one.dueOn !== null && one.dueOn < today;
  const open = one.violated?.length ?? 0;
  const said = [
    STATE_WORDS[state],
    due && `${dueWords(due, today)}${late ? ', late' : ''}`,
    open > 0 && `${open} ${open === 1 ? 'rule' : 'rules'} violated`,
  ].filter(Boolean);
  return (
    <LinkArea
      to={`/inspection/${one.id}`}
      testID={`office-row-${one.address}`}
      style={({ pressed, hovered }: { pressed: boolean; hovered?: boolean }) => ({
        flexDirection: 'row',
        gap: 12,
        paddingVertical: 10,
        borderBottomWidth: 1,
        borderColor: palette.hairline,
        backgroundColor: pressed || hovered ? palette.sheet : undefined,
      })}
    >
      <View style={{ paddingTop: 3 }}>
        <Sign kind={SIGN[state]} hazard={state === 'stop-work'} />
      </View>
      <View style={{ flex: 1, flexDirection: wide ? 'row' : 'column', gap: wide ? 16 : 2 }}>
        <View style={{ flex: wide ? 3 : undefined }}>
          <Words style={{ fontWeight: '700' }}>{one.address}</Words>
          <Quiet numberOfLines={1}>{[one.owner, one.permit].filter(Boolean).join(' · ')}</Quiet>
        </View>
        <View style={{ flex: wide ? 4 : undefined }}>
          <Words color={late ? palette.violation : palette.ink} style={{ fontSize: 16, lineHeight: 22 }}>
            {said.join(', ')}
          </Words>
          <Quiet numberOfLines={1}>
            {[one.inspector, `changed ${shortDayText(one.changedAt)}`].filter(Boolean).join(' · ')}
          </Quiet>
        </View>
      </View>
    </LinkArea>
  );
}

/** All inspections of the office, also those that this device does not hold: found there, and fetched when they are opened. */
export function OfficeListScreen() {
  const palette = usePalette();
  const wide = useWide();
  const given = useLocalSearchParams<{ words?: string; state?: string; rule?: string }>();
  const [words, setWords] = useState(given.words ?? '');
  const [sort, setSort] = useState<keyof typeof SORTS>('due');
  const [states, setStates] = useState<readonly State[]>(given.state ? [given.state as State] : []);
  const [late, setLate] = useState(false);
  const [rule, setRule] = useState(given.rule);
  const [unfolded, setUnfolded] = useState(false);
  const [inspector, setInspector] = useState<string>();
  const today = officeDay();
  const query = { words, sort, state: states.join(','), ...(late && { dueBefore: today }), ...(rule && { rule }), ...(inspector && { inspector }) }; // prettier-ignore
  const { rows, asked, trouble, more } = usePages(query);
  const rules = useMemo(() => (rule ? [rule] : rulesIn(rows)), [rows, rule]);
  const inspectors = useMemo(
    () => (inspector ? [inspector] : [...new Set(rows.flatMap((one) => one.inspector ?? []))].sort()),
    [rows, inspector],
  );
  /** All by which the list can be narrowed; pressed again, one is let go of. */
  const narrowings = [
    { label: 'Late', selected: late, onPress: () => setLate(!late) },
    ...(Object.keys(STATE_WORDS) as State[]).map((one) => {
      const selected = states.includes(one);
      const rest = states.filter((other) => other !== one);
      return { label: STATE_WORDS[one], selected, onPress: () => setStates(selected ? rest : [...states, one]) };
    }),
    ...inspectors.map((one) => {
      const selected = inspector === one;
      return { label: one, selected, onPress: () => setInspector(selected ? undefined : one) };
    }),
    ...rules.map((one) => {
      const selected = rule === one;
      return { label: ruleWords(one), selected, onPress: () => setRule(selected ? undefined : one) };
    }),
  ];
  return (
    <View style={{ flex: 1, backgroundColor: palette.paper }}>
      <FlatList
        data={rows}
        keyExtractor={({ id }) => id}
        onEndReached={more}
        contentContainerStyle={{ width: '100%', maxWidth: 1100, alignSelf: 'center', padding: 16 }}
        ListHeaderComponent={
          <View style={{ gap: 8, paddingBottom: 8 }}>
            <Back to="/" label="Inspections" />
            <Title>All of the office</Title>
            <Input
              value={words}
              onChangeText={setWords}
              placeholder="Address, owner, permit"
              aria-label="Search the office"
              autoFocus={given.words === undefined}
              renderErrorMessage={false}
              containerStyle={{ paddingHorizontal: 0 }}
            />
            <Plates label="Order">
              {(Object.keys(SORTS) as (keyof typeof SORTS)[]).map((one) => (
                <Plate key={one} label={SORTS[one]} selected={sort === one} onPress={() => setSort(one)} />
              ))}
            </Plates>
            <Plates label="Only">
              <Plate role="button" quiet label={unfolded ? 'Fold' : 'Only…'} onPress={() => setUnfolded(!unfolded)} />
              {narrowings
                .filter(({ selected }) => unfolded || selected)
                .map((one) => (
                  <Plate key={one.label} quiet {...one} />
                ))}
            </Plates>
            <Trouble>{trouble}</Trouble>
          </View>
        }
        ListEmptyComponent={
          trouble === undefined ? <Quiet>{asked ? 'Nothing found.' : 'Asking the office…'}</Quiet> : null
        }
        renderItem={({ item }) => <Row one={item} today={today} wide={wide} />}
      />
    </View>
  );
}
