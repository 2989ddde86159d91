import { EDITIONS, type Edition } from '@careful-latch/core/codebook';
import { Words } from '../theme/words';
import { Plate, Plates } from './plate';

/** The editions that an office may have adopted. */
export function EditionPlates({
  label,
  edition,
  onEdition,
}: {
  label: string;
  edition: Edition | undefined;
  onEdition: (edition: Edition) => void;
}) {
  return (
    <>
      <Words style={{ fontWeight: '700' }}>{label}</Words>
      <Plates label={label}>
        {EDITIONS.map((one) => (
          <Plate key={one} reading label={one} selected={edition === one} onPress={() => onEdition(one)} />
        ))}
      </Plates>
    </>
  );
}
