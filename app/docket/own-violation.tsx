import { yupResolver } from '@hookform/resolvers/yup';
import { useForm } from 'react-hook-form';
import { View } from 'react-native';
import { object, string } from 'yup';
import { STATIONS, STATION_NAMES, type Station } from '@careful-latch/core/case';
import type { ChangeBody } from '@careful-latch/core/record';
import { Field } from '../plates/field';
import { Plate, Plates } from '../plates/plate';
import { Quiet } from '../theme/words';

const schema = object({
  words: string().trim().required('Say what is wrong.').max(2000),
  remedy: string().trim().max(2000).defined(),
  cites: string().trim().max(200).defined(),
  station: string<Station>().required('Choose where it was seen.'),
  severity: string<'hazard' | 'correction'>().required(),
});

/** A violation that the program does not find: the inspector’s own words, with the section they rest on. */
export function OwnViolation({
  inspection,
  change,
  onClose,
}: {
  inspection: string;
  change: (body: ChangeBody) => boolean;
  onClose: () => void;
}) {
  const form = useForm({
    resolver: yupResolver(schema),
    defaultValues: { words: '', remedy: '', cites: '', severity: 'correction' as const },
  });
  const station = form.watch('station');
  const severity = form.watch('severity');
  const keep = form.handleSubmit(({ cites, ...is }) => {
    const sections = cites.split(/[,;]\s*/).filter((one) => one !== '');
    const done = change({
      type: 'violation',
      inspection,
      violation: crypto.randomUUID(),
      to: 'open',
      words: '',
      findings: [],
      is: { ...is, cites: sections },
    });
    if (done) onClose();
  });
  return (
    <View role="form" aria-label="A violation of your own" style={{ gap: 8 }}>
      <Field form={form} name="words" label="What is wrong" multiline />
      <Field form={form} name="remedy" label="What would correct it" multiline />
      <Field form={form} name="cites" label="Sections, like 110.3(B)" autoComplete="off" />
      <Plates label="Where it was seen">
        {STATIONS.map((one) => (
          <Plate
            key={one}
            label={STATION_NAMES[one]}
            selected={one === station}
            onPress={() => form.setValue('station', one, { shouldValidate: true })}
          />
        ))}
      </Plates>
      {form.formState.errors.station && <Quiet role="alert">{form.formState.errors.station.message}</Quiet>}
      <Plates label="How much it weighs">
        <Plate
          label="Correction"
          selected={severity === 'correction'}
          onPress={() => form.setValue('severity', 'correction')}
        />
        <Plate label="Hazard" selected={severity === 'hazard'} onPress={() => form.setValue('severity', 'hazard')} />
      </Plates>
      <View style={{ flexDirection: 'row', gap: 8 }}>
        <Plate role="button" label="Take it up" onPress={() => void keep()} />
        <Plate role="button" quiet label="Not now" onPress={onClose} />
      </View>
    </View>
  );
}
