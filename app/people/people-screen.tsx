import { useCallback, useEffect, useState } from 'react';
import { View, type TextInputProps } from 'react-native';
import { ROLES, ZONES, isOutside, roleName, type Role } from '@careful-latch/core/record';
import { ShownLink, type Shown } from './shown-link';
import { Trouble } from '../theme/trouble';
import { Plate, Plates } from '../plates/plate';
import { office, type Colleague, type Invite, type Link, type OutboxLine } from '../stores/office';
import { resume, useSession } from '../stores/session';
import { Back } from '../theme/back';
import { dayText, momentText } from '../theme/dates';
import { Button, Input } from '../theme/elements';
import { Screen } from '../theme/screen';
import { usePalette } from '../theme/theme';
import { Heading, Quiet, Title, Words } from '../theme/words';

const NAMES = Object.keys(ROLES) as Role[];
/** What somebody of a firm, of no firm, can be. */
const rolesOf = (firm: string | null) => NAMES.filter((one) => (firm === null ? one !== 'firm-lead' : isOutside(one)));

type Try = (work: () => Promise<unknown>) => Promise<void>;

function Person({
  person,
  self,
  attempt,
  onLink,
}: {
  person: Colleague;
  self: boolean;
  attempt: Try;
  onLink: (link: Link) => void;
}) {
  const palette = usePalette();
  const [open, setOpen] = useState(false);
  return (
    <View
      testID={`person-${person.login}`}
      style={{ gap: 8, paddingVertical: 10, borderTopWidth: 1, borderColor: palette.hairline }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        <View style={{ flex: 1 }}>
          <Words style={{ fontWeight: '700' }} color={person.active ? palette.ink : palette.quiet}>
            {person.name}
          </Words>
          <Quiet>{`${person.login} · ${roleName(person.role)}${person.firm ? `, ${person.firm}` : ''}${person.active ? '' : ' · switched off'}${self ? ' · you' : ''}`}</Quiet>
        </View>
        <Plate role="button" quiet label={open ? 'Fold' : 'Change'} onPress={() => setOpen(!open)} />
      </View>
      {open && (
        <>
          <Plates label={`Role of ${person.name}`}>
            {rolesOf(person.firm).map((role) => (
              <Plate
                key={role}
                label={roleName(role)}
                selected={person.role === role}
                onPress={() => void attempt(() => office.changePerson(person.id, { role }))}
              />
            ))}
          </Plates>
          <Quiet>{ROLES[person.role]}</Quiet>
          {person.firm === null && person.role === 'contractor' && (
            <IntoFirm onName={(firm) => void attempt(() => office.changePerson(person.id, { firm }))} />
          )}
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            <Plate
              role="button"
              label={person.active ? 'Switch off' : 'Switch on'}
              onPress={() => void attempt(() => office.changePerson(person.id, { active: !person.active }))}
            />
            <Plate
              role="button"
              quiet
              label="Link to a new password"
              onPress={() => void attempt(async () => onLink(await office.resetPassword(person.id)))}
            />
          </View>
        </>
      )}
    </View>
  );
}

/** Says of which firm a contractor is, once and for good. */
function IntoFirm({ onName }: { onName: (name: string) => void }) {
  const [name, setName] = useState('');
  return (
    <View style={{ flexDirection: 'row', alignItems: 'flex-end', gap: 8 }}>
      <View style={{ flex: 1 }}>
        <Line label="Firm" value={name} onChangeText={setName} />
      </View>
      <Plate role="button" label="Is of this firm" disabled={name.trim() === ''} onPress={() => onName(name.trim())} />
    </View>
  );
}

/** As many mails are shown at first. */
const FIRST_MAILS = 10;

/** What the office has mailed, and whether it went. */
function Outbox() {
  const palette = usePalette();
  const [mails, setMails] = useState<readonly OutboxLine[]>([]);
  useEffect(() => {
    office.mails().then(
      (found) => setMails(found.mails),
      () => undefined, // said above: the people could not be asked for either
    );
  }, []);
  return (
    <View style={{ gap: 6 }} testID="outbox">
      <Heading>Outbox</Heading>
      <Quiet>
        {mails.length === 0
          ? 'Nothing was mailed yet. Whoever gives their address under Password, sessions is reminded each morning of what is due.'
          : 'Written as files for whatever sends your mail; see docs/running.md.'}
      </Quiet>
      {mails.slice(0, FIRST_MAILS).map((one) => (
        <View key={one.id} style={{ borderTopWidth: 1, borderColor: palette.hairline, paddingVertical: 6 }}>
          <Words style={{ fontSize: 16, lineHeight: 22 }}>{`${one.to}: ${one.subject}`}</Words>
          <Quiet>{one.writtenAt ? `went ${momentText(one.writtenAt)}` : `waits since ${momentText(one.madeAt)}`}</Quiet>
        </View>
      ))}
    </View>
  );
}

/** How long a signature may take to arrive. */
const HOURS = [4, 12, 24, 72] as const;

/** What the lead allows whoever signs without signal. */
function OfflineHours({ attempt }: { attempt: Try }) {
  const hours = useSession((one) => one.office?.offlineHours);
  return (
    <View style={{ gap: 8 }}>
      <Heading>Signed without signal</Heading>
      <Quiet>A decision is sealed if it arrives within so many hours; after that it waits for you.</Quiet>
      <Plates label="Hours until it must arrive">
        {HOURS.map((one) => (
          <Plate
            key={one}
            label={`${one} hours`}
            selected={hours === one}
            onPress={() => void attempt(() => office.changeOffice({ offlineHours: one }).then(resume))}
          />
        ))}
      </Plates>
    </View>
  );
}

/** By which clock the office’s days and hours are written, on paper, in lists and in mails. */
function TimeZone({ attempt }: { attempt: Try }) {
  const zone = useSession((one) => one.office?.zone);
  const known: Readonly<Record<string, string>> = ZONES;
  const all = zone === undefined || Object.hasOwn(known, zone) ? known : { ...known, [zone]: zone };
  return (
    <View style={{ gap: 8 }}>
      <Heading>Time zone of the office</Heading>
      <Quiet>Every day and hour on paper, in lists and in mails is by this clock.</Quiet>
      <Plates label="Time zone of the office">
        {Object.entries(all).map(([one, label]) => (
          <Plate
            key={one}
            label={label}
            selected={zone === one}
            onPress={() => void attempt(() => office.changeOffice({ zone: one }).then(resume))}
          />
        ))}
      </Plates>
    </View>
  );
}

/** A line to write on. */
const Line = ({
  label,
  ...field
}: { label: string } & Pick<TextInputProps, 'value' | 'onChangeText' | 'inputMode'>) => (
  <Input
    label={label}
    aria-label={label}
    renderErrorMessage={false}
    containerStyle={{ paddingHorizontal: 0 }}
    {...field}
  />
);

/** The people of the office, for its lead, or of a firm, for the firm’s: who may come in, as what, and who no longer. */
export function PeopleScreen() {
  const own = useSession((one) => one.account);
  const ownFirm = useSession((one) => one.office?.firm ?? null);
  const ofOffice = own?.role === 'lead';
  const [people, setPeople] = useState<readonly Colleague[]>([]);
  const [invites, setInvites] = useState<readonly Invite[]>([]);
  const [trouble, setTrouble] = useState<string>();
  const [link, setLink] = useState<Shown>();
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [firm, setFirm] = useState('');
  const [role, setRole] = useState<Role>(ofOffice ? 'inspector' : 'contractor');
  const load = useCallback(async () => {
    const found = await office.people();
    setPeople(found.people);
    setInvites(found.invites);
  }, []);
  const attempt: Try = useCallback(
    async (work) => {
      setTrouble(undefined);
      try {
        await work();
        await load();
      } catch (error) {
        setTrouble((error as Error).message);
      }
    },
    [load],
  );
  useEffect(() => {
    void attempt(() => Promise.resolve());
  }, [attempt]);
  const invite = () =>
    attempt(async () => {
      const ofFirm = ofOffice && isOutside(role) ? firm.trim() : '';
      const made = await office.invite({ name: name.trim(), role, firm: ofFirm, email: email.trim() });
      setLink({ name: name.trim(), link: made, reset: false });
      setName('');
      setEmail('');
    });
  return (
    <Screen narrow head={<Back to="/" label="Inspections" />}>
      <View style={{ gap: 12 }}>
        <Title>{ofOffice ? 'People' : `People of ${ownFirm ?? 'your firm'}`}</Title>
        <Quiet>
          Whoever is switched off is out at the next touch; what they had not sent comes to the lead of the office, who
          says what of it is kept.
        </Quiet>
        <Trouble>{trouble}</Trouble>
        {link && <ShownLink {...link} onClose={() => setLink(undefined)} />}
        <View>
          {people.map((one) => (
            <Person
              key={one.id}
              person={one}
              self={one.id === own?.id}
              attempt={attempt}
              onLink={(made) => setLink({ name: one.name, link: made, reset: true })}
            />
          ))}
        </View>
        {invites.length > 0 && <Heading>Invited</Heading>}
        {invites.map((one) => (
          <View key={one.id} style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
            <Words
              style={{ flex: 1 }}
            >{`${[one.name, roleName(one.role), one.firm].filter(Boolean).join(', ')}, until ${dayText(one.expiresAt)}`}</Words>
            <Plate role="button" quiet label="Take back" onPress={() => void attempt(() => office.takeBack(one.id))} />
          </View>
        ))}
        {ofOffice && <OfflineHours attempt={attempt} />}
        {ofOffice && <TimeZone attempt={attempt} />}
        {ofOffice && <Outbox />}
        <Heading>Invite somebody</Heading>
        <Line label="Whom" value={name} onChangeText={setName} />
        <Line
          label="Mail address, if the link should go there"
          value={email}
          onChangeText={setEmail}
          inputMode="email"
        />
        <Plates label="As what">
          {(ofOffice ? NAMES : rolesOf(ownFirm ?? '')).map((one) => (
            <Plate key={one} label={roleName(one)} selected={role === one} onPress={() => setRole(one)} />
          ))}
        </Plates>
        <Quiet>{ROLES[role]}</Quiet>
        {ofOffice && isOutside(role) && <Line label="Of which firm" value={firm} onChangeText={setFirm} />}
        <Button title="Make the link" onPress={() => void invite()} />
      </View>
    </Screen>
  );
}
