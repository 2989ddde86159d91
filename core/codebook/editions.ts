/** Editions of the National Electrical Code (NFPA 70) that an office may have adopted. */
export const EDITIONS = ['2017', '2020', '2023'] as const;
export type Edition = (typeof EDITIONS)[number];

export function isEdition(text: unknown): text is Edition {
  return (EDITIONS as readonly unknown[]).includes(text);
}

/** Section numbers by edition. `listing` and `guidance` stand where no section applies. */
export type Cites = Readonly<Record<Edition, readonly string[]>>;

/** The same sections in every edition. */
export function everyEdition(...sections: string[]): Cites {
  return { '2017': sections, '2020': sections, '2023': sections };
}

/** Sections that have one number in 2017 and another from 2020 on. */
export function movedIn2020(until: readonly string[], since: readonly string[]): Cites {
  return { '2017': until, '2020': since, '2023': since };
}
