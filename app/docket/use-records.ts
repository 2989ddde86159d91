import { useEffect, useState } from 'react';
import type { Inspection } from '@careful-latch/core/record';
import { useInspections } from '../stores/inspections';
import { office, type SignedRecord } from '../stores/office';

interface Records {
  readonly records: readonly SignedRecord[];
  /** The public keys that they were sealed with. */
  readonly keys: readonly object[];
  /** Which there are, as a JWS of the office; empty until it has answered. */
  readonly statement: string;
}

/** The sealed records of an inspection, asked for anew with everything signed and whenever the office is reached again. */
export function useRecords({ id, decisions }: Inspection): Records {
  const [found, setFound] = useState<Records>({ records: [], keys: [], statement: '' });
  const waiting = useInspections((one) => one.waiting);
  const reach = useInspections((one) => one.reach);
  useEffect(() => {
    let gone = false;
    office.records(id).then(
      (one) => !gone && setFound(one),
      () => undefined, // what this phone has is shown; the line under each record says what is missing
    );
    return () => {
      gone = true;
    };
  }, [id, decisions.length, waiting, reach]);
  return found;
}
