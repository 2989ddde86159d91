import { memo, useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { STATION_NAMES, factAt, factLabel, metaOf } from '@careful-latch/core/case';
import { VIOLATION_STATES, evidenceOfFinding } from '@careful-latch/core/record';
import { causesOf, type Cause, type Outcome } from '@careful-latch/core/verdict';
import { Sign, SignWithWord, colorOf, shownAs } from '../drawn/signs';
import { LinkArea } from '../theme/link-area';
import { shortDayText } from '../theme/dates';
import { Columns } from '../theme/screen';
import { TARGET, cut, usePalette, outline } from '../theme/theme';
import { Heading, Quiet, Words } from '../theme/words';
import { EvidencePane, ShownEvidence } from '../evidence/evidence';
import { ClaimedAndFound } from './claimed';
import { Differing } from './differing';
import { factsBeside, toFindOut } from './answers';
import type { Walk } from './walk';
import { OfficeNote, Working } from './working';

/** One violation: what is wrong as a person would say it, what to do, and one tap to the working. */
function FindingCard({ walk, outcome }: { walk: Walk; outcome: Outcome }) {
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  const { inspection } = walk;
  const evidence = evidenceOfFinding(inspection.evidence, outcome.rule, factsBeside(outcome.rule));
  const color = colorOf(palette, shownAs(outcome));
  const takenUp = inspection.docket.violations.filter(
    ({ findings }) => outcome.outcome === 'violation' && findings.some(({ rule }) => rule === outcome.rule),
  );
  return (
    <View
      testID={`finding-${outcome.rule}`}
      style={[{ backgroundColor: palette.sheet }, outline(color, shownAs(outcome) === 'violation'), cut(10)]}
    >
      <Pressable
        role="button"
        aria-expanded={open}
        onPress={() => setOpen(!open)}
        style={{ padding: 12, gap: 4, minHeight: TARGET }}
      >
        <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 8 }}>
          <SignWithWord kind={outcome.outcome} severity={outcome.severity} />
          <Quiet>{STATION_NAMES[outcome.station]}</Quiet>
        </View>
        <Words style={{ fontSize: 18 }}>{outcome.reason}</Words>
        {outcome.others.map((one) => (
          <Words key={one.part} style={{ fontSize: 18 }}>
            {one.reason}
          </Words>
        ))}
        {takenUp.map(({ id, number, state, dueOn }) => (
          <Words key={id} style={{ fontSize: 16, fontWeight: '700' }}>
            {`Violation ${number}: ${VIOLATION_STATES[state].toLowerCase()}${dueOn ? `, by ${shortDayText(dueOn)}` : ''}`}
          </Words>
        ))}
        {outcome.remedy && !open && (
          <Words style={{ fontSize: 17, lineHeight: 24 }}>
            <Words style={{ fontWeight: '700', fontSize: 17 }}>Remedy. </Words>
            {outcome.remedy}
          </Words>
        )}
        {outcome.outcome === 'violation' && !open && <OfficeNote outcome={outcome} />}
        <Quiet>{open ? 'Fold the working' : `${outcome.cites.join(' · ')} · show the working`}</Quiet>
      </Pressable>
      {open ? (
        <>
          <Working outcome={outcome} />
          <View style={{ padding: 10, paddingTop: 0 }}>
            <EvidencePane inspection={inspection.id} about={outcome.rule} evidence={evidence} />
          </View>
        </>
      ) : (
        evidence.length > 0 && (
          <View style={{ padding: 12, paddingTop: 0 }}>
            <ShownEvidence inspection={inspection.id} evidence={evidence} />
          </View>
        )
      )}
    </View>
  );
}

/** Violations that one fact brings about, under one head; one alone stands by itself. */
function OneCause({ walk, cause, outcomes }: { walk: Walk; cause: Cause; outcomes: readonly Outcome[] }) {
  const palette = usePalette();
  const cards = outcomes.map((one) => <FindingCard key={one.rule} walk={walk} outcome={one} />);
  if (cause.words === null) return cards;
  return (
    <View
      testID={`cause-${cause.fact}`}
      style={[{ gap: 8, padding: 8, borderWidth: 1, borderColor: palette.hairline }, cut(10)]}
    >
      <Words style={{ fontWeight: '700' }}>{`One cause: ${cause.words}`}</Words>
      {cards}
    </View>
  );
}

/** Everything found: violations first, then what nobody has proved and where to find it out, then what holds, folded. */
export const Findings = memo(function Findings({ walk }: { walk: Walk }) {
  const palette = usePalette();
  const [all, setAll] = useState(false);
  const { evaluation, inspection } = walk;
  const causes = useMemo(
    () => causesOf(inspection.case, evaluation, inspection.rules?.profile),
    [inspection.case, inspection.rules, evaluation],
  );
  const told = causes.map((cause) => ({
    cause,
    outcomes: cause.rules.map((rule) => evaluation.outcomes.find((one) => one.rule === rule)!),
  }));
  // The gravest of a group is its first; advice alone stands under its own head.
  const against = told.filter(({ outcomes }) => shownAs(outcomes[0]!) === 'violation');
  const advice = told.filter(({ outcomes }) => shownAs(outcomes[0]!) === 'advice');
  const open = toFindOut(evaluation);
  const rest = evaluation.outcomes.filter((one) => one.outcome === 'holds' || one.outcome === 'not-applicable');
  return (
    <View style={{ gap: 12 }}>
      <Differing inspection={inspection} />
      <ClaimedAndFound inspection={inspection} />
      {against.length > 0 ? <Heading>Violations</Heading> : <Quiet>No violation is recorded.</Quiet>}
      <Columns gap={12}>
        {against.map(({ cause, outcomes }) => (
          <OneCause key={cause.rules[0]} walk={walk} cause={cause} outcomes={outcomes} />
        ))}
      </Columns>
      {advice.length > 0 && <Heading style={{ marginTop: 8 }}>Advice</Heading>}
      <Columns gap={12}>
        {advice.map(({ cause, outcomes }) => (
          <OneCause key={cause.rules[0]} walk={walk} cause={cause} outcomes={outcomes} />
        ))}
      </Columns>
      {open.length > 0 && <Heading style={{ marginTop: 8 }}>To come back for</Heading>}
      <Columns gap={12}>
        {open.map(({ station, paths }) => (
          <View key={station} style={{ gap: 2 }}>
            <Words color={palette.unproven} style={{ fontWeight: '700' }}>
              {STATION_NAMES[station]}
            </Words>
            {paths.map((path) => (
              <LinkArea
                key={path}
                to={`/inspection/${inspection.id}/${station}?fact=${encodeURIComponent(path)}`}
                style={{
                  flexDirection: 'row',
                  gap: 10,
                  alignItems: 'center',
                  minHeight: TARGET,
                  borderTopWidth: 1,
                  borderColor: palette.hairline,
                }}
              >
                <Sign kind="unproven" size={20} />
                <View style={{ flex: 1, paddingVertical: 4 }}>
                  <Words style={{ fontSize: 17 }}>
                    {factLabel(path)}
                    {factAt(inspection.case, path) === 'not-seen' ? ' (looked, not seen)' : ''}
                  </Words>
                  <Quiet>{metaOf(path).ask}</Quiet>
                </View>
              </LinkArea>
            ))}
          </View>
        ))}
      </Columns>
      <Pressable
        role="button"
        aria-expanded={all}
        onPress={() => setAll(!all)}
        style={{ minHeight: TARGET, justifyContent: 'center' }}
      >
        <Words style={{ fontWeight: '700', textDecorationLine: 'underline' }}>
          {all ? 'Fold what holds' : `Show the ${rest.length} that hold or don’t apply`}
        </Words>
      </Pressable>
      {all && (
        <Columns gap={12}>
          {rest.map((one) => (
            <FindingCard key={one.rule} walk={walk} outcome={one} />
          ))}
        </Columns>
      )}
      <Quiet>
        The adopted code, the local office and a licensed person decide. This program approves nothing by itself, and
        knows only what was recorded.
      </Quiet>
    </View>
  );
});
