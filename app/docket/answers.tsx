import { useState } from 'react';
import { View } from 'react-native';
import { STATION_NAMES } from '@careful-latch/core/case';
import {
  isOpen,
  violationOf,
  type ChangeBody,
  type Docket,
  type FindingRef,
  type Found,
} from '@careful-latch/core/record';
import type { Cause, Outcome } from '@careful-latch/core/verdict';
import { SignWithWord } from '../drawn/signs';
import { Plate } from '../plates/plate';
import { usePalette } from '../theme/theme';
import { Heading, Quiet, Words } from '../theme/words';
import { Say } from './say';

type Change = (body: ChangeBody) => boolean;

const ref = ({ rule, part }: FindingRef): FindingRef => ({ rule, part });

const takeUp = (inspection: string, all: readonly Found[]): ChangeBody => ({
  type: 'violation',
  inspection,
  violation: crypto.randomUUID(),
  ...violationOf(all as readonly [Found, ...Found[]]),
});

/** Findings by what brings them about, in the order of the causes; several of one cause together, and none left out. */
function groupsOf(
  found: readonly Found[],
  causes: readonly Cause[],
): { words: string | null; all: readonly Found[] }[] {
  const caused = causes.map(({ words, rules }) => ({ words, all: found.filter(({ rule }) => rules.includes(rule)) }));
  const of = new Set(caused.flatMap(({ all }) => all));
  return [...caused, ...found.filter((one) => !of.has(one)).map((one) => ({ words: null, all: [one] }))]
    .filter(({ all }) => all.length > 0)
    .map(({ words, all }) => ({ words: all.length > 1 ? words : null, all }));
}

/** One finding that nobody has answered: cited, joined to a violation of the same cause, or dismissed, with a reason. */
function Answer({
  inspection,
  found,
  docket,
  change,
}: {
  inspection: string;
  found: Found;
  docket: Docket;
  change: Change;
}) {
  const palette = usePalette();
  const [asking, setAsking] = useState(false);
  return (
    <View
      testID={`answer-${found.rule}`}
      style={{ gap: 6, paddingVertical: 10, borderTopWidth: 1, borderColor: palette.hairline }}
    >
      <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
        <SignWithWord kind="violation" severity={found.severity} />
        <Quiet>{STATION_NAMES[found.station]}</Quiet>
      </View>
      <Words style={{ fontSize: 17, lineHeight: 23 }}>{found.reason}</Words>
      {asking ? (
        <Say
          label="Why it is dismissed"
          act="Dismiss"
          onSay={(reason) => {
            if (change({ type: 'not-taken-up', inspection, finding: ref(found), reason })) setAsking(false);
          }}
          onClose={() => setAsking(false)}
        />
      ) : (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          <Plate role="button" label="Cite" onPress={() => change(takeUp(inspection, [found]))} />
          {docket.violations.filter(isOpen).map(({ id, number }) => (
            <Plate
              key={id}
              role="button"
              quiet
              label={`Same cause as ${number}`}
              onPress={() => change({ type: 'violation', inspection, violation: id, ...violationOf([found]) })}
            />
          ))}
          <Plate role="button" quiet label="Dismiss" onPress={() => setAsking(true)} />
        </View>
      )}
    </View>
  );
}

/** What the program finds and nobody has answered yet: each at a touch, or all at once, each by itself or of one cause. */
export function Answers({
  inspection,
  docket,
  unanswered,
  causes,
  change,
}: {
  inspection: string;
  docket: Docket;
  unanswered: readonly Found[];
  /** What brings several of them about at once. */
  causes: readonly Cause[];
  change: Change;
}) {
  if (unanswered.length === 0) return null;
  const several = unanswered.length > 1;
  return (
    <View style={{ gap: 8 }}>
      <Heading>{`${unanswered.length} ${several ? 'findings' : 'finding'} to answer`}</Heading>
      <Quiet>Cited, it is a violation with a day, until somebody has seen it corrected.</Quiet>
      {several && (
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          <Plate
            role="button"
            label={`Cite all ${unanswered.length}`}
            onPress={() => unanswered.forEach((one) => change(takeUp(inspection, [one])))}
          />
          <Plate
            role="button"
            quiet
            label="All have one cause"
            onPress={() => change(takeUp(inspection, unanswered))}
          />
        </View>
      )}
      {groupsOf(unanswered, causes).map(({ words, all }) => (
        <View key={`${all[0]!.rule} ${all[0]!.part}`}>
          {words !== null && all.length < unanswered.length && (
            <View style={{ gap: 6, paddingTop: 10 }}>
              <Words style={{ fontWeight: '700' }}>{`One cause: ${words}`}</Words>
              <View style={{ flexDirection: 'row' }}>
                <Plate
                  role="button"
                  label={`Cite these ${all.length} as one`}
                  onPress={() => change(takeUp(inspection, all))}
                />
              </View>
            </View>
          )}
          {all.map((one) => (
            <Answer
              key={`${one.rule} ${one.part}`}
              inspection={inspection}
              found={one}
              docket={docket}
              change={change}
            />
          ))}
        </View>
      ))}
    </View>
  );
}

/** A point that nobody has proved, in the way of an approval: said not to count here, with a reason. */
export function Unproven({ inspection, outcome, change }: { inspection: string; outcome: Outcome; change: Change }) {
  const palette = usePalette();
  const [asking, setAsking] = useState(false);
  return (
    <View style={{ gap: 6, paddingVertical: 10, borderTopWidth: 1, borderColor: palette.hairline }}>
      <View style={{ flexDirection: 'row', justifyContent: 'space-between' }}>
        <SignWithWord kind="unproven" severity={outcome.severity} />
        <Quiet>{STATION_NAMES[outcome.station]}</Quiet>
      </View>
      <Words style={{ fontSize: 17, lineHeight: 23 }}>{outcome.reason}</Words>
      {asking ? (
        <Say
          label={`Why ${outcome.rule} does not count here`}
          act="Does not count here"
          onSay={(reason) => {
            const finding = { rule: outcome.rule, part: null };
            if (change({ type: 'not-taken-up', inspection, finding, reason })) setAsking(false);
          }}
          onClose={() => setAsking(false)}
        />
      ) : (
        <View style={{ flexDirection: 'row' }}>
          <Plate role="button" quiet label="Does not count here" onPress={() => setAsking(true)} />
        </View>
      )}
    </View>
  );
}
