import { string } from 'yup';
import { isZone } from '@careful-latch/core/record';

/** The time zone of an office. */
export const timeZone = string()
  .max(60)
  .test(
    'zone',
    'A time zone is named as the IANA has it, like America/Chicago.',
    (zone) => zone === undefined || isZone(zone),
  );
