import { useState } from 'react';
import { View } from 'react-native';
import { useShallow } from 'zustand/react/shallow';
import { Plate, Plates } from '../plates/plate';
import { useInspections } from '../stores/inspections';
import { Quiet, Words } from '../theme/words';

const LATEST = 8;

/** The houses that were walked last on this device; of the one that is chosen the kinds of parts are offered first. */
export function Alike({
  like,
  onLike,
}: {
  like: string | undefined;
  onLike: (inspection: string | undefined) => void;
}) {
  const [open, setOpen] = useState(false);
  const houses = useInspections(
    useShallow((all) =>
      Object.values(all.byId)
        .filter((one) => one.case.transfer?.kind !== undefined)
        .toSorted((a, b) => b.changedAt.localeCompare(a.changedAt))
        .slice(0, LATEST),
    ),
  );
  const chosen = houses.find((one) => one.id === like);
  if (houses.length === 0) return null;
  if (!open)
    return (
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: 8 }}>
        {chosen && <Words style={{ flex: 1 }}>{`Kinds of parts as at ${chosen.header.address} stand first.`}</Words>}
        <Plate
          role="button"
          quiet
          label={chosen ? 'Not that' : 'Kinds of parts as at another house'}
          onPress={() => (chosen ? onLike(undefined) : setOpen(true))}
        />
      </View>
    );
  return (
    <View style={{ gap: 8 }}>
      <Quiet>
        What kind of parts it has stands first on the way through this one, to be touched where it is so. Nothing that
        was seen, tried or measured there is taken over.
      </Quiet>
      <Plates label="Kinds of parts as at">
        {houses.map((one) => (
          <Plate
            key={one.id}
            selected={one.id === like}
            label={one.header.address}
            onPress={() => {
              onLike(one.id);
              setOpen(false);
            }}
          />
        ))}
      </Plates>
    </View>
  );
}
