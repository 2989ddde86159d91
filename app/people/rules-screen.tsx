import { useCallback, useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { STATIONS, STATION_NAMES, type Station } from '@careful-latch/core/case';
import {
  EDITIONS,
  OFFICE_NUMBERS,
  READINGS,
  type OfficeNumberName,
  type ReadingName,
} from '@careful-latch/core/codebook';
import {
  isByPhoto,
  isProtected,
  maySettleByPhoto,
  parseProfile,
  type ChecklistItem,
  type Profile,
  type RuleChange,
} from '@careful-latch/core/profile';
import { stateOf, wouldDiffer } from '@careful-latch/core/record';
import { RULES, type Severity } from '@careful-latch/core/rules';
import { Plate, Plates } from '../plates/plate';
import { useInspections } from '../stores/inspections';
import { office, type Version } from '../stores/office';
import { resume, useSession } from '../stores/session';
import { Back } from '../theme/back';
import { dayText } from '../theme/dates';
import { Button, Input } from '../theme/elements';
import { chooseFiles, saveFile } from '../theme/files';
import { Screen } from '../theme/screen';
import { usePalette } from '../theme/theme';
import { Trouble } from '../theme/trouble';
import { Heading, Quiet, Title, Words } from '../theme/words';

const SEVERITIES: Readonly<Record<Severity, string>> = {
  hazard: 'Hazard',
  correction: 'Correction',
  advisory: 'Advice',
};
const WORDS = new Map<string, string>(RULES.map(({ id, holds }) => [id, holds]));
const OWN_SEVERITY = new Map<string, Severity>(RULES.map(({ id, severity }) => [id, severity]));
/** As many rules are shown of a search, and as many differences of a house. */
const MOST_FOUND = 8;
const MOST_HOUSES = 20;

type Amend = (over: Partial<Profile>) => void;

const plain = (name: string, edition: Profile['edition']): Profile => ({
  format: 'careful-latch/profile',
  version: 2,
  office: name,
  edition,
  readings: {},
  rules: {},
  numbers: {},
  checklist: [],
});

/** An object without one of its names. */
const without = <T extends object>(from: T, name: string): T =>
  Object.fromEntries(Object.entries(from).filter(([key]) => key !== name)) as T;

function Text({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <Input
      aria-label={label}
      placeholder={label}
      value={value}
      onChangeText={onChange}
      renderErrorMessage={false}
      containerStyle={{ paddingHorizontal: 0 }}
    />
  );
}

function ReadingsPart({ profile, amend }: { profile: Profile; amend: Amend }) {
  return (
    <View style={{ gap: 10 }}>
      <Heading>Where offices differ</Heading>
      {(Object.keys(READINGS) as ReadingName[]).map((name) => {
        const { asks, ways, usual } = READINGS[name];
        return (
          <View key={name} style={{ gap: 6 }}>
            <Words style={{ fontWeight: '700' }}>{asks}</Words>
            <Plates label={asks}>
              {Object.entries(ways).map(([way, words]) => (
                <Plate
                  key={way}
                  label={words}
                  selected={(profile.readings[name] ?? usual) === way}
                  onPress={() => amend({ readings: { ...profile.readings, [name]: way } })}
                />
              ))}
            </Plates>
          </View>
        );
      })}
    </View>
  );
}

function NumbersPart({ profile, amend }: { profile: Profile; amend: Amend }) {
  return (
    <View style={{ gap: 6 }}>
      <Heading>Numbers</Heading>
      {(Object.keys(OFFICE_NUMBERS) as OfficeNumberName[]).map((name) => {
        const { label, unit, min, max, value } = OFFICE_NUMBERS[name];
        return (
          <View key={name} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <View style={{ flex: 1 }}>
              <Words style={{ fontSize: 16, lineHeight: 20 }}>{label}</Words>
              <Quiet>{`${value} ${unit} where the office says nothing; ${min} to ${max}`}</Quiet>
            </View>
            <Input
              aria-label={`${label}, ${unit}`}
              defaultValue={profile.numbers[name] === undefined ? '' : String(profile.numbers[name])}
              placeholder={String(value)}
              inputMode="decimal"
              onChangeText={(text) =>
                amend({
                  numbers:
                    text.trim() === ''
                      ? without(profile.numbers, name)
                      : { ...profile.numbers, [name]: Number(text.replace(',', '.')) },
                })
              }
              renderErrorMessage={false}
              containerStyle={{ width: 110, paddingHorizontal: 0 }}
            />
          </View>
        );
      })}
    </View>
  );
}

/** One rule as the office has amended it. */
function Amended({
  id,
  change,
  onChange,
  onDrop,
}: {
  id: string;
  change: RuleChange;
  onChange: (change: RuleChange) => void;
  onDrop: () => void;
}) {
  const palette = usePalette();
  const chosen = change.off ? 'off' : (change.severity ?? 'ours');
  const { off: _, severity: __, ...rest } = change;
  const fixed = isProtected(id);
  return (
    <View style={{ gap: 6, borderTopWidth: 1, borderColor: palette.hairline, paddingTop: 8 }} testID={`amended-${id}`}>
      <Words style={{ fontWeight: '700' }}>{WORDS.get(id)}</Words>
      <Plates label={`How grave: ${id}`}>
        <Plate
          label={`As ours: ${SEVERITIES[OWN_SEVERITY.get(id)!].toLowerCase()}`}
          selected={chosen === 'ours'}
          onPress={() => onChange(rest)}
        />
        {!fixed &&
          (Object.keys(SEVERITIES) as Severity[]).map((one) => (
            <Plate
              key={one}
              label={SEVERITIES[one]}
              selected={chosen === one}
              onPress={() => onChange({ ...rest, severity: one })}
            />
          ))}
        {!fixed && (
          <Plate label="Not asked here" selected={chosen === 'off'} onPress={() => onChange({ ...rest, off: true })} />
        )}
      </Plates>
      {maySettleByPhoto(id) && (
        <Plates label={`From the desk: ${id}`}>
          {[true, false].map((byPhoto) => (
            <Plate
              key={String(byPhoto)}
              label={byPhoto ? 'A photo settles it' : 'It takes a visit'}
              selected={isByPhoto({ rules: { [id]: change } }, id) === byPhoto}
              onPress={() => onChange({ ...change, byPhoto })}
            />
          ))}
        </Plates>
      )}
      {fixed && <Quiet>A hazard that no office makes weaker; its sections and a reason can be given.</Quiet>}
      <Text
        label="Sections in place of ours, with commas between"
        value={(change.cites ?? []).join(', ')}
        onChange={(text) => {
          const { cites: ___, ...bare } = change;
          const cites = text.split(/,\s*/).filter(Boolean);
          onChange(cites.length > 0 ? { ...bare, cites } : bare);
        }}
      />
      <Text
        label="Why the office changes it"
        value={change.reason}
        onChange={(reason) => onChange({ ...change, reason })}
      />
      <View style={{ flexDirection: 'row' }}>
        <Plate role="button" quiet label="As before" onPress={onDrop} />
      </View>
    </View>
  );
}

function RulesPart({ profile, amend }: { profile: Profile; amend: Amend }) {
  const [search, setSearch] = useState('');
  const found = useMemo(() => {
    const words = search.toLowerCase().split(/\s+/).filter(Boolean);
    if (words.length === 0) return [];
    return RULES.filter(({ id, holds }) => {
      const text = `${id} ${holds}`.toLowerCase();
      return !(id in profile.rules) && words.every((word) => text.includes(word));
    }).slice(0, MOST_FOUND);
  }, [search, profile.rules]);
  const set = (id: string, change: RuleChange) => amend({ rules: { ...profile.rules, [id]: change } });
  return (
    <View style={{ gap: 10 }}>
      <Heading>Rules made stricter or weaker</Heading>
      {Object.entries(profile.rules).map(([id, change]) => (
        <Amended
          key={id}
          id={id}
          change={change}
          onChange={(next) => set(id, next)}
          onDrop={() => amend({ rules: without(profile.rules, id) })}
        />
      ))}
      <Text label="Find a rule: interlock cover, drop, label" value={search} onChange={setSearch} />
      {found.map(({ id, holds }) => (
        <Plate
          key={id}
          role="button"
          quiet
          label={holds}
          onPress={() => {
            set(id, { reason: '' });
            setSearch('');
          }}
        />
      ))}
    </View>
  );
}

function ItemsPart({
  profile,
  adopted,
  amend,
}: {
  profile: Profile;
  /** Ids of the items that were adopted before. */
  adopted: readonly string[];
  amend: Amend;
}) {
  const palette = usePalette();
  const items = profile.checklist;
  const set = (index: number, over: Partial<ChecklistItem>) =>
    amend({ checklist: items.map((one, i) => (i === index ? { ...one, ...over } : one)) });
  /** Its answers stand in cases under its id, which says what is asked; once adopted it stays. */
  const ask = (index: number, words: string) => {
    const one = items[index]!;
    const taken = items.filter((other) => other !== one).map(({ id }) => id);
    const slug =
      words
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '')
        .slice(0, 50) || 'item';
    const free = taken.includes(slug) ? `${slug}-${index + 1}` : slug;
    set(index, { ask: words, ...(!adopted.includes(one.id) && { id: free }) });
  };
  return (
    <View style={{ gap: 10 }}>
      <Heading>The office’s own items</Heading>
      <Quiet>Asked at their station, answered yes or no; no is a violation as grave as you say.</Quiet>
      {items.map((one, i) => (
        <View key={i} style={{ gap: 6, borderTopWidth: 1, borderColor: palette.hairline, paddingTop: 8 }}>
          <Text label="What is asked" value={one.ask} onChange={(words) => ask(i, words)} />
          <Text label="Ordinance or section" value={one.cite} onChange={(cite) => set(i, { cite })} />
          <Plates label="How grave">
            {(Object.keys(SEVERITIES) as Severity[]).map((severity) => (
              <Plate
                key={severity}
                label={SEVERITIES[severity]}
                selected={one.severity === severity}
                onPress={() => set(i, { severity })}
              />
            ))}
          </Plates>
          <Plates label="At which station">
            {STATIONS.map((station: Station) => (
              <Plate
                key={station}
                quiet
                label={STATION_NAMES[station]}
                selected={one.station === station}
                onPress={() => set(i, { station })}
              />
            ))}
          </Plates>
          <View style={{ flexDirection: 'row' }}>
            <Plate
              role="button"
              quiet
              label="Ask it no more"
              onPress={() => amend({ checklist: items.filter((other) => other !== one) })}
            />
          </View>
        </View>
      ))}
      <View style={{ flexDirection: 'row' }}>
        <Plate
          role="button"
          label="Another item"
          onPress={() =>
            amend({
              checklist: [
                ...items,
                { id: `item-${items.length + 1}`, station: 'panel', ask: '', severity: 'correction', cite: '' },
              ],
            })
          }
        />
      </View>
    </View>
  );
}

/** What would be found otherwise at what is open, if it were judged under these rules: before anybody adopts them. */
function WhatWouldChange({ profile }: { profile: Profile }) {
  const palette = usePalette();
  const byId = useInspections((one) => one.byId);
  const houses = useMemo(() => {
    const open = Object.values(byId).filter((one) => ['draft', 'reinspection'].includes(stateOf(one)));
    const differing = open.map((one) => ({ one, all: wouldDiffer(one, { version: 0, profile }) }));
    return { open: open.length, differing: differing.filter(({ all }) => all.length > 0) };
  }, [byId, profile]);
  return (
    <View style={{ gap: 8 }} testID="would-change">
      <Heading>What would change</Heading>
      <Quiet>{`${houses.differing.length} of ${houses.open} open inspections would be found otherwise, if they were judged under these rules.`}</Quiet>
      {houses.differing.slice(0, MOST_HOUSES).map(({ one, all }) => (
        <View key={one.id} style={{ borderTopWidth: 1, borderColor: palette.hairline, paddingTop: 6 }}>
          <Words style={{ fontWeight: '700' }}>{one.header.address}</Words>
          {all.slice(0, MOST_FOUND).map(({ rule, words, from, to }) => (
            <Words key={rule} style={{ fontSize: 16, lineHeight: 22 }}>
              {`${from} → ${to}: ${words}`}
            </Words>
          ))}
          {all.length > MOST_FOUND && <Quiet>{`and ${all.length - MOST_FOUND} more`}</Quiet>}
        </View>
      ))}
    </View>
  );
}

/** What the office has adopted and amended: the lead makes another version of it, everybody reads it. */
export function RulesScreen() {
  const account = useSession((one) => one.account);
  const own = useSession((one) => one.office);
  const isLead = account?.role === 'lead';
  const [versions, setVersions] = useState<readonly Version[]>();
  const [profile, setProfile] = useState<Profile>();
  const [reason, setReason] = useState('');
  const [openToo, setOpenToo] = useState(false);
  const [trouble, setTrouble] = useState<string>();
  const [done, setDone] = useState<string>();
  /** Counts what was read in or adopted: fields begin anew with it. */
  const [round, setRound] = useState(0);
  const name = own?.name ?? '';
  const edition = own?.edition ?? '2023';
  const load = useCallback(async () => {
    try {
      const found = (await office.rules()).versions;
      setVersions(found);
      setProfile(found[0]?.profile ?? plain(name, edition));
      setRound((before) => before + 1);
    } catch (error) {
      setTrouble((error as Error).message);
    }
  }, [name, edition]);
  useEffect(() => void load(), [load]);
  const amend: Amend = (over) => {
    setProfile((before) => before && { ...before, ...over });
    setDone(undefined);
  };
  const newest = versions?.[0];
  const read = useMemo(() => profile && parseProfile(JSON.stringify(profile)), [profile]);
  const changed = profile !== undefined && JSON.stringify(profile) !== JSON.stringify(newest?.profile ?? plain(name, edition)); // prettier-ignore
  const take = (text: string) => {
    const taken = parseProfile(text);
    setTrouble(taken.ok ? undefined : `Nothing was read: ${taken.errors.slice(0, 3).join('; ')}.`);
    if (!taken.ok) return;
    setProfile(taken.profile);
    setRound(round + 1);
  };
  const readFile = async () => {
    const [file] = await chooseFiles({ accept: '.json' });
    if (file) take(await file.text());
  };
  const adopt = async () => {
    setTrouble(undefined);
    try {
      const made = await office.adopt({
        profile: profile!,
        reason: reason.trim(),
        after: newest?.version ?? 0,
        openToo,
      });
      await resume(); // what is opened from now on is judged under it
      await load();
      setReason('');
      setDone(`Version ${made.version} is adopted${made.moved > 0 ? `, and ${made.moved} open inspections are judged under it` : ''}.`); // prettier-ignore
    } catch (error) {
      setTrouble((error as Error).message);
    }
  };
  return (
    <Screen narrow head={<Back to="/" label="Inspections" />}>
      <View style={{ gap: 16 }}>
        <Title>Rules of the office</Title>
        <Quiet>
          {newest
            ? `Version ${newest.version}, adopted ${dayText(newest.at)} by ${newest.by}: ${newest.reason}`
            : 'The office has adopted none of its own: our reading of the code’s edition applies, advice where offices differ.'}
        </Quiet>
        <Quiet>An inspection keeps the version that was adopted when it was opened.</Quiet>
        {done && <Words role="status">{done}</Words>}
        <Trouble>{trouble}</Trouble>
        {profile && (
          <View
            key={round}
            style={[{ gap: 20 }, !isLead && { pointerEvents: 'none' }]}
            {...(!isLead && ({ inert: true } as object))}
          >
            <View style={{ gap: 6 }}>
              <Heading>Edition</Heading>
              <Plates label="Edition">
                {EDITIONS.map((one) => (
                  <Plate
                    key={one}
                    label={one}
                    selected={profile.edition === one}
                    onPress={() => amend({ edition: one })}
                  />
                ))}
              </Plates>
            </View>
            <ReadingsPart profile={profile} amend={amend} />
            <RulesPart profile={profile} amend={amend} />
            <ItemsPart profile={profile} adopted={newest?.profile.checklist.map(({ id }) => id) ?? []} amend={amend} />
            <NumbersPart profile={profile} amend={amend} />
          </View>
        )}
        {profile && (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            <Plate
              role="button"
              quiet
              label="Save as a file"
              onPress={() => saveFile('office-rules.json', 'application/json', JSON.stringify(profile, null, 2))}
            />
            {isLead && <Plate role="button" quiet label="Read a file" onPress={() => void readFile()} />}
          </View>
        )}
        {isLead && profile && changed && (
          <View style={{ gap: 10 }}>
            {read?.ok ? (
              <WhatWouldChange profile={read.profile} />
            ) : (
              <Trouble>{`Not to be adopted yet: ${read?.errors.slice(0, 3).join('; ')}.`}</Trouble>
            )}
            <Text label="Why these rules are adopted" value={reason} onChange={setReason} />
            <Plates label="For which inspections">
              <Plate label="For new inspections" selected={!openToo} onPress={() => setOpenToo(false)} />
              <Plate label="For open ones too" selected={openToo} onPress={() => setOpenToo(true)} />
            </Plates>
            <Button
              title={`Adopt as version ${(newest?.version ?? 0) + 1}`}
              disabled={!read?.ok}
              onPress={() => void adopt()}
            />
          </View>
        )}
        {versions && versions.length > 1 && (
          <View style={{ gap: 4 }}>
            <Heading>Before</Heading>
            {versions.slice(1).map((one) => (
              <Quiet key={one.version}>{`Version ${one.version}, ${dayText(one.at)}, ${one.by}: ${one.reason}`}</Quiet>
            ))}
          </View>
        )}
      </View>
    </Screen>
  );
}
