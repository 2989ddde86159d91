import { useState } from 'react';
import { View } from 'react-native';
import { object, string, type AnySchema } from 'yup';
import {
  APPEAL_STATES,
  DECISIONS,
  INSTALLER_KINDS,
  PAPER_STATES,
  PERMIT_STATES,
  inspects,
  installerOf,
  installerSchema,
  isApproval,
  paperState,
  type Appeal,
  type ChangeBody,
  type Inspection,
  type PaperState,
  type Signed,
} from '@careful-latch/core/record';
import { Plate } from '../plates/plate';
import { useSession } from '../stores/session';
import { dayText, momentText } from '../theme/dates';
import { Trouble } from '../theme/trouble';
import { Heading, Quiet, Words } from '../theme/words';
import { Ask, type Asked } from './ask';
import { Say } from './say';
import { useChange } from './use-change';

const words = (label: string) => string().trim().required(`${label}.`).min(10, `${label}, in at least 10 characters.`);
const day = (label: string) =>
  string()
    .trim()
    .matches(/^\d{4}-\d{2}-\d{2}$/, label);

/** Each question that can be asked here, with what is done with the answers. */
interface Form {
  readonly plate: string;
  readonly act: string;
  readonly fields: readonly Asked[];
  readonly schema: AnySchema;
  readonly change: (values: Record<string, string>) => Record<string, unknown> & { readonly type: string };
}

const UNTIL: Asked = { name: 'until', label: 'It holds until', days: [30, 180, 365] };
const FORMS = {
  permit: {
    plate: 'Until when the permit holds',
    act: 'Write it down',
    fields: [UNTIL, { name: 'words', label: 'Where that stands' }],
    schema: object({
      until: day('Choose the last day on which it holds, or type it like 2027-03-01.'),
      words: string().trim().max(200),
    }),
    change: ({ until, words: said }) => ({ type: 'permit', to: 'there', until, words: said }),
  },
  renewed: {
    plate: 'The permit was renewed',
    act: 'Write it down',
    fields: [UNTIL, { name: 'words', label: 'Where that stands' }],
    schema: object({
      until: day('Choose the last day on which it holds, or type it like 2027-03-01.'),
      words: string().trim().max(200),
    }),
    change: ({ until, words: said }) => ({ type: 'permit', to: 'renewed', until, words: said }),
  },
  missing: {
    plate: 'There is no permit',
    act: 'A permit is required',
    fields: [{ name: 'words', label: 'How it came to light; not who complained' }],
    schema: object({ words: words('Say how it came to light') }),
    change: ({ words: said }) => ({ type: 'permit', to: 'missing', until: null, words: said }),
  },
  installer: {
    plate: 'Who does the work',
    act: 'Hand it over',
    fields: [
      { name: 'kind', label: 'The work is done by', choices: INSTALLER_KINDS },
      { name: 'name', label: 'Name' },
      { name: 'license', label: 'License, of a contractor' },
      { name: 'words', label: 'What is handed over: done, and left', lines: true },
    ],
    schema: installerSchema,
    change: (values) => ({ type: 'installer', ...values }),
  },
} as const satisfies Record<string, Form>;

/** The permit and who does the work, as the office knows them; who was there before, and since when. */
export function PermitAndInstaller({ inspection }: { inspection: Inspection }) {
  const account = useSession((one) => one.account);
  const { trouble, change } = useChange();
  const [asking, setAsking] = useState<keyof typeof FORMS>();
  const { docket, header } = inspection;
  const { permit, installers = [] } = docket;
  const now = installerOf(docket);
  const form = asking && FORMS[asking];
  const offered: (keyof typeof FORMS)[] = permit
    ? ['renewed', ...(permit.state === 'missing' ? [] : (['missing'] as const)), 'installer']
    : ['permit', 'missing', 'installer'];
  return (
    <View style={{ gap: 8 }} testID="permit-and-installer">
      <Heading>Permit, and who does the work</Heading>
      <Words style={{ fontSize: 17 }}>
        {permit
          ? `Permit ${header.permit || '(no number)'}: ${PERMIT_STATES[permit.state].toLowerCase()}${permit.until ? `, until ${dayText(permit.until)}` : ''}. ${permit.steps.at(-1)!.words}`
          : `Permit ${header.permit || 'not given'}: nobody has written down until when it holds.`}
      </Words>
      <Words style={{ fontSize: 17 }}>
        {now
          ? `Work by ${now.name}${now.license ? `, license ${now.license}` : `, ${INSTALLER_KINDS[now.kind].toLowerCase()}`}, since ${dayText(now.from)}. ${now.words}`
          : 'Nobody has written down who does the work.'}
      </Words>
      {installers.slice(0, -1).map((one) => (
        <Quiet key={one.from}>{`Before: ${one.name}, from ${dayText(one.from)}`}</Quiet>
      ))}
      <Trouble>{trouble}</Trouble>
      {form ? (
        <Ask
          key={asking}
          label={form.plate}
          fields={form.fields}
          schema={form.schema}
          act={form.act}
          onDo={(values) => {
            if (change({ inspection: inspection.id, ...form.change(values) } as unknown as ChangeBody))
              setAsking(undefined);
          }}
          onClose={() => setAsking(undefined)}
        />
      ) : (
        account &&
        inspects(account.role) && (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {offered.map((one) => (
              <Plate key={one} role="button" quiet label={FORMS[one].plate} onPress={() => setAsking(one)} />
            ))}
          </View>
        )
      )}
    </View>
  );
}

const BECOMES: Readonly<Record<PaperState, { readonly plate: string; readonly label: string }>> = {
  superseded: { plate: 'Supersede', label: 'What takes its place, and why' },
  void: { plate: 'Make void', label: 'Why it is void' },
  suspended: { plate: 'Suspend', label: 'Ground, who was given notice, how to appeal' },
  revoked: { plate: 'Revoke', label: 'Ground, who was given notice, how to appeal' },
  issued: { plate: 'It holds again', label: 'Why it holds again' },
};
const FROM: Readonly<Record<PaperState, readonly PaperState[]>> = {
  issued: ['superseded', 'void', 'suspended', 'revoked'],
  suspended: ['issued', 'revoked', 'void'],
  superseded: [],
  void: [],
  revoked: [],
};

/** What became of a decision since it was issued. */
export const Became = ({ inspection: { docket }, signed }: { inspection: Inspection; signed: Signed }) =>
  docket.papers
    ?.find(({ id }) => id === signed.id)
    ?.steps.map((one) => (
      <Words key={one.at} style={{ fontSize: 17 }}>
        {`${PAPER_STATES[one.to]}: ${one.by}, ${momentText(one.at)}. ${one.words}`}
      </Words>
    ));

/** What the lead can make of a decision that was issued; it stands behind the papers, for it is seldom wanted. */
export function BecomeActs({ inspection, signed }: { inspection: Inspection; signed: Signed }) {
  const account = useSession((one) => one.account);
  const { trouble, change } = useChange();
  const [asking, setAsking] = useState<PaperState>();
  const state = paperState(inspection.docket, signed.id);
  const offered = FROM[state].filter((one) => isApproval(signed.kind) || !['suspended', 'revoked'].includes(one));
  return (
    <View style={{ gap: 6 }}>
      <Trouble>{trouble}</Trouble>
      {asking ? (
        <Say
          key={asking}
          label={BECOMES[asking].label}
          act={BECOMES[asking].plate}
          onSay={(said) => {
            if (change({ type: 'paper', inspection: inspection.id, decision: signed.id, to: asking, words: said }))
              setAsking(undefined);
          }}
          onClose={() => setAsking(undefined)}
        />
      ) : (
        account?.role === 'lead' &&
        offered.length > 0 && (
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
            {offered.map((one) => (
              <Plate key={one} role="button" quiet label={BECOMES[one].plate} onPress={() => setAsking(one)} />
            ))}
          </View>
        )
      )}
    </View>
  );
}

const ENDS = ['upheld', 'modified', 'reversed'] as const;

/** What an appeal is against, in words. */
function against({ docket, decisions }: Inspection, { against: id }: Appeal): string {
  const violation = docket.violations.find((one) => one.id === id);
  if (violation) return `violation ${violation.number}`;
  const decision = decisions.find((one) => one.id === id);
  return decision ? `${DECISIONS[decision.kind].toLowerCase()} of ${dayText(decision.at)}` : 'a decision';
}

/** Who disagrees, and how it ended; orders stand meanwhile. */
export function Appeals({ inspection }: { inspection: Inspection }) {
  const account = useSession((one) => one.account);
  const { trouble, change } = useChange();
  const [asking, setAsking] = useState<'file' | { readonly appeal: string; readonly to: (typeof ENDS)[number] }>();
  const { docket, decisions, id } = inspection;
  const { appeals = [] } = docket;
  const last = decisions.at(-1);
  if (!last) return null;
  const offered = {
    [last.id]: `The last decision: ${DECISIONS[last.kind].toLowerCase()}`,
    ...Object.fromEntries(docket.violations.map((one) => [one.id, `Violation ${one.number}`])),
  };
  return (
    <View style={{ gap: 8 }} testID="appeals">
      <Heading>Appeals</Heading>
      {appeals.length === 0 && <Quiet>Nobody has appealed.</Quiet>}
      {appeals.map((one) => (
        <View key={one.id} style={{ gap: 4 }}>
          <Words style={{ fontSize: 17, fontWeight: '700' }}>
            {`${one.filedBy}, against ${against(inspection, one)}: ${APPEAL_STATES[one.state].toLowerCase()}`}
          </Words>
          {one.steps.map((step) => (
            <Quiet key={step.at}>{`${APPEAL_STATES[step.to]}, ${momentText(step.at)}. ${step.words}`}</Quiet>
          ))}
          {one.state === 'filed' && account?.role === 'lead' && !asking && (
            <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
              {ENDS.map((to) => (
                <Plate
                  key={to}
                  role="button"
                  quiet
                  label={APPEAL_STATES[to]}
                  onPress={() => setAsking({ appeal: one.id, to })}
                />
              ))}
            </View>
          )}
        </View>
      ))}
      <Trouble>{trouble}</Trouble>
      {asking === 'file' ? (
        <Ask
          label="An appeal"
          act="File it"
          fields={[
            { name: 'against', label: 'Against', choices: offered },
            { name: 'filedBy', label: 'Who appeals' },
            { name: 'words', label: 'On what ground', lines: true },
          ]}
          schema={object({
            against: string().required('Choose what it is against.'),
            filedBy: string().trim().required('Say who appeals.').max(200),
            words: words('Say on what ground'),
          })}
          onDo={(values) => {
            const body = { type: 'appeal', inspection: id, appeal: crypto.randomUUID(), to: 'filed', ...values };
            if (change(body as unknown as ChangeBody)) setAsking(undefined);
          }}
          onClose={() => setAsking(undefined)}
        />
      ) : asking ? (
        <Say
          key={asking.to}
          label="Who decided on it, and what follows"
          act={APPEAL_STATES[asking.to]}
          onSay={(said) => {
            if (change({ type: 'appeal', inspection: id, ...asking, words: said })) setAsking(undefined);
          }}
          onClose={() => setAsking(undefined)}
        />
      ) : (
        account &&
        account.role !== 'reader' && (
          <View style={{ flexDirection: 'row' }}>
            <Plate role="button" quiet label="File an appeal" onPress={() => setAsking('file')} />
          </View>
        )
      )}
    </View>
  );
}

/** Whether anything of the record may be destroyed when its time is over; the lead holds it for a court or an appeal. */
export function Held({ inspection }: { inspection: Inspection }) {
  const { trouble, change } = useChange();
  const [asking, setAsking] = useState(false);
  const { hold } = inspection.docket;
  const act = hold?.on ? 'Release it' : 'Hold it';
  return (
    <View style={{ gap: 8 }} testID="hold">
      <Heading>{hold?.on ? 'Held: nothing of it is destroyed' : 'Not held'}</Heading>
      {hold?.steps.map((one) => (
        <Quiet
          key={one.at}
        >{`${one.to === 'held' ? 'Held' : 'Released'}: ${one.by}, ${momentText(one.at)}. ${one.words}`}</Quiet>
      ))}
      <Trouble>{trouble}</Trouble>
      {asking ? (
        <Say
          label={hold?.on ? 'Why it is released' : 'For whom, and why'}
          act={act}
          onSay={(words_) => {
            if (change({ type: 'hold', inspection: inspection.id, to: hold?.on ? 'released' : 'held', words: words_ }))
              setAsking(false);
          }}
          onClose={() => setAsking(false)}
        />
      ) : (
        <View style={{ flexDirection: 'row' }}>
          <Plate role="button" quiet label={act} onPress={() => setAsking(true)} />
        </View>
      )}
    </View>
  );
}
