import { yupResolver } from '@hookform/resolvers/yup';
import { Button } from '../theme/elements';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { EDITIONS } from '@careful-latch/core/codebook';
import { TRANSFER_KINDS, type TransferKind } from '@careful-latch/core/case';
import { headerSchema, touched, type Header } from '@careful-latch/core/record';
import { Field } from '../plates/field';
import { Plate, Plates } from '../plates/plate';
import { openInspection, record } from '../stores/inspections';
import { useSession } from '../stores/session';
import { Back } from '../theme/back';
import { Screen } from '../theme/screen';
import { Quiet, Title, Words } from '../theme/words';
import { inside } from '../theme/inside';

export default inside(function New() {
  const router = useRouter();
  const office = useSession((one) => one.office);
  const [kind, setKind] = useState<TransferKind>();
  const form = useForm<Header>({
    resolver: yupResolver(headerSchema),
    defaultValues: { address: '', owner: '', permit: '', edition: office?.edition ?? '2023' },
  });
  const edition = form.watch('edition');
  const open = form.handleSubmit((header) => {
    const id = openInspection(header);
    if (kind) record(touched(id, 'transfer.kind', kind));
    router.replace(`/inspection/${id}`);
  });
  return (
    <Screen
      narrow
      head={<Back to="/" label="Inspections" />}
      act={<Button title="Open the inspection" onPress={() => void open()} />}
    >
      <View style={{ gap: 14 }}>
        <Title>New inspection</Title>
        <Field form={form} name="address" label="Property" placeholder="Number and street" autoComplete="off" />
        <Field form={form} name="owner" label="Owner" autoComplete="off" />
        <Field form={form} name="permit" label="Permit number" autoComplete="off" />
        <Words style={{ fontWeight: '700' }}>Edition adopted by the office</Words>
        <Plates label="Edition">
          {EDITIONS.map((one) => (
            <Plate
              key={one}
              reading
              label={one}
              selected={edition === one}
              onPress={() => form.setValue('edition', one)}
            />
          ))}
        </Plates>
        <View>
          <Words style={{ fontWeight: '700' }}>Connection</Words>
          <Quiet>
            What keeps the source and the utility apart. It decides what is to be checked; leave it open if you cannot
            see it yet.
          </Quiet>
        </View>
        <Plates label="Connection">
          {(Object.keys(TRANSFER_KINDS) as TransferKind[]).map((one) => (
            <Plate
              key={one}
              label={TRANSFER_KINDS[one]}
              selected={kind === one}
              onPress={() => setKind(kind === one ? undefined : one)}
            />
          ))}
        </Plates>
      </View>
    </Screen>
  );
});
