import { yupResolver } from '@hookform/resolvers/yup';
import { Button } from '../theme/elements';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { TRANSFER_KINDS, type TransferKind } from '@careful-latch/core/case';
import { headerSchema, touched, type ChangeBody, type Header } from '@careful-latch/core/record';
import { Connection } from '../drawn/connections';
import { LookUp } from '../docket/look-up';
import { Field } from '../plates/field';
import { EditionPlates } from '../plates/edition-plates';
import { Plate } from '../plates/plate';
import { Alike } from './alike';
import { giveCase, useGiven } from './dropped';
import { openInspection, record } from '../stores/inspections';
import type { FoundPermit } from '../stores/office';
import { usePreferences } from '../stores/preferences';
import { useSession } from '../stores/session';
import { Back } from '../theme/back';
import { chooseFiles } from '../theme/files';
import { Screen } from '../theme/screen';
import { Trouble } from '../theme/trouble';
import { Title, Words } from '../theme/words';

const KINDS = Object.keys(TRANSFER_KINDS) as TransferKind[];

/** Address, then the connection as it looks: touching it opens the house, straight at its source. */
export function NewScreen() {
  const router = useRouter();
  const office = useSession((one) => one.office);
  const form = useForm<Header>({
    resolver: yupResolver(headerSchema),
    defaultValues: { address: '', owner: '', permit: '', edition: office?.edition ?? '2023' },
  });
  const edition = form.watch('edition');
  const given = useGiven((one) => one.given);
  const [trouble, setTrouble] = useState<string>();
  const choose = async () => {
    const [file] = await chooseFiles({ accept: '.json,application/json' });
    if (!file) return;
    await giveCase(file).then(
      () => setTrouble(undefined),
      (error: Error) => setTrouble(error.message),
    );
  };
  const [like, setLike] = useState<string>();
  const [permit, setPermit] = useState<FoundPermit>();
  const found = (one: FoundPermit) => {
    form.setValue('address', one.address, { shouldValidate: true });
    form.setValue('owner', one.owner);
    form.setValue('permit', one.number);
    setPermit(one);
  };
  /** What the permit office said of the permit that is opened under. */
  const permitChanges = (inspection: string): ChangeBody[] => {
    if (!permit || permit.number !== form.getValues('permit')) return [];
    const { until, status, contractor, license } = permit;
    const words = `The permit office: ${status}.`;
    return [
      { type: 'permit', inspection, to: 'there', until, words },
      ...(contractor && license
        ? [{ type: 'installer' as const, inspection, kind: 'contractor' as const, name: contractor, license, words }]
        : []),
    ];
  };
  const open = (kind: TransferKind | undefined) =>
    form.handleSubmit(async (header) => {
      const id = openInspection(header);
      for (const change of permitChanges(id)) record(change);
      if (given) {
        const { factsOf } = await import('./given');
        const facts = factsOf(id, given.case);
        if (facts) record(facts);
        useGiven.setState({ given: undefined });
      }
      if (like !== undefined) usePreferences.getState().setAlike(id, like);
      if (kind) record(touched(id, 'transfer.kind', kind));
      router.replace(`/inspection/${id}/source`);
    })();
  return (
    <Screen
      narrow
      head={<Back to="/" label="Inspections" />}
      act={<Button title="Open; connection not seen yet" onPress={() => void open(undefined)} />}
    >
      <View style={{ gap: 10 }}>
        <Title>New inspection</Title>
        <Field form={form} name="address" label="Property" placeholder="Number and street" autoComplete="off" />
        <Words style={{ fontWeight: '700' }}>What connects the source? Touch it to begin.</Words>
        <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: 8 }}>
          {KINDS.map((one) => (
            <Plate
              key={one}
              role="button"
              label={TRANSFER_KINDS[one]}
              style={{ width: '31.5%', minHeight: 108 }}
              drawing={(color) => <Connection kind={one} color={color} />}
              onPress={() => void open(one)}
            />
          ))}
        </View>
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
          {given ? (
            <>
              <Words style={{ flex: 1 }}>{`With what ${given.name} says, as taken from a table.`}</Words>
              <Plate role="button" quiet label="Not that" onPress={() => useGiven.setState({ given: undefined })} />
            </>
          ) : (
            <Plate role="button" quiet label="Begin from a case file" onPress={() => void choose()} />
          )}
        </View>
        <Trouble>{trouble}</Trouble>
        <Alike like={like} onLike={setLike} />
        <Field form={form} name="owner" label="Owner" autoComplete="off" />
        <Field form={form} name="permit" label="Permit number" autoComplete="off" />
        <LookUp number={form.watch('permit')} address={form.watch('address')} onFound={found} />
        <EditionPlates
          label="Edition adopted by the office"
          edition={edition}
          onEdition={(one) => form.setValue('edition', one)}
        />
      </View>
    </Screen>
  );
}
