import { RULES } from './index';

/** What a photo shows as well as the eye: what a label says, a directory, a closed opening. Nothing measured, torqued, bonded or moved by hand is among it. */
export const BY_PHOTO: readonly string[] = [
  ...RULES.flatMap(({ id, station }) => (station === 'labels' ? [id] : [])),
  'panel/directory-true',
  'panel/openings-closed',
];
