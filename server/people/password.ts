import { string } from 'yup';

/** A password that somebody chooses. */
export const newPassword = string()
  .required('Give a password.')
  .min(10, 'A password has at least 10 characters.')
  .max(200, 'A password has at most 200 characters.');
