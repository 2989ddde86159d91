import type { Role } from '@careful-latch/core/record';

/** Who is signed in. */
export interface Account {
  readonly id: string;
  readonly office: string;
  readonly login: string;
  readonly name: string;
  readonly role: Role;
  /** The firm that somebody of outside is of; null where there is none. */
  readonly firm: string | null;
}
