/** What is kept for a time of its own, as the office says; decisions, papers and seals stay. */
export const KEPT = {
  photo: 'Photos of finished houses',
  owner: 'The owner’s name at finished houses',
  note: 'Who complained',
  draft: 'Decisions that were left unsealed',
  view: 'Who looked at a record',
} as const;
export type Kept = keyof typeof KEPT;
