import { yupResolver } from '@hookform/resolvers/yup';
import { Button } from '../theme/elements';
import { useRouter } from 'expo-router';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { EDITIONS } from '@careful-latch/core/codebook';
import { TRANSFER_KINDS, type TransferKind } from '@careful-latch/core/case';
import { headerSchema, touched, type Header } from '@careful-latch/core/record';
import { Connection } from '../drawn/connections';
import { Field } from '../plates/field';
import { Plate, Plates } from '../plates/plate';
import { openInspection, record } from '../stores/inspections';
import { useSession } from '../stores/session';
import { Back } from '../theme/back';
import { Screen } from '../theme/screen';
import { Title, Words } from '../theme/words';
import { inside } from '../theme/inside';

const KINDS = Object.keys(TRANSFER_KINDS) as TransferKind[];

/** Address, then the connection as it looks: touching it opens the house, straight at its source. */
export default inside(function New() {
  const router = useRouter();
  const office = useSession((one) => one.office);
  const form = useForm<Header>({
    resolver: yupResolver(headerSchema),
    defaultValues: { address: '', owner: '', permit: '', edition: office?.edition ?? '2023' },
  });
  const edition = form.watch('edition');
  const open = (kind: TransferKind | undefined) =>
    form.handleSubmit((header) => {
      const id = openInspection(header);
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
      </View>
    </Screen>
  );
});
