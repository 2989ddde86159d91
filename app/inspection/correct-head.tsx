import { yupResolver } from '@hookform/resolvers/yup';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { correctionSchema, type Correction, type Inspection } from '@careful-latch/core/record';
import { Field } from '../plates/field';
import { Plate } from '../plates/plate';
import { record } from '../stores/inspections';
import { usePalette } from '../theme/theme';
import { Quiet, Words } from '../theme/words';

/** Corrects what stands at the head of an inspection, with a reason that stays with it. */
export function CorrectHead({ inspection, onClose }: { inspection: Inspection; onClose: () => void }) {
  const palette = usePalette();
  const { address, owner, permit } = inspection.header;
  const [trouble, setTrouble] = useState<string>();
  const form = useForm<Correction>({
    resolver: yupResolver(correctionSchema),
    defaultValues: { address, owner, permit, reason: '' },
  });
  const keep = form.handleSubmit((correction) => {
    try {
      record({ type: 'head', inspection: inspection.id, ...correction });
      onClose();
    } catch (error) {
      setTrouble((error as Error).message);
    }
  });
  return (
    <View role="form" aria-label="Correct the head" style={{ gap: 6, paddingVertical: 8 }}>
      <Field form={form} name="address" label="Property" autoComplete="off" />
      <Field form={form} name="owner" label="Owner" autoComplete="off" />
      <Field form={form} name="permit" label="Permit number" autoComplete="off" />
      <Field
        form={form}
        name="reason"
        label="Why it is corrected"
        autoComplete="off"
        onSubmitEditing={() => void keep()}
      />
      {trouble !== undefined && (
        <Words role="alert" color={palette.violation}>
          {trouble}
        </Words>
      )}
      <Quiet>What was signed keeps the head that it was signed with.</Quiet>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Plate role="button" label="Correct it" onPress={() => void keep()} />
        <Plate role="button" quiet label="Not now" onPress={onClose} />
      </View>
    </View>
  );
}
